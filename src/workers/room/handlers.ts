import { hashOfCodes } from '#core/hash.ts';
import { cutOut, type Rect } from '#core/frame/frame.ts';
import type { Kernels } from '#core/kernels/types.ts';
import { compileMonitoring, type CompiledMonitoring } from '#core/lut/monitoring.ts';
import { measurePatchLight, readByProfile, type LightReading } from '#core/match/measurePatches.ts';
import { failure, success, type Result } from '#core/result.ts';
import type { RoomPatch } from '#core/room/drift.ts';
import { createLiveness } from '#core/room/liveness.ts';
import { SCOPE_PAINTERS } from '#core/scopes/drawScope.ts';
import { vectorOutline, waveOutline } from '#core/scopes/outline.ts';
import { waveformLevels } from '#core/scopes/waveform.ts';
import { codeToSignal, type Coding } from '#core/signal/scale.ts';
import { since1970 } from '../judge/clock.ts';
import { openClip } from '../judge/clips/open.ts';
import { createHolder, infoOf, looseBench, type Held } from '../judge/holder.ts';
import { paint } from '../judge/look.ts';
import type { Pixels } from '../judge/protocol.ts';
import type { Share } from '../match/protocol.ts';
import type { Handlers, LaneOf } from '../rpc/serve.ts';
import { openInput, type RoomInput } from './inputs.ts';
import type { RoomDrawing, RoomJobs, RoomPicture, RoomReading } from './protocol.ts';

/** Turns go first: a picture that is under way is over in some milliseconds. */
export const ROOM_LANES: LaneOf<RoomJobs> = { stage: 0, close: 0, open: 1, next: 1 };

const NO_INPUT = failure('input', 'This input was let go: choose it again.');
/** A picture's codes are compared by so many of them. */
const EVERY_CODE = 211;
/** What lies round a mark is drawn at most so wide, px. */
const NEAR_WIDTH = 240;
/** Waveforms of all inputs stand on this axis, % of signal. */
const AXIS = [-5, 109] as const;
/** Primaries in which inputs are held against each other. */
const PRIMARIES = 'bt2020';

const rectOf = ({ x, y, width, height }: Share, frame: { width: number; height: number }): Rect => ({
  x: x * frame.width,
  y: y * frame.height,
  width: Math.max(2, width * frame.width),
  height: Math.max(2, height * frame.height),
});

/** What is worked out of a profile once and kept as long as it stays. */
const keeper = <T>(make: (reading: RoomReading, coding: Coding) => T) => {
  let kept: { readonly key: string; readonly value: T } | undefined;
  return (reading: RoomReading, coding: Coding): T => {
    const { profile, floorStops, pullStops } = reading;
    const { bitDepth, range } = coding;
    const key = JSON.stringify([profile, floorStops, pullStops, bitDepth, range]);
    if (kept?.key !== key) kept = { key, value: make(reading, coding) };
    return kept.value;
  };
};

type Kept = {
  readonly input: RoomInput;
  readonly liveness: ReturnType<typeof createLiveness>;
  readonly lights: (reading: RoomReading, coding: Coding) => LightReading;
  readonly monitoring: (reading: RoomReading, coding: Coding) => CompiledMonitoring;
};

const keep = (input: RoomInput): Kept => ({
  input,
  liveness: createLiveness(),
  lights: keeper(({ profile, floorStops }, coding) => readByProfile(profile, coding, floorStops)),
  monitoring: keeper(({ profile, pullStops }) => compileMonitoring({ profile, pullStops })),
});

/** Signal that noise about black does not reach: a picture under it is none of legal range. Our own. */
const WELL_UNDER = -0.03;

/** What a histogram says of the picture: nearly its brightest signal, the shares well under black and clipped, %. */
const endsOf = (counts: Uint32Array, coding: Coding, clipCode: number) => {
  const { shift } = waveformLevels(coding.bitDepth);
  const all = counts.reduce((sum, v) => sum + v, 0);
  const signal = (level: number) => codeToSignal(level * 2 ** shift, coding);
  let [under, over, sum, top] = [0, 0, 0, 0];
  counts.forEach((count, level) => {
    if (count === 0) return;
    const at = signal(level);
    if (at < WELL_UNDER) under += count;
    if (level * 2 ** shift >= clipCode) over += count;
    if (sum < 0.99 * all) top = at;
    sum += count;
  });
  return { top, under: (100 * under) / all, clipped: (100 * over) / all };
};

const patchesOf = (held: Held, { marks }: RoomReading, lights: LightReading): RoomPatch[] =>
  marks.map(({ name, kind, place }) => ({
    name,
    kind,
    ...measurePatchLight(held.frame, rectOf(place, held.frame), lights, PRIMARIES),
  }));

