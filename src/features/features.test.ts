import { describe, expect, it } from 'vitest';
import { parseCube } from '#core/formats/cube.ts';
import { setCardNumbers } from '#core/exposure/setCard.ts';
import { tetrahedral } from '#core/lut/lattice.ts';
import { ARCHETYPES, compileProfile } from '#core/profile/index.ts';
import { signalToCode } from '#core/signal/scale.ts';
import { TABLES } from '#store/tables.ts';
import { demoBook, demoSelection } from '#store/fixtures/demoBook.ts';
import { sampleTake } from '#store/fixtures/sampleTake.ts';
import { cubeOf } from './handoff/cubeExport.ts';
import { cardBands } from './judge/zebraBands.ts';
import { addCamera, addSubject, cameraOf, fieldsOfCamera } from './kit/cameraModel.ts';
import { saveProfile } from './kit/saveProfile.ts';
import { bracketFrom, solveBracket } from './kit/ways/bracketModel.ts';
import { WAY_IDS, wayOf } from './kit/ways/index.ts';
import { printedFrom, rescaled, solvePrinted } from './kit/ways/printedModel.ts';
import { bandPoints, curvePoints, readingRows } from './kit/curveModel.ts';
import { cardLine, foundLine, removeTake } from './log/logModel.ts';
import { placementRows } from './plan/placementRows.ts';

const select = demoSelection;
const coding = { bitDepth: 10, range: 'legal' } as const;

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
      codes: '73',
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
    const codes = rescaled(fields, 'codeValue', coding);
    expect(codes).toMatchObject({ scale: 'codeValue', grey: '420', clip: '887' });
    expect(rescaled({ ...fields, white: 'abc' }, 'codeValue', coding).white).toBe('abc');
  });

  it.each([
    [{ grey: '' }, '18 %', /Type a number for 18 %/],
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
    const made = { id: 'p', name: ' Paper log ', way: 'anchors', solution: solved.value } as const;
    const { changes } = saveProfile(made, camera, plan, true);
    expect(changes.map(({ table }) => table)).toEqual(['profiles', 'cameras', 'plans']);
    expect(changes[0].after).toMatchObject({ name: 'Paper log', origin: 'anchors' });
    expect(changes[2].after).toMatchObject({ profileId: 'p' });
    expect(changes[2].before).toEqual(plan);
    expect(saveProfile(made, camera, plan, false).changes[2].before).toBeUndefined();
    changes.forEach(({ table, after }) => expect(TABLES[table].safeParse(after).success).toBe(true));
  });

  it.each(WAY_IDS)('the way by %s starts filled in with the profile in use and solves to it', (id) => {
    const way = wayOf(id);
    const solution = way.solve(way.start(ARCHETYPES.wideLog, coding), coding, 'bt2020');
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
    const fields = bracketFrom(ARCHETYPES.wideLog);
    const empty = {
      ...fields,
      readings: fields.readings.map((r) => (r.stops === 0 ? { ...r, text: '' } : r)),
    };
    expect(solveBracket(empty, coding, 'bt709').ok).toBe(true);
    const bad = {
      ...fields,
      readings: fields.readings.map((r) => (r.stops === 1 ? { ...r, text: 'hot' } : r)),
    };
    expect(solveBracket(bad, coding, 'bt709')).toMatchObject({
      ok: false,
      where: 'at +1',
      reason: 'At +1: “hot” is no reading.',
    });
  });
});

describe('cameras', () => {
  const { cameras } = demoBook();
  const aCam = cameras.get('a-cam')!;

  it.each([...cameras.keys()])('%s comes back from its own fields as it was', (id) => {
    const camera = cameras.get(id)!;
    const made = cameraOf(fieldsOfCamera(camera), camera);
    expect(made.ok && { ...made.value, fixedIris: made.value.fixedIris }).toEqual({
      ...camera,
      fixedIris: camera.fixedIris,
    });
  });

  it('is typed as people write it', () => {
    const made = cameraOf(
      {
        ...fieldsOfCamera(aCam),
        baseIsos: '640 and 4000',
        irises: 'f/2.8 – f/16',
        floor: '-4 1/2',
        tolerances: '±2, 5',
        zebraRange: '50 to 100',
        zebraStep: '2,5',
      },
      aCam,
    );
    if (!made.ok) throw new Error(made.reason);
    expect(made.value).toMatchObject({ baseIsos: [640, 4000], floorStops: -4.5 });
    expect([made.value.irises[0], made.value.irises.at(-1)]).toEqual([2.8, 16]);
    expect(made.value.zebra.range).toEqual({ min: 50, max: 100, step: 2.5, tolerances: [2, 5] });
  });

  it.each([
    [{ baseIsos: 'fast' }, 'base ISO', /one or two whole numbers/],
    [{ baseIsos: '25600' }, 'base ISO', /25600 lies outside 200 to 12800/],
    [{ isoTo: '100' }, 'ISO range', /lowest and the highest/],
    [{ irises: '' }, 'iris', /widest and the smallest/],
    [{ kelvin: '9900 to 2500' }, 'white balance', /lowest and the highest Kelvin/],
    [{ floor: '2' }, 'usable floor', /such as −5/],
    [{ zebraStep: '0' }, 'zebra', /such as 30 to 100 by 5/],
    [{ warningRange: '90' }, 'warning', /lowest to highest/],
    [{ tolerances: '' }, 'tolerances', /such as 2 5 10/],
    [{ name: '  ' }, 'name', /Give the camera a name/],
  ])('%j gets one sentence', (part, where, reason) => {
    const made = cameraOf({ ...fieldsOfCamera(aCam), ...part }, aCam);
    expect(made).toMatchObject({ ok: false, where });
    expect(!made.ok && made.reason).toMatch(reason);
  });

  it('a further camera and a further subject stand in the set-up at once', () => {
    const { setup } = select('furnace-mouth', 'a-cam');
    for (const edit of [addCamera(aCam, setup, 'mine', 'My camera'), addSubject(setup, 'ida', 'Ida', 0.7)]) {
      edit.changes.forEach(({ table, after }) => expect(TABLES[table].safeParse(after).success).toBe(true));
    }
    expect(addCamera(aCam, setup, 'mine', 'My camera').changes[1].after).toMatchObject({
      cameraIds: ['a-cam', 'b-cam', 'mine'],
    });
    expect(addSubject(setup, 'ida', 'Ida', 0.7).changes[1].after).toMatchObject({
      subjectIds: ['ana', 'ida'],
    });
  });
});

