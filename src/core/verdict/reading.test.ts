// Rules on how a frame was read, its balance, what is near clip, what moved: each on codes made for it.
import { describe, expect, it } from 'vitest';
import { setCardNumbers } from '../exposure/setCard.ts';
import { EXACT, type SourceTags } from '../frame/tags.ts';
import { makeFrame, type Frame } from '../frame/frame.ts';
import { ARCHETYPES, type ArchetypeId } from '../profile/index.ts';
import { seededRandom } from '../random.ts';
import type { Patch } from '../scopes/measure.ts';
import { stopsDistribution } from '../scopes/distribution.ts';
import { countedFrame } from '../scopes/fixtures/countedFrame.ts';
import { codeToSignal, maxCode, quantise, type Coding } from '../signal/scale.ts';
import { measureFrame } from '../scopes/measureFrame.ts';
import { judgeFrame, type Drift } from './index.ts';

const [WIDTH, HEIGHT] = [160, 90];
const zebra = {
  scale: 'signalPercent',
  reads: 'log',
  range: { min: 0, max: 107, step: 1, tolerances: [1, 2, 3] },
  lowerLimit: { min: 50, max: 107, step: 1 },
} as const;
const numbersOf = (id: ArchetypeId, placement = 0) =>
  setCardNumbers(
    ARCHETYPES[id],
    { coding: { bitDepth: 10, range: 'legal' }, baseIsos: [800], zebra, floorStops: -6 },
    {
      placement,
      iso: 800,
      shutter: { kind: 'angle', degrees: 180 },
      iris: 4,
      ndStops: 0,
      warningMargin: 1 / 3,
    },
    [],
    25,
  );

type Look = {
  readonly profile?: ArchetypeId;
  /** How the codes were written, and how they are read. */
  readonly written?: Coding;
  readonly read?: Coding;
  readonly tags?: SourceTags;
  readonly recorded?: Coding;
  readonly drift?: Drift;
  readonly gains?: readonly [number, number, number];
  readonly placement?: number;
  readonly planned?: number;
  readonly noise?: number;
  readonly kind?: 'card' | 'neutral';
  readonly muted?: readonly string[];
};

const TEN: Coding = { bitDepth: 10, range: 'legal' };

/** A picture from black to some stops over grey, a card in its middle; judged. */
const judged = (signalOf: (stops: number) => number, look: Look) => {
  const { profile = 'wideLog', written = TEN, read = written, placement = 0, planned = placement } = look;
  const random = seededRandom(4);
  const numbers = numbersOf(profile, planned);
  const plane = (c: number) =>
    Uint16Array.from({ length: WIDTH * HEIGHT }, (_, i) => {
      const x = i % WIDTH;
      const inCard = x > 70 && x < 90;
      const stops = inCard ? placement : -14 + (x / WIDTH) * 18.4;
      const gain = Math.log2(look.gains?.[c] ?? 1);
      const shake = (look.noise ?? 0) * (random() - 0.5) * 3.46;
      return Math.min(
        maxCode(written.bitDepth),
        Math.max(0, Math.round(quantise(signalOf(stops + gain), written) + shake)),
      );
    });
  const frame: Frame = makeFrame({
    width: WIDTH,
    height: HEIGHT,
    ...read,
    r: plane(0),
    g: plane(1),
    b: plane(2),
  });
  const patch: Patch = { id: 'p', kind: look.kind ?? 'card', rect: { x: 74, y: 30, width: 12, height: 30 } };
  const counted = {
    ...countedFrame(frame),
    origin: { tags: look.tags ?? {}, referred: 'recorded', exactness: EXACT },
  } as const;
  const measurement = measureFrame(counted, {
    profile: ARCHETYPES[profile],
    clipStops: numbers.clipStops,
    floorStops: numbers.floorStops,
    patches: [patch],
  });
  const { histogram } = measurement;
  const per = 2 ** read.bitDepth / histogram.length;
  const distribution = stopsDistribution(histogram, (level) =>
    numbers.profile.stopsAt(codeToSignal(level * per, read)),
  );
  const { recorded, drift } = look;
  const light = { kelvin: 5600, duv: 0 };
  const verdicts = judgeFrame(
    { measurement, distribution, numbers, placement: planned, light, recorded, drift },
    look.muted,
  );
  return (id: string) => verdicts.find((verdict) => verdict.id === id);
};

const through = (id: ArchetypeId) => numbersOf(id).profile.signalAt;
const FULL: Coding = { bitDepth: 10, range: 'full' };

