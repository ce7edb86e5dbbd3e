import { describe, expect, it } from 'vitest';
import { compileProfile } from '../profile/index.ts';
import { reflectanceToStops } from '../units.ts';
import { waterTransmission } from '../water.ts';
import { DRILLS, drillOf } from './drillList.ts';
import { made, numberOf, SEEDS, world } from './fixtures/tasks.ts';
import { judge, rightAnswer } from './judge.ts';
import { dialled, readCamera, standings } from './stageTask.ts';
import {
  LEVELS,
  type Answer,
  type Answers,
  type Level,
  type NumberAsk,
  type Standing,
  type Task,
} from './types.ts';
import { faceIn, profileOf } from './world.ts';

const each = function* (seeds: readonly number[] = SEEDS) {
  for (const { id } of DRILLS)
    for (const level of LEVELS) for (const seed of seeds) yield made(id, level, seed);
};

/** Every way in which the free knobs of a task can stand. */
const reachable = (task: Task): Standing[] => {
  const { stage, camera } = task;
  if (!stage) return [];
  return standings({ world, camera }, 1, stage.start.kelvin).map(({ standing }) => standing);
};

/** Knows what is right, and sets it with the steps that there are. */
const operator = (task: Task): Answers => {
  const answers: Record<string, Answer> = {};
  for (const ask of task.asks) {
    const right = rightAnswer(ask);
    if (ask.kind !== 'number') answers[ask.id] = right;
    else if (ask.by === 'camera' && ask.unit === 'kelvin')
      answers[ask.id] = dialled(right as number, task.camera);
    else if (ask.by === 'camera') {
      const far = (standing: Standing) =>
        Math.abs((readCamera(task, standing)[ask.id] as number) - (right as number));
      const best = reachable(task).reduce((a, b) => (far(b) < far(a) ? b : a));
      answers[ask.id] = readCamera(task, best)[ask.id];
    } else answers[ask.id] = Math.round((right as number) / ask.step) * ask.step;
  }
  return answers;
};

