// What a picture is: photographs and scenes of the stage, in every archetype and range, read as every other.
import { execFileSync } from 'node:child_process';
import { readdirSync } from 'node:fs';
import { luminanceFor } from '#core/exposure/meter.ts';
import { ARCHETYPE_IDS, ARCHETYPES, compileProfile, type ArchetypeId } from '#core/profile/index.ts';
import { lightAt, resized, type SceneLight } from '#core/scene/scene.ts';
import { measureFrame } from '#core/scopes/measureFrame.ts';
import { countedFrame } from '#core/scopes/fixtures/countedFrame.ts';
import { expose } from '#core/sensor/camera.ts';
import { body, settings } from '#core/sensor/fixtures/bodies.ts';
import type { Range } from '#core/signal/scale.ts';
import { pictureKind, type CodeCounts, type Kind } from '#core/verdict/pictureKind.ts';
import { STAGE_SCENE_IDS } from '#store/demo/scenes.ts';
import { openedScene } from '#store/fixtures/openedScene.ts';

const WIDTH = 480;
const RANGES = ['legal', 'full'] as const;

const decodeSrgb = (v: number) => (v <= 0.04045 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4);

const photographs = (folder: string) =>
  readdirSync(folder)
    .filter((name) => /\.(jpe?g|png|webp)$/i.test(name))
    .map((name) => {
      const bytes = execFileSync(
        'ffmpeg',
        [
          '-v',
          'error',
          '-i',
          `${folder}/${name}`,
          '-frames:v',
          '1',
          '-vf',
          `scale=${WIDTH}:-2:flags=neighbor`,
          '-pix_fmt',
          'rgb24',
          '-f',
          'rawvideo',
          '-',
        ],
        { maxBuffer: 1e8 },
      );
      const height = bytes.length / 3 / WIDTH;
      const rgb = new Float32Array(bytes.length);
      for (let i = 0; i < WIDTH * height; i += 1)
        for (let c = 0; c < 3; c += 1) rgb[c * WIDTH * height + i] = decodeSrgb(bytes[3 * i + c] / 255);
      return { name, light: { width: WIDTH, height, rgb }, card: 0.18 };
    });

const stage = () =>
  STAGE_SCENE_IDS.map((id) => {
    const scene = openedScene(id);
    return {
      name: id as string,
      light: resized(lightAt(scene, 1.4), 320, 180),
      card: scene.truth.card,
    };
  });

type Shot = { readonly name: string; readonly light: SceneLight; readonly card: number };
type Recording = { name: string; as: ArchetypeId; range: Range; placement: number; counts: CodeCounts };

const profiles = Object.fromEntries(
  ARCHETYPE_IDS.map((id) => [id, compileProfile(ARCHETYPES[id])]),
) as Record<ArchetypeId, ReturnType<typeof compileProfile>>;

const recorded = ({ name, light, card }: Shot): Recording[] =>
  [0, 1].flatMap((placement) =>
    ARCHETYPE_IDS.flatMap((as) =>
      RANGES.map((range) => {
        const base = settings({ profile: ARCHETYPES[as], coding: { bitDepth: 10, range } });
        const seconds = (base.seconds * luminanceFor(base) * 2 ** placement) / card;
        // A scene dimmer than the camera can be opened for is lit brighter.
        const held = Math.min(4, Math.max(1 / 32_000, seconds));
        const gain = seconds / held;
        const lit = { ...light, rgb: light.rgb.map((v) => v * gain) };
        const frame = expose(lit, body, { ...base, seconds: held }, 3);
        const { clipStops } = profiles[as];
        const m = measureFrame(countedFrame(frame), {
          profile: ARCHETYPES[as],
          clipStops,
          floorStops: -6,
          patches: [],
        });
        return { name, as, range, placement, counts: m };
      }),
    ),
  );

type Task = 'as set' | 'finished as log' | 'log as finished' | 'other range' | 'both wrong';
type Answer = 'right' | 'cannot tell' | 'missed' | 'wrong remedy';
type Named = Kind & { readonly id: ArchetypeId };

const taskOf = (one: Recording, set: Named): Task => {
  if (one.as === set.id) return one.range === set.range ? 'as set' : 'other range';
  if (one.range !== set.range) return 'both wrong';
  return one.as === 'standard' ? 'finished as log' : 'log as finished';
};

const answerOf = (one: Recording, set: Named, kinds: readonly Named[]): Answer => {
  const { instead } = pictureKind(one.counts, [set, ...kinds.filter((kind) => kind !== set)]);
  const isTruth = (kind: Kind) => kind.name === one.as && kind.range === one.range;
  if (instead.length === 0) return isTruth(set) ? 'right' : 'missed';
  if (instead.length > 1) return 'cannot tell';
  return isTruth(instead[0].kind) ? 'right' : 'wrong remedy';
};

/** Cameras with one profile besides the standard one, each recording read as each of what it can record. */
export const pictureFigures = (folder?: string) => {
  const shots: readonly Shot[] = [...(folder === undefined ? [] : photographs(folder)), ...stage()];
  const tally = new Map<Task, Map<Answer, number>>();
  const owns = ARCHETYPE_IDS.filter((id) => id !== 'standard');
  for (const one of shots.flatMap(recorded))
    for (const own of owns.filter((id) => one.as === id || one.as === 'standard')) {
      const ids: readonly ArchetypeId[] = [own, 'standard'];
      const kinds = ids.flatMap((id) =>
        RANGES.map((range): Named => ({ profile: profiles[id], range, id, name: id })),
      );
      for (const set of kinds) {
        const task = taskOf(one, set);
        const answer = answerOf(one, set, kinds);
        const row = tally.get(task) ?? new Map<Answer, number>();
        tally.set(task, row.set(answer, (row.get(answer) ?? 0) + 1));
      }
    }
  return { shots: shots.length, tally };
};
