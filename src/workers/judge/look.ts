import {
  compileMonitoring,
  type CompiledMonitoring,
  type MonitoringTransform,
} from '#core/lut/monitoring.ts';
import type { Kernels } from '#core/kernels/types.ts';
import { compileProfile, stopsByCode, type Profile } from '#core/profile/index.ts';
import { orderLossInParts } from '#core/grade/order.ts';
import { shownOnVideo } from '#core/lut/onScreen.ts';
import { compileRecipe } from '#core/lut/recipe.ts';
import { failure, success } from '#core/result.ts';
import { writeRgbaPng } from '#core/formats/png.ts';
import { clampRect, type Frame, type Rect } from '#core/frame/frame.ts';
import { drawClipMap } from '#core/scopes/clipMap.ts';
import { drawContours } from '#core/scopes/contours.ts';
import { SCOPE_PAINTERS, type ScopeCounts } from '#core/scopes/drawScope.ts';
import { measureFrame } from '#core/scopes/measureFrame.ts';
import { rememberMarks } from '#core/scopes/refind.ts';
import { patchesAt } from '#core/scopes/tracks.ts';
import { VIEW_PAINTERS } from '#core/kernels/picture.ts';
import { shrink } from '#core/scopes/shrink.ts';
import { thinned } from '#core/scopes/thin.ts';
import { zebraTable } from '#core/scopes/zebra.ts';
import { LUMA } from '#core/signal/luma.ts';
import { codeToSignal, maxCode, signalsByCode, type Coding } from '#core/signal/scale.ts';
import type { LutSpec } from '../luts/lutSpec.ts';
import { drive } from '../rpc/drive.ts';
import type { Handlers } from '../rpc/serve.ts';
import { createShelf, type Run } from '../luts/shelf.ts';
import { infoOf, looseBench, type Held, type Holder } from './holder.ts';
import { gradeHandlers } from './grade.ts';
import { quickRuns } from './quickRuns.ts';
import { createPeaks } from './peaks.ts';
import type {
  CodeReadout,
  JudgeJobs,
  MeasuredFrame,
  MeasureInput,
  PictureRequest,
  Pixels,
  ScopeRequest,
  ThumbnailRequest,
  Through,
} from './protocol.ts';
import type { Stills } from '../stills/protocol.ts';
import type { SourceHolder } from './source.ts';

/** Most pixels the magnifier asks codes of. */
const MOST_CODES = 4096;

type LookJobs = Pick<
  JudgeJobs,
  | 'keep'
  | 'order'
  | 'gradeStart'
  | 'gradeRead'
  | 'gradePick'
  | 'gradeStill'
  | 'gradeLight'
  | 'measure'
  | 'capture'
  | 'picture'
  | 'scope'
  | 'codes'
  | 'hold'
  | 'reference'
>;

let lastMonitoring: { readonly key: string; readonly monitoring: CompiledMonitoring } | undefined;
/** The monitoring transform, kept from picture to picture while it stays the same. */
const monitoringFor = ({ profile, pullStops }: MonitoringTransform): CompiledMonitoring => {
  const key = `${pullStops} ${JSON.stringify(profile)}`;
  if (lastMonitoring?.key !== key)
    lastMonitoring = { key, monitoring: compileMonitoring({ profile, pullStops }) };
  return lastMonitoring.monitoring;
};

const stopsTable = (profile: Profile, coding: Coding): Float32Array =>
  stopsByCode(profile, maxCode(coding.bitDepth) + 1, (code) => codeToSignal(code, coding));

export const paint = (
  kernels: Kernels,
  held: Held,
  request: PictureRequest,
  monitoring: CompiledMonitoring = monitoringFor(request),
): Pixels => {
  const small = thinned(kernels.thin, held.frame, held.luma, request.every ?? 1, held.room);
  const { frame, luma } = small;
  const n = luma.length;
  const pixels = held.pixels.length >= n ? held.pixels.subarray(0, n) : new Uint32Array(n);
  const stopsOfCode = stopsTable(compileProfile(request.profile), frame);
  const { ramp } = request;
  VIEW_PAINTERS[request.view](kernels, pixels, { frame, luma, monitoring, stopsOfCode, ramp });
  if (request.contours) drawContours(pixels, luma, frame.width, stopsOfCode);
  const table = zebraTable(maxCode(frame.bitDepth) + 1, request.rangeZebras, request.warningZebra);
  kernels.zebra(luma, frame.width, table, pixels);
  if (request.clipCode !== undefined) drawClipMap(pixels, frame, frame.width, request.clipCode);
  const rgba = new Uint8ClampedArray(4 * n);
  rgba.set(new Uint8ClampedArray(pixels.buffer, pixels.byteOffset, 4 * n));
  return { width: frame.width, height: frame.height, rgba };
};

