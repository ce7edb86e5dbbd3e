import { describe, expect, it } from 'vitest';
import { setCardNumbers } from '#core/exposure/setCard.ts';
import { compileRecipe } from '#core/lut/recipe.ts';
import { OUTPUT_IDS, OUTPUTS } from '#core/lut/outputs.ts';
import { TONE_PRESET_IDS } from '#core/lut/toneScale.ts';
import { lutSchema } from '#store/records/lut.ts';
import { planSchema } from '#store/records/plan.ts';
import { removalEdit } from '#store/owned/index.ts';
import { NONE_HELD } from '#store/owned/owned.ts';
import { afterEdit, afterUndo, demoBook, demoSelection } from '#store/fixtures/demoBook.ts';
import { monitorPicture } from '#store/monitorPicture.ts';
import { resolveSelection, type Selection } from '#store/selection.ts';
import type { Edit } from '#store/edits.ts';
import { buildOf, FIRST_BUILD, FIRST_WORK, type LutWork } from '#ui/bench/session/lutWork.ts';
import { toneFields, withTone } from './build/toneFields.ts';
import { chainSpec, chainWords, lookProblem } from './combine/combineModel.ts';
import { attachEdit, keepEdit } from './kitModel.ts';
import { landingsOf, tonesOf } from './landings.ts';
import { recipeNotes, wordsFor } from '#ui/luts/lutWords.ts';
import { buildName, recipeOf, recordOf, sourceChoices, sourceOf } from './lutModel.ts';
import { furthest, greyPoints } from './parts/greyChartModel.ts';
import { lossRows, lossWord } from '#ui/luts/lossModel.ts';

const selection = demoSelection('furnace-mouth', 'a-cam');
const numbersOf = ({ profile, camera, plan, subjects, setup, monitors }: Selection) =>
  setCardNumbers(profile.data, camera, plan, subjects, setup.fps, monitorPicture({ monitors }, profile.data));
const place = (work: Partial<LutWork> = {}) => ({
  selection,
  work: { ...FIRST_WORK, build: FIRST_BUILD, ...work },
  kit: demoBook().luts,
  opened: {
    id: 'opened-1',
    name: 'own.cube',
    text: '',
    title: '',
    comments: [],
    says: '',
    invertible: true,
    scale: 'signal',
    output: 'bt1886',
  } as const,
});
const chain = (fields: Partial<LutWork['chain']>) => place({ chain: { ...FIRST_WORK.chain, ...fields } });

describe('the LUT being built', () => {
  it('takes profile and placement of the card, and is a record that fits', () => {
    const recipe = recipeOf(FIRST_BUILD, selection);
    expect(recipe).toMatchObject({ pullStops: 1, output: 'bt1886', saturation: 1 });
    expect(recipeOf({ ...FIRST_BUILD, pull: 0 }, selection).pullStops).toBe(0);
    const record = recordOf('a', buildName(FIRST_BUILD, selection), recipe, selection.camera.coding);
    expect(lutSchema.parse(record)).toEqual(record);
    expect(record.name).toBe('wide log, pull −1, plain');
    for (const output of OUTPUT_IDS)
      for (const preset of TONE_PRESET_IDS) {
        const own = recipeOf({ ...FIRST_BUILD, output, preset }, selection);
        expect(lutSchema.safeParse(recordOf('a', 'a', own, selection.camera.coding)).success).toBe(true);
      }
  });

  it('says in its name what was moved, and what it is for', () => {
    expect(buildName({ ...FIRST_BUILD, preset: 'soft', moved: { toe: 0.5 } }, selection)).toContain(
      'soft moved',
    );
    expect(buildName({ ...FIRST_BUILD, output: 'pq', peak: 1500 }, selection)).toContain('PQ 1500');
  });

  it('is built again from what was kept', () => {
    const soft = { ...FIRST_BUILD, preset: 'soft' as const, pull: 1 / 3, saturation: 1.1 };
    expect(buildOf(recipeOf(soft, selection))).toEqual(soft);
    const moved = { ...soft, moved: { toe: 0.4 } };
    const again = buildOf(recipeOf(moved, selection));
    expect(recipeOf(again, selection)).toEqual(recipeOf(moved, selection));
  });

  it('moves a slider, and puts it back', () => {
    const moved = withTone(FIRST_BUILD, 'contrast', 1.2);
    const field = (build: typeof moved, id: string) =>
      toneFields(build, { white: 0.85 }).find((one) => one.id === id);
    expect(field(moved, 'contrast')).toMatchObject({ value: 1.2, moved: true, shown: '1.20' });
    expect(field(withTone(moved, 'contrast', undefined), 'contrast')).toMatchObject({ moved: false });
    expect(field(moved, 'white')).toMatchObject({ value: 0.85, moved: false });
    expect(field(withTone(moved, 'saturation', 1.2), 'saturation')).toMatchObject({ moved: true });
    for (const { min, max, value } of toneFields(moved, { white: 0.85 })) {
      expect(value).toBeGreaterThanOrEqual(min);
      expect(value).toBeLessThanOrEqual(max);
    }
  });

  it('writes of itself in plain letters: profile, pull, gamut, range', () => {
    const recipe = recipeOf(FIRST_BUILD, selection);
    const words = wordsFor('Furnace, pull −1', {
      selection,
      input: 'wide log',
      output: 'BT.1886',
      scale: 'code',
      coding: selection.camera.coding,
      notes: recipeNotes(recipe, 'wide log'),
    });
    const all = [words.title, ...words.comments].join('\n');
    for (const part of ['wide log', '-1.000 stops', 'BT.2020 to BT.709', '10-bit legal', 'Furnace mouth'])
      expect(all).toContain(part);
    expect(all).toMatch(/^[\x00-\x7f]*$/);
    expect(words.id).toMatch(/^[a-z0-9-]+$/);
  });
});

