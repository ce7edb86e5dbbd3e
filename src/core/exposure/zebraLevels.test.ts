import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ARCHETYPES, compileProfile } from '../profile/index.ts';
import { SCALES, type Coding } from '../signal/scale.ts';
import { printZebra, printZebraOrInstead, type ZebraAbility } from './zebra.ts';
import { compileMonitoring } from '../lut/monitoring.ts';
import { setCardNumbers } from './setCard.ts';
import { zebraLevels } from './zebraLevels.ts';
import { nearestShown } from './zebraSheet.ts';
import { zebraTurns } from './zebraWords.ts';

const coding: Coding = { bitDepth: 10, range: 'legal' };
const wide = compileProfile(ARCHETYPES.wideLog);
/** A small camera: its zebra starts at 50 and ends at 100, by fives. */
const small: ZebraAbility = {
  scale: 'signalPercent',
  reads: 'log',
  range: { min: 50, max: 100, step: 5, tolerances: [2, 5] },
  lowerLimit: { min: 50, max: 100, step: 5 },
};
const faces = [{ name: 'Ama', skinOffset: 1 }];
const at = (placement: number, zebra = small) =>
  zebraLevels({ zebra, coding }, wide, { placement, faces, clipStops: wide.clipStops, warningMargin: 1 / 3 });

describe('a zebra out of reach', () => {
  it('is not printed as a level: the card at 0 reads about 40, the zebra starts at 50', () => {
    const { card } = at(0);
    expect(card).toMatchObject({ reach: 'under', level: 50 });
    expect(card.exact).toBeLessThan(45);
    expect(printZebra(card)).toBe('out of reach');
  });

  it('stands with another tone that the camera can show, at the level of that tone', () => {
    const { card } = at(0);
    expect(card.instead?.name).toBe('white patch');
    // 90 % over 18 % reflectance are 2.32 stops.
    const white = 100 * wide.signalAt(Math.log2(5));
    expect(Math.abs((card.instead?.zebra.level ?? 0) - white)).toBeLessThanOrEqual(2.5);
    expect(printZebraOrInstead(card)).toMatch(/^out of reach: white patch \d+±\d$/);
  });

  it('stands with the waveform where no other tone can be shown either', () => {
    const high: ZebraAbility = { ...small, range: { ...small.range, min: 95 } };
    expect(printZebraOrInstead(at(-1, high).card)).toMatch(/^out of reach: waveform \d+\.\d$/);
  });

  it('a tone that clips is no stand-in: it reads alike whatever the exposure', () => {
    const high: ZebraAbility = { ...small, range: { ...small.range, min: 85 } };
    for (let placement = -1; placement <= 5; placement += 1 / 3) {
      const { instead } = at(placement, high).card;
      if (instead?.name.startsWith('white'))
        expect(placement + Math.log2(5)).toBeLessThan(wide.clipStops - 1 / 3);
    }
  });

  it('a warning that the camera has no level for comes earlier, and says by how much it stands under the clip', () => {
    const classic = compileProfile(ARCHETYPES.classicLog);
    const { warning } = zebraLevels({ zebra: small, coding }, classic, {
      placement: 0,
      faces: [],
      clipStops: classic.clipStops,
      warningMargin: 1 / 3,
    });
    const under = classic.clipStops - classic.stopsAt(1);
    expect(under).toBeGreaterThan(0.5);
    expect(printZebraOrInstead(warning)).toBe(`out of reach: ${under.toFixed(1)} under clip 100+`);
  });

  it('what is printed as a level stripes the tone, whatever camera and placement', () => {
    const some = fc.record({
      placement: fc.double({ min: -2, max: 5, noNaN: true }),
      min: fc.integer({ min: 0, max: 90 }),
      span: fc.integer({ min: 0, max: 50 }),
      step: fc.constantFrom(0.5, 1, 5),
    });
    fc.assert(
      fc.property(some, ({ placement, min, span, step }) => {
        const levels = { min, max: min + span, step };
        const zebra: ZebraAbility = {
          ...small,
          range: { ...levels, tolerances: [2, 5] },
          lowerLimit: levels,
        };
        const { card, warning } = at(placement, zebra);
        const lies = (level: number) => wide.stopsAt(SCALES.signalPercent.toSignal(level));
        const isNear = Math.abs(card.level - card.exact) <= step / 2 + 1e-6;
        if (/\d/.test(printZebra(card)))
          expect(isNear || Math.abs(lies(card.level) - placement) <= 1 / 6).toBe(true);
        if (/\d/.test(printZebra(warning)))
          expect(lies(warning.level)).toBeLessThanOrEqual(wide.clipStops - 1 / 3 + 1e-6);
        expect(card.level).toBeGreaterThanOrEqual(min);
        expect(card.level).toBeLessThanOrEqual(min + span);
      }),
    );
  });
});

