import { seededRandom } from '../src/core/random.ts';
import { mutate } from './mutate.ts';
import type { Parser } from './parsers.ts';

export type Finding = {
  readonly seed: number;
  readonly bytes: Uint8Array;
  /** What is wrong: an exception, a number that is none, a wait. */
  readonly fault: string;
};

export type Round = {
  readonly tried: number;
  readonly accepted: number;
  readonly findings: readonly Finding[];
  /** The longest that one file took, ms. */
  readonly longest: number;
};

/** What a reader does wrong with a file; undefined where it refuses it, or accepts what is sound. */
export const faultOf = (
  { read }: Parser,
  bytes: Uint8Array,
): { readonly fault?: string; readonly accepted: boolean } => {
  try {
    const numbers = read(bytes);
    const bad = numbers?.find((value) => !Number.isFinite(value));
    return { accepted: numbers !== undefined, ...(bad === undefined ? {} : { fault: `accepts ${bad}` }) };
  } catch (error) {
    return {
      accepted: false,
      fault: `throws ${error instanceof Error ? error.stack?.split('\n').slice(0, 3).join(' ') : String(error)}`,
    };
  }
};

/** Parts are left out of a file as long as the fault stays the same. */
export const reduced = (parser: Parser, { bytes, fault }: Finding): Uint8Array => {
  const isSame = (some: Uint8Array) => faultOf(parser, some).fault?.slice(0, 20) === fault.slice(0, 20);
  let small = bytes;
  for (let size = small.length >> 1; size >= 1; size >>= 1)
    for (let at = 0; at + size <= small.length;) {
      const less = new Uint8Array([...small.subarray(0, at), ...small.subarray(at + size)]);
      if (isSame(less)) small = less;
      else at += size;
    }
  return small;
};

/** So many spoilt files before a reader. The same first seed, the same files. */
export const fuzzRound = (
  parser: Parser,
  count: number,
  {
    from = 1,
    slowMs = Infinity,
    now = () => 0,
  }: { readonly from?: number; readonly slowMs?: number; readonly now?: () => number } = {},
): Round => {
  const findings: Finding[] = [];
  let [accepted, longest] = [0, 0];
  for (let n = 0; n < count; n += 1) {
    const seed = from + n;
    const random = seededRandom(seed);
    const bytes = mutate(parser.seeds[Math.floor(random() * parser.seeds.length)], random);
    const began = now();
    const { fault, accepted: isAccepted } = faultOf(parser, bytes);
    const took = now() - began;
    longest = Math.max(longest, took);
    if (isAccepted) accepted += 1;
    const found = fault ?? (took > slowMs ? `takes ${Math.round(took)} ms` : undefined);
    if (found) findings.push({ seed, bytes, fault: found });
  }
  return { tried: count, accepted, findings, longest };
};
