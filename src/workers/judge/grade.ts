import { compileGrade, type CompiledGrade } from '#core/grade/compileGrade.ts';
import { figuresOf } from '#core/grade/gradeFigures.ts';
import { gradeForecastInParts } from '#core/grade/gradeForecast.ts';
import { lossOfWaysInParts } from '#core/grade/order.ts';
import { kindOf } from '#core/grade/rows/rowKinds.ts';
import { rangeOfHues } from '#core/grade/hues.ts';
import { hueOf, logColour } from '#core/grade/rows/softLog.ts';
import type { Grade, GradeRow } from '#core/grade/rows/types.ts';
import { automaticBalance } from '#core/grade/start/water.ts';
import { startGrade } from '#core/grade/start/startGrade.ts';
import type { StartPatch } from '#core/grade/start/types.ts';
import { clampRect, type Frame, type Rect } from '#core/frame/frame.ts';
import { compileProfile, type ProfileData } from '#core/profile/index.ts';
import { success } from '#core/result.ts';
import { CLIP_SLACK_STOPS } from '#core/scopes/measureFrame.ts';
import { signalsByCode } from '#core/signal/scale.ts';
import type { Triple } from '#core/maths/matrix.ts';
import { contentLight, frameLight, pixelLight, whiteOf, type FrameLight } from '#core/grade/lightLevels.ts';
import { outputOf, type OutputId } from '#core/lut/outputs.ts';
import type { LutSpec } from '../luts/lutSpec.ts';
import { drive } from '../rpc/drive.ts';
import { Cancelled, type Handlers } from '../rpc/serve.ts';
import type { Run, Shelf } from '../luts/shelf.ts';
import type { Stills } from '../stills/protocol.ts';
import type { Holder } from './holder.ts';
import type { SourceHolder } from './source.ts';
import { onLatticeInParts } from './quickRuns.ts';
import type { GradeJobs, GradeStartInput } from './gradeProtocol.ts';

/** Pixels that a grade is read on, and of each mark; spread evenly. */
const PIXELS = 1200;
const PATCH_PIXELS = 256;
/** Bins of the hues, five degrees each. */
const BINS = 72;
/** Chroma from which a pixel counts as coloured, stops. Our own. */
const COLOURED = 0.15;

/** Signals of pixels of a part of the frame, on a grid. */
const sampled = (frame: Frame, rect: Rect, most: number): readonly Triple[] => {
  const { x, y, width, height } = clampRect(rect, frame);
  const every = Math.max(1, Math.sqrt((width * height) / most));
  const signals = signalsByCode(frame);
  const found: Triple[] = [];
  for (let v = every / 2; v < height; v += every)
    for (let u = every / 2; u < width; u += every) {
      const i = (y + Math.floor(v)) * frame.width + x + Math.floor(u);
      found.push([signals[frame.r[i]], signals[frame.g[i]], signals[frame.b[i]]]);
    }
  return found;
};

const whole = ({ width, height }: Frame): Rect => ({ x: 0, y: 0, width, height });

const patchesOf = (
  frame: Frame,
  { patches, names }: Pick<GradeStartInput, 'patches' | 'names'>,
  profile: ProfileData,
): readonly StartPatch[] => {
  const { signalAt, clipStops } = compileProfile(profile);
  const clip = signalAt(clipStops - CLIP_SLACK_STOPS);
  return patches.map(({ id, kind, rect }) => {
    const signals = sampled(frame, rect, PATCH_PIXELS);
    const clipped = signals.filter((rgb) => rgb.some((v) => v >= clip)).length;
    const { name = kind, own } = names[id] ?? {};
    return {
      kind,
      name,
      signals,
      isClipped: clipped > signals.length / 20,
      ...(own === undefined ? {} : { own }),
    };
  });
};

/** Rows on, that stand where they do not belong. */
const strays = ({ rows }: Grade): readonly GradeRow[] =>
  rows.filter((row) => row.on && kindOf(row) !== undefined && kindOf(row)?.side !== row.side);

const otherSide = (grade: Grade, { id }: GradeRow): Grade => ({
  ...grade,
  rows: grade.rows.map((row) =>
    row.id === id ? { ...row, side: row.side === 'before' ? 'after' : 'before' } : row,
  ),
});

