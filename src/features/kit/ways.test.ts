import { describe, expect, it } from 'vitest';
import { ARCHETYPES, compileProfile } from '#core/profile/index.ts';
import { demoSelection } from '#store/fixtures/demoBook.ts';
import { saveProfile } from './saveProfile.ts';
import { bracketFrom, framesOf, solveBracket, stopsInName } from './ways/bracketModel.ts';
import { editFrom, solveEdit } from './ways/editModel.ts';
import { formulaFrom, solveFormula } from './ways/formulaModel.ts';
import { printedFrom } from './ways/printedModel.ts';
import { wayOf, type WayId } from './ways/index.ts';
import { fieldsOfFile, solveTable, tableFrom } from './ways/tableModel.ts';
import { codeSteps } from './curveModel.ts';
import { readGamut, gamutTexts } from './gamutModel.ts';
import { GAMUTS } from '#core/colour/gamut.ts';

const select = demoSelection;
const coding = { bitDepth: 10, range: 'legal' } as const;

describe('further ways in', () => {
  it('codes from stop to stop add up to the codes between floor of the chart and clip', () => {
    const steps = codeSteps(ARCHETYPES.wideLog, coding);
    const wide = compileProfile(ARCHETYPES.wideLog);
    const sum = steps.reduce((total, { codes }) => total + codes, 0);
    expect(steps).toHaveLength(14);
    expect(sum).toBeCloseTo(876 * (wide.signalAt(6) - wide.signalAt(-8)), 6);
  });

  it('a formula keeps its form; half a toe and a clip that is no number are named', () => {
    const power = formulaFrom(ARCHETYPES.cineFlat);
    expect(power.form).toBe('power');
    expect(solveFormula({ ...power, form: 'log' }, coding, 'bt709').ok).toBe(true);
    expect(solveFormula({ ...power, e: '4' }, coding, 'bt709')).toMatchObject({ ok: false, where: 'e f' });
    expect(solveFormula({ ...power, clip: 'six' }, coding, 'bt709')).toMatchObject({
      ok: false,
      where: 'clip',
    });
  });

  it('a trim starts where the profile stands and changes only what is typed', () => {
    const fields = editFrom(ARCHETYPES.wideLog);
    expect(fields).toMatchObject({ lift: '0', kneeFrom: '', clip: '6' });
    const solved = solveEdit({ ...fields, lift: '2' }, 'bt2020');
    if (!solved.ok) throw new Error(solved.reason);
    const [own, truth] = [compileProfile(solved.value.profile), compileProfile(ARCHETYPES.wideLog)];
    expect(own.signalAt(1)).toBeCloseTo(truth.signalAt(1) + 0.02, 9);
    expect(editFrom(solved.value.profile).lift).toBe('2');
    expect(solveEdit({ ...fields, clip: '' }, 'bt709')).toMatchObject({ ok: false, where: 'clip' });
    expect(solveEdit({ ...fields, kneeFrom: '80' }, 'bt709')).toMatchObject({ ok: false, where: 'knee' });
  });

  it('a file is a curve by its ending, else a table; one that is wrong leaves what was there', async () => {
    const fields = tableFrom(ARCHETYPES.wideLog);
    const rows = Array.from({ length: 64 }, (_, i) => `${(i / 63) ** 2} ${(i / 63) ** 2} ${(i / 63) ** 2}`);
    const opened = await fieldsOfFile(fields, 'own.CUBE', `LUT_1D_SIZE 64\n${rows.join('\n')}\n`);
    expect(opened).toMatchObject({ curve: { file: 'own.CUBE' }, direction: 'codeToLight' });
    expect(solveTable({ ...opened, unit: 'signal' }, coding, 'bt709').ok).toBe(true);
    const broken = await fieldsOfFile(opened, 'bad.cube', 'LUT_1D_SIZE 2\n0 0 x\n');
    expect(broken.curve).toEqual(opened.curve);
    const solved = solveTable({ ...fields, refused: broken.refused }, coding, 'bt709');
    expect(solved.ok && solved.value.warnings[0]).toMatch(/bad.cube, line 2: .*What was there stays/);
  });

  it.each(['a.constructor', 'a.__proto__', 'a.', 'a'])('a file called %s is a table', async (name) => {
    const before = tableFrom(ARCHETYPES.wideLog);
    expect((await fieldsOfFile(before, name, '0.18 41')).text).toBe('0.18 41');
  });

  it('a table of a million rows leaves what was there; a NaN and a row that falls are named', async () => {
    const fields = tableFrom(ARCHETYPES.wideLog);
    const million = Array.from({ length: 1_000_000 }, (_, i) => `${i},1`).join('\n');
    const kept = await fieldsOfFile(fields, 'long.csv', million);
    expect(kept.text).toBe(fields.text);
    expect(kept.refused?.reason).toMatch(/1000000 rows; up to 4096/);
    const solve = (text: string) => solveTable({ ...fields, text }, coding, 'bt709');
    expect(solve('-2,20\n-1,NaN\n0,40\n1,50')).toMatchObject({ ok: false, where: 'line 2' });
    expect(solve('-2,20\n-1,30\n0,29\n1,50')).toMatchObject({ ok: false, where: 'line 3' });
  });

  it('frames take their stops from their names, or a stop apart from −4', () => {
    expect(['card -3.png', 'over-1.5', 'card_under-4.png', 'take 7.png'].map(stopsInName)).toEqual([
      -3,
      1.5,
      -4,
      undefined,
    ]);
    const bytes = new Blob([]);
    const named = framesOf(['b +1', 'a -2', 'c 0+0'].map((name) => ({ name, bytes })));
    expect(named.map(({ stops }) => stops)).toEqual([-2, 0, 1]);
    const plain = framesOf(['f10.png', 'f9.png'].map((name) => ({ name, bytes })));
    expect(plain.map(({ name, stops }) => [name, stops])).toEqual([
      ['f9.png', -4],
      ['f10.png', -3],
    ]);
    const fields = { ...bracketFrom(ARCHETYPES.wideLog, coding), frames: plain };
    expect(solveBracket(fields, coding, 'bt709')).toMatchObject({ ok: false, where: 'frames' });
    const refused = { ...fields, frames: [{ ...plain[0], refused: 'not a PNG' }] };
    expect(solveBracket(refused, coding, 'bt709')).toMatchObject({ ok: false, reason: 'f9.png: not a PNG' });
  });

  it('readings that are equal or fall are named, with what to do', () => {
    const fields = bracketFrom(ARCHETYPES.wideLog, coding);
    const at = (stops: string, text: string) => ({
      ...fields,
      rows: fields.rows.map((row) => (row.stops === stops ? { ...row, text } : row)),
    });
    const reversed = {
      ...fields,
      rows: fields.rows.map((row, i) => ({ ...row, text: fields.rows[11 - i].text })),
    };
    expect(solveBracket(reversed, coding, 'bt709')).toMatchObject({ ok: false });
    const equal = { ...fields, rows: fields.rows.map((row) => ({ ...row, text: '40' })) };
    expect(solveBracket(equal, coding, 'bt709')).toMatchObject({ ok: false });
    const twice = at('−3', fields.rows[0].text);
    const solved = solveBracket(
      { ...twice, rows: twice.rows.map((row, i) => (i === 2 ? { ...row, stops: '-3' } : row)) },
      coding,
      'bt709',
    );
    expect(solved).toMatchObject({ ok: false, where: 'at −3' });
    expect(solveBracket({ ...fields, rows: [{ stops: 'dark', text: '4' }] }, coding, 'bt709')).toMatchObject({
      where: 'stops',
    });
  });

  it('a bracket with noise brings the camera its floor', () => {
    const { camera, plan } = select('dunes', 'air-cam');
    const solution = {
      profile: ARCHETYPES.mildLog,
      residuals: [],
      warnings: [],
      noise: { electronsAtGrey: 1000, readElectrons: 3 },
    };
    const { changes } = saveProfile(
      { id: 'p', name: 'P', way: 'bracket', solution, now: new Date('2026-03-01T12:00:00Z') },
      camera,
      plan,
    );
    expect(changes[1].after).toMatchObject({
      noise: { electronsAtGrey: 1000, from: 'bracket' },
      floorStops: -6.9,
    });
  });

  it('primaries are typed as x and y', () => {
    for (const gamut of Object.values(GAMUTS)) {
      const back = readGamut(gamutTexts(gamut), gamut.name);
      expect(back.ok && back.value.red).toEqual([...gamut.red]);
    }
    const texts = gamutTexts(GAMUTS.bt709);
    expect(readGamut({ ...texts, green: '0.3' }, 'x')).toMatchObject({ ok: false, where: 'green' });
    expect(readGamut({ ...texts, green: texts.red }, 'x')).toMatchObject({ ok: false, where: 'primaries' });
    expect(readGamut({ ...texts, white: '0.7 0.2' }, 'x')).toMatchObject({ ok: false, where: 'white' });
  });
});

