import {
  compileMonitoring,
  type CompiledMonitoring,
  type MonitoringTransform,
} from '#core/lut/monitoring.ts';
import type { Kernels } from '#core/kernels/types.ts';
import { compileProfile, stopsByCode, type Profile } from '#core/profile/index.ts';
import { parseCubeFile } from '#core/formats/cube.ts';
import { monitoringOfLut } from '#core/lut/fromLut.ts';
import { compileLut, type Lut } from '#core/lut/lut.ts';
import type { CubeScale } from '#core/lut/cubeScale.ts';
import { failure, success } from '#core/result.ts';
import { writeRgbaPng } from '#core/formats/png.ts';
import { clampRect, type Frame } from '#core/frame/frame.ts';
import { drawClipMap } from '#core/scopes/clipMap.ts';
import { drawContours } from '#core/scopes/contours.ts';
import { SCOPE_PAINTERS, type ScopeCounts } from '#core/scopes/drawScope.ts';
import { lightByCode, measureClipping, measurePatch, measureShadows, nearOf } from '#core/scopes/measure.ts';
import { codingKey, VIEW_PAINTERS } from '#core/scopes/picture.ts';
import { shrink } from '#core/scopes/shrink.ts';
import { thinned } from '#core/scopes/thin.ts';
import { zebraTable } from '#core/scopes/zebra.ts';
import { LUMA } from '#core/signal/luma.ts';
import { codeToSignal, maxCode, signalToCode, type Coding } from '#core/signal/scale.ts';
import type { FrameMeasurement } from '#core/verdict/index.ts';
import type { Handlers } from '../rpc/serve.ts';
import { infoOf, type Held, type Holder } from './holder.ts';
import { createPeaks } from './peaks.ts';
import type { JudgeJobs, MeasureInput, PictureRequest, Pixels, ScopeRequest } from './protocol.ts';

/** Clip is counted from this far under it: codes near the top are rounded. */
const CLIP_SLACK_STOPS = 1 / 24;
/** Near clip: within a third of a stop under it. */
const NEAR_STOPS = 1 / 3;
/** Most pixels the magnifier asks codes of. */
const MOST_CODES = 4096;

type LookJobs = Pick<
  JudgeJobs,
  'cube' | 'measure' | 'picture' | 'scope' | 'codes' | 'hold' | 'reference' | 'thumbnail'
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

/** Everything the verdicts need of a frame. */
export const measureHeld = (
  held: Held,
  { profile: data, clipStops, floorStops, patches }: MeasureInput,
): FrameMeasurement => {
  const { frame, luma } = held;
  const profile = compileProfile(data);
  const top = maxCode(frame.bitDepth);
  const codeAt = (stops: number) => signalToCode(profile.signalAt(stops), frame);
  const clipCode = (under: number) => Math.min(top, Math.ceil(codeAt(clipStops - under)));
  const near = measureClipping(held.cells(clipCode(NEAR_STOPS), 0));
  const cells = held.cells(clipCode(CLIP_SLACK_STOPS), Math.max(1, codeAt(floorStops)));
  const clipping = measureClipping(cells);
  const info = infoOf(held.opened);
  const lights = patches.length > 0 ? lightByCode(profile, frame) : undefined;
  const { bitDepth, range, feed } = frame;
  return {
    width: frame.width,
    height: frame.height,
    coding: { bitDepth, range, ...(feed ? { feed } : {}) },
    histogram: held.histogram('luma'),
    clipping,
    near: nearOf(near, clipping),
    shadows: measureShadows(cells),
    patches: patches.map((patch) => measurePatch(frame, luma, patch, lights)),
    origin: { tags: info.tags, referred: info.referred, exactness: info.exactness },
  };
};

