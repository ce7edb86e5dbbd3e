// npm run fuzz [parser] [n] [first seed]: spoilt files before every reader of files, or before one.
import { writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { PARSERS } from './parsers.ts';
import { fuzzRound, reduced } from './round.ts';

const SLOW_MS = 2000;
const SHOWN = 3;

const [name, count = '25000', first = '1'] = process.argv.slice(2);
const chosen = PARSERS.filter((parser) => !name || name === 'all' || parser.name === name);
if (chosen.length === 0) {
  console.error(`No parser “${name}”. There are: ${PARSERS.map((parser) => parser.name).join(', ')}.`);
  process.exitCode = 1;
}
for (const parser of chosen) {
  const began = performance.now();
  const { tried, accepted, findings, longest } = fuzzRound(parser, Number(count), {
    from: Number(first),
    slowMs: SLOW_MS,
    now: () => performance.now(),
  });
  const seconds = ((performance.now() - began) / 1000).toFixed(1);
  console.log(
    `${parser.name}: ${tried} files from seed ${first} in ${seconds} s, ${accepted} accepted, longest ${longest.toFixed(0)} ms, ${findings.length} faults`,
  );
  for (const finding of findings.slice(0, SHOWN)) {
    const file = join(tmpdir(), `fuzz-${parser.name.replaceAll(' ', '-')}-${finding.seed}`);
    writeFileSync(file, finding.fault.startsWith('takes') ? finding.bytes : reduced(parser, finding));
    console.log(`  seed ${finding.seed}: ${finding.fault}\n  ${file}`);
  }
  if (findings.length > 0) process.exitCode = 1;
}
