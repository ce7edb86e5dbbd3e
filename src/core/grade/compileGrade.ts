import { mirrored } from '../correction/compile.ts';
import { gamutOf } from '../colour/gamut.ts';
import { temperatureOf } from '../colour/temperature.ts';
import { outputOf } from '../lut/outputs.ts';
import { compileRecipe } from '../lut/recipe.ts';
import type { LutRecipe } from '../lut/recipeData.ts';
import type { Triple } from '../maths/matrix.ts';
import { compileProfile } from '../profile/index.ts';
import { MIDDLE_GREY, stopsToReflectance } from '../units.ts';
import { PICTURE_LIGHT } from './pictureLight.ts';
import { GRADE_KINDS, kindOf, valueOf } from './rows/rowKinds.ts';
import type { Grade, GradeRow, GradeSide, Space, Step } from './rows/types.ts';

/** The function of a look by its id; undefined where it is not at hand. */
export type Looks = (lut: string) => Step | undefined;

export type CompiledGrade = {
  /** The recording's signal to the picture's, held to 0..1. */
  readonly run: Step;
  /** The second half: light that the rows before the conversion left, to the picture's signal. */
  readonly ofLight: Step;
  /** How much of a row each colour takes, recording's signal in, 0..1; 1 where it takes all alike. */
  readonly matte: (rowId: string) => (signal: Triple) => number;
  /** Light that reaches a row, recording's signal in: what a pick on the picture means to it. */
  readonly lightAt: (rowId: string) => Step;
  readonly spaces: { readonly [S in GradeSide]: Space };
};

/** Stops that the rows before the conversion open or close: the tone scale's top lies where the clip then is. */
const exposedBy = (rows: readonly GradeRow[]): number =>
  rows
    .filter(({ kind, on, side }) => on && side === 'before' && kind === 'exposure')
    .reduce((sum, { values }) => sum + valueOf(GRADE_KINDS.exposure, values)('stops'), 0);

/** What rows on each side work in. Noise is raised with the light: the floor goes with the exposure. */
export const spacesOf = ({ recipe, dial, floorStops, rows }: Grade): { readonly [S in GradeSide]: Space } => {
  const { transfer } = compileProfile(recipe.profile);
  const { primaries, grey } = outputOf(recipe.output);
  const light = PICTURE_LIGHT[recipe.output];
  const { kelvin } = temperatureOf(gamutOf(primaries).white);
  return {
    before: {
      primaries: recipe.profile.gamut,
      grey: MIDDLE_GREY,
      signal: mirrored(transfer),
      dial,
      floor: stopsToReflectance(floorStops + exposedBy(rows)),
    },
    after: {
      primaries,
      grey: light.decode(recipe.tone.grey ?? grey),
      signal: mirrored(light),
      dial: { kelvin, tint: 0 },
      floor: 0,
    },
  };
};

/** What a row does in its place; undefined for one that is off, a note, unknown or without effect. */
const stepOf = (row: GradeRow, grade: Grade, space: Space, undo: Step, looks: Looks): Step | undefined => {
  const kind = kindOf(row);
  if (!row.on || !kind?.compile) return undefined;
  const look = row.lut === undefined ? undefined : looks(row.lut);
  return kind.compile(valueOf(kind, row.values), space, {
    undo,
    ...(grade.match ? { match: grade.match } : {}),
    ...(look ? { look } : {}),
  });
};

const hold = (v: number) => Math.min(1, Math.max(0, v));
const none: Looks = () => undefined;
const NOTHING: Step = (rgb) => rgb;

const chained = (steps: readonly Step[]): Step => {
  if (steps.length === 0) return NOTHING;
  return (rgb) => {
    let value = rgb;
    for (const step of steps) value = step(value);
    return value;
  };
};

/** Conversion of the light that the rows before it left. */
const conversionOf = (recipe: LutRecipe, rows: readonly GradeRow[]) => {
  const plain = { ...recipe, pullStops: -exposedBy(rows), match: undefined };
  const { picture, undo } = compileRecipe(plain);
  const into = new Float64Array(3);
  const run: Step = ([r, g, b]) => {
    picture(r, g, b, into);
    return [into[0], into[1], into[2]];
  };
  return { run, undo };
};

/**
 * The functions of a trial grade. Preview, figures, matte, LUT and CDL are made from these. Rows that are off, notes,
 * and kinds that are unknown do nothing.
 * @throws RangeError when the profile or the tone scale cannot be compiled.
 */
export const compileGrade = (grade: Grade, looks: Looks = none): CompiledGrade => {
  const { recipe, rows } = grade;
  const { transfer, clipSignal } = compileProfile(recipe.profile);
  const spaces = spacesOf(grade);
  const conversion = conversionOf(recipe, rows);
  const made = rows.map((row) => ({
    row,
    step: stepOf(row, grade, spaces[row.side], conversion.undo, looks),
  }));
  const stepsOf = (side: GradeSide, list = made) =>
    list.flatMap(({ row, step }) => (row.side === side && step ? [step] : []));
  const { encode, decode } = spaces.after.signal;
  const one = (v: number) => transfer.decode(Math.min(v, clipSignal));
  const light: Step = ([r, g, b]) => [one(r), one(g), one(b)];
  const before = chained(stepsOf('before'));
  const after = stepsOf('after');
  const last = chained(after);
  const pictureLight: Step = (scene) => {
    const [r, g, b] = conversion.run(scene);
    return [decode(r), decode(g), decode(b)];
  };
  const ofLight: Step =
    after.length === 0
      ? conversion.run
      : (scene) => {
          const [r, g, b] = last(pictureLight(scene));
          return [hold(encode(r)), hold(encode(g)), hold(encode(b))];
        };
  const lightAt = (rowId: string): Step => {
    const at = made.findIndex(({ row }) => row.id === rowId);
    if (at < 0) return light;
    const earlier = made.slice(0, at);
    if (made[at].row.side === 'before') {
      const steps = chained(stepsOf('before', earlier));
      return (signal) => steps(light(signal));
    }
    const steps = chained(stepsOf('after', earlier));
    return (signal) => steps(pictureLight(before(light(signal))));
  };
  const matte = (rowId: string) => {
    const row = rows.find(({ id }) => id === rowId);
    const kind = row && kindOf(row);
    if (!row || !kind?.weight) return () => 1;
    const weight = kind.weight(valueOf(kind, row.values), spaces[row.side]);
    const reach = lightAt(rowId);
    return (signal: Triple) => weight(reach(signal));
  };
  return { run: (signal) => ofLight(before(light(signal))), ofLight, matte, lightAt, spaces };
};