/** The picture and its scopes, small, and what of them lies over another input's as lines. */
const drawn = (
  kernels: Kernels,
  held: Held,
  { profile, pullStops }: RoomReading,
  monitoring: CompiledMonitoring,
  { width, wave: [columns, height], vector: size, near }: RoomDrawing,
): Pick<RoomPicture, 'picture' | 'near' | 'wave' | 'waveLine' | 'vector' | 'vectorLine'> => {
  const every = Math.max(1, Math.round(held.frame.width / width));
  const plain = { view: 'monitor', ramp: 'viridis', contours: false, rangeZebras: [] } as const;
  const shown = { profile, pullStops, ...plain };
  const matrix = held.frame.source?.matrix ?? 'bt709';
  const counts = { ...held, vectorscope: () => held.vectorscope(matrix) };
  const common = { coding: held.frame, profile, scale: 'percent', axis: AXIS, columns } as const;
  const look = { ramp: 'viridis', brightness: 1, reach: 1 } as const;
  const pixels = (scope: 'waveform' | 'vectorscope', tall: number) =>
    SCOPE_PAINTERS[scope](counts, { ...common, ...look, height: tall }) as Pixels;
  const nearOf = (share: Share) => {
    const rect = rectOf(share, held.frame);
    const part = cutOut(held.frame, rect, Math.max(1, Math.ceil(rect.width / NEAR_WIDTH)));
    return paint(kernels, looseBench(kernels, held.opened, part), { ...shown, every: 1 }, monitoring);
  };
  return {
    picture: paint(kernels, held, { ...shown, every }, monitoring),
    ...(near ? { near: nearOf(near) } : {}),
    wave: pixels('waveform', height),
    waveLine: waveOutline(held.waveform('luma', columns), held.frame),
    vector: pixels('vectorscope', size),
    vectorLine: vectorOutline(counts.vectorscope(), held.frame),
  };
};

/** The jobs of the room: each input by itself, so that one that gives nothing holds up none of the others. */
export const roomHandlers = (
  kernels: Kernels,
  now: () => number = since1970,
  open: typeof openClip = openClip,
): Handlers<RoomJobs> => {
  const inputs = new Map<string, Kept>();
  const holder = createHolder(kernels);
  const clock = { now, sleep: (ms: number) => new Promise<void>((go) => setTimeout(go, ms)) };

  const close = (id: string) => {
    inputs.get(id)?.input.close();
    inputs.delete(id);
  };

  const measured = (
    { liveness, lights, monitoring }: Kept,
    { reading, drawing }: { readonly reading: RoomReading; readonly drawing: RoomDrawing },
    { opened, at, ...came }: Extract<Awaited<ReturnType<RoomInput['next']>>, { ok: true }>['value'],
  ): RoomPicture => {
    holder.put(opened);
    const held = holder.current();
    const { frame } = held;
    const shown = drawn(kernels, held, reading, monitoring(reading, frame), drawing);
    // Summed from the waveform that was counted for its drawing.
    const read = lights(reading, frame);
    const { top, under, clipped } = endsOf(held.histogram('luma'), frame, read.clipCode);
    const is = {
      at,
      hash: hashOfCodes(held.luma, EVERY_CODE),
      top,
      width: frame.width,
      height: frame.height,
    };
    return {
      coding: infoOf(held.opened),
      at,
      ...came,
      state: liveness.came(is),
      under,
      clipped,
      patches: patchesOf(held, reading, read),
      ...shown,
    };
  };

  return {
    open: async ({ id, source }, { outside }) => {
      const opened = await outside(() => openInput(source, clock, open), { freesLane: true });
      if (!opened.ok) return { output: opened };
      close(id);
      inputs.set(id, keep(opened.value));
      return { output: success(undefined) };
    },

    next: async ({ id, ...asked }, { outside }) => {
      const kept = inputs.get(id);
      if (!kept) return { output: NO_INPUT };
      await outside(kept.input.wait, { freesLane: true });
      if (inputs.get(id) !== kept) return { output: NO_INPUT };
      const next = await outside(
        () => kept.input.next({ range: asked.reading.range }, holder.place),
        // Others' pictures would be unpacked into the same place.
        { freesLane: false },
      );
      if (!next.ok) return { output: next as Result<never> };
      const output = measured(kept, asked, next.value);
      const { picture, near, wave, vector } = output;
      const pixels = [picture, wave, vector, ...(near ? [near] : [])];
      return {
        output: success(output),
        transfer: pixels.map(({ rgba }) => rgba.buffer),
      };
    },

    stage: async ({ id, to, ...setting }) => {
      inputs.get(id)?.input.stage?.(setting, to);
      return { output: undefined };
    },

    close: async ({ id }) => {
      close(id);
      return { output: undefined };
    },
  };
};
