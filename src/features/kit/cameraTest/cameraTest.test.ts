import { beforeAll, describe, expect, it } from 'vitest';
import { CAMERA, filmedShotsOf, filmingOf, HAVE, TRUTH, USUAL } from '#core/cameraTest/fixtures/filmed.ts';
import { evaluateTest, type TestTold } from '#core/cameraTest/evaluate.ts';
import { demoRecords } from '#store/demo/index.ts';
import { cameraTestSchema, PICTURE_START } from '#store/records/cameraTest.ts';
import { TABLES } from '#store/tables.ts';
import { readTestFile, testFile, testRecord } from './keptModel.ts';
import { stageCamera, TAKEN_IN_IDS, takeTestIn, testedCamera, zebraPrint } from './testModel.ts';

const coding = { bitDepth: 10, range: 'legal' } as const;
const demo = demoRecords();
const camera = demo.cameras.find(({ id }) => id === 'a-cam')!;
const plan = demo.plans.find(({ cameraId }) => cameraId === 'a-cam')!;
let told: TestTold;

beforeAll(() => {
  const shots = USUAL.filter(({ kind }) => !['sheets', 'edge', 'wall', 'tint'].includes(kind));
  const basis = { camera: CAMERA, have: HAVE, coding, gamut: 'bt2020' as const };
  const evaluated = evaluateTest({
    ...basis,
    filmed: filmedShotsOf(filmingOf('wideLog', coding), shots),
    zebra: { assistOff: 41, assistOn: 52 },
  });
  if (!evaluated.ok) throw new Error(evaluated.reason);
  told = evaluated.value;
}, 60_000);

const made = { id: 'tested', name: 'A-cam tested', today: '2026-12-01', kelvin: 5600 };

describe('a test onto its camera', () => {
  it('is one edit that the records take: profile, noise, lean, meter, bases, zebra', () => {
    const { changes } = takeTestIn(told, new Set(TAKEN_IN_IDS), { camera, plan }, made);
    expect(changes.map(({ table }) => table)).toEqual(['profiles', 'cameras', 'plans']);
    for (const { table, after } of changes) TABLES[table].parse(after);
    const after = TABLES.cameras.parse(changes[1].after);
    expect(after.starts?.profileId).toBe('tested');
    expect(after.noise?.from).toBe('bracket');
    expect(Math.abs(after.lean!.mired - TRUTH.lean.mired)).toBeLessThan(4);
    expect(after.lean).toMatchObject({ kelvin: 5600, measuredOn: '2026-12-01' });
    expect(after.meter.bias).toBeCloseTo(1 / 3, 6);
    expect(after.baseIsos).toEqual([800, 3200]);
    expect(after.zebra.reads).toBe('lut');
  });

  it('leaves out what is not wanted, and touches nothing else', () => {
    const { changes } = takeTestIn(told, new Set(['meter']), { camera, plan }, made);
    expect(changes).toHaveLength(1);
    expect(changes[0].after).toEqual({ ...camera, meter: { ...camera.meter, bias: 1 / 3 } });
  });
});

describe('a kept test', () => {
  const MADE = {
    id: 'one',
    name: 'A-cam, 1 Dec',
    at: '2026-12-01T10:00:00.000Z',
    lens: '35 mm',
    firmware: '2.1',
    length: 'usual',
    camera,
    coding,
    found: [],
    names: new Map<string, string>(),
  };
  const record = () => testRecord(told, MADE);

  it('passes its schema and comes back from a file as it was, under an id of its own', () => {
    cameraTestSchema.parse(record());
    const back = readTestFile(testFile(record()), 'two');
    if (!back.ok) throw new Error(back.reason);
    expect(back.value).toEqual({ ...JSON.parse(JSON.stringify(record())), id: 'two' });
  });

  it('holds pictures only when they were asked for, and shares them only then', () => {
    const hold = { id: 'h', clip: 'c', from: 0, to: 4, shotId: 'first', sure: 1, isSet: false, signal: 0.4 };
    const made = { found: [hold], pictures: new Map([['h', `${PICTURE_START}AAAA`]]) };
    const pictured = { ...record(), shots: testRecord(told, { ...MADE, ...made }).shots };
    expect(cameraTestSchema.parse(pictured).shots[0].picture).toBe(`${PICTURE_START}AAAA`);
    expect(testFile(pictured)).not.toMatch(/base64/);
    const back = readTestFile(testFile(pictured, true), 'two');
    expect(back.ok && back.value.shots[0].picture).toBe(`${PICTURE_START}AAAA`);
    // Nothing but a picture gets into an image.
    const other = testFile(pictured, true).replace('data:image/jpeg', 'data:text/html');
    expect(readTestFile(other, 'x')).toMatchObject({ ok: false });
    expect(testRecord(told, { ...MADE, found: [hold] }).shots[0].picture).toBeUndefined();
  });

  it.each([
    ['', /JSON/],
    ['[1]', /no file of a camera test/],
    ['null', /no file of a camera test/],
    ['{"format":"camera-test","version":2}', /newer version/],
    ['{"format":"camera-test","version":1}', /damaged/],
    ['{"format":"camera-test","version":1,"test":7}', /damaged/],
  ])('a file that is none is refused in a sentence: %s', (text, reason) => {
    const read = readTestFile(text, 'x');
    expect(read.ok).toBe(false);
    if (!read.ok) expect(read.reason).toMatch(reason);
  });

  it('a file with a number out of its limits says where', () => {
    const broken = testFile(record()).replace('"bitDepth": 10', '"bitDepth": 99');
    const read = readTestFile(broken, 'x');
    expect(read).toMatchObject({ ok: false, where: 'bitDepth' });
  });
});

describe('the camera at hand', () => {
  it('as the list has it, its zebra as its menu counts', () => {
    const tested = testedCamera(camera, 25);
    expect(tested.shutters[0]).toMatchObject({ kind: 'angle' });
    expect(zebraPrint(camera)(0.41)).toMatch(/^\d+ %$/);
  });

  it('on the stage: each body leans in its own way, the same one always so', () => {
    const profile = { id: 'p', name: 'p', origin: 'archetype' as const, says: '', data: told.curve.profile };
    const [one, again, other] = [1, 1, 2].map((body) => stageCamera(camera, profile, 25, body));
    expect(one).toEqual(again);
    expect(one.body.lean).not.toEqual(other.body.lean);
  });
});
