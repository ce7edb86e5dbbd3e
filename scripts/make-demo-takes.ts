// npm run takes: logs the demo's takes through the simulated camera, and records and surveys a clip of each:
// src/store/demo/takes.json, clips.json and public/demo/takes.
// Needs the scenes. Deterministic: same scenes, same code, same takes.
import type { Patch } from '#core/scopes/measure.ts';
import { PLAIN } from '#core/kernels/plain.ts';
import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { sceneFiles, type StageSceneId } from '#store/demo/scenes.ts';
import { demoBook, demoSelection } from '#store/fixtures/demoBook.ts';
import { takeSchema } from '#store/records/take.ts';
import { cardNumbersOf, dialledLight, distributionOf } from '#ui/bench/benchModel.ts';
import { judgementOf } from '#ui/bench/judgement.ts';
import { takeOf } from '#ui/bench/logTake.ts';
import { bodyOf, knobsOfCard, settingsOfKnobs, type Knobs } from '#ui/stage/stageModel.ts';
import { patchesOfTruth } from '#ui/stage/stageStart.ts';
import { surveyed } from '#ui/bench/clips/clipFound.ts';
import { clipSchema } from '#store/records/clip.ts';
import { waitingClip } from '#store/clips.ts';
import { surveyHandlers } from '#workers/survey/handlers.ts';
import { judgeHandlers } from '#workers/judge/handlers.ts';
import { plainContext as context } from '#workers/rpc/fixtures/context.ts';

type Shot = {
  readonly scene: StageSceneId;
  readonly setup: string;
  readonly camera: string;
  readonly number: number;
  readonly at: string;
  readonly turned?: Partial<Knobs>;
  readonly seconds?: number;
  readonly notes: string;
  readonly circled?: true;
};

// What Salt and Fire shot so far. Invented, like its people.
const SHOTS: readonly Shot[] = [
  {
    scene: 'furnace-mouth',
    setup: 'furnace-mouth',
    camera: 'a-cam',
    number: 1,
    at: '2026-04-14T07:20:00Z',
    turned: { iris: 2 },
    notes: 'Gather a stop too hot, door open.',
  },
  {
    scene: 'furnace-mouth',
    setup: 'furnace-mouth',
    camera: 'a-cam',
    number: 2,
    at: '2026-04-14T07:41:00Z',
    notes: 'Gather turned twice. Good.',
    circled: true,
  },
  {
    scene: 'furnace-mouth',
    setup: 'furnace-mouth',
    camera: 'b-cam',
    number: 1,
    at: '2026-04-14T07:42:00Z',
    notes: 'Second angle of the same.',
  },
  {
    scene: 'packing-yard',
    setup: 'packing-yard',
    camera: 'b-cam',
    number: 1,
    at: '2026-04-15T11:05:00Z',
    notes: 'Crates hold, sun may go.',
    circled: true,
  },
  {
    scene: 'packing-yard',
    setup: 'packing-yard',
    camera: 'a-cam',
    number: 1,
    at: '2026-04-15T11:06:00Z',
    seconds: 5,
    notes: 'A cloud came: once more.',
  },
  {
    scene: 'packing-yard',
    setup: 'packing-yard',
    camera: 'a-cam',
    number: 2,
    at: '2026-04-15T11:15:00Z',
    notes: '',
    circled: true,
  },
  {
    scene: 'dunes',
    setup: 'dunes',
    camera: 'air-cam',
    number: 1,
    at: '2026-04-16T04:31:00Z',
    notes: 'First pass along the crest.',
    circled: true,
  },
  {
    scene: 'slipway',
    setup: 'slipway',
    camera: 'small-cam',
    number: 1,
    at: '2026-04-16T08:20:00Z',
    notes: 'Twelve minutes down, floats by the rail.',
  },
];

const book = demoBook();
const read = (path: string) => new Uint8Array(readFileSync(`public${path}`)).buffer as ArrayBuffer;

/** Width of the recordings, and their length. */
const WIDTH = 640;
const FRAMES = 150;
/** What the cameras' clocks are off, seconds: nobody set them alike. */
const CLOCKS: Readonly<Record<string, number>> = {
  'a-cam': 3705,
  'b-cam': -42,
  'air-cam': 7200,
  'small-cam': 11,
};
const counted = new Map<string, number>();