/** LUTs whose pictures are kept ready. */
const MOST_LUTS = 4;
/** Width of the picture that scopes behind a LUT are made of. */
const SCOPE_WIDTH = 480;
const TEN_BIT = 1023;

/** A LUT's picture for this screen: of a recipe for a video monitor with its own tables, else by its function. */
const monitoringOf = ({ spec, output }: Through, run: Run): CompiledMonitoring => {
  if (spec.kind === 'recipe' && output === 'bt1886') return compileRecipe(spec.recipe);
  const shown = shownOnVideo(output);
  const clamp = (v: number) => Math.min(1, Math.max(0, v));
  const rgb: CompiledMonitoring['rgb'] = (signal) => {
    const [r, g, b] = run(signal);
    return shown([clamp(r), clamp(g), clamp(b)]);
  };
  return { rgb, neutral: (signal) => rgb([signal, signal, signal])[1] };
};

/** A frame behind a LUT: full-range 10-bit codes of its output. */
const throughRun = (frame: Frame, run: Run): Frame => {
  const n = frame.r.length;
  const [r, g, b] = [new Uint16Array(n), new Uint16Array(n), new Uint16Array(n)];
  const signals = signalsByCode(frame);
  const code = (v: number) => Math.round(TEN_BIT * Math.min(1, Math.max(0, v)));
  for (let i = 0; i < n; i += 1) {
    const [x, y, z] = run([signals[frame.r[i]], signals[frame.g[i]], signals[frame.b[i]]]);
    r[i] = code(x);
    g[i] = code(y);
    b[i] = code(z);
  }
  return { width: frame.width, height: frame.height, bitDepth: 10, range: 'full', r, g, b };
};

/** The picture as the monitor shows it, made small, as a PNG. */
export const thumbnailOf = (
  kernels: Kernels,
  held: Held,
  request: ThumbnailRequest,
  monitoring?: CompiledMonitoring,
): Uint8Array<ArrayBuffer> => {
  const plain = { view: 'monitor', ramp: 'viridis', contours: false, rangeZebras: [] } as const;
  // Twice as fine as it is kept: what lies between is not seen.
  const every = Math.max(1, Math.floor(held.frame.width / (2 * request.width)));
  const picture = paint(kernels, held, { ...request, ...plain, every }, monitoring);
  const small = shrink(picture.rgba, picture.width, picture.height, request.width);
  return writeRgbaPng(small.width, small.height, small.rgba) as Uint8Array<ArrayBuffer>;
};

/** The codes of a part of the frame, row by row; no more than can be looked at. */
const codesIn = ({ frame, luma }: ReturnType<Holder['current']>, rect: Rect): CodeReadout[] => {
  const at = clampRect(rect, frame);
  const codes: CodeReadout[] = [];
  for (let row = at.y; row < at.y + at.height; row += 1)
    for (let x = at.x; x < at.x + at.width && codes.length < MOST_CODES; x += 1) {
      const i = row * frame.width + x;
      codes.push({ r: frame.r[i], g: frame.g[i], b: frame.b[i], luma: luma[i] });
    }
  return codes;
};

