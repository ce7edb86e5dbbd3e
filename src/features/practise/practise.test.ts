import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { drillOf, drillsFor, taskOf } from '#core/practice/drillList.ts';
import { judge } from '#core/practice/judge.ts';
import { readCamera } from '#core/practice/stageTask.ts';
import { LEVELS } from '#core/practice/types.ts';
import { surveyOf } from '#core/exposure/survey.ts';
import { exactFNumber } from '#core/exposure/aperture.ts';
import { shutterSeconds } from '#core/exposure/shutter.ts';
import { cardIn } from '#core/practice/world.ts';
import { sceneOfSpots } from '#core/scene/ofSpots.ts';
import { lightAt } from '#core/scene/scene.ts';
import { meterShows } from '#core/sensor/meter.ts';
import { readTruth } from '#core/scene/truth.ts';
import { stageScene, STAGE_SCENE_IDS } from '#store/demo/scenes.ts';
import { demoRecords } from '#store/demo/index.ts';
import { demoBook } from '#store/fixtures/demoBook.ts';
import { checkGivens } from './checkGiven.ts';
import { isOfLesson, LESSONS } from './course/lessons.ts';
import { checkTasks, linkOf, readTasks, taskList, writeTasks } from './round.ts';
import { filmedBrackets, needsMet, practiceWorld } from './world.ts';

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
  it('go into a file and come out of it, whatever its lines end with', () => {
    const tasks = checkTasks(12, false);
    const text = taskList(tasks);
    expect(text).toContain('expose-zebra.2.12 # Expose by zebra alone\n');
    expect(readTasks(text)).toEqual(tasks);
    expect(readTasks(text.replaceAll('\n', '\r\n'))).toEqual(tasks);
    const link = linkOf(tasks, 'http://localhost:3210/practise?shoot=salt-and-fire&tasks=old');
    expect(readTasks(new URL(link).searchParams.get('tasks')!)).toEqual(tasks);
    expect(link).toContain('shoot=salt-and-fire');
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
    const met = needsMet(records, takes);
    expect(met).toContain('takes');
    expect(drillsFor(met).length - drillsFor(needsMet(records, [])).length).toBe(1);
  });
  it('makes every drill at every level with every camera and profile', () => {
    for (const camera of world.cameras)
      for (const { id: profileId } of camera.profiles)
        for (const drill of drillsFor(needsMet(records, takes)))
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
    const first = givens[0](drillOf('expose-zebra')!);
    // Ten tasks come to every set-up.
    const met = givens.slice(0, 10).map((given) => given(drillOf('expose-zebra')!).world.scenes[0].setupId);
    const setups = [...records.setups.values()].filter(({ shootId }) => shootId === 'salt-and-fire');
    expect(new Set(met)).toEqual(new Set(setups.map(({ id }) => id)));
    expect(first.camera.id).toBe('a-cam');
    expect(first.profileId).toBe('wideLog');
    expect(first.world.scenes.map(({ id }) => id)).toEqual(['furnace-mouth']);
    expect(checkGivens(records, 'another', practiceWorld(records, scenes))).toEqual([]);
  });
  it('can make each of its ten tasks before each of them', () => {
    for (const given of givens)
      for (const { drill: id, level, seed } of checkTasks(77, true)) {
        const drill = drillOf(id)!;
        expect(taskOf(drill, level, seed, given(drill)).asks.length).toBeGreaterThan(0);
      }
  });
});

describe('a check before a shoot of one’s own', () => {
  const records = demoBook();
  const interview = records.setups.get('bench-interview')!;
  const setup = { ...interview, id: 'own-setup', shootId: 'own-shoot', name: 'Net store' };
  const shoot = { ...records.shoots.get('salt-and-fire')!, id: 'own-shoot', name: 'Own' };
  const own = {
    ...records,
    shoots: new Map([...records.shoots, [shoot.id, shoot]]),
    setups: new Map([...records.setups, [setup.id, setup]]),
  };
  const worldOf = practiceWorld(own, scenes);
  const zebra = drillOf('expose-zebra')!;

  it('stands before the light that was read there, its card where the survey has it', () => {
    const [given] = checkGivens(own, 'own-shoot', worldOf);
    const { world, camera, profileId } = given(zebra);
    expect(world.scenes).toMatchObject([{ id: 'survey-own-setup', name: 'Net store, light as read' }]);
    const [scene] = world.scenes;
    const survey = surveyOf(setup.spots, [], { k: setup.meterK, c: setup.meterC });
    if (!survey.ok) throw new Error(survey.reason);
    expect(scene.light?.card).toBeCloseTo(survey.value.grey!, 6);
    const task = taskOf(zebra, 2, 5, { world, camera, profileId });
    // An independent reading: a spot meter on the scene's light, not on what was recorded.
    const card = cardIn(task.stage!.scene)!;
    const { start } = task.stage!;
    const { x, y, width, height } = card.rect;
    const shows = meterShows(
      lightAt(sceneOfSpots(scene.light!), 0),
      {
        fNumber: exactFNumber(start.iris),
        seconds: shutterSeconds(start.shutter, task.stage!.fps),
        iso: start.iso,
        ndStops: start.ndStops,
      },
      { mode: 'spot', x: x + width / 2, y: y + height / 2 },
      { bias: 0, clipStops: 12 },
    );
    expect(readCamera(task, start).card).toBeCloseTo(shows, 1);
    // Whose face was read there is asked about.
    const skin = drillOf('expose-skin')!;
    const face = taskOf(skin, 2, 5, given(skin));
    expect(setup.subjectIds).toContain(face.subject!.id);
  });

  it('falls back on the scenes of the stage where nothing was read, or no face', () => {
    const without = (spots: typeof setup.spots) => {
      const setups = new Map(own.setups).set(setup.id, { ...setup, spots });
      return checkGivens({ ...own, setups }, 'own-shoot', worldOf)[0];
    };
    expect(without([])(zebra).world.scenes).toHaveLength(scenes.length);
    const cards = without(setup.spots.filter(({ role }) => role !== 'skin'));
    expect(cards(zebra).world.scenes).toHaveLength(1);
    expect(cards(drillOf('read-stops')!).world.scenes).toHaveLength(scenes.length);
  });
});

describe('a filmed bracket', () => {
  it('becomes a drill with the camera that has the profile', () => {
    const records = demoBook();
    const readings = Array.from({ length: 11 }, (_, i) => ({
      reflectance: 0.18 * 2 ** (i - 6),
      signal: 0.1 + 0.07 * i,
      sigma: 0.003,
    }));
    const profile = records.profiles.get('wideLog')!;
    const evidence = [{ id: 'b', kind: 'bracket', source: 'bracket', readings } as const];
    const own = { ...records, profiles: new Map(records.profiles).set('wideLog', { ...profile, evidence }) };
    expect(filmedBrackets(records)).toEqual([]);
    expect(needsMet(own, [])).toContain('bracket');
    const world = practiceWorld(own, scenes);
    const [camera] = world.cameras;
    const task = taskOf(drillOf('own-bracket')!, 3, 4, { world, camera, profileId: 'wideLog' });
    const [ask] = task.asks;
    const truth = ask.kind === 'number' ? ask.truth[0] : Number.NaN;
    // What is asked about is a step that was filmed, and its level the one that is told.
    const at = readings.find(({ reflectance }) => Math.abs(Math.log2(reflectance / 0.18) - truth) < 1e-9)!;
    expect(task.text).toContain(`${(100 * at.signal).toFixed(0)} %`);
    expect(task.table?.rows).toEqual([['0', '52 %']]);
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
