import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { DRILLS, drillOf, drillsFor, taskOf } from '#core/practice/drillList.ts';
import { judge } from '#core/practice/judge.ts';
import { readCamera } from '#core/practice/stageTask.ts';
import { LEVELS } from '#core/practice/types.ts';
import { readTruth } from '#core/scene/truth.ts';
import { stageScene, STAGE_SCENE_IDS } from '#store/demo/scenes.ts';
import { demoRecords } from '#store/demo/index.ts';
import { demoBook } from '#store/fixtures/demoBook.ts';
import { checkGivens } from './checkGiven.ts';
import { isOfLesson, LESSONS } from './course/lessons.ts';
import { checkTasks, readTasks, writeTasks } from './round.ts';
import { practiceWorld } from './world.ts';

const scenes = STAGE_SCENE_IDS.filter((id) => id !== 'yard-walk').map((id) => {
  const truth = readTruth(readFileSync(`public/scenes/${id}/truth.json`, 'utf8'));
  if (!truth.ok) throw new Error(truth.reason);
  const { name, setupId } = stageScene(id);
  return { id, name, setupId, truth: truth.value };
});

describe('tasks by their names', () => {
  it('go into a link and come out of it', () => {
    const tasks = checkTasks(1_764_547_200, true);
    expect(tasks).toHaveLength(10);
    expect(readTasks(writeTasks(tasks))).toEqual(tasks);
  });
  it('are left out where they cannot be read', () => {
    for (const text of [
      '',
      'x',
      'expose-zebra',
      'expose-zebra.4.1',
      'expose-zebra.1.-1',
      'nothing.1.1',
      'expose-zebra.1.99999999999',
    ])
      expect(readTasks(text), text).toEqual([]);
    expect(readTasks('x,expose-zebra.1.7, set-zebras.3.0')).toHaveLength(2);
    expect(
      readTasks(Array.from({ length: 500 }, () => 'expose-zebra.1.7').join(',')).length,
    ).toBeLessThanOrEqual(40);
  });
});

describe('the demo’s kit before the scenes', () => {
  const records = demoBook();
  const { takes } = demoRecords();
  const world = practiceWorld(records, scenes, takes);
  it('finds its takes that have marks', () => {
    expect(world.takes?.length).toBeGreaterThan(0);
    expect(drillsFor(true).length - drillsFor(false).length).toBe(1);
  });
  it('makes every drill at every level with every camera and profile', () => {
    for (const camera of world.cameras)
      for (const { id: profileId } of camera.profiles)
        for (const drill of DRILLS)
          for (const level of LEVELS) {
            const task = taskOf(drill, level, 11, { world, camera, profileId });
            const where = `${drill.id} ${level} ${camera.id} ${profileId}`;
            expect(task.asks.length, where).toBeGreaterThan(0);
            if (!task.stage) continue;
            const began = readCamera(task, task.stage.start);
            if (Object.keys(began).length > 0) expect(judge(task, began).ok, where).toBe(false);
          }
  });
});

describe('a check before the demo’s shoot', () => {
  const records = demoBook();
  const givens = checkGivens(records, 'salt-and-fire', practiceWorld(records, scenes));
  it('stands before its set-ups, with their cameras in the planned profiles', () => {
    expect(givens.length).toBeGreaterThan(6);
    const [first] = givens;
    expect(first.camera.id).toBe('a-cam');
    expect(first.profileId).toBe('wideLog');
    expect(first.world.scenes.map(({ id }) => id)).toEqual(['furnace-mouth']);
    expect(checkGivens(records, 'another', practiceWorld(records, scenes))).toEqual([]);
  });
  it('can make each of its ten tasks before each of them', () => {
    for (const given of givens)
      for (const { drill, level, seed } of checkTasks(77, true))
        expect(taskOf(drillOf(drill)!, level, seed, given).asks.length).toBeGreaterThan(0);
  });
});

describe('the course', () => {
  it('has twelve lessons of three to eight minutes, each with a drill that there is', () => {
    expect(LESSONS).toHaveLength(12);
    for (const lesson of LESSONS) {
      expect(drillOf(lesson.drill), lesson.id).toBeDefined();
      expect(lesson.minutes).toBeGreaterThanOrEqual(3);
      expect(lesson.minutes).toBeLessThanOrEqual(8);
      expect(LESSONS.filter((other) => isOfLesson(other, lesson))).toEqual([lesson]);
    }
  });
});
