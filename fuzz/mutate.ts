import type { Random } from '../src/core/random.ts';

/** Words that files are spoilt with: ends of ranges, and what is no number at all. */
const WORDS = [
  'NaN',
  'inf',
  '-Infinity',
  '1e999',
  '3.5e38',
  '-1',
  '0',
  '',
  ' ',
  '\n\n\n',
  '<',
  '&x;',
  '"',
  ',',
  '1e-400',
  '{"a":',
  '9'.repeat(40),
];

type Mutation = (bytes: Uint8Array, random: Random) => Uint8Array;

const below = (random: Random, n: number) => Math.min(n - 1, Math.floor(random() * n));

const spliced = (bytes: Uint8Array, at: number, gone: number, put: Uint8Array): Uint8Array => {
  const out = new Uint8Array(bytes.length - gone + put.length);
  out.set(bytes.subarray(0, at));
  out.set(put, at);
  out.set(bytes.subarray(at + gone), at + put.length);
  return out;
};

/** Ways of spoiling a file. A further one is a row. */
const MUTATIONS: readonly Mutation[] = [
  // Bits flipped.
  (bytes, random) => {
    const out = bytes.slice();
    for (let i = 0; i <= below(random, 5); i += 1) out[below(random, out.length)] ^= 1 << below(random, 8);
    return out;
  },
  // Cut short.
  (bytes, random) => bytes.slice(0, below(random, bytes.length)),
  // Bytes dropped.
  (bytes, random) => {
    const at = below(random, bytes.length);
    return spliced(bytes, at, Math.min(bytes.length - at, 1 + below(random, 16)), new Uint8Array());
  },
  // A size or a count made huge, or nought.
  (bytes, random) => {
    const out = bytes.slice();
    const at = below(random, Math.min(out.length, 400));
    out.fill([0, 0xff, 0x7f, 0x80][below(random, 4)], at, at + 1 + below(random, 8));
    return out;
  },
  // A part twice.
  (bytes, random) => {
    const at = below(random, bytes.length);
    const part = bytes.slice(at, at + 1 + below(random, 200));
    return spliced(bytes, below(random, bytes.length), 0, part);
  },
  // A number of a text replaced by something else.
  (bytes, random) => {
    const text = new TextDecoder('latin1').decode(bytes.subarray(0, 200_000));
    const numbers = [...text.matchAll(/-?\d+(\.\d+)?([eE][-+]?\d+)?/g)];
    if (numbers.length === 0) return bytes.slice();
    const { index, 0: found } = numbers[below(random, numbers.length)];
    return spliced(bytes, index, found.length, new TextEncoder().encode(WORDS[below(random, WORDS.length)]));
  },
];

/** A file spoilt in one to three ways; the same random, the same file. */
export const mutate = (bytes: Uint8Array, random: Random): Uint8Array => {
  let out = bytes;
  for (let i = 0; i <= below(random, 3) && out.length > 0; i += 1)
    out = MUTATIONS[below(random, MUTATIONS.length)](out, random);
  return out;
};
