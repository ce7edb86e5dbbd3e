import { describe, expect, it } from 'vitest';
import { ARCHETYPE_IDS, ARCHETYPES, compileProfile } from '../profile/index.ts';
import { indexForPlacement, isoStanding, placementOfIndex } from './iso.ts';
import { setCardNumbers, type CardCamera } from './setCard.ts';
import { printZebra, type ZebraAbility } from './zebra.ts';
import { SHEET_PLACEMENTS, zebraSheet, zebraTrap } from './zebraSheet.ts';

const coding = { bitDepth: 10, range: 'legal' } as const;
const zebra: ZebraAbility = {
  scale: 'signalPercent',
  reads: 'log',
  range: { min: 0, max: 107, step: 1, tolerances: [1, 2, 3, 5, 10] },
  lowerLimit: { min: 50, max: 107, step: 1 },
};
const coarse: ZebraAbility = {
  ...zebra,
  range: { min: 30, max: 100, step: 5, tolerances: [2, 5, 10] },
  lowerLimit: { min: 70, max: 100, step: 5 },
};
const camera: CardCamera = { coding, baseIsos: [800], zebra, floorStops: -6 };
const subjects = [
  { id: 'ana', name: 'Ana', skinOffset: 1.2 },
  { id: 'ola', name: 'Ola', skinOffset: 0.2 },
];
const options = { iso: 800, warningMargin: 1 / 3 };
const rowAt = (rows: ReturnType<typeof zebraSheet>['log'], placement: number) =>
  rows[SHEET_PLACEMENTS.findIndex((p) => Math.abs(p - placement) < 1e-9)];

describe('the zebra sheet', () => {
  it('runs from -1 to +3 by thirds', () => {
    expect(SHEET_PLACEMENTS).toHaveLength(13);
    expect(SHEET_PLACEMENTS[0]).toBe(-1);
    expect(SHEET_PLACEMENTS[12]).toBeCloseTo(3, 12);
  });

  // Common practice: a classic log with grey at 32 % reads the card at 43 / 53 / 65 % for +1 / +2 / +3, 45 % at +1 1/3.
  it('reads the common numbers of a classic log within 1.5 points', () => {
    const { log } = zebraSheet(ARCHETYPES.classicLog, camera, [], options);
    for (const [placement, percent] of [
      [0, 32],
      [1, 43],
      [4 / 3, 45],
      [2, 53],
      [3, 65],
    ])
      expect(Math.abs(rowAt(log, placement).card.exact - percent)).toBeLessThan(1.5);
    expect(Math.abs(log[0].clip - 106)).toBeLessThan(1.5);
  });

  // Common practice: a wide log with grey at 41 % of full code clips at 94 %, its warning stands at 90 %;
  // behind its LUT 45 %.
  it('reads the common numbers of a wide log within 1.5 points, on both pictures', () => {
    const { log, lut } = zebraSheet(ARCHETYPES.wideLog, camera, subjects, options);
    expect(Math.abs(log[0].clip - 94)).toBeLessThan(1.5);
    expect(Math.abs(log[0].warning.level - 90)).toBeLessThan(1.5);
    for (const row of lut) expect(Math.abs(row.card.exact - 45)).toBeLessThan(1.5);
  });

  it('agrees with the set card at every placement', () => {
    for (const reads of ['log', 'lut'] as const) {
      const rows = zebraSheet(ARCHETYPES.wideLog, camera, subjects, options)[reads];
      for (const row of rows) {
        const card = setCardNumbers(
          ARCHETYPES.wideLog,
          { ...camera, zebra: { ...zebra, reads } },
          {
            ...options,
            placement: row.placement,
            shutter: { kind: 'angle', degrees: 180 },
            iris: 4,
            ndStops: 0,
          },
          subjects,
          25,
        );
        expect(row.card).toEqual(card.card);
        expect(row.skin).toEqual(card.skin.map((skin) => skin.zebra));
        expect(row.warning).toEqual(card.warning);
      }
    }
  });

  it('costs at most half a step of the camera, and says when its levels end', () => {
    const wide = compileProfile(ARCHETYPES.wideLog);
    const { log } = zebraSheet(ARCHETYPES.wideLog, { ...camera, zebra: coarse }, subjects, options);
    for (const { placement, card } of log) {
      const perStop = 100 * (wide.signalAt(placement + 0.05) - wide.signalAt(placement - 0.05)) * 10;
      if (card.reach === 'within')
        expect(Math.abs(card.costStops)).toBeLessThan(Math.max(1 / 6, 2.6 / perStop));
    }
    const high = zebraSheet(ARCHETYPES.classicLog, { ...camera, zebra: coarse }, [], options).log[0];
    expect(high.warning).toMatchObject({ level: 100, reach: 'over' });
  });
});

