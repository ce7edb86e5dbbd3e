// After `next build`: the service worker, with the list of all files that the app needs without its server.
import { createHash } from 'node:crypto';
import { readdirSync, readFileSync, statSync } from 'node:fs';
import { join, sep } from 'node:path';
import { build } from 'esbuild';

// Every folder of the app that holds a page.
const PAGES = readdirSync('src/app', { recursive: true })
  .filter((path) => path.endsWith('page.tsx'))
  .map((path) => `/${path.split(sep).slice(0, -1).join('/')}`);

const filesIn = (folder) =>
  readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile() && !entry.name.endsWith('.map'))
    .map(({ parentPath, name }) => join(parentPath, name).slice(folder.length));

// Names of built files change with what is in them; of the others the content says which one it is.
const built = filesIn('.next/static').map((name) => ({ url: `/_next/static${name}`, revision: null }));
const shipped = filesIn('public').map((name) => ({
  url: name,
  revision: createHash('sha256')
    .update(readFileSync(`public${name}`))
    .digest('hex')
    .slice(0, 16),
}));
const files = [...built, ...shipped].map(({ url, revision }) => ({ url: encodeURI(url), revision }));

await build({
  entryPoints: ['src/workers/offline/offline.worker.ts'],
  outfile: '.next/sw.js',
  bundle: true,
  minify: true,
  format: 'iife',
  target: 'es2022',
  logLevel: 'error',
  define: {
    'process.env.NODE_ENV': '"production"',
    __FILES: JSON.stringify(files),
    __BUILD: JSON.stringify(readFileSync('.next/BUILD_ID', 'utf8').trim()),
    __PAGES: JSON.stringify(PAGES),
  },
});
const megabytes = [
  ...built.map(({ url }) => `.next${url.slice('/_next'.length)}`),
  ...shipped.map(({ url }) => `public${url}`),
]
  .map((path) => statSync(path).size)
  .reduce((sum, size) => sum + size, 0);
console.log(`Offline: ${files.length} files, ${(megabytes / 1e6).toFixed(1)} MB.`);
