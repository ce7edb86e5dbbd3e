import { describe, expect, it } from 'vitest';
import { neutralOf } from '#core/colour/lean.ts';
import { demoBook, demoSelection } from '#store/fixtures/demoBook.ts';
import { besideRows, camerasBeside, changesForAll, FOR_ALL_IDS } from './cameras/camerasModel.ts';

const book = demoBook();
const beside = (setup: string, camera: string) => camerasBeside(book, demoSelection(setup, camera));

describe('cameras side by side', () => {
  it('stand with the one at hand first, every row with a value for each', () => {
    const cameras = beside('bench-interview', 'b-cam');
    expect(cameras.map(({ camera }) => camera.id)).toEqual(['b-cam', 'a-cam']);
    const rows = besideRows(cameras);
    for (const { values } of rows) expect(values).toHaveLength(2);
    expect(new Set(rows.map(({ id }) => id)).size).toBe(rows.length);
    // Other profiles and placements in the demo: both are said.
    const differ = rows.filter(({ values }) => values.some(({ state }) => state === 'differs'));
    expect(differ.map(({ id }) => id)).toEqual(expect.arrayContaining(['profile', 'placement']));
    expect(besideRows(beside('slipway', 'small-cam')).every(({ values }) => values.length === 1)).toBe(true);
  });

  it('take one number for all: then none of it differs, and nothing is left to change', () => {
    const cameras = beside('bench-interview', 'a-cam');
    for (const id of FOR_ALL_IDS) {
      const changes = changesForAll(id, cameras);
      const next = cameras.map((one) => ({
        ...one,
        plan: changes.find((change) => change.id === one.plan.id)?.after ?? one.plan,
      }));
      expect(next[0].plan).toEqual(cameras[0].plan);
      const row = besideRows(next).find((one) => one.id === id);
      expect(row?.values[1].state).not.toBe('differs');
      expect(changesForAll(id, next)).toEqual([]);
    }
  });

  it('balance to one white, each lean in its dial', () => {
    const [first, second] = beside('bench-interview', 'a-cam');
    const leaning = [
      first,
      {
        ...second,
        camera: { ...second.camera, lean: { mired: 20, tint: 3, kelvin: 5600, measuredOn: '2026-11-01' } },
      },
    ];
    const [change] = changesForAll('balance', leaning);
    const own = neutralOf(first.plan.kelvin, first.camera.lean?.mired ?? 0);
    expect(Math.abs(1e6 / neutralOf(change.after.kelvin, 20) - 1e6 / own)).toBeLessThan(2.5);
  });
});