/** The jobs that look at the frame on the bench. */
export const lookHandlers = (
  kernels: Kernels,
  holder: Holder,
  source: Pick<SourceHolder, 'get' | 'moment' | 'is' | 'read'>,
  stills: Pick<Stills, 'write'>,
  aside: Pick<Holder, 'put' | 'current'>,
): Handlers<LookJobs> => {
  const peaks = createPeaks();
  let reference: { readonly frame: Frame; readonly hero: number } | undefined;
  let heroes = 0;
  const shelf = createShelf();
  /** A grade is many steps a pixel: it is worked out on a lattice, which the picture and its scopes share. */
  const runOf = (spec: LutSpec): Run =>
    spec.kind === 'grade' ? quick(spec, holder.current().frame, shelf.run) : shelf.run(spec);
  const quick = quickRuns();
  /** Transforms of LUTs, the newest last, kept while they are looked at: two pictures may stand beside each other. */
  const made = new Map<string, CompiledMonitoring>();

  const throughLut = (through: Through | undefined): CompiledMonitoring | undefined => {
    if (!through) return undefined;
    const key = JSON.stringify(through);
    const known = made.get(key) ?? monitoringOf(through, runOf(through.spec));
    made.delete(key);
    made.set(key, known);
    if (made.size > MOST_LUTS) made.delete([...made.keys()][0]);
    return known;
  };

  /** The picture behind a LUT as a bench of its own, 10-bit codes of its signal. */
  const behind = (held: Held, spec: LutSpec): Held => {
    const every = Math.max(1, Math.round(held.frame.width / SCOPE_WIDTH));
    return looseBench(
      kernels,
      held.opened,
      throughRun(thinned(kernels.thin, held.frame, held.luma, every, held.room).frame, runOf(spec)),
    );
  };

  const countsOf = (held: Held, request: ScopeRequest): ScopeCounts => {
    const base: ScopeCounts = {
      waveform: held.waveform,
      histogram: held.histogram,
      vectorscope: () => held.vectorscope(request.matrix),
    };
    return request.hold ? peaks.over(request.pane, request.scope, base) : base;
  };

  /** The picture on the bench, measured with its patches where they lie in it. */
  const measured = ({ keyed = {}, patches, ...options }: MeasureInput): MeasuredFrame => {
    const at = source.moment();
    const here = source.get()?.kind === 'clip' ? patchesAt(patches, keyed, at ?? 0) : patches;
    const measurement = measureFrame(holder.current(), { ...options, patches: here });
    return { measurement, at, opening: source.get()?.opening ?? 0, picture: holder.count() };
  };

  return {
    measure: async (input) => ({ output: measured(input) }),

    capture: async ({ thumbnail, ...input }) => {
      const held = holder.current();
      const now = measured(input);
      const { opening, picture } = now;
      const info = { ...infoOf(held.opened), opening, picture };
      const png = thumbnailOf(kernels, held, thumbnail, throughLut(thumbnail.through));
      const marks = rememberMarks(
        held.frame,
        now.measurement.patches.map(({ patch }) => patch),
      );
      return { output: { ...now, info, png, marks }, transfer: [png.buffer] };
    },

    picture: async (request) => {
      const held = holder.current();
      const output = paint(kernels, held, request, throughLut(request.through));
      return { output, transfer: [output.rgba.buffer] };
    },

    scope: async (request) => {
      const held = holder.current();
      if (!request.hold) peaks.forget(request.pane);
      const of = request.through
        ? behind(held, request.through)
        : request.region
          ? held.part(request.region)
          : held;
      const drawing = { ...request, coding: of.frame };
      const { width, height, rgba } = SCOPE_PAINTERS[request.scope](countsOf(of, request), drawing);
      const output = { width, height, rgba: rgba as Uint8ClampedArray<ArrayBuffer> };
      return { output, transfer: [output.rgba.buffer] };
    },

    codes: async ({ rect }) => ({ output: codesIn(holder.current(), rect) }),

    keep: async ({ id, text }) => {
      const file = shelf.keep(id, text);
      if (file.ok) {
        made.clear();
        quick.clear();
      }
      return { output: file.ok ? success(undefined) : file };
    },

    ...gradeHandlers(holder, shelf, runOf, stills, source, aside),
    order: async ({ recipe, correction }, { step }) => {
      const { frame } = holder.current();
      const pause = () => step('Doing it both ways', 0.1);
      await pause();
      return { output: await drive(orderLossInParts(frame, frame, recipe, correction), pause) };
    },

    hold: async (input) => {
      const { frame } = holder.current();
      heroes += 1;
      const planes = { r: frame.r.slice(), g: frame.g.slice(), b: frame.b.slice() };
      reference = { frame: { ...frame, source: undefined, ...planes }, hero: heroes };
      return { output: { ...measured(input), hero: heroes } };
    },

    reference: async ({ hero, ...request }, { step }) => {
      if (reference?.hero !== hero)
        return { output: failure('reference', 'The hero is no longer held: hold one again.') };
      await step('Painting the reference', 0.3);
      const { frame } = reference;
      const luma = new Uint16Array(frame.r.length);
      kernels.luma(frame, frame.bitDepth, LUMA.bt709, luma);
      const output = paint(
        kernels,
        { ...holder.current(), frame, luma },
        request,
        throughLut(request.through),
      );
      return { output: success(output), transfer: [output.rgba.buffer] };
    },
  };
};
