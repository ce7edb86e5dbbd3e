import { compileCorrection } from '#core/correction/compile.ts';
import { openFrame } from '#core/formats/openFrame.ts';
import { plainly, type OpenedFrame } from '#core/formats/opened.ts';
import { cutOut, type Frame, type Rect } from '#core/frame/frame.ts';
import type { Kernels } from '#core/kernels/types.ts';
import type { GamutSpec } from '#core/colour/gamut.ts';
import { clipToHero } from '#core/match/clipCorrection.ts';
import { measurePatchLight, type LightReading } from '#core/match/measurePatches.ts';
import type { MatchSpace } from '#core/match/parameters.ts';
import { comparable, labOfLight, type MatchPatch } from '#core/match/patches.ts';
import { matchSchools } from '#core/match/schools.ts';
import { mixerPatches, solveMixer } from '#core/match/mixer.ts';
import { solveMatch, type Match } from '#core/match/solveMatch.ts';
import { learnResponse, solveTurns } from '#core/match/turns.ts';
import { tonePatches, tonesOf } from '#core/match/tones.ts';
import { withoutNoise } from '#core/match/verdict.ts';
import { failure, success, type Result } from '#core/result.ts';
import { layerLight, mixed, openScene, resized, type Scene } from '#core/scene/scene.ts';
import { weightsAt } from '#core/scene/truth.ts';
import { checkedSettings, expose } from '#core/sensor/camera.ts';
import { isStill, openClip } from '../judge/clips/open.ts';
import { createHolder, infoOf } from '../judge/holder.ts';
import type { ExposeInput } from '../judge/protocol.ts';
import type { Handlers } from '../rpc/serve.ts';
import { isLight, paintPreview, paintSide, sideLight, spaceOf } from './light.ts';
import {
  SIDES,
  type Look,
  type MatchJobs,
  type MatchReadings,
  type OpenedSide,
  type PlottedPatch,
  type Share,
  type Side,
  type SolvedMatch,
} from './protocol.ts';

const NO_PICTURE = failure(
  'picture',
  'Both pictures are needed: film a scene with both cameras, or open a file on each side.',
);
const NO_PATCH = failure(
  'marks',
  'Nothing that is marked can be compared: mark what is neither clipped nor lost in noise on both.',
);

const rectOf = ({ x, y, width, height }: Share, frame: { width: number; height: number }): Rect => ({
  x: Math.round(x * frame.width),
  y: Math.round(y * frame.height),
  width: Math.max(2, Math.round(width * frame.width)),
  height: Math.max(2, Math.round(height * frame.height)),
});

const clipOf = ({ lights, clipCode }: LightReading): number => lights[clipCode];

/** A scene through a simulated camera. */
const filmed = (scene: Scene, input: ExposeInput) => {
  const height = Math.round((input.width * scene.truth.height) / scene.truth.width);
  const light = mixed(
    scene.layers.map((_, n) => resized(layerLight(scene, n), input.width, height)),
    weightsAt(scene.truth, input.seconds),
  );
  const frame = expose(light, input.body, input.settings, input.seed);
  const reading = input.settings.coding.bitDepth === 8 ? 'codes8' : 'codes10';
  const evidence = 'exposed by the simulated camera';
  return plainly({ frame, reading, evidence, container: 'simulated camera' }, {});
};

/** A still, or the frame of a clip that lies at a share of it. */
const frameOf = async (
  open: typeof openClip,
  file: Blob,
  at: number,
  options: Parameters<typeof openFrame>[1],
  signal: AbortSignal,
): Promise<Result<{ readonly opened: OpenedFrame; readonly clip?: OpenedSide['clip'] }>> => {
  if (await isStill(file)) {
    const opened = openFrame(new Uint8Array(await file.arrayBuffer()), options);
    return opened.ok ? success({ opened: opened.value }) : opened;
  }
  const clip = await open(file, () => undefined, signal);
  if (!clip.ok) return clip;
  try {
    const { times, ...info } = clip.value.info;
    const frame = Math.min(times.length - 1, Math.max(0, Math.round(at * (times.length - 1))));
    const opened = await clip.value.frameAt(frame, options);
    return opened.ok
      ? success({ opened: opened.value, clip: { ...info, frames: times.length, frame } })
      : opened;
  } finally {
    clip.value.close();
  }
};

/** The patches as they are plotted: before and after the match, and what is left without noise. */
const plottedOf = (
  patches: readonly MatchPatch[],
  { correction, patches: matched }: Match,
  { primaries, level }: MatchSpace,
): PlottedPatch[] => {
  const lab = labOfLight(primaries, level);
  const { run } = compileCorrection(correction, primaries);
  const left = new Map(matched.map((patch) => [patch.name, withoutNoise(patch)]));
  return comparable(patches).used.map(({ name, kind, from, hero }) => ({
    name,
    kind,
    hero: lab(hero.light),
    before: lab(from.light),
    after: lab(run(from.light)),
    off: left.get(name) ?? 0,
  }));
};

/** The marked things as each camera shows them; clipped ones left out. */
const lookOf = (patches: readonly MatchPatch[], primaries: GamutSpec): Look => {
  const { used } = comparable(patches);
  return {
    primaries,
    camera: used.map(({ name, from }) => ({ name, light: from.light, error: from.error })),
    hero: used.map(({ name, hero }) => ({ name, light: hero.light, error: hero.error })),
  };
};