describe('every drill', () => {
  it('makes the same task from the same seed, and others from others', () => {
    for (const { id } of DRILLS) {
      expect(made(id, 2, 5)).toEqual(made(id, 2, 5));
      const different = new Set(SEEDS.map((seed) => JSON.stringify(made(id, 2, seed).asks)));
      expect(different.size, id).toBeGreaterThan(3);
    }
  });

  it('can be solved: who knows what is right scores full marks at each level', () => {
    const failed: string[] = [];
    for (const task of each()) {
      const { ok, marks } = judge(task, operator(task));
      if (!ok) failed.push(`${task.drill} ${task.level} ${task.seed} ${JSON.stringify(marks)}`);
    }
    expect(failed).toEqual([]);
  });

  it('asks for answers that can be given', () => {
    for (const task of each())
      for (const ask of task.asks) {
        const where = `${task.drill} ${task.level} ${task.seed} ${ask.id}`;
        if (ask.kind === 'number') {
          expect(ask.truth.every(Number.isFinite), where).toBe(true);
          expect(ask.truth[0], where).toBeLessThanOrEqual(ask.truth[1]);
          expect(ask.truth[0], where).toBeGreaterThanOrEqual(ask.within[0]);
          expect(ask.truth[1], where).toBeLessThanOrEqual(ask.within[1]);
          expect(ask.tolerance, where).toBeGreaterThan(0);
        } else {
          const ids = ask.options.map(({ id }) => id);
          expect(new Set(ids).size, where).toBe(ids.length);
          expect(new Set(ask.options.map(({ says }) => says)).size, where).toBe(ids.length);
          expect(ask.right.length, where).toBeGreaterThan(0);
          expect(ids, where).toEqual(expect.arrayContaining([...ask.right]));
        }
      }
  });

  it('gets no easier from a level to the next', () => {
    for (const { id } of DRILLS)
      for (const seed of SEEDS) {
        const [one, , three] = LEVELS.map((level) => made(id, level, seed).asks);
        for (const ask of one) {
          const later = three.find((other) => other.id === ask.id);
          if (ask.kind === 'number' && later?.kind === 'number')
            expect(later.tolerance, id).toBeLessThanOrEqual(ask.tolerance);
        }
      }
  });

  it('begins where something has to be done, as far off as the level says', () => {
    for (const task of each()) {
      const ask = task.asks.find((one) => one.kind === 'number' && one.by === 'camera');
      if (!task.stage || ask?.kind !== 'number') continue;
      const began = readCamera(task, task.stage.start)[ask.id] as number;
      const { ok } = judge(task, { [ask.id]: began });
      expect(ok, `${task.drill} ${task.level} ${task.seed}`).toBe(false);
    }
  });

  it('explains without holes', () => {
    for (const task of each(SEEDS.slice(0, 6))) {
      const { because, careful, schools } = drillOf(task.drill)!.explain(task);
      for (const text of [task.text, because, careful, schools ?? '-'])
        expect(text, task.drill).not.toMatch(/undefined|NaN|Infinity|\$\{|^$|\s{2}/);
    }
  });
});

describe('who goes by a rule of thumb', () => {
  const share = (id: string, level: Level, answers: (task: Task) => Answers) =>
    SEEDS.filter((seed) => {
      const task = made(id, level, seed);
      return judge(task, answers(task)).ok;
    }).length / SEEDS.length;

  it('trusts the screen, and is off by as much as the screen', () => {
    expect(
      share('expose-screen', 3, (task) => ({
        // Without its LUT the picture looks lifted: less light, and it looks right.
        card: numberOf(task, 'card').truth[0] - (task.stage!.isFlat ? 1 : task.stage!.screenStops),
      })),
    ).toBe(0);
  });
  it('puts every face at the same level, and fails with one of them', () => {
    const passed = share('expose-skin', 2, (task) => ({ face: task.placement + 1.2 }));
    expect(passed).toBeGreaterThan(0.2);
    expect(passed).toBeLessThan(0.8);
  });
  it('takes the mean of the kelvins', () => {
    const mean = ({ facts }: Task) =>
      (Number.parseFloat(facts[0].value) + Number.parseFloat(facts[1].value)) / 2;
    expect(share('mixed-light', 1, (task) => ({ kelvin: mean(task) }))).toBeLessThan(0.2);
  });
  it('gives every camera of a room the hero’s per cent', () => {
    // The level of the hero's card, put on the second camera: the stops that its own profile has there.
    const passed = share('live-room', 2, (task) => {
      const wanted = Number.parseFloat(task.facts[0].value) / 100;
      const { transfer } = compileProfile(profileOf(task.camera, task.profileId).data);
      const order = task.asks.find(({ id }) => id === 'order');
      return {
        card: reflectanceToStops(transfer.decode(wanted)),
        order: order?.kind === 'order' ? order.right : [],
      };
    });
    expect(passed).toBeLessThan(0.6);
  });
  it('leaves the placement at grey', () => {
    expect(share('place-contrast', 3, () => ({ placement: 0 }))).toBeLessThan(0.5);
  });
  it('says that nothing pulls', () => {
    expect(share('find-pull', 3, () => ({ pull: 0 }))).toBeLessThan(0.4);
  });
  it('always shoots log', () => {
    expect(
      share('choose-profile', 3, (task) => {
        const [profile] = task.asks;
        return { profile: profile.kind === 'choice' ? profile.options[0].id : '', why: 'always' };
      }),
    ).toBe(0);
  });
});

describe('numbers of the drills against handbooks', () => {
  it('has half-way between 3200 and 5600 K at 4073 K (10^6/K, as a mired table)', () => {
    // 312.5 and 178.6 mired, mean 245.5: by hand.
    for (const seed of Array.from({ length: 400 }, (_, i) => i)) {
      const task = made('mixed-light', 1, seed);
      if (task.facts[0].value !== '3200 K' || task.facts[1].value !== '5600 K') continue;
      expect(numberOf(task, 'kelvin').truth[0]).toBeCloseTo(4072.7, 0);
      return;
    }
    throw new Error('no such task among 400');
  });
  it('takes as much red under water as Beer and Lambert say', () => {
    const task = made('under-water', 2, 8);
    const [depth, distance] = [
      Number.parseInt(task.facts[1].value, 10),
      Number.parseInt(task.facts[2].value, 10),
    ];
    const metre = -Math.log2(waterTransmission(600, 1));
    expect(numberOf(task, 'red').truth[0]).toBeCloseTo(metre * (depth + distance), 6);
  });
});

describe('fairness', () => {
  it('shows everybody’s face equally often, as far off and as exactly, over 1000 seeds', () => {
    for (const id of ['expose-skin', 'read-stops', 'set-zebras']) {
      const met: Record<string, { count: number; off: number; tolerance: number }> = {};
      for (let seed = 0; seed < 1000; seed += 1) {
        const task = made(id, 2, seed);
        const of = (met[task.subject!.id] ??= { count: 0, off: 0, tolerance: 0 });
        const ask = task.asks[0] as NumberAsk;
        of.count += 1;
        of.tolerance += ask.tolerance;
        if (task.stage && ask.by === 'camera') {
          expect(faceIn(task.stage.scene, task.subject!.id)).toBeDefined();
          of.off += Math.abs((readCamera(task, task.stage.start)[ask.id] as number) - ask.truth[0]);
        }
      }
      const [ana, ola] = [met.ana, met.ola];
      expect(ana.count / 1000, id).toBeGreaterThan(0.45);
      expect(ana.count / 1000, id).toBeLessThan(0.55);
      expect(ana.tolerance / ana.count, id).toBeCloseTo(ola.tolerance / ola.count, 6);
      expect(Math.abs(ana.off / ana.count - ola.off / ola.count), id).toBeLessThan(0.15);
    }
  });
});