describe('sources', () => {
  it('are what is built, computed, kept and opened; reduced where it is asked for', () => {
    for (const { id } of sourceChoices(place())) expect(sourceOf(place(), id)?.id).toBe(id);
    expect(sourceOf(place(), 'nothing')).toBeUndefined();
    const reduced = sourceOf(place(), 'computed:17:trilinear');
    expect(reduced).toMatchObject({ spec: { kind: 'reduced', points: 17, interpolation: 'trilinear' } });
    expect(sourceOf(place(), 'opened')).toMatchObject({
      spec: { kind: 'kept', id: 'opened-1', scale: 'signal' },
    });
  });
});

describe('a chain', () => {
  it('is pull, conversion, look, in this order', () => {
    const made = chainSpec(
      chain({ thirds: -3, conversion: 'computed', look: 'wide-pull-1', intensity: 0.4 }),
    );
    expect(made?.spec.kind === 'chain' && made.spec.steps.map(({ kind }) => kind)).toEqual([
      'exposure',
      'look',
      'look',
    ]);
    expect(chainWords(chain({ thirds: -3, conversion: 'computed' }))[0]).toBe(
      'Pull 1.00 stops in wide log, before the conversion',
    );
    expect(chainSpec(chain({ conversion: 'none' }))).toBeUndefined();
  });

  it('goes back to log for a look that wants it, where the conversion can be undone', () => {
    const log = chain({ conversion: 'build', look: 'opened', feed: 'log' });
    const made = chainSpec(log);
    expect(made?.spec.kind === 'chain' && made.spec.steps.map(({ kind }) => kind)).toEqual([
      'look',
      'back',
      'lut',
    ]);
    expect(lookProblem(log)).toBeUndefined();
    expect(lookProblem(chain({ conversion: 'opened', look: 'build', feed: 'log' }))).toMatch(
      /cannot|can be undone/,
    );
    expect(lookProblem(chain({ conversion: 'none', look: 'build', feed: 'log' }))).toBeUndefined();
  });

  it('turns a 1D file round where it is asked to', () => {
    const made = chainSpec(chain({ conversion: 'opened', inverse: true }));
    expect(made?.spec).toMatchObject({ steps: [{ kind: 'lut', inverse: true }] });
  });
});

describe('where tones land', () => {
  const numbers = numbersOf(selection);
  const { neutral } = compileRecipe(recipeOf(FIRST_BUILD, selection));

  it('in and out, the card on grey', () => {
    const rows = landingsOf(numbers, 1, neutral, 'bt1886');
    expect(rows.map(({ id }) => id)).toEqual(['clip', 'white', 'skin-ana', 'card', 'floor']);
    const card = rows.find(({ id }) => id === 'card');
    expect(card?.out).toBeCloseTo(OUTPUTS.bt1886.grey, 6);
    expect(card?.in).toBeCloseTo(numbers.profile.signalAt(1), 9);
    expect(card?.light).toBeUndefined();
  });

  it('has cd/m2 for HDR: grey at 26 (BT.2408-7 table 1)', () => {
    for (const output of ['hlg', 'pq'] as const) {
      const run = compileRecipe(recipeOf({ ...FIRST_BUILD, output }, selection));
      const card = landingsOf(numbers, 1, run.neutral, output).find(({ id }) => id === 'card');
      expect(Math.round(card?.light ?? 0)).toBe(26);
    }
  });

  it('as points of a chart, and where two curves lie furthest apart', () => {
    const points = greyPoints(numbers.profile, 6, neutral);
    expect(points.at(-1)).toMatchObject({ stops: 6 });
    points.forEach((p, i) => i > 0 && expect(p.percent).toBeGreaterThanOrEqual(points[i - 1].percent));
    const lower = points.map((p) => ({
      ...p,
      percent: p.stops === points[40].stops ? p.percent - 5 : p.percent,
    }));
    expect(furthest(points, lower)).toEqual({ stops: points[40].stops, by: expect.closeTo(-5, 9) });
    expect(tonesOf(numbers, 1)[0].id).toBe('clip');
  });
});

