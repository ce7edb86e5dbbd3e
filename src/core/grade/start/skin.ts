import { outputOf } from '../../lut/outputs.ts';
import type { Triple } from '../../maths/matrix.ts';
import { median, quantile } from '../../maths/quantile.ts';
import { LUMA, type LumaWeights } from '../../signal/luma.ts';
import { SKIN_UV, uvPolar } from '../../signal/skinLine.ts';
import { printStopsDecimal } from '../../units.ts';
import { hueApart, middleHue, rangeOfHues } from '../hues.ts';
import { hueOf, logColour } from '../rows/softLog.ts';
import { readable, readingAfter, rowsOf, type Reading } from './reading.ts';
import type { Proposer, StartInput, StartPatch } from './types.ts';

/** How far colours of a picture lie from the skin line, degrees: + towards yellow, left of it; − towards red. */
export const fromSkinLine = (colours: readonly Triple[], weights: LumaWeights): number =>
  hueApart(SKIN_UV, middleHue(colours.map((rgb) => uvPolar(rgb, weights).hue)));

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
    fromLine: fromSkinLine(face.signals.map(grade.run), weights),
    /** On the hue ring of the row. */
    hues: colours.map((colour) => hueOf(colour).hue),
  };
};

const percent = (v: number) => `${Math.round(100 * v)} %`;
const held = (v: number, most: number) => Math.min(most, Math.max(-most, v));

/** A range that holds all the faces. */
const rangeOf = (faces: readonly ReturnType<typeof faceReading>[]) => ({
  ...rangeOfHues(faces.map(({ hues }) => hues)),
  soft: 20,
});

const line = (degrees: number): string =>
  Math.abs(degrees) < 0.05
    ? 'on the line'
    : `${Math.abs(degrees).toFixed(1)}° ${degrees > 0 ? 'left' : 'right'} of the line`;

type Level = {
  readonly level: number;
  readonly at: number;
  readonly own: number;
  readonly wanted: number;
  readonly off: number;
};
const levelWords = ({ level, at, own, wanted, off }: Level): string => {
  const goal = `own ${printStopsDecimal(own)} = ${percent(wanted)}`;
  return `${printStopsDecimal(at)} = ${percent(level)}, ${goal}: ${printStopsDecimal(off, 2)} stop`;
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
/** Faces that lie further apart than this cannot be helped by one range of hues, stops. Our own. */
const APART = 1 / 3;
const SEEN = 1 / 12;

/** Level of a face once it is lifted by so many stops of light. */
const levelLifted = ({ light, levelOf }: Reading, face: StartPatch, stops: number): number =>
  median(
    face.signals.map((signal) => levelOf(light(signal).map((v) => v * 2 ** stops) as unknown as Triple)),
  );

type Known = {
  readonly name: string;
  readonly off: number;
};

const splitWords = (faces: readonly Known[]): string => {
  const each = faces.map(({ name, off }) => `${name} ${printStopsDecimal(off)}`).join(', ');
  return `The faces need different light: ${each} stop. One range of hues takes both: left as they are`;
};

/** Faces to their own levels; their hue is their own where a neutral was marked. */
export const startSkin: Proposer = (input, before) => {
  const marked = readable(input, 'skin');
  if (marked.length === 0) return undefined;
  const reading = readingAfter(input, rowsOf(before));
  const faces = marked.map((face) => faceReading(input, reading, face));
  const known = faces.flatMap((face, i) =>
    face.own === undefined ? [] : [{ ...face, own: face.own, off: face.own - face.stops, patch: marked[i] }],
  );
  const offs = known.map(({ off }) => off);
  const mean = offs.length > 0 ? offs.reduce((sum, off) => sum + off, 0) / offs.length : 0;
  const isSplit = offs.length > 1 && Math.max(...offs) - Math.min(...offs) > APART;
  const stops = isSplit || Math.abs(mean) < SEEN ? 0 : Math.round(24 * held(mean, MOST)) / 24;
  const wanted = known.map(({ patch, off }) => levelLifted(reading, patch, off));
  const [face] = faces;
  const own = hasNeutral(input) ? 'this subject’s own' : 'mark a neutral: it may be the light’s';
  const lies = `${line(face.fromLine)}: ${own}`;
  const one =
    stops === 0
      ? `${face.name} ${percent(face.level)}, ${lies}. Left as it is`
      : `${face.name} ${percent(face.level)} to its own ${percent(wanted[0])}; ${lies}`;
  return {
    on: stops !== 0,
    values: { ...rangeOf(faces), turn: 0, saturation: 1, stops },
    ground: 'measured',
    why: isSplit ? splitWords(known) : one,
    arithmetic: [
      ...known.map(({ name, level, own: offset, off, stops: at }, i) => ({
        label: name,
        value: levelWords({ level, at, own: offset, wanted: wanted[i], off }),
      })),
      ...faces.map(({ name, fromLine }) => ({ label: `${name}, hue`, value: `${line(fromLine)}: ${own}` })),
      ...(!isSplit && Math.abs(mean) > MOST
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
