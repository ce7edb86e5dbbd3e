import { describe, expect, it } from 'vitest';
import { setCardNumbers } from '../exposure/setCard.ts';
import { makeFrame } from '../frame/frame.ts';
import { ARCHETYPES, compileProfile } from '../profile/index.ts';
import { countedFrame } from '../scopes/fixtures/countedFrame.ts';
import { stopsDistribution } from '../scopes/distribution.ts';
import { measureFrame } from '../scopes/measureFrame.ts';
import { codeToSignal, signalToCode } from '../signal/scale.ts';
import { judgeFrame } from './index.ts';

const coding = { bitDepth: 10, range: 'legal' } as const;
const profile = ARCHETYPES.wideLog;
const compiled = compileProfile(profile);
const subjects = [
  { id: 'ana', name: 'Ana', skinOffset: 1.2 },
  { id: 'ola', name: 'Ola', skinOffset: 0.2 },
];
const numbers = setCardNumbers(
  profile,
  {
    coding,
    baseIsos: [800],
    zebra: {
      scale: 'signalPercent',
      reads: 'log',
      range: { min: 0, max: 107, step: 1, tolerances: [1, 2, 3] },
      lowerLimit: { min: 50, max: 107, step: 1 },
    },
    floorStops: -6,
  },
  {
    placement: 0,
    iso: 800,
    shutter: { kind: 'angle', degrees: 180 },
    iris: 4,
    ndStops: 0,
    warningMargin: 1 / 3,
  },
  subjects,
  25,
);

/** Two faces side by side, each so many stops off its own plan, judged. */
const judged = (ana: number, ola: number) => {
  const at = (stops: number) => Math.round(signalToCode(compiled.signalAt(stops), coding));
  const plane = () =>
    Uint16Array.from({ length: 400 }, (_, i) => (i % 20 < 10 ? at(1.2 + ana) : at(0.2 + ola)));
  const frame = makeFrame({ width: 20, height: 20, ...coding, r: plane(), g: plane(), b: plane() });
  const patches = subjects.map(({ id }, i) => ({
    id,
    kind: 'skin' as const,
    subjectId: id,
    rect: { x: 10 * i, y: 0, width: 10, height: 20 },
  }));
  const { clipStops, floorStops } = numbers;
  const measurement = measureFrame(countedFrame(frame), { profile, clipStops, floorStops, patches });
  const distribution = stopsDistribution(measurement.histogram, (level) =>
    compiled.stopsAt(codeToSignal(level, coding)),
  );
  const verdicts = judgeFrame({ measurement, distribution, numbers, placement: 0 });
  return verdicts.find(({ id }) => id === 'skin');
};

describe('two faces', () => {
  it.each([
    [-1.2, 0.5, 'Ana', 'Skin a little under'],
    [0.5, -1.2, 'Ola', 'Skin a little under'],
    [1.2, -0.5, 'Ana', 'Skin a little over'],
    [-0.5, 1.2, 'Ola', 'Skin a little over'],
  ])(
    'Ana %s and Ola %s off: the one that is furthest off is named, over or under',
    (ana, ola, name, title) => {
      const verdict = judged(ana, ola);
      expect(verdict?.title).toBe(title);
      expect(verdict?.advice).toMatch(new RegExp(`^${name}: `));
    },
  );

  it('both where they were planned hold', () => {
    expect(judged(0.1, -0.1)).toMatchObject({ state: 'holds' });
  });
});
