// npm leaves optional packages for other platforms out of the lockfile when the registry does not
// serve them, and `npm ci` then refuses the file. This adds a stub for each one that is missing.
import { readFileSync, writeFileSync } from 'node:fs';

const lock = JSON.parse(readFileSync('package-lock.json', 'utf8'));
let added = 0;
for (const [where, entry] of Object.entries(lock.packages)) {
  for (const [name, range] of Object.entries(entry.optionalDependencies ?? {})) {
    const nested = `${where ? `${where}/` : ''}node_modules/${name}`;
    const top = `node_modules/${name}`;
    if (lock.packages[top] || lock.packages[nested]) continue;
    const version = range.replace(/^[\^~>=\s]+/, '');
    lock.packages[top] = { version, dev: true, optional: true };
    added += 1;
  }
}
lock.packages = Object.fromEntries(
  Object.entries(lock.packages).sort(([a], [b]) => (a < b ? -1 : a > b ? 1 : 0)),
);
writeFileSync('package-lock.json', `${JSON.stringify(lock, null, 2)}\n`);
process.stdout.write(`lockfile: ${added} stub(s) added\n`);
