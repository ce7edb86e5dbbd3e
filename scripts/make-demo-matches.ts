// npm run matches: brings the demo's B-cam to its A-cam before scenes of the stage, as the step Match does:
// src/store/demo/matches.json. Accepts the solved correction of one clip in clips.json. Needs the scenes. Deterministic.
import { readFileSync, writeFileSync } from 'node:fs';
import { neutralOf } from '#core/colour/lean.ts';
import { PLAIN } from '#core/kernels/plain.ts';
import { sceneFiles, type StageSceneId } from '#store/demo/scenes.ts';
import { demoBook, demoSelection } from '#store/fixtures/demoBook.ts';
import { dialledLight } from '#ui/bench/benchModel.ts';
import { clipToHero } from '#core/match/clipCorrection.ts';
import { demoClips } from '#store/fixtures/demoClips.ts';
import type { ClipRecord } from '#store/records/clip.ts';
import { exposedStops } from '#store/exposedStops.ts';
import { factsOf } from '#store/takeFacts.ts';
import { clipLines } from '#ui/bench/clips/clipLines.ts';
import { clipsToHeroes, driftOf, standingOfClip } from '#ui/bench/match/clipMatches.ts';
import { marksOfTruth } from '#ui/bench/match/matchBench.ts';
import { bodyOf, knobsOfCard, settingsOfKnobs } from '#ui/stage/stageModel.ts';
import { matchHandlers } from '#workers/match/handlers.ts';
import { SIDES, type Side } from '#workers/match/protocol.ts';
import { plainContext as context } from '#workers/rpc/fixtures/context.ts';

const PLACES: readonly (readonly [StageSceneId, string, string])[] = [
  ['bench-interview', 'bench-interview', '2026-04-14'],
  ['furnace-mouth', 'furnace-mouth', '2026-04-14'],
];
const CAMERAS = { camera: 'b-cam', hero: 'a-cam' } as const;

const own = (path: string) => new Uint8Array(readFileSync(`public${path}`)).buffer;
const book = demoBook();
const jobs = matchHandlers(PLAIN);

const matchAt = async ([scene, setup, solvedOn]: (typeof PLACES)[number]) => {
  const files = sceneFiles(scene);
  const of = <T>(make: (side: Side) => T) => ({ camera: make('camera'), hero: make('hero') });
  const selections = of((side) => demoSelection(setup, CAMERAS[side]));
  const filmed = await jobs.film(
    {
      truth: new TextDecoder().decode(own(files.truth)),
      light: files.light.map(own),
      mask: own(files.mask),
      walk: files.walk === undefined ? undefined : own(files.walk),
      sides: of((side) => ({
        body: bodyOf(selections[side].camera, book),
        settings: settingsOfKnobs(selections[side], knobsOfCard(selections[side]), book)!,
        seed: 1 + SIDES.indexOf(side),
        seconds: 0,
        width: 960,
        spotting: { mode: 'whole', x: 0.5, y: 0.5 },
        bias: 0,
      })),
    },
    context,
  );
  if (!filmed.output.ok) throw new Error(filmed.output.reason);
  const solved = await jobs.solve(
    {
      marks: marksOfTruth(filmed.output.value.truth),
      whole: false,
      sides: of((side) => {
        const { profile, plan, camera } = selections[side];
        return { profile: profile.data, placement: plan.placement, floorStops: camera.floorStops };
      }),
      white: of((side) => {
        const { plan, camera } = selections[side];
        return {
          kelvin: neutralOf(plan.kelvin, camera.lean?.mired ?? 0),
          tint: plan.tint + (camera.lean?.tint ?? 0),
        };
      }),
      dials: of((side) => ({ kelvin: selections[side].plan.kelvin, tint: selections[side].plan.tint })),
    },
    context,
  );
  if (!solved.output.ok) throw new Error(solved.output.reason);
  const { match, by } = solved.output.value;
  console.log(`${scene}: mean ${match.mean.toFixed(2)}, worst ${match.worst.toFixed(2)}`);
  return {
    id: `demo-${setup}`,
    heroCameraId: CAMERAS.hero,
    kelvin: Math.round(dialledLight(selections.hero).kelvin),
    profileId: selections.camera.profile.id,
    heroProfileId: selections.hero.profile.id,
    correction: match.correction,
    exposed: of((side) => exposedStops(selections[side], selections[side].setup.fps)),
    solvedOn,
    by,
    patches: match.patches.length,
    mean: match.mean,
    worst: match.worst,
    ...(match.unseen === undefined ? {} : { unseen: match.unseen }),
  };
};

const matches = [];
for (const place of PLACES) matches.push(await matchAt(place));
writeFileSync('src/store/demo/matches.json', `${JSON.stringify(matches, undefined, 1)}\n`);

/** Clips whose corrections were accepted in the demo. */
const ACCEPTED: readonly string[] = ['demo-clip-furnace-mouth-a-cam-1'];

const { clips, takes } = demoClips();
const lines = clipLines(
  clips,
  takes.map((take) => factsOf(take)),
  (id) => book.cameras.get(id)?.name,
);
const toHeroes = clipsToHeroes(lines, book, 'salt-and-fire');
const corrected = clips.map((clip): ClipRecord => {
  const { correction: _before, ...plain } = clip;
  const row = toHeroes.find(({ line }) => line.clip.id === clip.id);
  if (!ACCEPTED.includes(clip.id) || !row?.pair) return plain;
  const { pair, hero, line } = row;
  const match = clipToHero(pair.clip, pair.hero, pair.space);
  const standing = standingOfClip({ ...row, line: { ...line, clip: plain } }, match);
  if (!standing?.correction || !standing.by) return plain;
  const drift = driftOf(plain);
  console.log(`${clip.file.name}: ΔE ${standing.before.toFixed(1)} to ${standing.after.toFixed(1)}`);
  return {
    ...plain,
    correction: {
      correction: standing.correction,
      by: standing.by,
      heroId: hero.clip.id,
      residual: standing.after,
      ...(drift ? { drift } : {}),
      accepted: true,
    },
  };
});
writeFileSync('src/store/demo/clips.json', `${JSON.stringify(corrected, undefined, 1)}\n`);
