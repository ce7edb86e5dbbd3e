import { describe, expect, it } from 'vitest';
import { ARCHETYPE_IDS, ARCHETYPES, kindOf, type ArchetypeId } from '../profile/index.ts';
import { sensorFromFloor } from '../noise/sensorNoise.ts';
import { advise, adviceInput, type AdviceScene } from './advise.ts';
import { contrastPutBack, RULE_IDS, ruleOf, type RuleId } from './rules.ts';

const all = ARCHETYPE_IDS.map((id) => ({ id, name: ARCHETYPES[id].name, data: ARCHETYPES[id] }));
const scene = (part: Partial<AdviceScene> = {}): AdviceScene => ({
  coding: { bitDepth: 10, range: 'legal' },
  sensor: sensorFromFloor(-6),
  clipLoss: 0,
  sisters: [],
  keep: [-4, 3],
  graded: true,
  minutesPerClip: 5,
  live: false,
  changing: false,
  splitMired: 0,
  chroma: '4:2:2',
  hdr: false,
  overBase: 0,
  bitsPerPixel: 0.5,
  ...part,
});
const eight = { coding: { bitDepth: 8, range: 'legal' }, chroma: '4:2:0' } as const;
const winner = (part: Partial<AdviceScene> = {}, muted: readonly RuleId[] = []) =>
  advise(all, scene(part), muted)[0].profile.id;
const said = (rule: RuleId, profile: ArchetypeId, part: Partial<AdviceScene> = {}) =>
  ruleOf(rule).judge(adviceInput(profile, ARCHETYPES[profile], scene(part)));

// Common practice: what speaks for log and what speaks against it, both ways.
describe('profile advice', () => {
  it('the standard profile wins wherever nobody will grade', () => {
    for (const part of [
      {},
      eight,
      { hdr: false, keep: [-6, 6] as const },
      { overBase: 2 },
      { sisters: ['wideLog'] },
    ])
      expect(winner({ ...part, graded: false, minutesPerClip: 0 })).toBe('standard');
  });

  it('a wide scene in 10 bit that will be graded goes to wide log', () => {
    expect(winner({ keep: [-5, 5.5] })).toBe('wideLog');
  });

  it('live and long, the finished picture wins, even where it could be graded', () => {
    expect(winner({ live: true })).toBe('standard');
  });

  it('in 8 bit with a low bit rate a milder curve stands before wide log', () => {
    const ranked = advise(all, scene({ ...eight, bitsPerPixel: 0.08, keep: [-3, 3] })).map(
      ({ profile }) => profile.id,
    );
    const place = (id: ArchetypeId) => ranked.indexOf(id);
    expect(Math.min(place('hlg'), place('cineFlat'))).toBeLessThan(place('wideLog'));
    const ten = advise(all, scene({ keep: [-5, 5.5] })).map(({ profile }) => profile.id);
    expect(ten.indexOf('wideLog')).toBeLessThan(ten.indexOf('cineFlat'));
  });

  it('HDR goes to log or HLG in 10 bit, and in 8 bit to neither with a plus', () => {
    expect(['wideLog', 'classicLog', 'mildLog', 'hlg']).toContain(winner({ hdr: true }));
    for (const id of ARCHETYPE_IDS) expect(said('hdr', id, { ...eight, hdr: true })?.score).toBe(-1);
    expect(said('hdr', 'hlg', {})).toBeUndefined();
  });

  it('a rule that is muted is not asked', () => {
    const loud = advise(all, scene({ graded: false }));
    const quiet = advise(all, scene({ graded: false }), ['grading']);
    expect(loud[0].spoke.some(({ rule }) => rule === 'grading')).toBe(true);
    expect(quiet.every(({ spoke }) => spoke.every(({ rule }) => rule !== 'grading'))).toBe(true);
    expect(advise(all, scene(), RULE_IDS).every(({ points }) => points === 0)).toBe(true);
  });
});

