import { describe, expect, it } from 'vitest';
import { ARCHETYPES, compileProfile } from '#core/profile/index.ts';
import { TABLES } from '#store/tables.ts';
import { demoSelection } from '#store/fixtures/demoBook.ts';
import { saveProfile } from './saveProfile.ts';
import { MANY_PROFILES, shownProfiles } from './profileSearch.ts';
import { bracketFrom, solveBracket } from './ways/bracketModel.ts';
import { printedFrom, rescaled, solvePrinted, BLANK_PRINTED } from './ways/printedModel.ts';
import { editFrom } from './ways/editModel.ts';
import { formulaFrom } from './ways/formulaModel.ts';
import { tableFrom } from './ways/tableModel.ts';
import { WAY_IDS, wayOf } from './ways/index.ts';
import { bandPoints, curvePoints, readingRows } from './curveModel.ts';

const select = demoSelection;
const coding = { bitDepth: 10, range: 'legal' } as const;

const NOON = new Date('2026-03-01T12:00:00Z');

describe('kit', () => {
  it('draws a profile up to its clip', () => {
    const points = curvePoints(ARCHETYPES.cineFlat);
    expect(points[0].stops).toBe(-8);
    expect(points.at(-1)?.stops).toBe(4.5);
    expect(bandPoints(ARCHETYPES.cineFlat)).toEqual([]);
  });

  it('tables every stop on three scales', () => {
    const rows = readingRows(ARCHETYPES.wideLog, coding);
    expect(rows[0]).toMatchObject({ stops: 6, percent: '94.0', code: '887' });
    expect(rows.find(({ stops }) => stops === 0)).toMatchObject({
      percent: '40.6',
      fullCode: '41.0',
      code: '419',
      codes: '74',
    });
    expect(rows.at(-1)?.stops).toBe(-6);
  });

  it('fills the form in from the profile, and solves to the same curve', () => {
    const fields = printedFrom(ARCHETYPES.wideLog, coding);
    expect(fields).toMatchObject({ black: '3.2', grey: '40.6', white: '61.0', clip: '94.0', clipStops: '6' });
    const solved = solvePrinted(fields, coding, 'bt2020');
    if (!solved.ok) throw new Error(solved.reason);
    const own = compileProfile(solved.value.profile);
    const truth = compileProfile(ARCHETYPES.wideLog);
    for (let stops = -4; stops <= 6; stops += 1)
      expect(own.signalAt(stops)).toBeCloseTo(truth.signalAt(stops), 2);
    expect(bandPoints(solved.value.profile).every(({ low, high }) => high >= low)).toBe(true);
    expect(readingRows(solved.value.profile, coding)[3].doubt).toBeGreaterThan(0);
  });

  it('keeps the curve when only the scale is changed', () => {
    const fields = printedFrom(ARCHETYPES.wideLog, coding);
    const codes = rescaled(fields, 'code10', coding);
    expect(codes).toMatchObject({ scale: 'code10', grey: '420', clip: '887' });
    expect(rescaled({ ...fields, white: 'abc' }, 'code10', coding).white).toBe('abc');
  });

  it.each([
    [{ grey: '', white: '', clip: '' }, '0 %', /One reading with a place: a curve needs two/],
    [{ extra: [{ stops: '-1 %', reading: '5' }] }, 'extra.0.stops', /Type a number/],
    [{ white: 'bright' }, '90 %', /“bright” is none/],
    [{ white: '30' }, '90 %', /reads lower than 18 %/],
    [{ clipStops: 'six' }, 'clip stops', /type a number such as 6/],
  ])('%j gets one sentence', (part, where, reason) => {
    const result = solvePrinted({ ...printedFrom(ARCHETYPES.wideLog, coding), ...part }, coding, 'bt2020');
    expect(result.ok).toBe(false);
    if (result.ok) return;
    expect(result.where).toBe(where);
    expect(result.reason).toMatch(reason);
  });

  it('saves profile, camera and plan as one edit', () => {
    const { camera, plan } = select('furnace-mouth', 'a-cam');
    const fields = printedFrom(ARCHETYPES.wideLog, coding);
    const solved = solvePrinted(fields, coding, 'bt2020');
    if (!solved.ok) throw new Error(solved.reason);
    const made = { id: 'p', name: 'Paper log', way: 'anchors', solution: solved.value, now: NOON } as const;
    const { changes } = saveProfile(made, camera, plan);
    expect(changes.map(({ table }) => table)).toEqual(['profiles', 'cameras', 'plans']);
    expect(changes[0].after).toMatchObject({ name: 'Paper log', origin: 'anchors' });
    expect(changes[2].after).toMatchObject({ profileId: 'p' });
    expect(changes[2].before).toEqual(plan);
    expect(changes[2]).toMatchObject({ before: plan, isDefault: true });
    changes.forEach(({ table, after }) => expect(TABLES[table].safeParse(after).success).toBe(true));
  });

  const EXAMPLES = {
    anchors: printedFrom(ARCHETYPES.wideLog, coding),
    formula: formulaFrom(ARCHETYPES.wideLog),
    table: tableFrom(ARCHETYPES.wideLog),
    bracket: bracketFrom(ARCHETYPES.wideLog, coding),
    edit: editFrom(ARCHETYPES.wideLog),
  };
  it.each(WAY_IDS)('the example of the way by %s, typed in, solves to the profile in use', (id) => {
    const way = wayOf(id);
    const solution = way.solve(EXAMPLES[id], coding, 'bt2020');
    if (!solution.ok) throw new Error(solution.reason);
    const own = compileProfile(solution.value.profile);
    const truth = compileProfile(ARCHETYPES.wideLog);
    for (let stops = -4; stops <= 5; stops += 1) {
      expect(Math.abs(own.signalAt(stops) - truth.signalAt(stops))).toBeLessThan(0.008);
    }
    expect(Math.abs(own.clipStops - 6)).toBeLessThan(0.15);
    expect(way.id).toBe(id);
  });

  it('takes readings of one’s own, and says which is none', () => {
    const fields = {
      ...printedFrom(ARCHETYPES.wideLog, coding),
      extra: [
        { stops: '−3', reading: '17.6' },
        { stops: '', reading: '' },
      ],
    };
    const more = solvePrinted(fields, coding, 'bt2020');
    const less = solvePrinted({ ...fields, extra: [] }, coding, 'bt2020');
    if (!more.ok || !less.ok) throw new Error('did not solve');
    expect(more.value.narrowing!.before).toBeLessThan(less.value.narrowing!.before);
    expect(
      solvePrinted({ ...fields, extra: [{ stops: 'x', reading: '3' }] }, coding, 'bt2020'),
    ).toMatchObject({ ok: false });
    expect(
      solvePrinted({ ...fields, extra: [{ stops: '-3', reading: '' }] }, coding, 'bt2020'),
    ).toMatchObject({ ok: false });
  });

  it('a bracket skips what was not filmed and names what is no reading', () => {
    const fields = bracketFrom(ARCHETYPES.wideLog, coding);
    const empty = {
      ...fields,
      rows: fields.rows.map((r) => (r.stops === '0' ? { ...r, text: '' } : r)),
    };
    expect(solveBracket(empty, coding, 'bt709').ok).toBe(true);
    const bad = {
      ...fields,
      rows: fields.rows.map((r) => (r.stops === '+1' ? { ...r, text: 'hot' } : r)),
    };
    expect(solveBracket(bad, coding, 'bt709')).toMatchObject({
      ok: false,
      where: 'at +1',
      reason: 'At +1: “hot” is no reading.',
    });
  });
});