describe('plan', () => {
  it('has a row a third from -1 to +3, each true to the card', () => {
    const selection = select('furnace-mouth', 'a-cam');
    const rows = placementRows(selection);
    expect(rows).toHaveLength(13);
    expect(rows.find(({ placement }) => placement === 1)).toMatchObject({
      card: '49±2',
      skin: ['60±3'],
      roomAbove: 5,
      usableBelow: -7,
    });
    expect(rows.every(({ cost, limited }) => limited || Math.abs(cost) < 0.12)).toBe(true);
  });
  it('says where the camera’s zebra ends', () => {
    const rows = placementRows(select('packing-yard', 'b-cam'));
    expect(rows.find(({ placement }) => placement === -1)?.limited).toBe(true);
    expect(rows.find(({ placement }) => placement === 1)?.limited).toBe(false);
  });
});

describe('judge', () => {
  it('stripes the codes this camera’s own zebra would, on the recording', () => {
    const { camera, plan, subjects, profile, setup } = select('furnace-mouth', 'a-cam');
    const numbers = setCardNumbers(profile.data, camera, plan, subjects, setup.fps);
    const { ranges, warning } = cardBands(numbers, camera.zebra, camera.coding, coding);
    expect(ranges[0]).toEqual({
      from: Math.ceil(signalToCode(0.47, coding)),
      to: Math.floor(signalToCode(0.51, coding)),
    });
    expect(warning).toEqual({ from: Math.ceil(signalToCode(0.9, coding)), to: 1023 });
  });

  it('follows a zebra behind the LUT back to the recorded codes', () => {
    const { camera, plan, subjects, profile, setup } = select('open-evening', 'hall-2');
    const numbers = setCardNumbers(profile.data, camera, plan, subjects, setup.fps);
    const { ranges } = cardBands(numbers, camera.zebra, camera.coding, coding);
    const grey = signalToCode(numbers.profile.signalAt(0), coding);
    expect(ranges[0].from).toBeLessThan(grey);
    expect(ranges[0].to).toBeGreaterThan(grey);
  });
});

describe('log', () => {
  it('says in a line how it was set and what was found', () => {
    expect(cardLine(sampleTake)).toBe('wide log · ISO 800 · 4000\u2009K · 180° · f/2.8 · no ND');
    expect(foundLine(sampleTake)).toBe('plan +1, found +0.7');
    expect(foundLine({ ...sampleTake, measured: undefined })).toBe('plan +1, card not marked');
  });
  it('deletes so that undo brings all of it back', () => {
    const thumbnail = { id: sampleTake.id, png: new Uint8Array([1]) };
    expect(removeTake(sampleTake, thumbnail).changes.map(({ table, after }) => [table, after])).toEqual([
      ['takes', undefined],
      ['thumbnails', undefined],
    ]);
    expect(removeTake(sampleTake, undefined).changes).toHaveLength(1);
  });
});

describe('hand-off', () => {
  it.each([
    ['signal', true],
    ['signal', false],
    ['code', true],
  ] as const)('cube on the %s scale, baked %s, puts the card where the monitor shows it', (scale, baked) => {
    const selection = select('furnace-mouth', 'a-cam');
    const { text: write, name, worstCodes } = cubeOf(selection, { scale, baked });
    const text = write();
    const cube = parseCube(text);
    if (!cube.ok) throw new Error(cube.reason);
    expect(cube.value.size).toBe(33);
    const card = compileProfile(selection.profile.data).signalAt(baked ? 1 : 0);
    const input = scale === 'signal' ? card : signalToCode(card, coding) / 1023;
    const [, g] = tetrahedral(cube.value, [input, input, input]);
    const shown = scale === 'signal' ? g : (g * 1023 - 64) / 876;
    expect(shown).toBeCloseTo(0.45, 2);
    expect(worstCodes).toBeLessThan(12);
    expect(name).toBe(
      baked ? 'furnace-mouth-a-cam-wide-log-pull-1.cube' : 'furnace-mouth-a-cam-wide-log-no-pull.cube',
    );
    expect(cube.value.comments.join('\n')).toContain(baked ? '-1.000 stops baked in' : 'not baked in');
    expect(text).toMatch(/^[\n\x20-\x7e]*$/);
  });
});