describe('kinds of zebra', () => {
  it('a camera without range zebras gets the level at which the tone begins to be covered', () => {
    const only: ZebraAbility = { ...zebra, kinds: ['lowerLimit'], lowerLimit: { min: 0, max: 107, step: 1 } };
    const row = rowAt(zebraSheet(ARCHETYPES.wideLog, { ...camera, zebra: only }, [], options).log, 1);
    expect(printZebra(row.card)).toBe('49+');
  });

  it('a camera with range zebras alone warns with a band that begins under the limit', () => {
    const only: ZebraAbility = { ...zebra, kinds: ['range'] };
    const { warning } = zebraSheet(ARCHETYPES.wideLog, { ...camera, zebra: only }, [], options).log[0];
    expect(warning.kind).toBe('range');
    expect(warning.level - (warning.tolerance ?? 0)).toBeLessThanOrEqual(warning.exact);
    expect(warning.costStops).toBeLessThanOrEqual(0);
    expect(warning.reach).toBe('within');
  });
});

describe('the trap', () => {
  it('is named on log, with what it costs, and not on a display picture', () => {
    const wide = zebraTrap(ARCHETYPES.wideLog);
    expect(wide.worth).toBe('watch');
    expect(wide.over).toBeGreaterThan(1.5);
    expect(wide.says).toMatch(/the face comes out \+\d\.\d stops over/);
    const plain = zebraTrap(ARCHETYPES.standard);
    expect(plain.worth).toBe('holds');
    expect(plain.says).toMatch(/on this profile the number may be used/);
    for (const id of ARCHETYPE_IDS) expect(Number.isFinite(zebraTrap(ARCHETYPES[id]).over)).toBe(true);
  });
});

// By the meaning of an exposure index, one stop under base is placement +1; neither gain nor clip moves.
describe('exposure index', () => {
  const bases = [800, 3200];
  const dial = [200, 250, 320, 400, 500, 640, 800, 1000, 1250, 1600];
  it('moves placement, not the recording', () => {
    expect(isoStanding(400, bases, 'ei')).toMatchObject({
      base: 800,
      overBase: -1,
      clipLoss: 0,
      floorRise: 0,
    });
    expect(isoStanding(2500, bases, 'ei').base).toBe(3200);
    expect(placementOfIndex(400, bases)).toBe(1);
    expect(placementOfIndex(640, bases)).toBeCloseTo(1 / 3, 9);
    expect(placementOfIndex(800, bases)).toBe(0);
  });

  it('is found back from a placement, to the third', () => {
    for (const iso of [400, 500, 640, 800, 1000]) {
      expect(indexForPlacement(placementOfIndex(iso, [800]), 800, [800], dial)).toBe(iso);
    }
  });

  it('asks for the light of the base: EI 400 at +1 needs what ISO 400 at 0 would', () => {
    const plan = {
      placement: 1,
      iso: 400,
      shutter: { kind: 'angle', degrees: 180 },
      iris: 4,
      ndStops: 0,
      warningMargin: 0,
    } as const;
    const ei = setCardNumbers(ARCHETYPES.wideLog, { ...camera, sensitivity: 'ei' }, plan, [], 25);
    const gain = setCardNumbers(ARCHETYPES.wideLog, camera, { ...plan, placement: 0 }, [], 25);
    expect(ei.illuminance).toBeCloseTo(gain.illuminance, 9);
    expect(ei.clipStops).toBeCloseTo(gain.clipStops + 1, 9);
  });
});