const paint = (
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

/** The jobs that look at the frame on the bench. */
export const lookHandlers = (kernels: Kernels, holder: Holder): Handlers<LookJobs> => {
  const peaks = createPeaks();
  let reference: Frame | undefined;
  let cube: Lut | undefined;
  let made: { readonly key: string; readonly of: Lut; readonly monitoring: CompiledMonitoring } | undefined;

  /** The transform of the opened cube on a scale and a coding, kept while they stay. */
  const throughCube = (scale: CubeScale | undefined, coding: Coding): CompiledMonitoring | undefined => {
    if (!cube || !scale) return undefined;
    const key = `${scale} ${codingKey(coding)}`;
    if (made?.of !== cube || made.key !== key)
      made = { key, of: cube, monitoring: monitoringOfLut(compileLut(cube), scale, coding) };
    return made.monitoring;
  };

  const countsOf = (held: Held, request: ScopeRequest): ScopeCounts => {
    const base: ScopeCounts = {
      waveform: held.waveform,
      histogram: held.histogram,
      vectorscope: () => held.vectorscope(request.matrix),
    };
    return request.hold ? peaks.over(request.pane, request.scope, base) : base;
  };

  return {
    measure: async (input) => {
      const held = holder.current();
      return { output: measureHeld(held, input) };
    },

    picture: async (request) => {
      const held = holder.current();
      const output = paint(kernels, held, request, throughCube(request.cube, held.frame));
      return { output, transfer: [output.rgba.buffer] };
    },

    scope: async (request) => {
      const held = holder.current();
      if (!request.hold) peaks.forget(request.pane);
      const of = request.region ? held.part(request.region) : held;
      const drawing = { ...request, coding: of.frame };
      const { width, height, rgba } = SCOPE_PAINTERS[request.scope](countsOf(of, request), drawing);
      const output = { width, height, rgba: rgba as Uint8ClampedArray<ArrayBuffer> };
      return { output, transfer: [output.rgba.buffer] };
    },

    codes: async ({ rect }) => {
      const { frame, luma } = holder.current();
      const at = clampRect(rect, frame);
      const output = [];
      for (let row = at.y; row < at.y + at.height; row += 1)
        for (let x = at.x; x < at.x + at.width && output.length < MOST_CODES; x += 1) {
          const i = row * frame.width + x;
          output.push({ r: frame.r[i], g: frame.g[i], b: frame.b[i], luma: luma[i] });
        }
      return { output };
    },

    cube: async ({ file, profile: data }, { step }) => {
      await step('Reading the LUT', 0.2);
      const parsed = parseCubeFile(await file.text());
      if (!parsed.ok) return { output: parsed };
      const { title, lut } = parsed.value;
      cube = lut;
      const size = lut.kind === 'cube' ? lut.lattice.size : lut.curves[0].length;
      const profile = compileProfile(data);
      const coding = holder.get()?.frame ?? { bitDepth: 10, range: 'legal' as const };
      const grey = (scale: CubeScale) =>
        monitoringOfLut(compileLut(lut), scale, coding).neutral(profile.signalAt(0));
      return { output: success({ title, size, grey: { signal: grey('signal'), code: grey('code') } }) };
    },

    hold: async ({ on }) => {
      const { frame } = holder.current();
      reference = on
        ? { ...frame, source: undefined, r: frame.r.slice(), g: frame.g.slice(), b: frame.b.slice() }
        : undefined;
      return { output: undefined };
    },

    reference: async (request, { step }) => {
      if (!reference) return { output: failure('reference', 'No frame is held: hold one first.') };
      await step('Painting the reference', 0.3);
      const luma = new Uint16Array(reference.r.length);
      kernels.luma(reference, reference.bitDepth, LUMA.bt709, luma);
      const held = { ...holder.current(), frame: reference, luma };
      const output = paint(kernels, held, request, throughCube(request.cube, reference));
      return { output: success(output), transfer: [output.rgba.buffer] };
    },

    thumbnail: async (request, { step }) => {
      const held = holder.current();
      await step('Making the thumbnail', 0.3);
      const picture = paint(kernels, held, {
        ...request,
        view: 'monitor',
        ramp: 'viridis',
        contours: false,
        rangeZebras: [],
      });
      const small = shrink(picture.rgba, picture.width, picture.height, request.width);
      const png = writeRgbaPng(small.width, small.height, small.rgba) as Uint8Array<ArrayBuffer>;
      return { output: { png } };
    },
  };
};
