// npm run fuzz [parser] [n] [first seed]: spoilt files before every reader of files, or before one; `containers` for
// MP4, MOV, MKV and WebM.
import { writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { CONTAINERS, containerRound, type ContainerKind } from './containers.ts';
import { PARSERS } from './parsers.ts';
import { fuzzRound, reduced } from './round.ts';

const SLOW_MS = 2000;
/** The most that the process may ever have held, MB: seeds and what is made of them are far smaller. */
const MOST_MB = 500;
const SHOWN = 3;
/** A container may take so long, ms, and hold so much, MB: it can be ended, and the bench goes on meanwhile. */
const CONTAINER_LIMITS = { ms: 6000, mb: 500 };

const containers = async (count: number, from: number) => {
  for (const kind of Object.keys(CONTAINERS) as ContainerKind[]) {
    const { accepted, ended, longest, megabytes } = await containerRound(kind, count, from);
    const most = `longest ${longest.toFixed(0)} ms, ${megabytes.toFixed(0)} MB`;
    const stuck = `ended, as the app does it: ${ended.join(' ') || 'none'}`;
    console.log(`${kind}: ${count} files from seed ${from}, ${accepted} accepted, ${most}; ${stuck}`);
    if (longest > CONTAINER_LIMITS.ms || megabytes > CONTAINER_LIMITS.mb) process.exitCode = 1;
  }
};

const [name, count = '25000', first = '1'] = process.argv.slice(2);
const ofContainers = name === 'containers';
if (ofContainers) await containers(Number(count), Number(first));
const chosen = PARSERS.filter((parser) => !name || name === 'all' || parser.name === name);
if (chosen.length === 0 && !ofContainers) {
  console.error(
    `No parser “${name}”. There are: ${PARSERS.map((parser) => parser.name).join(', ')}, containers.`,
  );
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
  const files = `${tried} files from seed ${first} in ${seconds} s, ${accepted} accepted`;
  const held = process.resourceUsage().maxRSS / 1024;
  const most = `longest ${longest.toFixed(0)} ms, at most ${held.toFixed(0)} MB held so far`;
  console.log(`${parser.name}: ${files}, ${most}, ${findings.length} faults`);
  for (const finding of findings.slice(0, SHOWN)) {
    const file = join(tmpdir(), `fuzz-${parser.name.replaceAll(' ', '-')}-${finding.seed}`);
    writeFileSync(file, finding.fault.startsWith('takes') ? finding.bytes : reduced(parser, finding));
    console.log(`  seed ${finding.seed}: ${finding.fault}\n  ${file}`);
  }
  if (findings.length > 0 || held > MOST_MB) process.exitCode = 1;
}
