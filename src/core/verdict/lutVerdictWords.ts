import { INPUT_KINDS, patternName, type InputGuess } from '../lut/inputKind.ts';
import type { LutLoss } from '../lut/loss.ts';
import { printStopsDecimal, printStopsLength, toThird } from '../units.ts';

// What is said of a LUT where a sentence is longer than a line. Signals are shares of 1, tones stops over grey.

export const percent = (v: number, digits = 0): string =>
  `${(100 * v).toFixed(digits).replace('-', '−')}\u00a0%`;

/** How far a tone lies from where it was planned: `1/3 under`. */
const lie = (by: number) =>
  Number.isFinite(by) ? `${printStopsLength(toThird(by))} ${by < 0 ? 'under' : 'over'}` : 'unseen';

export const wouldSit = (astray: readonly { readonly name: string; readonly by: number }[]): string => {
  const [first, ...more] = astray;
  const others = more.map(({ name, by }) => `, ${name} ${lie(by)}`).join('');
  return `${first.name} would sit ${lie(first.by)}${others}`;
};

export const otherPull = (pull: number, placement: number): string => {
  const placed = `your card is placed at ${printStopsDecimal(placement)}`;
  return ` It takes grey from ${printStopsDecimal(pull)}, ${placed}.`;
};

export const landing = (out: number, seen: number, wanted: number): string => {
  const like = Number.isFinite(seen) ? printStopsDecimal(seen) : 'no light';
  const planned = `planned ${printStopsDecimal(wanted)} from the picture’s grey`;
  return `${percent(out, 1)} out: looks like ${like}, ${planned}`;
};

export const kindFound = (guess: InputGuess): string => {
  const [next] = guess.others;
  const off = `${patternName(guess.like)} lies ${percent(guess.off, 1)} off (root mean square)`;
  return `${INPUT_KINDS[guess.kind].name}: ${off}; next ${INPUT_KINDS[next.kind].name}, ${percent(next.off, 1)}`;
};

export const blackGreyWhite = ({ black, grey, white }: InputGuess): string => {
  const middle = grey === undefined ? 'none' : percent(grey, 1);
  return `lowest up to ${percent(black)}, grey at ${middle}, highest from ${percent(white)}`;
};

export const clipLooksSafe = (whiteSignal: number): string => {
  const out = `Clipped areas come out at ${percent(whiteSignal)}, below white`;
  return `${out}: go by the clip map and the warning zebra, never by this picture.`;
};

export const topStopsAlike = (whiteStops: number, clipStops: number): string => {
  const goesOn = `though the recording goes on to ${printStopsDecimal(clipStops)}`;
  return `All over ${printStopsDecimal(whiteStops)} looks alike, ${goesOn}: nothing is lost yet in the file.`;
};

export const greysFall = (at: number, by: number): string => {
  const from = `From ${percent(at)} in, a lighter grey comes out darker`;
  return `${from}, by ${percent(by, 1)}: do not expose by it.`;
};

export const greysTinted = (delta: number, at: number): string => {
  const most = `Up to ${delta.toFixed(1)} in a* or b*, at ${percent(at)} in`;
  return `${most}: balance by the scope, not by this picture.`;
};

export const betweenPoints = (worst: number, stops: number): string => {
  const both = `ΔE ${worst.toFixed(1)} at worst and ${stops.toFixed(2)} stop on the grey axis`;
  return `Error between its points: about ${both}, judged from half the points.`;
};

export const atHalfThePoints = ({ mean, worst, stops }: LutLoss): string => {
  const delta = `mean ΔE2000 ${mean.toFixed(2)}, worst ${worst.toFixed(1)}`;
  return `${delta}, ${stops.toFixed(3)} stop on the grey axis`;
};
