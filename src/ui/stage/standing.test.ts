import { describe, expect, it } from 'vitest';
import { luminanceFor } from '#core/exposure/meter.ts';
import { demoBook, demoSelection } from '#store/fixtures/demoBook.ts';
import { OF_SPOTS } from '#store/demo/scenes.ts';
import type { Spot } from '#core/exposure/spot.ts';
import { dialledLight } from '../bench/benchModel.ts';
import { firstLook, standingOfSelection, whyNoSpots } from './standing.ts';
import { knobsOfCard, settingsOfKnobs } from './stageModel.ts';

const records = demoBook();
const spot = (part: Partial<Spot>): Spot => ({
  id: part.name ?? 'spot',
  name: 'Spot',
  role: 'keep',
  unit: 'luminance',
  value: 40,
  ...part,
});
/** A set-up of one's own with a camera of the kit. */
const own = (scene?: string, spots: readonly Spot[] = []) => {
  const selection = demoSelection('furnace-mouth', 'a-cam');
  return {
    ...selection,
    subjects: [],
    setup: { ...selection.setup, id: 'own', subjectIds: [], spots: [...spots], scene },
  };
};

describe('what stands before a camera', () => {
  it('is the scene that was made for a set-up of the demo, until another is chosen', () => {
    const demo = demoSelection('furnace-mouth', 'a-cam');
    expect(standingOfSelection(demo, records)).toMatchObject({ id: 'furnace-mouth', people: ['ana'] });
    const chosen = { ...demo, setup: { ...demo.setup, scene: 'dunes' } };
    expect(standingOfSelection(chosen, records)).toMatchObject({ id: 'dunes', setupId: 'furnace-mouth' });
    expect(firstLook(chosen, 'dunes')).toEqual({});
    expect(firstLook(demoSelection('bench-interview', 'a-cam'), 'bench-interview')).toEqual({ iris: 5 });
  });

  it('is nothing before a set-up of one’s own until it is chosen; a scene that is unknown counts as none', () => {
    expect(standingOfSelection(own(), records)).toBeUndefined();
    expect(standingOfSelection(own('not a scene'), records)).toBeUndefined();
    expect(standingOfSelection(own('toString'), records)).toBeUndefined();
    expect(standingOfSelection(own('slipway'), records)).toEqual({
      id: 'slipway',
      setupId: 'own',
      people: [],
    });
  });

  it('is the light that was read, in cd/m2, with a card added where none was', () => {
    const spots = [
      spot({ name: 'crates', value: 900 }),
      spot({ name: 'lamp', role: 'light', value: 20_000 }),
      // 500 lx on a matt 18 % card: 500 x 0.18 / pi cd/m2.
      spot({ name: 'card', role: 'card', unit: 'lux', value: 500 }),
    ];
    const light = standingOfSelection(own(OF_SPOTS, spots), records)?.light;
    expect(light?.card).toBeCloseTo((500 * 0.18) / Math.PI, 6);
    expect(light?.fields.map(({ kind, luminance }) => [kind, Math.round(luminance)])).toEqual([
      ['thing', 900],
      ['light', 20_000],
      ['card', 29],
    ]);
    // A face of known offset tells where a card would lie.
    const ana = { id: 'ana', shootId: 'own', name: 'Ana', skinOffset: 1 };
    const face = spot({ name: 'Ana', role: 'skin', subjectId: 'ana', value: 60 });
    const without = standingOfSelection({ ...own(OF_SPOTS, [face]), subjects: [ana] }, records)?.light;
    expect(without?.card).toBeCloseTo(30, 6);
    expect(without?.fields).toMatchObject([
      { kind: 'skin', subjectId: 'ana', luminance: 60 },
      { name: 'grey card', kind: 'card', luminance: without?.card },
    ]);
  });

  it('read in stops alone lies where the card’s settings want it', () => {
    const selection = own(OF_SPOTS, [
      spot({ name: 'card', role: 'card', unit: 'stops', value: 0 }),
      spot({ name: 'window', unit: 'stops', value: 3 }),
    ]);
    const settings = settingsOfKnobs(selection, knobsOfCard(selection), records)!;
    const light = standingOfSelection(selection, records)?.light;
    expect(light?.card).toBeCloseTo(luminanceFor(settings, selection.plan.placement), 9);
    expect(light?.fields[1].luminance).toBeCloseTo(8 * (light?.card ?? 0), 6);
  });

  it('read in stops alone counts an exposure index once: it is the placement already', () => {
    const spots = [spot({ name: 'card', role: 'card', unit: 'stops', value: 0 })];
    const gain = own(OF_SPOTS, spots);
    const index = {
      ...gain,
      camera: { ...gain.camera, sensitivity: 'ei' as const, baseIsos: [800] },
      plan: { ...gain.plan, iso: 400, placement: 1 },
    };
    const atBase = { ...gain, plan: { ...gain.plan, iso: 800, placement: 1 } };
    const cardOf = (selection: typeof gain) => standingOfSelection(selection, records)?.light?.card;
    expect(cardOf(index)).toBeCloseTo(cardOf(atBase) ?? 0, 9);
  });

  it('has the colour of the set-up’s first light, whatever the card is balanced to', () => {
    const [lamp] = records.lights.values();
    const selection = own(OF_SPOTS, [spot({ role: 'card' })]);
    const lit = { ...selection, setup: { ...selection.setup, lightIds: [lamp.id] } };
    expect(standingOfSelection(lit, records)?.light?.light.kelvin).toBe(lamp.kelvin);
    const unlit = { ...selection, setup: { ...selection.setup, lightIds: [] } };
    expect(standingOfSelection(unlit, records)?.light?.light).toEqual(dialledLight(selection));
  });

  it('cannot be a survey without spots, or one that does not hold', () => {
    expect(whyNoSpots(own())).toMatch(/Read a spot/);
    expect(standingOfSelection(own(OF_SPOTS), records)).toBeUndefined();
    const dark = own(OF_SPOTS, [spot({ unit: 'lux', value: 0 })]);
    expect(whyNoSpots(dark)).toMatch(/0 lux is no light/);
    expect(standingOfSelection(dark, records)).toBeUndefined();
    expect(whyNoSpots(own(OF_SPOTS, [spot({ role: 'card' })]))).toBeUndefined();
  });
});
