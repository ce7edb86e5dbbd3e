import { plainly, type OpenedFrame, type ReadingOptions } from '#core/formats/opened.ts';
import { failure, success, type Result } from '#core/result.ts';
import { eveningAt, type EveningFault } from '#core/room/evening.ts';
import { layerLight, mixed, openScene, type SceneLight } from '#core/scene/scene.ts';
import { autoIris, autoKelvin, greyWorld, type AutoRules } from '#core/sensor/auto.ts';
import { checkedSettings, expose, type CameraSettings } from '#core/sensor/camera.ts';
import { meterShows } from '#core/sensor/meter.ts';
import type { UnpackingPlace } from '#core/frame/ofVideo.ts';
import { openClip } from '../judge/clips/open.ts';
import type { ClipSource } from '../judge/clips/source.ts';
import { createFeed } from '../judge/feed.ts';
import type { RoomSource, StageSetting } from './protocol.ts';

type InputPicture = {
  readonly opened: OpenedFrame;
  readonly at: number;
  readonly arrivedAt: number;
  readonly dropped: number;
  readonly faults?: readonly EveningFault[];
};
type Place = (width: number, height: number) => (UnpackingPlace & { readonly raw: Uint8Array }) | undefined;

/** Where pictures come from, one at a time. */
export type RoomInput = {
  /** Resolves when a picture is there or will not come. */
  readonly wait: () => Promise<void>;
  readonly next: (options: ReadingOptions, place: Place) => Promise<Result<InputPicture>>;
  readonly stage?: (setting: StageSetting, to?: number) => void;
  readonly close: () => void;
};

type Clock = { readonly now: () => number; readonly sleep: (ms: number) => Promise<void> };
type Of<K extends RoomSource['kind']> = Extract<RoomSource, { kind: K }>;

const feedInput = ({ frames, name }: Of<'feed'>, { now }: Clock): RoomInput => {
  const feed = createFeed(frames, name, now);
  return {
    wait: feed.wait,
    next: async (options, place) => {
      const next = await feed.next(options, place);
      if (!next.ok) return next;
      const { seconds, ...rest } = next.value;
      return success({ ...rest, at: seconds });
    },
    close: () => void feed.stop(),
  };
};

/** Pictures of a steady rate: the one that is due, those before it let go and counted. */
const steadily = (rate: number, { now, sleep }: Clock) => {
  const began = now();
  let last = -1;
  const due = () => Math.floor(((now() - began) / 1000) * rate);
  return {
    wait: async () => {
      const ms = began + (1000 * (last + 1)) / rate - now();
      if (ms > 0) await sleep(ms);
    },
    take: () => {
      const n = Math.max(due(), last + 1);
      const dropped = last < 0 ? 0 : n - last - 1;
      last = n;
      return { n, dropped, arrivedAt: now() };
    },
  };
};

/** A recorded clip in the place of a device: round and round at its own rate. */
const clipInput = (clip: ClipSource, clock: Clock): RoomInput => {
  const { times, rate } = clip.info;
  const beat = steadily(rate, clock);
  return {
    wait: beat.wait,
    next: async (options) => {
      const { n, ...came } = beat.take();
      const opened = await clip.frameAt(n % times.length, options);
      return opened.ok ? success({ opened: opened.value, at: n / rate, ...came }) : opened;
    },
    close: clip.close,
  };
};

/** Pictures a second of a simulated camera: what it costs to work them out leaves room for a second one. */
const STAGE_RATE = 5;
/** The windows are mixed anew when their weight has changed by this much. Less is not seen. */
const SEEN = 0.005;

const rulesOf = (settings: CameraSettings): AutoRules => ({
  compensation: 0,
  irisRange: [2, 22],
  isoRange: [settings.iso, settings.iso],
  kelvinRange: [2500, 9900],
});

