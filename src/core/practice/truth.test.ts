// What tasks hold for right, against an independent reading: a meter on the light of the scenes.
import { readFileSync, readdirSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { exactFNumber } from '../exposure/aperture.ts';
import type { MeterMode } from '../exposure/meterModes.ts';
import { shutterSeconds } from '../exposure/shutter.ts';
import { lightAt, openScene } from '../scene/scene.ts';
import { meterShows } from '../sensor/meter.ts';
import { made, numberOf, SEEDS, world } from './fixtures/tasks.ts';
import { SCENE_IDS } from './fixtures/world.ts';
import { judge } from './judge.ts';
import { readCamera, readSpot } from './stageTask.ts';
import { LEVELS, type Standing, type Task } from './types.ts';
import { cardIn, faceIn } from './world.ts';

describe('the truth of the stage, read again by a meter on the light', () => {
  const sceneOf = (id: string) => {
    const folder = `public/scenes/${id}`;
    const light = readdirSync(folder)
      .filter((name) => name.startsWith('light-'))
      .sort();
    const opened = openScene({
      truth: readFileSync(`${folder}/truth.json`, 'utf8'),
      light: light.map((name) => readFileSync(`${folder}/${name}`)),
      mask: readFileSync(`${folder}/mask.png`),
    });
    if (!opened.ok) throw new Error(opened.reason);
    return opened.value;
  };
  const scenes = new Map(SCENE_IDS.map((id) => [id as string, lightAt(sceneOf(id))]));
  const settings = ({ iris, shutter, iso, ndStops }: Standing) => ({
    fNumber: exactFNumber(iris),
    seconds: shutterSeconds(shutter, world.fps),
    iso,
    ndStops,
  });
  const metered = (
    task: Task,
    standing: Standing,
    mode: MeterMode,
    on?: { rect: { x: number; y: number; width: number; height: number } },
  ) => {
    const { rect } = on ?? { rect: { x: 0.5, y: 0.5, width: 0, height: 0 } };
    return meterShows(
      scenes.get(task.stage!.scene.id)!,
      settings(standing),
      { mode, x: rect.x + rect.width / 2, y: rect.y + rect.height / 2 },
      { bias: 0, clipStops: 12 },
    );
  };

  it('has the card where the spot meter reads it', () => {
    for (const id of ['expose-zebra', 'meter-spot', 'meter-whole', 'expose-screen'])
      for (const seed of SEEDS) {
        const task = made(id, 3, seed);
        const { start, scene } = task.stage!;
        // The spot takes in some 2 % of the picture: where the card is smaller, its surroundings too.
        const card = cardIn(scene)!;
        if (card.rect.width < 0.025) continue;
        expect(readCamera(task, start).card).toBeCloseTo(metered(task, start, 'spot', card), 0);
        expect(
          Math.abs((readCamera(task, start).card as number) - metered(task, start, 'spot', card)),
        ).toBeLessThan(0.15);
      }
  });

  it('leads a whole-frame meter astray, and who follows it fails', () => {
    const passed = SEEDS.filter((seed) => {
      const task = made('meter-whole', 3, seed);
      const { start } = task.stage!;
      // What the meter shows follows the knobs as the card does: it is read once.
      const over = metered(task, start, 'whole') - (readCamera(task, start).card as number);
      return judge(task, { card: numberOf(task, 'card').truth[0] - over }).ok;
    });
    expect(passed.length / SEEDS.length).toBeLessThan(0.35);
  });

  it('has the key side of a face where a spot on it reads it, and nowhere near the middle of the frame', () => {
    const spotOn = (task: Task, on?: { rect: { x: number; y: number; width: number; height: number } }) => {
      const shows = metered(task, task.stage!.start, 'spot', on) + task.camera.meterBias;
      return judge(task, readSpot(task, shows)).ok;
    };
    for (const level of LEVELS) {
      const tasks = SEEDS.map((seed) => made('point-spot', level, seed));
      const found = tasks.filter((task) => spotOn(task, faceIn(task.stage!.scene, task.subject!.id)));
      expect(found.length, `level ${level}`).toBe(tasks.length);
      expect(tasks.filter((task) => spotOn(task)).length / tasks.length).toBeLessThan(0.35);
    }
  });
});