/** A clip of a take as the simulated camera records it, taken in and surveyed like any other. */
const recorded = async (
  shot: Shot,
  jobs: ReturnType<typeof judgeHandlers>,
  {
    selection,
    exposure,
    patches,
  }: {
    readonly selection: ReturnType<typeof demoSelection>;
    readonly exposure: Parameters<ReturnType<typeof judgeHandlers>['expose']>[0];
    readonly patches: readonly Patch[];
  },
) => {
  const { output: remembered } = await jobs.remember({ patches }, context);
  const { output: clip } = await jobs.clip({ ...exposure, frames: FRAMES, rate: [25, 1] }, context);
  if (!clip.ok) throw new Error(clip.reason);
  const numbers = cardNumbersOf(selection);
  const { clipStops, floorStops, pullStops } = numbers;
  const profile = selection.profile.data;
  const { output: found } = await surveyHandlers(PLAIN).survey(
    {
      file: new Blob([clip.value.bytes]),
      reading: { range: selection.camera.coding.range },
      remembered,
      profile,
      clipStops,
      floorStops,
      patches: [],
      thumbnails: { profile, pullStops, width: 160 },
    },
    context,
  );
  if (!found.ok) throw new Error(found.reason);
  const { camera, shoot } = selection;
  const number = (counted.get(camera.id) ?? 3) + 1;
  counted.set(camera.id, number);
  const id = `demo-clip-${shot.setup}-${shot.camera}-${shot.number}`;
  const writtenAt = new Date(Date.parse(shot.at) + 1000 * ((CLOCKS[camera.id] ?? 0) - 3)).toISOString();
  const name = `${camera.name[0]}${String(number).padStart(4, '0')}.y4m`;
  const file = { name, bytes: clip.value.bytes.length, writtenAt };
  found.value.thumbnails.forEach((png, n) => writeFileSync(`public/demo/takes/${id}-${n}.png`, png));
  const { profileIds } = selection.camera;
  const kit = { profileIds, setId: selection.profile.id, profiles: book.profiles };
  const card = { numbers, light: dialledLight(selection), kit };
  return clipSchema.parse({
    ...waitingClip(id, { shootId: shoot.id, cameraId: camera.id }, file),
    ...surveyed(found.value, card, true),
    pictures: found.value.thumbnails.length,
  });
};

const logged = async (shot: Shot) => {
  const jobs = judgeHandlers(PLAIN, PLAIN);
  const files = sceneFiles(shot.scene);
  const { output: scene } = await jobs.scene(
    {
      truth: new TextDecoder().decode(read(files.truth)),
      light: files.light.map(read),
      mask: read(files.mask),
      walk: files.walk === undefined ? undefined : read(files.walk),
    },
    context,
  );
  if (!scene.ok) throw new Error(scene.reason);
  const selection = demoSelection(shot.setup, shot.camera);
  const settings = settingsOfKnobs(selection, { ...knobsOfCard(selection), ...shot.turned }, book);
  if (!settings) throw new Error(`${shot.setup}: its profile is none of the kit`);
  const { output: exposed } = await jobs.expose(
    {
      body: bodyOf(selection.camera, book),
      settings,
      seed: shot.number,
      seconds: shot.seconds ?? 0,
      width: scene.value.width,
      spotting: { mode: 'whole', x: 0.5, y: 0.5 },
      bias: 0,
    },
    context,
  );
  if (!exposed.ok) throw new Error(exposed.reason);
  const { info } = exposed.value;
  const numbers = cardNumbersOf(selection);
  const { clipStops, floorStops, pullStops } = numbers;
  const profile = selection.profile.data;
  const patches = patchesOfTruth(scene.value, info, selection.setup.subjectIds);
  const thumbnail = { profile, pullStops, width: 240 };
  const { output: captured } = await jobs.capture(
    { profile, clipStops, floorStops, patches, thumbnail },
    context,
  );
  const { measurement } = captured;
  const distribution = distributionOf(measurement, numbers);
  const verdicts = judgementOf(measurement, distribution, {
    numbers,
    placement: selection.plan.placement,
    light: dialledLight(selection, shot.turned),
  });
  const name = `${shot.setup}-${shot.camera}-${shot.number}.png`;
  const frame = { name, info, kind: 'camera' } as const;
  const id = `demo-${shot.setup}-${shot.camera}-${shot.number}`;
  const source = { selection, numbers, profiles: book.profiles, frame, measurement, distribution, verdicts };
  const take = { ...takeOf(source, new Date(shot.at), id), number: shot.number };
  writeFileSync(`public/demo/takes/${id}.png`, captured.png);
  const exposure = { body: bodyOf(selection.camera, book), settings, seed: shot.number };
  const clip = await recorded(shot, jobs, {
    selection,
    exposure: {
      ...exposure,
      seconds: shot.seconds ?? 0,
      width: WIDTH,
      spotting: { mode: 'whole', x: 0.5, y: 0.5 },
      bias: 0,
    },
    patches,
  });
  return {
    take: takeSchema.parse({ ...take, notes: shot.notes, circled: shot.circled ?? false }),
    clip: { ...clip, take: { id, by: 'found' as const, probability: 1 } },
  };
};

rmSync('public/demo/takes', { recursive: true, force: true });
mkdirSync('public/demo/takes', { recursive: true });
const takes = [];
const clips = [];
for (const shot of SHOTS) {
  const { take, clip } = await logged(shot);
  clips.push(clip);
  const found = take.measured?.cardOffset;
  console.log(`${take.id}: card ${found === undefined ? 'not read' : `${found.toFixed(2)} off the plan`}`);
  takes.push(take);
}
writeFileSync('src/store/demo/clips.json', `${JSON.stringify(clips, undefined, 1)}\n`);
writeFileSync('src/store/demo/takes.json', `${JSON.stringify(takes, undefined, 1)}\n`);