/** A simulated camera before the hall on an evening without end. */
const stageInput = (source: Of<'stage'>, clock: Clock): Result<RoomInput> => {
  const { truth, light, mask, walk } = source.scene;
  const scene = openScene({
    truth,
    light: light.map((bytes) => new Uint8Array(bytes)),
    mask: new Uint8Array(mask),
    walk: walk && new Uint8Array(walk),
  });
  if (!scene.ok) return scene;
  const layers = scene.value.layers.map((_, n) => layerLight(scene.value, n));
  // A scene without the hall's three layers has no windows and no spot of its own: it stays as it is.
  const hasEvening = layers.length === 3;
  let setting: StageSetting = source;
  let automatic: Partial<Pick<CameraSettings, 'fNumber' | 'kelvin'>> = {};
  let mix: { readonly weights: readonly number[]; readonly light: SceneLight } | undefined;
  let [eveningTime, last, seed] = [0, clock.now(), source.seed];
  const beat = steadily(STAGE_RATE, clock);

  const lightFor = (weights: readonly number[]): SceneLight => {
    if (!mix || weights.some((w, n) => Math.abs(w - mix!.weights[n]) > SEEN))
      mix = { weights, light: mixed(layers, weights) };
    return mix.light;
  };
  /** Automatics go on from where they stand, and are set back by hand when they are off again. */
  const run = (seen: SceneLight, automatics: readonly EveningFault[], seconds: number): CameraSettings => {
    const { settings } = setting;
    const now = { ...settings, ...automatic };
    const rules = rulesOf(settings);
    const spotting = { mode: 'whole', x: 0.5, y: 0.5 } as const;
    const meter = { bias: 0, clipStops: setting.body.sensor.fullStops };
    automatic = {
      ...(automatics.includes('balance')
        ? { kelvin: autoKelvin(now.kelvin, greyWorld(seen, Infinity), seconds, rules) }
        : {}),
      ...(automatics.includes('iris')
        ? { fNumber: autoIris(now.fNumber, meterShows(seen, now, spotting, meter), seconds, rules) }
        : {}),
    };
    return { ...settings, ...automatic };
  };

  return success({
    wait: beat.wait,
    next: async () => {
      const { n: _n, ...came } = beat.take();
      const seconds = ((came.arrivedAt - last) / 1000) * setting.pace;
      last = came.arrivedAt;
      eveningTime += seconds;
      seed += 1;
      const moment = hasEvening ? eveningAt(eveningTime) : undefined;
      const seen = lightFor(moment?.weights ?? layers.map(() => 1));
      const automatics = setting.isLeftOn ? (moment?.automatics ?? []) : [];
      const settings = run(seen, automatics, seconds);
      const checked = checkedSettings(settings);
      if (!checked.ok) return checked;
      const frame = expose(seen, setting.body, settings, seed);
      const reading = settings.coding.bitDepth === 8 ? 'codes8' : 'codes10';
      const container = 'simulated camera';
      const opened = plainly({ frame, reading, evidence: 'exposed by the simulated camera', container }, {});
      const faults: readonly EveningFault[] = [
        ...(moment && moment.weights[1] < 1 ? (['lamp'] as const) : []),
        ...automatics,
      ];
      return success({ opened, at: eveningTime, faults, ...came });
    },
    stage: (next, to) => {
      setting = next;
      if (to !== undefined) {
        eveningTime = to;
        automatic = {};
      }
    },
    close: () => {
      mix = undefined;
    },
  });
};

/** Opens an input; a failure says why it gives no pictures. @param open Opens a clip; tests bring their own */
export const openInput = async (
  source: RoomSource,
  clock: Clock,
  open: typeof openClip = openClip,
): Promise<Result<RoomInput>> => {
  if (source.kind === 'feed') return success(feedInput(source, clock));
  if (source.kind === 'stage') return stageInput(source, clock);
  const clip = await open(source.file, () => undefined);
  if (!clip.ok) return clip;
  if (clip.value.info.times.length === 0) {
    clip.value.close();
    return failure('clip', 'The clip holds no picture: open another one.');
  }
  return success(clipInput(clip.value, clock));
};
