import { printStopsDecimal } from '#core/units.ts';
import type { ClipFactsRecord, ClipRecord } from '#store/records/clip.ts';
import { drifts, type ClipLine, type ClipState, type OffPlan } from '#ui/bench/clips/clipLines.ts';

/** What a state is called, and the mark that stands for it. */
export const STATE_WORDS = {
  leftOut: { name: 'left out', mark: 'lost' },
  waiting: { name: 'waits', mark: 'watch' },
  noTake: { name: 'no take', mark: 'watch' },
  unsure: { name: 'unsure', mark: 'watch' },
  off: { name: 'look at it', mark: 'watch' },
  fine: { name: 'as planned', mark: 'holds' },
} as const satisfies Record<ClipState, { name: string; mark: 'holds' | 'watch' | 'lost' }>;

const two = (n: number) => String(n).padStart(2, '0');

/** `12 s`, `3:05 min` */
const printLength = (seconds: number): string => {
  const whole = Math.round(seconds);
  return whole < 60 ? `${whole} s` : `${Math.floor(whole / 60)}:${two(whole % 60)} min`;
};

/** `+1:02:07`, hours, minutes and seconds. */
export const printOffset = (seconds: number): string => {
  const whole = Math.round(Math.abs(seconds));
  const clock = `${Math.floor(whole / 3600)}:${two(Math.floor(whole / 60) % 60)}:${two(whole % 60)}`;
  return `${seconds < 0 && whole > 0 ? '−' : '+'}${clock}`;
};

/** Seconds of `1:02:07`, `-0:30`, `45`; undefined where it is none. */
export const parseOffset = (text: string): number | undefined => {
  const match = /^\s*([+\-−]?)(?:(?:(\d{1,5}):)?(\d{1,2}):)?(\d{1,6}(?:[.,]\d+)?)\s*$/.exec(text);
  if (!match) return undefined;
  const [, sign, hours = '0', minutes = '0', seconds] = match;
  const all = 3600 * Number(hours) + 60 * Number(minutes) + Number(seconds.replace(',', '.'));
  return sign === '-' || sign === '−' ? -all : all;
};

/** `10:11:12:13 · 12 s · 25 fps · 10 bit 4:2:2` */
export const factsLine = (facts: ClipFactsRecord | undefined): string => {
  if (!facts) return '';
  const { timecode, seconds, rate, variable, bitDepth, chroma, reel } = facts;
  return [
    printLength(seconds),
    timecode,
    `${Number(rate.toFixed(2))} fps${variable ? ', varying' : ''}`,
    `${bitDepth} bit${chroma ? ` ${chroma}` : ''}`,
    reel && `reel ${reel}`,
  ]
    .filter(Boolean)
    .join(' · ');
};

/** The clip of a take: file, start timecode, length. */
export const clipLine = ({ file, facts }: ClipRecord): string =>
  [file.name, facts?.timecode, facts && printLength(facts.seconds)].filter(Boolean).join(' · ');

/** `+0.3`, or `≈+0.4 ±0.2` where it was estimated. */
export const printOff = ({ stops, by, spread }: OffPlan): string =>
  by === 'card'
    ? printStopsDecimal(stops)
    : `≈${printStopsDecimal(stops)}${spread === undefined ? '' : ` ±${spread.toFixed(1)}`}`;

/** In how many of the measured frames marks were found, and how well; undefined where none were looked for. */
export const marksLine = ({ found }: ClipRecord): string | undefined => {
  if (!found?.marks) return undefined;
  const { frames, score } = found.marks;
  const fit = score === undefined ? '' : `, least correlation ${score.toFixed(2)}`;
  return `Marks found in ${frames} of ${found.samples.length} frames${fit}`;
};

/** What is to be looked at, in a line; the worst first. */
export const troubleOf = ({ clip, state, off, againstHero }: ClipLine): string => {
  const { found, problem } = clip;
  if (state === 'leftOut') return problem ?? 'It could not be read.';
  if (state === 'waiting') return 'Not looked at yet: choose its folder again.';
  if (found?.cutShort !== undefined) return 'It ends before its end.';
  if (found?.doubt !== undefined) return found.doubt;
  if (found && drifts(found)) return `drifts ${found.driftStops.toFixed(1)} stops`;
  if (state === 'off' && off) return `${printOff(off)} off plan`;
  if (state === 'off' && againstHero) return `${printOff(againstHero)} off hero`;
  if (state === 'fine' && off?.by !== 'card') return 'no fault seen';
  return STATE_WORDS[state].name;
};

/** What is to be done with clips of a state, after their number. */
const TO_DO: readonly (readonly [ClipState, string])[] = [
  ['off', 'to look at'],
  ['unsure', 'with an unsure take'],
  ['noTake', 'without a take'],
  ['waiting', 'waiting'],
  ['leftOut', 'left out'],
];

/** How many there are and what is to be done. */
export const clipsNote = (lines: readonly ClipLine[]): string | undefined => {
  if (lines.length === 0) return undefined;
  const parts = TO_DO.flatMap(([state, says]) => {
    const count = lines.filter((line) => line.state === state).length;
    return count > 0 ? [`${count} ${says}`] : [];
  });
  return [`${lines.length} clips`, ...parts].join(', ');
};

/** `about 3 min left`; undefined until it can be told. */
export const leftWords = (done: number, left: number, elapsedMs: number): string | undefined => {
  if (done === 0 || left === 0) return undefined;
  const seconds = (elapsedMs / 1000 / done) * left;
  return seconds < 50
    ? `about ${Math.max(5, Math.round(seconds / 5) * 5)} s left`
    : `about ${Math.round(seconds / 60)} min left`;
};

/** A circle mark in the book's list of steps. */
export const circleLabel = ({ file, circled }: ClipRecord): string =>
  `${circled ? 'Uncircle' : 'Circle'} ${file.name.slice(0, 60)}`;
