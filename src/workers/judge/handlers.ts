import type { Frame } from '#core/frame/frame.ts';
import { openFrame } from '#core/formats/openFrame.ts';
import { writeRgbaPng, type OpenedFrame } from '#core/formats/png.ts';
import {
  compileMonitoring,
  type CompiledMonitoring,
  type MonitoringTransform,
} from '#core/lut/monitoring.ts';
import { compileProfile, stopsByCode, type ProfileData } from '#core/profile/index.ts';
import { failure, success, type Result } from '#core/result.ts';
import { drawContours } from '#core/scopes/contours.ts';
import { lumaPlane } from '#core/scopes/luma.ts';
import { levelMask, measureClipping, measurePatch, measureShadows } from '#core/scopes/measure.ts';
import { VIEW_PAINTERS } from '#core/scopes/picture.ts';
import { shrink } from '#core/scopes/shrink.ts';
import { histogramOf, waveform, waveformLevels, type Waveform } from '#core/scopes/waveform.ts';
import { waveformPicture } from '#core/scopes/waveformPicture.ts';
import { drawZebra, zebraTable } from '#core/scopes/zebra.ts';
import { LUMA } from '#core/signal/luma.ts';
import { codeToSignal, maxCode, signalToCode } from '#core/signal/scale.ts';
import type { Handlers } from '../rpc/serve.ts';
import { stageHandlers } from './stage.ts';
import type { FrameInfo, JudgeJobs, RereadInput } from './protocol.ts';

/** Clip is counted from this far under it: codes near the top are rounded. */
const CLIP_SLACK_STOPS = 1 / 24;

type Held = { bytes?: Uint8Array; opened: OpenedFrame; luma?: Uint16Array; waveforms: Map<number, Waveform> };

const info = ({ frame, reading, evidence }: OpenedFrame): FrameInfo => ({
  width: frame.width,
  height: frame.height,
  bitDepth: frame.bitDepth,
  range: frame.range,
  reading,
  evidence,
});

let lastMonitoring: { readonly key: string; readonly monitoring: CompiledMonitoring } | undefined;
/** The monitoring transform, kept from picture to picture while it stays the same. */
const monitoringFor = ({ profile, pullStops }: MonitoringTransform): CompiledMonitoring => {
  const key = `${pullStops} ${JSON.stringify(profile)}`;
  if (lastMonitoring?.key !== key)
    lastMonitoring = { key, monitoring: compileMonitoring({ profile, pullStops }) };
  return lastMonitoring.monitoring;
};

