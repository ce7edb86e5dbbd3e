import { plainly, type OpenedFrame } from '#core/formats/opened.ts';
import { y4mFrame, y4mHeader } from '#core/formats/y4m.ts';
import type { Frame } from '#core/frame/frame.ts';
import { failure, success, type Result } from '#core/result.ts';
import {
  layerLight,
  lightAt,
  mixed,
  openScene,
  resized,
  secondsOf,
  type Scene,
  type SceneLight,
} from '#core/scene/scene.ts';
import { sceneOfSpots } from '#core/scene/ofSpots.ts';
import { greyWorld } from '#core/sensor/auto.ts';
import { weightsAt } from '#core/scene/truth.ts';
import { checkedSettings, expose } from '#core/sensor/camera.ts';
import { luminanceFor } from '#core/exposure/meter.ts';
import { meterShows } from '#core/sensor/meter.ts';
import type { Handlers } from '../rpc/serve.ts';
import type { Stills } from '../stills/protocol.ts';
import type { ExposeInput, FrameInfo, JudgeJobs } from './protocol.ts';

/** The longest clip, frames: ten seconds at 25. */
const MOST_FRAMES = 250;
const NO_SCENE = failure('scene', 'No scene is chosen: choose one first.');

type StageJobs = Pick<JudgeJobs, 'scene' | 'lightOfSpots' | 'expose' | 'still' | 'clip'>;

/** The jobs of the simulated camera; the scene stays here, the picture it gives goes on the bench. */
export const stageHandlers = (
  put: (opened: OpenedFrame) => FrameInfo,
  frameOnBench: () => Frame | undefined,
  stills: Stills,
): Handlers<StageJobs> => {
  let scene: Scene | undefined;
  let sized: { readonly key: string; readonly layers: readonly SceneLight[] } | undefined;
  let cached: { readonly key: string; readonly light: SceneLight } | undefined;

  const layersAt = (of: Scene, width: number): readonly SceneLight[] => {
    const key = `${of.truth.id} ${width}`;
    const height = Math.round((width * of.truth.height) / of.truth.width);
    if (sized?.key !== key)
      sized = { key, layers: of.layers.map((_, n) => resized(layerLight(of, n), width, height)) };
    return sized.layers;
  };

  /** The light of a moment at a size: layers are shrunk once and only mixed anew; a still is worked out once. */
  const lightFor = (of: Scene, seconds: number, width: number): SceneLight => {
    const moving = secondsOf(of.truth) > 0;
    const at = moving ? Math.round(seconds * 25) / 25 : 0;
    const key = `${of.truth.id} ${at} ${width}`;
    if (cached?.key !== key) {
      const height = Math.round((width * of.truth.height) / of.truth.width);
      const light = of.walk
        ? resized(lightAt(of, at), width, height)
        : mixed(layersAt(of, width), weightsAt(of.truth, at));
      cached = { key, light };
    }
    return cached.light;
  };

  const exposed = (input: ExposeInput, of: Scene, seconds: number, seed: number) => {
    const light = lightFor(of, seconds, input.width);
    return { light, frame: expose(light, input.body, input.settings, seed) };
  };

  const stand = (next: Scene) => {
    scene = next;
    cached = undefined;
    sized = undefined;
    return next.truth;
  };

  return {
    scene: async ({ truth, light, mask, walk }, { step }) => {
      await step('Opening the scene', 0.2);
      const opened = openScene({
        truth,
        light: light.map((bytes) => new Uint8Array(bytes)),
        mask: new Uint8Array(mask),
        walk: walk && new Uint8Array(walk),
      });
      return { output: opened.ok ? success(stand(opened.value)) : opened };
    },

    lightOfSpots: async (input, { step }) => {
      await step('Laying out the light', 0.2);
      return { output: success(stand(sceneOfSpots(input))) };
    },

    expose: async (input, { step }) => {
      if (!scene) return { output: NO_SCENE };
      const checked = checkedSettings(input.settings);
      if (!checked.ok) return { output: checked };
      await step('Exposing', 0.2);
      const { light, frame } = exposed(input, scene, input.seconds, input.seed);
      const { sensor } = input.body;
      const reading = input.settings.coding.bitDepth === 8 ? 'codes8' : 'codes10';
      const evidence = 'exposed by the simulated camera';
      const opened = put(plainly({ frame, reading, evidence, container: 'simulated camera' }, {}));
      const most = luminanceFor(input.settings) * 2 ** sensor.fullStops;
      return {
        output: success({
          info: opened,
          shows: meterShows(light, input.settings, input.spotting, {
            bias: input.bias,
            clipStops: sensor.fullStops,
          }),
          seen: greyWorld(light, most),
        }),
      };
    },

    still: async (_input, { signal, step, outside }) => {
      const frame = frameOnBench();
      if (!frame) return { output: failure('frame', 'No frame is open: open one first.') };
      await step('Writing the picture', 0.5);
      const png = await outside(() => stills.write(frame, signal));
      return { output: png.ok ? success({ png: png.value }) : png };
    },

    clip: async (input, { step }) => {
      if (!scene) return { output: NO_SCENE };
      const checked = checkedSettings(input.settings);
      if (!checked.ok) return { output: checked as Result<never> };
      if (!(input.frames >= 1 && input.frames <= MOST_FRAMES))
        return { output: failure('frames', `A clip holds 1 to ${MOST_FRAMES} frames.`) };
      const parts: Uint8Array[] = [];
      const length = secondsOf(scene.truth);
      for (let n = 0; n < input.frames; n += 1) {
        await step(`Frame ${n + 1} of ${input.frames}`, n / input.frames);
        const since = input.seconds + (n * input.rate[1]) / input.rate[0];
        const { frame } = exposed(input, scene, length > 0 ? since % length : 0, input.seed + n);
        if (n === 0)
          parts.push(new TextEncoder().encode(y4mHeader(frame, { ...input.settings, rate: input.rate })));
        parts.push(y4mFrame(frame, input.settings.chroma));
      }
      const bytes = new Uint8Array(parts.reduce((sum, part) => sum + part.length, 0));
      let at = 0;
      for (const part of parts) {
        bytes.set(part, at);
        at += part.length;
      }
      return { output: success({ bytes }), transfer: [bytes.buffer] };
    },
  };
};