describe('each way', () => {
  const table = tableFrom(ARCHETYPES.wideLog);
  const bracketRows = bracketFrom(ARCHETYPES.wideLog, coding);
  const rows = bracketRows.rows.map((row) => (row.stops === '+1' ? { ...row, text: 'hot' } : row));
  const printedFields = printedFrom(ARCHETYPES.wideLog, coding);
  const power = formulaFrom(ARCHETYPES.wideLog);
  const trim = editFrom(ARCHETYPES.wideLog);
  const cases: [WayId, unknown, string[]][] = [
    ['anchors', { ...printedFields, grey: 'x' }, ['grey']],
    ['anchors', { ...printedFields, clipStops: 'six' }, ['clipStops']],
    ['anchors', { ...printedFields, extra: [{ stops: '-3', reading: '' }] }, ['extra.0.reading']],
    ['formula', { ...power, e: '4' }, ['e', 'f']],
    ['formula', { ...power, clip: 'six' }, ['clip']],
    ['table', { ...table, text: '-2,20\n-1,x\n' }, ['text']],
    ['bracket', { ...bracketRows, rows }, [`rows.${rows.findIndex(({ text }) => text === 'hot')}.text`]],
    ['bracket', { ...bracketRows, rows: [{ stops: 'dark', text: '4' }] }, ['rows.0.stops']],
    ['edit', { ...trim, kneeFrom: '80' }, ['kneeFrom', 'kneeReads']],
    ['edit', { ...trim, lift: '90' }, ['lift']],
  ];
  it.each(cases)('%s marks the fields that are wrong', (id, fields, names) => {
    const way = wayOf(id);
    const solved = way.solve(fields, coding, 'bt709');
    if (solved.ok) throw new Error('solved');
    expect(way.fieldsAt(solved.where, fields)).toEqual(names);
  });
});