/** The jobs, each with the last good frame at hand. A file that does not open leaves it as it was. */
export const judgeHandlers = (): Handlers<JudgeJobs> => {
  let held: Held | undefined;

  const hold = (bytes: Uint8Array, wish: RereadInput): Result<FrameInfo> => {
    const opened = openFrame(bytes, wish);
    if (!opened.ok) return opened;
    held = { bytes, opened: opened.value, waveforms: new Map() };
    return success(info(opened.value));
  };

  const keep = (opened: OpenedFrame): FrameInfo => {
    held = { opened, waveforms: new Map() };
    return info(opened);
  };

  const current = (): Held & { frame: Frame; luma: Uint16Array } => {
    if (!held) throw new RangeError('no frame is open');
    held.luma ??= lumaPlane(held.opened.frame, LUMA.bt709);
    return { ...held, frame: held.opened.frame, luma: held.luma };
  };

  const columnsOf = (columns: number): Waveform => {
    const { frame, luma, waveforms } = current();
    const wanted = Math.min(columns, frame.width);
    const known = waveforms.get(wanted) ?? waveform(luma, frame.width, frame.bitDepth, wanted);
    waveforms.set(wanted, known);
    return known;
  };

  const stopsOf = (data: ProfileData, frame: Frame) => {
    const profile = compileProfile(data);
    return {
      profile,
      stopsOfCode: stopsByCode(profile, maxCode(frame.bitDepth) + 1, (code) => codeToSignal(code, frame)),
    };
  };

  return {
    ...stageHandlers(keep, () => held?.opened.frame),

    open: async ({ bytes, range, reading }, { step }) => {
      await step('Reading the file', 0.1);
      return { output: hold(new Uint8Array(bytes), { range, reading }) };
    },

    reread: async (wish, { step }) => {
      if (!held) return { output: failure('frame', 'No frame is open: open one first.') };
      await step('Reading the codes again', 0.1);
      // What the simulated camera gave has no file: its codes stay, only their range is read another way.
      if (!held.bytes) {
        const { opened } = held;
        keep({ ...opened, frame: { ...opened.frame, range: wish.range } });
        return { output: success(info(held.opened)) };
      }
      return { output: hold(held.bytes, wish) };
    },

    measure: async ({ profile: data, clipStops, floorStops, patches }, { step }) => {
      const { frame, luma } = current();
      const { profile } = stopsOf(data, frame);
      await step('Measuring levels', 0.2);
      const histogram = histogramOf(columnsOf(Math.min(640, frame.width)));
      const codeAt = (stops: number) => signalToCode(profile.signalAt(stops), frame);
      const clipCode = Math.min(maxCode(frame.bitDepth), Math.ceil(codeAt(clipStops - CLIP_SLACK_STOPS)));
      const mask = levelMask(frame, luma, clipCode, Math.max(1, codeAt(floorStops)));
      await step('Finding what clips', 0.6);
      const clipping = measureClipping(mask, frame.width, frame.height);
      const shadows = measureShadows(mask, frame.width, frame.height);
      return {
        output: {
          width: frame.width,
          height: frame.height,
          coding: { bitDepth: frame.bitDepth, range: frame.range },
          histogram,
          clipping,
          shadows,
          patches: patches.map((patch) => measurePatch(frame, luma, patch)),
        },
      };
    },

    picture: async (request, { step }) => {
      const { frame, luma } = current();
      const { stopsOfCode } = stopsOf(request.profile, frame);
      const rgba = new Uint8ClampedArray(luma.length * 4);
      const pixels = new Uint32Array(rgba.buffer);
      await step('Painting', 0.3);
      const monitoring = monitoringFor(request);
      VIEW_PAINTERS[request.view](pixels, { frame, luma, monitoring, stopsOfCode, ramp: request.ramp });
      await step('Drawing overlays', 0.7);
      if (request.contours) drawContours(pixels, luma, frame.width, stopsOfCode);
      const table = zebraTable(maxCode(frame.bitDepth) + 1, request.rangeZebras, request.warningZebra);
      drawZebra(pixels, luma, frame.width, table);
      return { output: { width: frame.width, height: frame.height, rgba }, transfer: [rgba.buffer] };
    },

    waveform: async ({ profile: data, columns, height, scale, axis, ramp }, { step }) => {
      const { frame } = current();
      await step('Counting columns', 0.3);
      const counted = columnsOf(columns);
      const profile = compileProfile(data);
      const { shift } = waveformLevels(frame.bitDepth);
      const signalOf = (level: number) => codeToSignal(level * 2 ** shift, frame);
      const stopsOfLevel = (level: number) => profile.stopsAt(signalOf(level));
      const onAxis = (v: number) => (v - axis[0]) / (axis[1] - axis[0]);
      const placeOfLevel =
        scale === 'percent'
          ? (level: number) => onAxis(100 * signalOf(level))
          : (level: number) => Math.max(0, onAxis(stopsOfLevel(level)));
      const rgba = waveformPicture(counted, { height, ramp, stopsOfLevel, placeOfLevel });
      return {
        output: { width: counted.columns, height, rgba: rgba as Uint8ClampedArray<ArrayBuffer> },
        transfer: [rgba.buffer],
      };
    },

    thumbnail: async (request, { step }) => {
      const { frame, luma } = current();
      await step('Making the thumbnail', 0.3);
      const rgba = new Uint8ClampedArray(luma.length * 4);
      const { stopsOfCode } = stopsOf(request.profile, frame);
      VIEW_PAINTERS.monitor(new Uint32Array(rgba.buffer), {
        frame,
        luma,
        monitoring: compileMonitoring(request),
        stopsOfCode,
        ramp: 'viridis',
      });
      const small = shrink(rgba, frame.width, frame.height, request.width);
      const png = writeRgbaPng(small.width, small.height, small.rgba) as Uint8Array<ArrayBuffer>;
      return { output: { png } };
    },
  };
};