describe('printed numbers', () => {
  const fields = printedFrom(ARCHETYPES.wideLog, coding);

  it('start empty: what stands grey in the fields is an example and never counts', () => {
    for (const id of WAY_IDS.filter((one) => one !== 'edit')) {
      const way = wayOf(id);
      const start = way.start(ARCHETYPES.wideLog, coding) as Record<string, unknown>;
      const texts = Object.values(start).filter((value) => typeof value === 'string');
      expect(texts).not.toContain(printedFrom(ARCHETYPES.wideLog, coding).grey);
      expect(way.solve(start, coding, 'bt2020').ok).toBe(false);
    }
    const typed = solvePrinted({ ...BLANK_PRINTED, grey: '39', white: '60' }, coding, 'bt2020');
    expect(typed.ok && typed.value.residuals.map(({ name }) => name)).toEqual(['18 %', '90 %']);
  });

  it('are taken off paper in codes of any depth, whatever the camera records', () => {
    const eight = { bitDepth: 8, range: 'legal' } as const;
    const paper = printedFrom(ARCHETYPES.wideLog, eight, 'code10');
    // 10-bit legal: grey 0.4057 of signal is 64 + 876 * 0.4057 (BT.709-6 clause 5.6).
    expect(paper.grey).toBe('419');
    const solved = solvePrinted(paper, eight, 'bt2020');
    expect(solved.ok && compileProfile(solved.value.profile).signalAt(0)).toBeCloseTo((419 - 64) / 876, 3);
  });

  it('two are enough, with a band that says so; a chip is typed by its reflectance', () => {
    const two = solvePrinted({ ...fields, black: '', clip: '' }, coding, 'bt709');
    const four = solvePrinted({ ...fields, extra: [{ stops: '2 %', reading: '15.8' }] }, coding, 'bt709');
    if (!two.ok || !four.ok) throw new Error('not solved');
    const widest = (of: typeof two) => Math.max(...(of.value.profile.band?.stopsWide.slice(10, 30) ?? []));
    expect(widest(two)).toBeGreaterThan(4 * widest(four));
    expect(four.value.profile.anchors?.find(({ id }) => id === 'extra')?.stops).toBeCloseTo(
      Math.log2(0.02 / 0.18),
      9,
    );
  });
});

describe('a kit of many profiles', () => {
  const all = Array.from({ length: 300 }, (_, i) => ({ id: `p${i}`, name: `Own log ${i}` }));

  it('shows few of them, the one in use always, and says how many there are besides', () => {
    const { shown, more } = shownProfiles(all, 'p250', '');
    expect(shown).toHaveLength(MANY_PROFILES + 1);
    expect(shown.at(-1)?.id).toBe('p250');
    expect(shown.length + more).toBe(300);
  });

  it('narrows by letters, whatever their case', () => {
    const { shown, more } = shownProfiles(all, 'p0', 'LOG 29');
    expect(shown.map(({ id }) => id)).toEqual([
      'p0',
      'p29',
      ...Array.from({ length: 10 }, (_, i) => `p${290 + i}`),
    ]);
    expect(more).toBe(0);
  });

  it('of few profiles all stand there', () => {
    expect(shownProfiles(all.slice(0, 9), 'p3', 'nothing').shown).toHaveLength(9);
  });
});
