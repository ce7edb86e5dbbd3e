import { outputOf } from '../../lut/outputs.ts';
import type { Triple } from '../../maths/matrix.ts';
import { LUMA } from '../../signal/luma.ts';
import { printStopsDecimal } from '../../units.ts';
import { hueOf, logColour } from '../rows/softLog.ts';
import { median, quantile, readable, readingAfter, rowsOf, solved, type Reading } from './reading.ts';
import type { Proposer, StartInput, StartPatch } from './types.ts';

/** The +I axis in the U, V plane, degrees (domain: nearly all skin lies near it). */
export const SKIN_LINE = 123;
/** B' - Y' and R' - Y' as U and V of composite video. */
const [U, V] = [0.492, 0.877];

/** Hue of a picture's colour in the U, V plane, degrees. */
export const uvHue = (rgb: Triple, weights: (typeof LUMA)[keyof typeof LUMA]): number => {
  const luma = weights.kr * rgb[0] + weights.kg * rgb[1] + weights.kb * rgb[2];
  return (Math.atan2(V * (rgb[0] - luma), U * (rgb[2] - luma)) * 180) / Math.PI;
};

/** The middle of hues that lie near each other, degrees. */
const middleHue = (hues: readonly number[]): number => {
  const [first] = hues;
  const near = hues.map((hue) => first + ((((hue - first + 540) % 360) + 360) % 360) - 180);
  return (median(near) + 360) % 360;
};

/** What a marked face is in the picture: its level, its hue against the skin line, its sheen. */
const faceReading = (input: Pick<StartInput, 'base'>, reading: Reading, face: StartPatch) => {
  const { grade, light } = reading;
  const weights = LUMA[outputOf(input.base.recipe.output).luma];
  const at = face.signals.map(reading.stops);
  const colours = face.signals.map((signal) => logColour(light(signal), grade.spaces.before.grey));
  const middle = median(at);
  return {
    name: face.name,
    own: face.own,
    /** Stops over grey: of its middle, and of its brightest over that. */
    stops: middle,
    sheen: quantile(at, 0.95) - middle,
    level: median(face.signals.map(reading.shown)),
    brightest: quantile(face.signals.map(reading.shown), 0.95),
    /** Degrees from the skin line: + towards red. */
    fromLine: middleHue(face.signals.map((signal) => uvHue(grade.run(signal), weights))) - SKIN_LINE,
    /** On the hue ring of the row. */
    hue: middleHue(colours.map((colour) => hueOf(colour).hue)),
    spread: quantile(
      colours.map((colour) => Math.abs(((hueOf(colour).hue - hueOf(colours[0]).hue + 540) % 360) - 180)),
      0.9,
    ),
  };
};

const percent = (v: number) => `${Math.round(100 * v)} %`;
const held = (v: number, most: number) => Math.min(most, Math.max(-most, v));

const rangeOf = (faces: readonly ReturnType<typeof faceReading>[]) => ({
  hue: middleHue(faces.map(({ hue }) => hue)),
  width: Math.round(Math.min(90, Math.max(30, 2 * Math.max(...faces.map(({ spread }) => spread))))),
  soft: 20,
});

const line = (degrees: number): string =>
  Math.abs(degrees) < 0.05
    ? 'on the line'
    : `${Math.abs(degrees).toFixed(1)}° ${degrees > 0 ? 'left' : 'right'} of the line`;

const levelWords = (level: number, own: number, wanted: number, off: number): string => {
  const goal = `own ${printStopsDecimal(own)} = ${percent(wanted)}`;
  return `at ${percent(level)}, ${goal}: ${printStopsDecimal(off, 2)} stop`;
};

const sheenWords = (name: string, over: number, brightest: number): string => {
  const lies = `${over.toFixed(1)} stop over its middle, at ${percent(brightest)}`;
  return `${name}: the brightest of the skin lies ${lies}`;
};

const middleWords = (stops: number, sheen: number, brightest: number): string => {
  const top = `${printStopsDecimal(stops + sheen)} = ${percent(brightest)}`;
  return `middle ${printStopsDecimal(stops)}, brightest ${top}`;
};

const hasNeutral = (input: StartInput) => readable(input, 'card', 'neutral', 'white').length > 0;

/** How far faces may be lifted on their own, stops: past that it is the light or the exposure. Our own. */
const MOST = 0.5;
const SEEN = 1 / 12;

/** Faces to their own levels; their hue is their own where a neutral was marked. */
export const startSkin: Proposer = (input, before) => {
  const marked = readable(input, 'skin');
  if (marked.length === 0) return undefined;
  const reading = readingAfter(input, rowsOf(before));
  const faces = marked.map((face) => faceReading(input, reading, face));
  const known = faces.flatMap((face) => (face.own === undefined ? [] : [{ ...face, own: face.own }]));
  const wanted = known.map(({ own }) => reading.levelAt(own));
  // Stops in the row that bring the middle of a face to its level: the picture's slope is not one.
  const offs = known.map(({ level }, i) => {
    const toStops = (v: number) => solved(reading.levelAt, v, -8, 6);
    return toStops(wanted[i]) - toStops(level);
  });
  const mean = offs.length > 0 ? offs.reduce((sum, off) => sum + off, 0) / offs.length : 0;
  const stops = Math.abs(mean) < SEEN ? 0 : Math.round(24 * held(mean, MOST)) / 24;
  const [face] = faces;
  const own = hasNeutral(input) ? 'this subject’s own' : 'mark a neutral: it may be the light’s';
  return {
    on: stops !== 0,
    values: { ...rangeOf(faces), turn: 0, saturation: 1, stops },
    ground: 'measured',
    why:
      stops === 0
        ? `${percent(face.level)}, ${line(face.fromLine)}: ${own}. Left as it is`
        : `${percent(face.level)} to its own ${percent(wanted[0])}; ${line(face.fromLine)}: ${own}`,
    arithmetic: [
      ...known.map(({ name, level, own: offset }, i) => ({
        label: name,
        value: levelWords(level, offset, wanted[i], offs[i]),
      })),
      ...faces.map(({ name, fromLine }) => ({ label: `${name}, hue`, value: `${line(fromLine)}: ${own}` })),
      ...(Math.abs(mean) > MOST
        ? [
            {
              label: 'more than a face is lifted alone',
              value: `${MOST} stop: the rest is exposure or light`,
            },
          ]
        : []),
    ],
  };
};

/** Sheen that reads hot: so far over the middle of the face, or over this level. Our own. */
const HOT_STOPS = 1;
const HOT_LEVEL = 0.85;

export const startSheen: Proposer = (input, before) => {
  const marked = readable(input, 'skin');
  if (marked.length === 0) return undefined;
  const reading = readingAfter(input, rowsOf(before));
  const faces = marked.map((face) => faceReading(input, reading, face));
  const most = faces.reduce((a, b) => (b.sheen > a.sheen ? b : a));
  const isHot = most.sheen > HOT_STOPS || most.brightest > HOT_LEVEL;
  const from = Math.round(12 * (most.stops + Math.min(HOT_STOPS, 0.6 * most.sheen))) / 12;
  return {
    on: isHot,
    values: { ...rangeOf(faces), width: rangeOf(faces).width + 20, from, amount: isHot ? 0.4 : 0 },
    ground: 'measured',
    why: `${sheenWords(most.name, most.sheen, most.brightest)}${isHot ? '' : ': it is calm'}`,
    arithmetic: faces.map(({ name, stops, sheen, brightest }) => ({
      label: name,
      value: middleWords(stops, sheen, brightest),
    })),
  };
};
