// Hall 1 and Hall 2 before the same stage, found differently: brought together by turns that were learnt.
import { describe, expect, it } from 'vitest';
import { deltaE2000 } from '#core/colour/lab.ts';
import { PLAIN } from '#core/kernels/plain.ts';
import { labOfLight, meanOfFrames } from '#core/match/patches.ts';
import { learnResponse, solveTurns, type LearntControl, type LookPatch } from '#core/match/turns.ts';
import { seededRandom } from '#core/random.ts';
import { driftOf, type RoomPatch } from '#core/room/drift.ts';
import { NO_PAINT, type Paint } from '#core/sensor/paint.ts';
import { plainContext as context } from '../rpc/fixtures/context.ts';
import { hallReading, hallSetting, hallSource, SMALL } from './fixtures/hall.ts';
import { roomHandlers } from './handlers.ts';

const SCENE = 'hall-speaker';
const PICTURES = 6;
const LATE = 39 * 60;
const CONTROLS = [
  { id: 'red', name: 'R gain', low: -50, high: 50, turn: 12 },
  { id: 'blue', name: 'B gain', low: -50, high: 50, turn: 12 },
  { id: 'gain', name: 'Iris', low: -12, high: 12, turn: 2 },
  { id: 'black', name: 'Black', low: -40, high: 40, turn: 16 },
  { id: 'saturation', name: 'Saturation', low: -20, high: 20, turn: 5 },
] as const satisfies readonly { id: keyof Paint; name: string; low: number; high: number; turn: number }[];

/** As somebody left it. */
const found = (seed: number) => {
  const random = seededRandom(seed);
  const draw = (most: number) => Math.round(most * (2 * random() - 1));
  return {
    paint: { red: draw(18), blue: draw(18), gain: draw(4), black: draw(10), saturation: draw(5) },
    lean: { mired: draw(18), tint: draw(3) },
  };
};
const usable = (patches: readonly RoomPatch[]): LookPatch[] =>
  patches.filter(({ clipped, light, error }) => clipped === 0 && light.every((v, c) => v > 3 * error[c]));

describe('two halls made one', () => {
  const SLOW = { timeout: 120_000 };
  it.each([1, 2, 3, 4, 5])(
    'within a twelfth of a stop, 5 mired and ΔE2000 2, camera %i',
    SLOW,
    async (seed) => {
      let ms = 0;
      const jobs = roomHandlers(PLAIN, () => ms);
      const reading = hallReading(SCENE);
      const { paint: drawn, lean } = found(seed);
      const seen = async (id: string): Promise<RoomPatch[]> => {
        const pictures: (readonly RoomPatch[])[] = [];
        for (let n = 0; n < PICTURES; n += 1) {
          ms += 200;
          const { output } = await jobs.next({ id, reading, drawing: SMALL }, context);
          if (!output.ok) throw new Error(output.reason);
          pictures.push(output.value.patches);
        }
        return pictures[0].map((patch, i) => ({ ...patch, ...meanOfFrames(pictures.map((one) => one[i])) }));
      };
      const turn = (paint: Paint) =>
        jobs.stage({ id: 'hall-2', to: LATE, ...hallSetting(paint, {}, lean) }, context);
      for (const [id, setting] of [
        ['hall-1', hallSetting()],
        ['hall-2', hallSetting(drawn, {}, lean)],
      ] as const) {
        await jobs.open({ id, source: hallSource(SCENE, setting, 50 * seed), reading }, context);
        await jobs.stage({ id, to: LATE, ...setting }, context);
      }
      const hero = await seen('hall-1');
      let paint: Paint = { ...NO_PAINT, ...drawn };
      const before = usable(await seen('hall-2'));
      const controls: LearntControl[] = [];
      for (const { turn: by, ...control } of CONTROLS) {
        await turn({ ...paint, [control.id]: paint[control.id] + by });
        const learnt = learnResponse(before, usable(await seen('hall-2')), by, 'bt2020');
        if (!learnt.ok) throw new Error(`${control.name}: ${learnt.reason}`);
        controls.push({ ...control, at: 0, response: learnt.value });
      }
      for (let round = 0; round < 3; round += 1) {
        await turn(paint);
        const now = controls.map((one) => ({ ...one, at: paint[one.id as keyof Paint] }));
        const { turns } = solveTurns(usable(await seen('hall-2')), usable(hero), now, 'bt2020');
        for (const { id, by } of turns) paint = { ...paint, [id]: paint[id as keyof Paint] + by };
      }
      await turn(paint);
      const matched = await seen('hall-2');
      const left = driftOf(hero, matched, { kelvin: 3100, tint: 0 });
      expect(Math.abs(left.light!)).toBeLessThan(1 / 12);
      expect(Math.abs(left.balance!)).toBeLessThan(5);
      const lab = labOfLight('bt2020', 0);
      for (const kind of ['skin', 'card'] as const)
        for (const patch of hero.filter((one) => one.kind === kind)) {
          const other = matched.find(({ name }) => name === patch.name)!;
          expect(deltaE2000(lab(other.light), lab(patch.light)), patch.name).toBeLessThan(2);
        }
    },
  );
});
