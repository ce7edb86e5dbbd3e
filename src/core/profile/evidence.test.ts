import { describe, expect, it } from 'vitest';
import { ARCHETYPES, compileProfile, type EvidenceItem } from './index.ts';
import {
  cardEvidence,
  curveAsEvidence,
  evidenceEffects,
  profileFromAnchors,
  profileFromBracket,
  profileFromEvidence,
  takesAgainstCurve,
} from './making.ts';
import { solved } from './fixtures/solved.ts';
import { meanWidth } from './solve/narrowing.ts';

const truth = compileProfile(ARCHETYPES.classicLog);
const coding = { bitDepth: 10, range: 'legal' } as const;
const percent = (stops: number) => Math.round(100 * truth.signalAt(stops));

const printed = solved(
  profileFromAnchors(
    [
      { id: 'black', reading: 100 * truth.transfer.encode(0), step: 0.1 },
      { id: 'grey', reading: percent(0) },
      { id: 'white', reading: percent(Math.log2(5)) },
    ],
    'signalPercent',
    coding,
    'bt709',
  ),
);
const filmed = solved(
  profileFromBracket(
    Array.from({ length: 13 }, (_, i) => ({ stops: i - 4, signal: percent(Math.min(6.6, i - 4)) / 100 })),
    'bt709',
  ),
);
const anchors: EvidenceItem = { id: 'a', kind: 'anchors', source: 'numbers', ...printed.evidence! };
const bracket: EvidenceItem = { id: 'b', kind: 'bracket', source: 'bracket', ...filmed.evidence! };

const together = (items: readonly EvidenceItem[]) => solved(profileFromEvidence(items, 'bt709', 6));
const widthOf = (items: readonly EvidenceItem[]) => meanWidth(together(items).profile.band!);

describe('all evidence in one solution', () => {
  it('knows more than each source alone', () => {
    const both = widthOf([anchors, bracket]);
    expect(both).toBeLessThan(widthOf([anchors]));
    expect(both).toBeLessThan(widthOf([bracket]));
  });

  it('leaves a muted source out, and says what each one does', () => {
    const muted = { ...bracket, muted: true };
    expect(widthOf([anchors, muted])).toBeCloseTo(widthOf([anchors]), 9);
    const [first, second] = evidenceEffects([anchors, muted]);
    expect(first.without).toBeUndefined();
    expect(second.without).toBeCloseTo(widthOf([anchors]), 9);
    expect(second.with).toBeCloseTo(widthOf([anchors, bracket]), 9);
    expect(Math.abs(second.movesGrey ?? 9)).toBeLessThan(0.2);
  });

  it('takes the clip of the bracket, which was filmed, before a printed one', () => {
    const clips = [{ ...anchors, clipStops: 5.5 }, bracket];
    expect(together(clips).profile.clipStops).toBeCloseTo(bracket.clipStops!, 9);
    expect(together([{ ...bracket, clipStops: undefined }]).profile.clipStops).toBe(6);
  });

  it('a formula alone stays exactly what it is; beside a bracket it is weighed', () => {
    const formula: EvidenceItem = {
      id: 'f',
      kind: 'formula',
      source: 'formula',
      ...curveAsEvidence(ARCHETYPES.wideLog),
    };
    expect(together([formula]).profile.curve).toEqual(ARCHETYPES.wideLog.curve);
    expect(together([formula]).profile.band).toBeUndefined();
    expect(together([formula, bracket]).profile.band).toBeDefined();
  });

  it('a card reading narrows the toe', () => {
    const card = cardEvidence(-3, truth.signalAt(-3), 0.003);
    const item: EvidenceItem = { id: 'c', kind: 'card', source: 'card', ...card };
    expect(widthOf([anchors, item])).toBeLessThan(widthOf([anchors]));
  });

  it('two brackets are two series: each may lie a little off where nominal was', () => {
    const shifted: EvidenceItem = {
      ...bracket,
      id: 'b2',
      readings: bracket.readings.map((r) => ({ ...r, reflectance: r.reflectance * 2 ** 0.15 })),
    };
    const at = (items: readonly EvidenceItem[]) => together(items).compiled.signalAt(0);
    // The first says where grey is; the other one's nominal is off, and does not bend the curve.
    expect(Math.abs(at([bracket, shifted]) - at([bracket]))).toBeLessThan(0.006);
  });

  it('a source of another picture contradicts the rest; true ones do not', () => {
    expect(evidenceEffects([anchors, bracket]).some(({ contradicts }) => contradicts)).toBe(false);
    const wrong = curveAsEvidence(ARCHETYPES.wideLog);
    const foreign: EvidenceItem = { id: 'w', kind: 'formula', source: 'formula', ...wrong };
    expect(evidenceEffects([anchors, bracket, foreign]).find(({ id }) => id === 'w')?.contradicts).toBe(true);
  });

  it('what is left of it after all is muted says so in a sentence', () => {
    const result = profileFromEvidence([{ ...anchors, muted: true }], 'bt709', 6);
    expect(result).toMatchObject({ ok: false, where: 'evidence' });
  });
});

describe('takes against a curve', () => {
  const data = together([anchors, bracket]).profile;
  const read = (off: number, count = 3) =>
    Array.from({ length: count }, (_, i) => ({
      stops: 1,
      signal: truth.signalAt(1 + off + 0.02 * (i - 1)),
    }));

  it('tells three that read the card further off than band and exposing explain', () => {
    const against = takesAgainstCurve(read(-0.35), data);
    expect(against?.count).toBe(3);
    expect(against?.off).toBeCloseTo(-0.35, 1);
    expect(against!.explained).toBeLessThan(0.35);
  });

  it.each([
    ['agree', read(0.03)],
    ['are two', read(-0.5, 2)],
    ['scatter by as much', [0.5, -0.6, 0.2].map((off) => ({ stops: 1, signal: truth.signalAt(1 + off) }))],
  ])('says nothing where they %s', (_, takes) => {
    expect(takesAgainstCurve(takes, data)).toBeUndefined();
  });

  it('holds them to a wider bound where the curve itself is not known so well', () => {
    const loose = together([anchors]).profile;
    const inToe = Array.from({ length: 5 }, () => ({ stops: -5, signal: truth.signalAt(-5.3) }));
    expect(takesAgainstCurve(inToe, loose)).toBeUndefined();
  });
});