describe('each rule alone, both ways', () => {
  it.each<[RuleId, ArchetypeId, Partial<AdviceScene>, ArchetypeId, Partial<AdviceScene>]>([
    ['grading', 'standard', { graded: false }, 'wideLog', { graded: false }],
    ['range', 'wideLog', { keep: [-5, 5.5] }, 'standard', { keep: [-5, 5.5] }],
    ['noise', 'wideLog', { keep: [-4, 3] }, 'wideLog', { keep: [-9, 3] }],
    ['codes', 'standard', {}, 'wideLog', eight],
    ['chroma', 'wideLog', {}, 'wideLog', eight],
    ['changing', 'standard', { splitMired: 120 }, 'wideLog', { splitMired: 120 }],
    [
      'banding',
      'wideLog',
      {},
      'wideLog',
      { ...eight, sensor: { electronsAtGrey: 40_000, readElectrons: 2 } },
    ],
    ['bitRate', 'wideLog', { bitsPerPixel: 0.5 }, 'wideLog', { bitsPerPixel: 0.05 }],
    ['time', 'standard', { minutesPerClip: 1 }, 'wideLog', { minutesPerClip: 1 }],
    ['live', 'standard', { live: true }, 'wideLog', { live: true }],
    ['changing', 'standard', { changing: true }, 'wideLog', { changing: true }],
    ['lowLight', 'standard', { ...eight, overBase: 2 }, 'wideLog', { ...eight, overBase: 2 }],
    ['hdr', 'hlg', { hdr: true }, 'standard', { hdr: true }],
  ])('%s speaks for and against', (rule, forId, forPart, againstId, againstPart) => {
    expect(said(rule, forId, forPart)?.score).toBeGreaterThan(0);
    expect(said(rule, againstId, againstPart)?.score).toBeLessThan(0);
  });

  it('the sister’s profile is a small plus, and silence where it differs', () => {
    expect(said('sister', 'mildLog', { sisters: ['mildLog'] })?.score).toBe(0.5);
    expect(said('sister', 'mildLog', { sisters: ['wideLog'] })).toBeUndefined();
  });

  it('rules with nothing to go by are silent', () => {
    expect(said('range', 'wideLog', { keep: undefined })).toBeUndefined();
    expect(said('noise', 'wideLog', { keep: undefined })).toBeUndefined();
    expect(said('bitRate', 'wideLog', { bitsPerPixel: undefined })).toBeUndefined();
    expect(said('time', 'wideLog', { minutesPerClip: 10 })).toBeUndefined();
    expect(said('lowLight', 'wideLog', { overBase: 1 })).toBeUndefined();
    expect(said('changing', 'wideLog', { splitMired: 30 })).toBeUndefined();
    expect(said('chroma', 'wideLog', { chroma: '4:2:0' })).toBeUndefined();
  });

  it('coarse codes weigh half where noise is wider than a step', () => {
    const clean = { ...eight, sensor: { electronsAtGrey: 40_000, readElectrons: 2 } };
    const noisy = { ...eight, sensor: { electronsAtGrey: 100, readElectrons: 4 } };
    const score = (part: Partial<AdviceScene>) => said('codes', 'wideLog', part)?.score ?? 0;
    expect(score(noisy)).toBeCloseTo(score(clean) / 2, 9);
  });

  it('codes that only record noise earn nothing; noise has its own cost, in stops of shadow', () => {
    const noise = (electronsAtGrey: number) => ({ sensor: { electronsAtGrey, readElectrons: 4 } });
    const codes = (electrons: number) => said('codes', 'standard', noise(electrons))!.score;
    // Four codes of noise and thirty are not the same.
    expect(codes(40)).toBeLessThan(codes(4000) / 5);
    const floor = (part: Partial<AdviceScene>) =>
      adviceInput('wideLog', ARCHETYPES.wideLog, scene(part)).noiseFloor;
    expect(floor({ ...noise(1000), overBase: 2 })).toBeGreaterThan(floor(noise(1000)) + 1);
    expect(said('noise', 'wideLog', { ...noise(100), keep: [-6, 3] })!.score).toBeLessThan(
      said('noise', 'wideLog', { ...noise(1000), keep: [-6, 3] })!.score,
    );
  });

  it('the usable floor is the sensor’s where codes are fine, and higher where they are not', () => {
    const floor = (id: ArchetypeId, part: Partial<AdviceScene>) =>
      adviceInput(id, ARCHETYPES[id], scene(part)).noiseFloor;
    const clean = { sensor: { electronsAtGrey: 100_000, readElectrons: 1 } };
    expect(floor('wideLog', {})).toBeCloseTo(-6, 0);
    expect(floor('mildLog', { ...clean, ...eight })).toBeGreaterThan(floor('mildLog', clean) + 0.5);
  });

  it('every sentence stands alone: it begins with a capital, ends with a stop, and has a verb of its own', () => {
    const parts = [{}, eight, { live: true }, { graded: false }, { overBase: 2 }, { ...eight, overBase: 2 }];
    const scenes = [
      ...parts,
      { minutesPerClip: 1 },
      { hdr: true },
      { splitMired: 100 },
      { keep: [-9, 7] as const },
    ];
    const verbs =
      /\b(is|are|has|have|will|would|lies?|stays?|stay|keeps|leaves|holds|hides|thins|needs|shoots|changes|forgives|can|goes|ends)\b/;
    for (const part of scenes)
      for (const { spoke } of advise(all, scene({ sisters: ['mildLog'], ...part })))
        for (const { sentence } of spoke) {
          expect(sentence).toMatch(/^[A-Z0-9].*\.$/);
          expect(sentence).toMatch(verbs);
          expect(sentence).not.toMatch(/(?<![.\d])(?:[2-9](?:\.\d)?|1\.[1-9]) stop\b/);
        }
  });

  // Common practice: an 8-bit wide log has about 18 to 20 codes a stop, a 10-bit one 70 to 80.
  it('counts codes as the trade knows them', () => {
    const codes = (part: Partial<AdviceScene>) =>
      adviceInput('wideLog', ARCHETYPES.wideLog, scene(part)).codesPerStop;
    expect(codes(eight)).toBeGreaterThan(17);
    expect(codes(eight)).toBeLessThan(20);
    expect(codes({})).toBeGreaterThan(70);
    expect(codes({})).toBeLessThan(80);
  });

  it('noise in codes is what the sensor gives: 900 electrons at grey are 1/30 of the light', () => {
    const input = adviceInput(
      'wideLog',
      ARCHETYPES.wideLog,
      scene({ sensor: { electronsAtGrey: 900, readElectrons: 0 } }),
    );
    expect(input.noiseCodes).toBeCloseTo(input.codesPerStop / Math.LN2 / 30, 9);
  });

  it('knows the kinds, and what contrast has to come back', () => {
    expect(ARCHETYPE_IDS.map((id) => kindOf(ARCHETYPES[id]))).toEqual([
      'log',
      'log',
      'log',
      'flat',
      'flat',
      'hlg',
      'finished',
    ]);
    const back = (id: ArchetypeId) => contrastPutBack(adviceInput(id, ARCHETYPES[id], scene()));
    expect(back('standard')).toBeLessThan(1.2);
    expect(back('wideLog')).toBeGreaterThan(1.5);
  });
});
