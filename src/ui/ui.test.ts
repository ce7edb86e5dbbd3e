import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { stopsDistribution } from '#core/scopes/distribution.ts';
import { demoCameras } from '#store/demo/cameras.ts';
import { demoRecords } from '#store/demo/index.ts';
import { demoBook, demoSelection } from '#store/fixtures/demoBook.ts';
import { makeFrame } from '#core/frame/frame.ts';
import { countedFrame } from '#core/scopes/fixtures/countedFrame.ts';
import { measureFrame } from '#core/scopes/measureFrame.ts';
import { cardNumbersOf, distributionOf } from './bench/benchModel.ts';
import { judgementOf } from './bench/judgement.ts';
import { halfStops } from './bench/logTake.ts';
import { slug } from './download.ts';
import { printKelvin, printLight, printNd, printPull } from './format.ts';
import { ladderMarks, ladderRungs, nudged, spreadLabels } from './ladder/ladderModel.ts';
import { CELL_EDITORS } from './setCard/cellEditors.ts';
import { CELLS } from './setCard/cells.ts';
import { REASONS, type CellId } from './setCard/reasons.ts';
import { KEYMAP } from './shell/keymap.ts';
import { STEPS } from './shell/steps.ts';

const select = demoSelection;
const cardOf = (setup: string, camera: string) => {
  const selection = select(setup, camera);
  return { selection, numbers: cardNumbersOf(selection) };
};

describe('words', () => {
  it('prints as on set', () => {
    expect(printKelvin(4000)).toBe('4000\u2009K');
    expect([printNd(0), printNd(1), printNd(7)]).toEqual(['none', '0.3', '2.1']);
    expect([printPull(1), printPull(0), printPull(-1 / 3)]).toEqual(['pull −1', 'no pull', 'push +1/3']);
    expect([printLight(250), printLight(64_000), printLight(1234), printLight(0.5)]).toEqual([
      '250',
      '64\u2009000',
      '1230',
      '0.50',
    ]);
    expect([slug('Furnace mouth, A-cam'), slug('…')]).toEqual(['furnace-mouth-a-cam', 'untitled']);
  });
});

describe('ladder', () => {
  it('has a rung a stop with its reading, none above the clip', () => {
    const { numbers, selection } = cardOf('furnace-mouth', 'a-cam');
    const rungs = ladderRungs(numbers, 'signalPercent', selection.camera.coding);
    expect(rungs).toHaveLength(17);
    expect(rungs.find(({ stops }) => stops === 0)).toMatchObject({ label: '0', reading: '41' });
    expect(rungs.find(({ stops }) => stops === 6)?.reading).toBe('94');
    expect(rungs.find(({ stops }) => stops === 7)?.reading).toBeUndefined();
  });

  it('moves card, skin and white with the placement, not the warning', () => {
    const { numbers } = cardOf('furnace-mouth', 'a-cam');
    const marks = ladderMarks(numbers, 1, 1 / 3);
    const at = (id: string) => marks.find((mark) => mark.id === id)?.stops;
    expect(at('card')).toBe(1);
    expect(at('skin-ana')).toBeCloseTo(2.2, 9);
    expect(at('white')).toBeCloseTo(1 + Math.log2(5), 9);
    expect(at('warning')).toBeCloseTo(6 - 1 / 3, 9);
  });

  it('pushes labels apart and leaves distant ones alone', () => {
    expect(spreadLabels([10, 12, 100], 13)).toEqual([10, 23, 100]);
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 600 }), { maxLength: 8 }), (wanted) => {
        const placed = [...spreadLabels(wanted, 13)].sort((a, b) => a - b);
        for (let i = 1; i < placed.length; i += 1)
          expect(placed[i] - placed[i - 1]).toBeGreaterThanOrEqual(13);
      }),
    );
  });

  it('nudges by thirds and stops at its ends', () => {
    expect(nudged(1, 1)).toBeCloseTo(4 / 3, 12);
    expect(nudged(-1 / 3, 1)).toBe(0);
    expect(nudged(3, 1)).toBe(3);
    expect(nudged(0.4, 0)).toBeCloseTo(1 / 3, 12);
  });
});