/** Rows of the frame that are looked at in one go. */
const ROWS = 40;

/** Light of every pixel of the graded picture, as 10-bit codes of its output have it. */
const lightOf = async (frame: Frame, run: Run, output: OutputId, pause: () => Promise<void>) => {
  const signals = signalsByCode(frame);
  const lightOfPixel = pixelLight(output);
  const { width, height, r, g, b } = frame;
  const lights = new Float32Array(width * height);
  const coded = (v: number) => Math.round(1023 * v) / 1023;
  for (let y = 0; y < height; y += 1) {
    for (let i = y * width; i < (y + 1) * width; i += 1) {
      const [x, u, v] = run([signals[r[i]], signals[g[i]], signals[b[i]]]);
      lights[i] = lightOfPixel([coded(x), coded(u), coded(v)]);
    }
    if (y % ROWS === 0) await pause();
  }
  return frameLight(lights, whiteOf(output));
};

/** Points along an edge of the lattice that a still goes through. */
const STILL_POINTS = 65;
const SIXTEEN_BIT = 65535;

/** A frame through a function of signals, in 16 bits of full range. */
const gradedFrame = async (frame: Frame, run: Run, pause: () => Promise<void>): Promise<Frame> => {
  const { width, height, r, g, b } = frame;
  const signals = signalsByCode(frame);
  const planes = [0, 1, 2].map(() => new Uint16Array(width * height));
  for (let y = 0; y < height; y += 1) {
    for (let i = y * width; i < (y + 1) * width; i += 1) {
      const out = run([signals[r[i]], signals[g[i]], signals[b[i]]]);
      for (let c = 0; c < 3; c += 1)
        planes[c][i] = Math.round(SIXTEEN_BIT * Math.min(1, Math.max(0, out[c])));
    }
    if (y % ROWS === 0) await pause();
  }
  return { width, height, bitDepth: 16, range: 'full', r: planes[0], g: planes[1], b: planes[2] };
};

/** Hues of what has a colour, as they reach a row. */
const huesOf = (
  { lightAt, spaces }: CompiledGrade,
  { rows }: Grade,
  rowId: string,
  sample: readonly Triple[],
): readonly number[] => {
  const side = rows.find(({ id }) => id === rowId)?.side ?? 'before';
  const at = lightAt(rowId);
  return sample
    .map((signal) => hueOf(logColour(at(signal), spaces[side].grey)))
    .flatMap(({ hue, chroma }) => (chroma > COLOURED ? [hue] : []));
};

/** Shares of a sample by their hues. */
const binned = (hues: readonly number[], sample: number): readonly number[] => {
  const bins = Array.from({ length: BINS }, () => 0);
  for (const hue of hues) bins[Math.min(BINS - 1, Math.floor((hue / 360) * BINS))] += 1 / sample;
  return bins;
};