/** Where a profile is not known both are taken as finished pictures. */
const AS_PICTURES = { camera: {}, hero: {} } as const;

/** What lies between the two, from what was measured on both. */
const solved = (
  patches: readonly MatchPatch[],
  readings: MatchReadings,
  whole: boolean,
): Result<SolvedMatch> => {
  const inLight = isLight(readings);
  const space = spaceOf(readings);
  const match = solveMatch(patches, space);
  if (match.patches.length === 0) return NO_PATCH;
  return success({
    match,
    schools: matchSchools({ patches, space, dials: readings.dials, correction: match.correction }),
    plotted: plottedOf(patches, match, space),
    mixer: whole
      ? undefined
      : solveMixer(mixerPatches(patches, space, inLight ? readings.sides : AS_PICTURES)),
    look: lookOf(patches, space.primaries),
    by: whole ? 'whole' : 'marks',
    in: inLight ? 'light' : 'picture',
  });
};

/** The jobs of the matching worker: it holds one frame a side. @param open Opens a clip; tests bring their own. */
export const matchHandlers = (kernels: Kernels, open: typeof openClip = openClip): Handlers<MatchJobs> => {
  const holder = createHolder(kernels);
  const frames: { [S in Side]?: Frame } = {};
  const put = (side: Side, opened: OpenedFrame) => {
    holder.put(opened);
    const { frame } = holder.current();
    // The holder's room is for one frame: each side keeps its own.
    const planes = { r: frame.r.slice(), g: frame.g.slice(), b: frame.b.slice() };
    frames[side] = { ...frame, source: undefined, ...planes };
    return infoOf(holder.current().opened);
  };
  const both = (): { readonly [S in Side]: Frame } | undefined => {
    const { camera, hero } = frames;
    return camera && hero ? { camera, hero } : undefined;
  };

  return {
    film: async ({ truth, light, mask, walk, sides }, { step }) => {
      await step('Opening the scene', 0.1);
      const opened = openScene({
        truth,
        light: light.map((bytes) => new Uint8Array(bytes)),
        mask: new Uint8Array(mask),
        walk: walk && new Uint8Array(walk),
      });
      if (!opened.ok) return { output: opened };
      for (const side of SIDES) {
        const checked = checkedSettings(sides[side].settings);
        if (!checked.ok) return { output: checked };
      }
      await step('Filming with both', 0.5);
      const [camera, hero] = SIDES.map((side) => put(side, filmed(opened.value, sides[side])));
      return { output: success({ truth: opened.value.truth, sides: { camera, hero } }) };
    },

    open: async ({ side, file, at, ...options }, { signal, step, outside }) => {
      await step('Opening', 0.2);
      const found = await outside(() => frameOf(open, file, at, options, signal));
      if (!found.ok) return { output: found };
      const coding = put(side, found.value.opened);
      return { output: success({ coding, ...(found.value.clip ? { clip: found.value.clip } : {}) }) };
    },

    solve: async ({ marks, whole, ...readings }, { step }) => {
      const held = both();
      if (!held) return { output: NO_PICTURE };
      await step('Measuring', 0.1);
      const inLight = isLight(readings);
      const space = spaceOf(readings);
      const light = {
        camera: sideLight(held.camera, readings.sides.camera, inLight),
        hero: sideLight(held.hero, readings.sides.hero, inLight),
      };
      const measured = (side: Side, share: Share) =>
        measurePatchLight(
          light[side].frame,
          rectOf(share, light[side].frame),
          light[side].reading,
          space.primaries,
        );
      const tones = (side: Side) => tonesOf(light[side].frame, light[side].reading, space.primaries);
      const patches: readonly MatchPatch[] = whole
        ? tonePatches(tones('camera'), tones('hero'), {
            from: clipOf(light.camera.reading),
            hero: clipOf(light.hero.reading),
          })
        : marks.map(({ name, kind, camera, hero }) => ({
            name,
            kind,
            from: measured('camera', camera),
            hero: measured('hero', hero),
          }));
      await step('Solving', 0.4);
      return { output: solved(patches, readings, whole) };
    },

    solvePatches: async ({ patches, ...readings }) => ({ output: solved(patches, readings, false) }),

    clips: async ({ pairs, asked }, { step }) => {
      const output = [];
      for (const [i, { id, clip, hero, space }] of pairs.entries()) {
        await step(`Clip ${i + 1} of ${pairs.length}`, i / pairs.length);
        output.push({ id, ...clipToHero(clip, hero, space, asked) });
      }
      return { output };
    },

    learn: async ({ before, after, steps, primaries }) => ({
      output: learnResponse(before, after, steps, primaries),
    }),

    turns: async ({ look, controls }) => ({
      output: success(solveTurns(look.camera, look.hero, controls, look.primaries)),
    }),

    preview: async ({ png, profile, pullStops, correction }) => {
      const opened = openFrame(png, { range: 'full' });
      if (!opened.ok) return { output: opened };
      const painted = paintPreview(opened.value.frame, profile, pullStops, correction);
      return { output: success(painted), transfer: [painted.rgba.buffer] };
    },

    picture: async ({ side, correction, width, region, ...readings }, { step }) => {
      const held = frames[side];
      if (!held) return { output: NO_PICTURE };
      await step('Drawing', 0.1);
      const part = region ? cutOut(held, rectOf(region, held)) : held;
      const painted = paintSide(part, readings, readings.sides[side], width, correction);
      return { output: success(painted), transfer: [painted.rgba.buffer] };
    },
  };
};