describe('the nearest placement that can be shown', () => {
  it('is the lowest of the sheet at which the zebra shows the card', () => {
    const shown = nearestShown(wide, { zebra: small, coding }, 0);
    expect(shown).toBeDefined();
    expect(at(shown!.placement).card.reach).toBe('within');
    expect(at(shown!.placement - 1 / 3).card.reach).toBe('under');
    expect(printZebra(shown!.zebra)).toBe(printZebra(at(shown!.placement).card));
  });

  it('is none for a camera whose zebra starts above all of them', () => {
    const high: ZebraAbility = { ...small, range: { ...small.range, min: 95 } };
    expect(nearestShown(wide, { zebra: high, coding }, 0)).toBeUndefined();
  });
});

describe('zebras in turn', () => {
  const ability: ZebraAbility = {
    ...small,
    range: { min: 0, max: 107, step: 1, tolerances: [2, 3] },
    lowerLimit: { min: 0, max: 107, step: 1 },
  };
  const levels = at(1, ability);
  const two = [
    { name: 'Ama', zebra: levels.skin[0] },
    { name: 'Ben', zebra: { ...levels.skin[0], level: 66 } },
  ];
  const turns = (slots: number, faces = two) =>
    zebraTurns(slots, { card: levels.card, faces, warning: levels.warning });
  const [card, ama, warning] = [levels.card, levels.skin[0], levels.warning].map(printZebra);

  it('two levels for four: card and warning while the light is set, the faces after', () => {
    expect(turns(2)).toBe(
      [
        `2 zebras at a time: card ${card} and warning ${warning};`,
        `once the exposure is set, change the first to Ama ${ama}, then Ben 66±3.`,
      ].join(' '),
    );
    expect(turns(3)).toContain(`card ${card} and warning ${warning} and Ama ${ama}; `);
  });

  it('one at a time: the warning last, since it stays for the take', () => {
    expect(turns(1)).toBe(
      `One zebra at a time: card ${card}, then Ama ${ama}, then Ben 66±3, then warning ${warning}.`,
    );
  });

  it('nothing is said where the camera stores as many as the plan wants', () => {
    expect(turns(4)).toBe('');
    expect(turns(2, [])).toBe('');
    expect(turns(2, [{ name: 'card', zebra: levels.card }])).toBe('');
  });

  it('what is out of reach is not dialled: its stand-in is, or nothing', () => {
    const { card: gone, skin, warning: warns } = at(0);
    const words = zebraTurns(1, { card: gone, faces: [{ name: 'Ama', zebra: skin[0] }], warning: warns });
    expect(words).toContain(`white patch ${printZebra(gone.instead!.zebra)}`);
    expect(words).not.toContain('out of reach');
  });
});

describe('a zebra behind the camera’s own view assist', () => {
  const behind = (follows?: 'yes' | 'no') =>
    setCardNumbers(
      ARCHETYPES.wideLog,
      {
        coding,
        baseIsos: [800],
        floorStops: -6,
        zebra: {
          ...small,
          reads: 'lut',
          ...(follows ? { follows } : {}),
          range: { min: 0, max: 109, step: 1, tolerances: [2, 5] },
        },
      },
      {
        placement: 1,
        iso: 800,
        shutter: { kind: 'angle', degrees: 180 },
        iris: 4,
        ndStops: 0,
        warningMargin: 1 / 3,
      },
      [],
      25,
    ).card;

  it('stays on grey where the assist follows the placement, or nobody knows', () => {
    const plain = compileMonitoring({ profile: wide, pullStops: 0 });
    expect(behind('yes').exact).toBeCloseTo(100 * plain.neutral(wide.signalAt(0)), 1);
    expect(behind()).toEqual(behind('yes'));
  });

  it('rises with the placement where the assist does not follow', () => {
    const plain = compileMonitoring({ profile: wide, pullStops: 0 });
    expect(behind('no').exact).toBeCloseTo(100 * plain.neutral(wide.signalAt(1)), 6);
    expect(behind('no').exact).toBeGreaterThan(behind('yes').exact + 5);
  });
});