describe('how the codes are read', () => {
  it.each(['wideLog', 'classicLog', 'mildLog', 'flat'] as const)(
    '%s read as it was written says nothing',
    (profile) => {
      for (const written of [TEN, FULL]) {
        const of = judged(through(profile), { profile, written });
        expect(of('range')).toBeUndefined();
        expect(of('referred')).toBeUndefined();
      }
    },
  );

  it('full codes read as legal lie outside the profile', () => {
    expect(judged(through('wideLog'), { written: FULL, read: TEN })('range')).toMatchObject({
      state: 'watch',
      title: 'Read as legal, looks full',
    });
  });

  it('legal codes read as full stand on the wrong black', () => {
    expect(judged(through('wideLog'), { written: TEN, read: FULL })('range')).toMatchObject({
      state: 'watch',
      title: 'Read as full, looks legal',
    });
  });

  it('a finished picture under a log profile is told in either range', () => {
    const legal = judged(through('standard'), { profile: 'wideLog' });
    expect(legal('range')).toBeUndefined();
    expect(legal('referred')).toMatchObject({ title: 'Looks already converted' });
    const full = judged(through('standard'), { profile: 'wideLog', written: FULL, read: TEN });
    expect(full('range')).toBeUndefined();
    expect(full('referred')).toMatchObject({ title: 'Looks already converted' });
    expect(judged(through('standard'), { profile: 'standard' })('referred')).toBeUndefined();
  });

  it('a flat picture under a finished profile may be log, or a flat scene', () => {
    const flat = (stops: number) => 0.34 + 0.06 * Math.max(-4, Math.min(6, stops));
    expect(judged(flat, { profile: 'standard' })('referred')).toMatchObject({ title: 'Flat: log, or haze' });
  });

  it('an even picture, a card that fills the frame, is never doubted', () => {
    for (const profile of ['wideLog', 'standard'] as const)
      for (const level of [0.25, 0.41, 0.6])
        expect(judged((stops) => level + 0.004 * Math.sin(stops), { profile })('referred')).toBeUndefined();
  });

  it('tags that do not fit the card are named; BT.709 on log says nothing', () => {
    const say = (tags: SourceTags, recorded: Coding = TEN) =>
      judged(through('wideLog'), { tags, recorded })('tags');
    expect(say({ transfer: 'bt709', primaries: 'bt709', range: 'legal' })).toBeUndefined();
    expect(say({ range: 'full' })).toMatchObject({ title: 'File and card differ: range' });
    expect(say({ transfer: 'hlg' })?.figure).toBe('HLG');
    expect(say({}, { bitDepth: 12, range: 'legal' })?.title).toContain('bit depth');
  });
});

describe('balance, monitor, near clip, steps, drift', () => {
  it('a neutral is neutral; a warm one is told with its mired and what to dial', () => {
    expect(judged(through('wideLog'), { kind: 'neutral' })('balance')?.state).toBe('holds');
    const warm = judged(through('wideLog'), { kind: 'neutral', gains: [1.2, 1, 0.8] })('balance');
    expect(warm).toMatchObject({
      state: 'watch',
      title: 'Neutral comes out warm',
      correction: { kind: 'balance' },
    });
    const cool = judged(through('wideLog'), { kind: 'neutral', gains: [0.85, 1, 1.2] })('balance');
    expect(cool?.title).toBe('Neutral comes out cool');
    const green = judged(through('wideLog'), { kind: 'neutral', gains: [0.95, 1.06, 0.95] })('balance');
    expect(green?.title).toBe('Neutral comes out green');
  });

  it('the monitor misleads by as much as the card is off its pull', () => {
    expect(judged(through('wideLog'), { placement: 1 })('monitor')).toBeUndefined();
    const off = judged(through('wideLog'), { placement: 0, planned: 1 })('monitor');
    expect(off).toMatchObject({ figure: '−1.0', correction: { kind: 'placement', to: 0 } });
  });

  it('what is within a third of a stop under clip is counted', () => {
    const to = (stops: number) => (over: number) => through('wideLog')(over > 3 ? stops : Math.min(over, 3));
    expect(judged(to(5.8), {})('near')).toMatchObject({ state: 'watch', correction: { kind: 'exposure' } });
    expect(judged(to(5), {})('near')).toBeUndefined();
  });

  it('eight bits of wide log may band unless noise hides the steps; ten do not', () => {
    const eight: Coding = { bitDepth: 8, range: 'legal' };
    expect(judged(through('wideLog'), { written: eight })('banding')).toMatchObject({
      state: 'watch',
      title: 'May band',
    });
    expect(judged(through('wideLog'), { written: eight, noise: 1.5 })('banding')).toMatchObject({
      state: 'holds',
    });
    expect(
      judged(through('mildLog'), { profile: 'mildLog', written: { bitDepth: 12, range: 'legal' } })(
        'banding',
      ),
    ).toBeUndefined();
  });

  it('drift is judged by the card, by the mean, and by the balance', () => {
    const drift: Drift = { frames: 20, stops: 0.1, byCard: true, mired: 2, worst: 3 };
    const say = (part: Partial<Drift>) =>
      judged(through('wideLog'), { drift: { ...drift, ...part } })('drift');
    expect(say({})?.state).toBe('holds');
    expect(say({ stops: 0.7 })).toMatchObject({
      state: 'watch',
      title: 'Exposure drifts in shot',
      figure: '2/3 stop',
    });
    expect(say({ stops: 0.4, byCard: false })?.state).toBe('holds');
    expect(say({ mired: 25 })).toMatchObject({ state: 'lost', title: 'Balance drifts in shot' });
  });

  it('a muted rule is not asked', () => {
    expect(judged(through('wideLog'), { muted: ['card', 'forecast'] })('card')).toBeUndefined();
  });
});
