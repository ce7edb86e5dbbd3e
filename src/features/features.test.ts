import { describe, expect, it } from 'vitest';
import { parseCubeFile } from '#core/formats/cube.ts';
import { setCardNumbers } from '#core/exposure/setCard.ts';
import { compileProfile } from '#core/profile/index.ts';
import { compileLut } from '#core/lut/lut.ts';
import { signalToCode } from '#core/signal/scale.ts';
import { demoSelection } from '#store/fixtures/demoBook.ts';
import { sampleTake } from '#store/fixtures/sampleTake.ts';
import { slug } from '#ui/download.ts';
import { cardRecipe, recipeSource } from '#ui/luts/lutSource.ts';
import { pullInFile, recipeNotes, wordsFor } from '#ui/luts/lutWords.ts';
import { lutHandlers } from '#workers/luts/handlers.ts';
import { plainContext } from '#workers/rpc/fixtures/context.ts';
import { cardBands } from '#ui/stage/zebraBands.ts';
import { cardLine, foundLine } from './log/logModel.ts';
import { placementRows } from './plan/placementRows.ts';

const select = demoSelection;
const coding = { bitDepth: 10, range: 'legal' } as const;

describe('plan', () => {
  it('has a row a third from -1 to +3, each true to the card', () => {
    const selection = select('furnace-mouth', 'a-cam');
    const rows = placementRows(selection);
    expect(rows).toHaveLength(13);
    expect(rows.find(({ placement }) => placement === 1)).toMatchObject({
      card: { level: 49, tolerance: 2, reach: 'within' },
      skin: [{ level: 60, tolerance: 3, reach: 'within' }],
      roomAbove: 5,
      usableBelow: -7,
    });
    expect(rows.every(({ cost, outOfReach }) => outOfReach.length > 0 || Math.abs(cost) < 0.12)).toBe(true);
  });
  it('says where the camera’s zebra ends', () => {
    const rows = placementRows(select('packing-yard', 'b-cam'));
    expect(rows.find(({ placement }) => placement === -1)?.outOfReach).toContain('card');
    expect(rows.find(({ placement }) => placement === 1)?.outOfReach).toEqual([]);
  });
});

describe('judge', () => {
  it('stripes the codes this camera’s own zebra would, on the recording', () => {
    const { camera, plan, subjects, profile, setup } = select('furnace-mouth', 'a-cam');
    const numbers = setCardNumbers(profile.data, camera, plan, subjects, setup.fps);
    const { ranges, warning } = cardBands(numbers, camera.zebra, camera.coding, coding);
    expect(ranges[0]).toEqual({
      from: Math.ceil(signalToCode(0.47, coding)),
      to: Math.floor(signalToCode(0.51, coding)),
    });
    expect(warning).toEqual({ from: Math.ceil(signalToCode(0.9, coding)), to: 1023 });
  });

  it('follows a zebra behind the LUT back to the recorded codes', () => {
    const { camera, plan, subjects, profile, setup } = select('open-evening', 'hall-2');
    const numbers = setCardNumbers(profile.data, camera, plan, subjects, setup.fps);
    const { ranges } = cardBands(numbers, camera.zebra, camera.coding, coding);
    const grey = signalToCode(numbers.profile.signalAt(0), coding);
    expect(ranges[0].from).toBeLessThan(grey);
    expect(ranges[0].to).toBeGreaterThan(grey);
  });
});

describe('log', () => {
  it('says in a line how it was set and what was found', () => {
    expect(cardLine(sampleTake)).toBe('wide log · ISO 800 · 4000\u2009K · 180° · f/2.8 · no ND');
    expect(foundLine(sampleTake)).toBe('plan +1, found +0.7');
    expect(foundLine({ ...sampleTake, measured: undefined })).toBe('plan +1, card not marked');
  });
});

describe('hand-off', () => {
  it.each([
    ['signal', 1],
    ['signal', 0],
    ['code', 1],
  ] as const)(
    'a cube on the %s scale, pull %s, puts the card where the monitor shows it',
    async (scale, pull) => {
      const selection = select('furnace-mouth', 'a-cam');
      const recipe = cardRecipe(selection, pull);
      const source = recipeSource('card', 'computed', recipe);
      const named = {
        input: 'wide log',
        output: 'BT.1886',
        scale,
        coding,
        notes: recipeNotes(recipe, 'wide log'),
      };
      const { output: file } = await lutHandlers(() => 0).write(
        {
          spec: source.spec,
          format: 'cube',
          size: 33,
          shaped: false,
          scale,
          coding,
          interpolation: 'tetrahedral',
          words: wordsFor(`Furnace ${pullInFile(pull)}`, { selection, ...named }),
        },
        plainContext,
      );
      if (!file.ok) throw new Error(file.reason);
      const cube = parseCubeFile(file.value.text);
      if (!cube.ok) throw new Error(cube.reason);
      const { lut } = cube.value;
      expect(lut.kind === 'cube' && lut.lattice.size).toBe(33);
      const card = compileProfile(selection.profile.data).signalAt(pull);
      const input = scale === 'signal' ? card : signalToCode(card, coding) / 1023;
      const [, g] = compileLut(lut)([input, input, input]);
      const shown = scale === 'signal' ? g : (g * 1023 - 64) / 876;
      expect(shown).toBeCloseTo(0.45, 2);
      expect(cube.value.comments.join('\n')).toContain(pull === 1 ? '-1.000 stops baked in' : 'not baked in');
      expect(file.value.text).toMatch(/^[\n\x20-\x7e]*$/);
      expect(slug(pullInFile(pull))).toBe(pull === 1 ? 'pull-1' : 'no-pull');
    },
  );
});