describe('losses', () => {
  const loss = (worst: number, stops: number, mean = 0.1) => ({
    mean,
    worst,
    stops,
    at: [0, 0, 0] as const,
    stopsAt: 0,
  });
  it('show a shaper only where it pays', () => {
    const rows = lossRows([
      { size: 17, shaped: false, loss: loss(9, 0.1) },
      { size: 17, shaped: true, loss: loss(3, 0.05) },
      { size: 33, shaped: false, loss: loss(3, 0.1) },
      { size: 33, shaped: true, loss: loss(2.5, 0.05) },
    ]);
    expect(rows.map(({ size, shaped }) => `${size} ${shaped}`)).toEqual(['17 false', '17 true', '33 false']);
    expect(lossWord(loss(0.5, 0))).toBe('not seen');
    expect(lossWord(loss(9, 0, 2))).toBe('plainly seen');
  });
});

describe('LUTs in the kit', () => {
  const record = recordOf(
    'own',
    'Furnace',
    recipeOf({ ...FIRST_BUILD, pull: 0 }, selection),
    selection.camera.coding,
  );
  const after = (edit: Edit, book = demoBook()) => afterEdit(book, edit);
  const select = (book: ReturnType<typeof demoBook>) =>
    resolveSelection(book, { shoot: 'salt-and-fire', setup: 'furnace-mouth', camera: 'a-cam' });

  it('are put on a monitor for a set-up, and the card goes by their pull', () => {
    const edit = attachEdit(selection, 'cart', 'own', keepEdit(record).changes);
    const book = after(edit);
    const now = select(book);
    expect(now?.monitors.map(({ monitor, lut }) => `${monitor.name}: ${lut.name}`)).toEqual([
      'Cart monitor: Furnace',
    ]);
    if (!now) throw new Error('nothing selected');
    expect(planSchema.safeParse(now.plan).success).toBe(true);
    expect(numbersOf(selection).pullStops).toBe(1);
    // Without a pull in it the card's pull is none, whatever the placement.
    expect(numbersOf(now).pullStops).toBeCloseTo(0, 2);
    const back = afterUndo(demoBook(), edit);
    expect(select(back)?.monitors).toEqual([]);
    expect(back.luts.has('own')).toBe(false);
  });

  it('on another profile have the pull they come to there', () => {
    const other = demoSelection('furnace-mouth', 'b-cam');
    const picture = monitorPicture(
      { monitors: [{ monitor: demoBook().monitors.get('cart') as never, lut: record }] },
      other.profile.data,
    );
    const grey = compileRecipe(record.recipe as never);
    const numbers = numbersOf(other);
    expect(picture?.pullStops).toBeGreaterThan(0.5);
    expect(grey.neutral(numbers.profile.signalAt(picture?.pullStops ?? 0))).toBeCloseTo(0.45, 2);
  });

  it('are taken out, and off every monitor that carried them', () => {
    const book = demoBook();
    const lut = book.luts.get('lantern-guard');
    if (!lut) throw new Error('no LUT in the demo');
    const edit = removalEdit(book, 'luts', lut, NONE_HELD);
    const without = after(edit, book);
    expect(without.luts.has('lantern-guard')).toBe(false);
    for (const { monitorLuts = {} } of without.plans.values())
      expect(Object.values(monitorLuts)).not.toContain('lantern-guard');
    expect(afterUndo(book, edit).plans.get('lantern-quay:a-cam')?.monitorLuts).toEqual({
      cart: 'lantern-guard',
    });
  });

  it('of a file bring its text along', () => {
    expect(keepEdit(record, 'LUT_1D_SIZE 2').changes.map(({ table }) => table)).toEqual(['luts', 'lutTexts']);
  });
});