/** The jobs of the trial grade, on the frame on the bench. */
export const gradeHandlers = (
  holder: Pick<Holder, 'current'>,
  shelf: Pick<Shelf, 'looksOf'>,
  /** A spec as a function that is quick on many pixels. */
  quick: (spec: LutSpec) => Run,
  stills: Pick<Stills, 'write'>,
  source: Pick<SourceHolder, 'get' | 'is' | 'read'>,
  /** Holds pictures of a clip while another one is on the bench. */
  aside: Pick<Holder, 'put' | 'current'>,
): Handlers<GradeJobs> => ({
  gradeStart: async ({ patches, names, ...input }, { step }) => {
    await step('Reading the picture', 0.1);
    const { frame } = holder.current();
    const sample = sampled(frame, whole(frame), PIXELS);
    const marks = patchesOf(frame, { patches, names }, input.base.recipe.profile);
    return { output: startGrade({ ...input, sample, patches: marks }) };
  },

  gradeRead: async ({ grade, looks: specs = {}, patches, names, sensor, overBase }, { step }) => {
    const pause = () => step('Reading the grade', 0.3);
    await pause();
    const { frame } = holder.current();
    const looks = shelf.looksOf(specs);
    const sample = sampled(frame, whole(frame), PIXELS);
    const marks = patchesOf(frame, { patches, names }, grade.recipe.profile);
    const compiled = compileGrade(grade, looks);
    const without = [];
    for (const { id, on } of grade.rows) {
      if (!on) continue;
      const rows = grade.rows.map((row) => (row.id === id ? { ...row, on: false } : row));
      without.push({ id, figures: figuresOf({ ...grade, rows }, sample, marks, looks) });
      await pause();
    }
    const costs = [];
    for (const stray of strays(grade)) {
      const there = compileGrade(otherSide(grade, stray), looks).run;
      const ways = { before: there, after: compiled.run, recipe: grade.recipe };
      costs.push({ id: stray.id, loss: await drive(lossOfWaysInParts(frame, frame, ways), pause) });
    }
    const chosen = grade.rows.filter((row) => kindOf(row)?.values.hue !== undefined);
    const hues = chosen.map(({ id }) => ({
      id,
      bins: binned(huesOf(compiled, grade, id, sample), sample.length),
    }));
    await pause();
    const { output } = grade.recipe;
    const isHdr = outputOf(output).range === 'HDR';
    const run = isHdr ? quick({ kind: 'grade', grade, looks: specs }) : undefined;
    const light = run && (await lightOf(frame, run, output, pause));
    return {
      output: {
        ...(light ? { light } : {}),
        figures: figuresOf(grade, sample, marks, looks),
        without,
        forecast: await drive(gradeForecastInParts(grade, frame, sensor, overBase, looks), pause),
        costs,
        automatic: automaticBalance({ base: grade, sample }),
        hues,
      },
    };
  },

  gradeStill: async ({ grade, looks = {}, isBoth = false }, { step, signal, outside }) => {
    const pause = () => step('Grading the still', 0.3);
    await pause();
    const { frame } = holder.current();
    const { run } = compileGrade(grade, shelf.looksOf(looks));
    const quickly = await drive(onLatticeInParts(run, frame, STILL_POINTS), pause);
    const graded = await gradedFrame(frame, quickly, pause);
    const png = await outside(() => stills.write(graded, signal));
    if (!png.ok) return { output: png };
    const asShot = isBoth ? await outside(() => stills.write(frame, signal)) : undefined;
    if (asShot?.ok === false) return { output: asShot };
    return {
      output: success({ png: png.value, ...(asShot ? { asShot: asShot.value } : {}) }),
      transfer: [png.value.buffer, ...(asShot ? [asShot.value.buffer] : [])],
    };
  },

  gradeLight: async ({ grade, looks = {}, frames }, { step, outside }) => {
    const from = source.get();
    const { output } = grade.recipe;
    const run = quick({ kind: 'grade', grade, looks });
    const found: FrameLight[] = [];
    const wanted = from?.kind === 'clip' ? frames : [undefined];
    for (const [i, number] of wanted.entries()) {
      const pause = () => step(`Frame ${i + 1} of ${wanted.length}`, i / wanted.length);
      await pause();
      const opened =
        from?.kind === 'clip' && number !== undefined
          ? await outside(() => from.clip.frameAt(number, from.options))
          : undefined;
      // Another file was opened meanwhile: nobody waits for this one any more.
      if (from && !source.is(from)) throw new Cancelled();
      if (opened?.ok === false) {
        if (found.length === 0) return { output: opened };
        break;
      }
      if (opened) aside.put(source.read(opened.value));
      const { frame: held } = (opened ? aside : holder).current();
      // A survey may put its next picture there while this one is read.
      const frame = opened ? { ...held, r: held.r.slice(), g: held.g.slice(), b: held.b.slice() } : held;
      found.push(await lightOf(frame, run, output, pause));
    }
    return { output: success({ ...contentLight(found), frames: found.length }) };
  },

  gradePick: async ({ grade, looks = {}, rowId, rect }) => {
    const { frame } = holder.current();
    const hues = huesOf(
      compileGrade(grade, shelf.looksOf(looks)),
      grade,
      rowId,
      sampled(frame, rect, PATCH_PIXELS),
    );
    return { output: hues.length > 0 ? { range: rangeOfHues([hues]) } : {} };
  },
});