describe('set card', () => {
  it('has a reason with numbers for every cell, for every camera of the demo', () => {
    for (const plan of demoRecords().plans) {
      const input = cardOf(plan.setupId, plan.cameraId);
      for (const cell of CELLS) {
        expect(cell.print(input).length).toBeGreaterThan(0);
        const { why } = REASONS[cell.id](input);
        if (cell.id !== 'kelvin') expect(why).toMatch(/[.]$/);
      }
    }
    expect(new Set(CELLS.map(({ id }) => id))).toEqual(new Set(Object.keys(REASONS) as CellId[]));
  });

  it('names the LUT on the monitor, and says when its pull is not the plan’s', () => {
    const input = cardOf('lantern-quay', 'a-cam');
    const monitor = CELLS.find(({ id }) => id === 'monitor');
    expect(monitor?.named?.(input)).toBe('Lanterns guarded');
    expect(REASONS.monitor(input).why).toContain('takes off what the placement put on');
    const brighter = {
      ...input,
      selection: { ...input.selection, plan: { ...input.selection.plan, placement: 1 } },
    };
    expect(REASONS.monitor(brighter).why).toMatch(/the screen looks 1 too bright/);
    expect(monitor?.named?.(cardOf('furnace-mouth', 'a-cam'))).toBeUndefined();
  });

  it('writes back what it shows: every choice of every picked cell', () => {
    const input = cardOf('furnace-mouth', 'a-cam');
    for (const { editor } of Object.values(CELL_EDITORS)) {
      if (editor.kind !== 'pick') continue;
      for (const { value } of editor.choices(input, demoBook())) {
        const plan = { ...input.selection.plan, ...editor.fields(value, input, demoBook()) };
        expect(editor.current(plan)).toBe(value);
      }
      const choices = editor.choices(input, demoBook()).map(({ value }) => value);
      expect(choices).toContain(editor.current(input.selection.plan));
    }
  });

  it('wants the light that the survey says lands where planned: one light, one answer', () => {
    const input = cardOf('packing-yard', 'a-cam');
    const words = REASONS.iris(input).why;
    const [luminance, lux] = [...words.matchAll(/[\d\u2009\u202f ]+(?=\s*(?:cd|lx))/g)].map(([text]) =>
      Number(text.replace(/\D/g, '')),
    );
    // L = E rho / pi on an 18 % card.
    expect(lux / ((luminance * Math.PI) / 0.18)).toBeCloseTo(1, 1);
    const off = Math.log2(luminance / input.numbers.luminance);
    expect(Math.abs(off)).toBeLessThan(0.01);
    // ISO 2720: an incident meter with C = 250 asks for 0.2 stop more than a spot meter with K = 12.5.
    expect(REASONS.iris(input).lines.at(-1)?.value).toContain('+0.20 stop');
  });

  it('marks a zebra the camera cannot reach', () => {
    const input = cardOf('packing-yard', 'b-cam');
    const warning = CELLS.find(({ id }) => id === 'warning');
    // Classic log clips at 106 %; B-cam's zebra ends at 100.
    expect(warning?.print(input)).toBe('out of reach');
    expect(warning?.instead?.(input)).toMatch(/^0\.\d under clip 100\+$/);
    expect(REASONS.warning(input).why).toMatch(
      /^The camera’s zebra ends at 100; .* would read 10\d\.\d\. Set it by 0\.\d under clip: 100\+/,
    );
    expect(REASONS.warning(input).lines.map(({ label }) => label)).toContain('nearest the camera has');
  });

  it('says which mains a shutter suits', () => {
    expect(REASONS.shutter(cardOf('furnace-mouth', 'a-cam')).why).toContain('safe at 50 Hz only');
  });

  it('a body whose zebra follows the LUT shows the display level', () => {
    const { numbers } = cardOf('open-evening', 'hall-2');
    expect(numbers.card.exact).toBeCloseTo(45, 6);
    expect(demoCameras.find(({ id }) => id === 'hall-2')?.zebra.reads).toBe('lut');
  });
});

describe('shell', () => {
  it('numbers the order of work one to eight', () => {
    expect(STEPS.map(({ key }) => key)).toEqual(['1', '2', '3', '4', '5', '6', '7', '8']);
    const reachable = STEPS.map(({ key }) => key);
    expect(KEYMAP.step.presses).toEqual(reachable.map((key) => `Digit${key}`));
  });
  it('gives no key two meanings', () => {
    const keys = Object.values(KEYMAP).flatMap(({ presses }): readonly string[] => presses);
    expect(new Set(keys).size).toBe(keys.length);
  });
});

describe('what a take keeps', () => {
  it('half stops add up to the picture', () => {
    const distribution = stopsDistribution(new Uint32Array(100).fill(3), (level) => -5 + level / 10);
    const kept = halfStops(distribution);
    expect(kept).toHaveLength(40);
    expect(kept.reduce((sum, share) => sum + share, 0)).toBeCloseTo(1, 3);
  });
});

describe('what is said of a frame', () => {
  it('holds files, and only files, against how the camera records', () => {
    const { selection, numbers } = cardOf('bench-interview', 'a-cam');
    const coding = { bitDepth: 8, range: 'legal' } as const;
    const plane = () => new Uint16Array(400).fill(100);
    const frame = makeFrame({ width: 20, height: 20, ...coding, r: plane(), g: plane(), b: plane() });
    const { clipStops, floorStops } = numbers;
    const options = { profile: selection.profile.data, clipStops, floorStops, patches: [] };
    const measurement = measureFrame(countedFrame(frame), options);
    const said = (kind: 'still' | 'clip' | 'feed' | 'camera') =>
      judgementOf(measurement, distributionOf(measurement, numbers), {
        numbers,
        placement: 0,
        coding: selection.camera.coding,
        kind,
      }).map(({ id }) => id);
    expect(said('still')).toContain('tags');
    expect(said('clip')).toContain('tags');
    // A capture box gives 8 bit whatever the camera records.
    expect(said('feed')).not.toContain('tags');
    expect(said('camera')).not.toContain('tags');
  });
});
