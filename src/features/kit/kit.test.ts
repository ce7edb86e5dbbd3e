import { describe, expect, it } from 'vitest';
import { ARCHETYPES, compileProfile } from '#core/profile/index.ts';
import { TABLES } from '#store/tables.ts';
import { demoBook, demoSelection } from '#store/fixtures/demoBook.ts';
import { bagEdit, bagForm, bagRemoval, bagTexts } from './bag/bagForm.ts';
import { bagKinds } from './bag/kinds/index.ts';
import { addCamera, cameraForm, fieldsOfCamera } from './camera/cameraModel.ts';
import { leanFrom, noiseFrom } from './camera/measured.ts';

const select = demoSelection;
const coding = { bitDepth: 10, range: 'legal' } as const;

describe('cameras', () => {
  const { cameras } = demoBook();
  const aCam = cameras.get('a-cam')!;

  it.each([...cameras.keys()])('%s comes back from its own fields as it was', (id) => {
    const camera = cameras.get(id)!;
    const made = cameraForm(camera).parse(fieldsOfCamera(camera));
    expect(made).toEqual(camera);
  });

  it('is typed as people write it', () => {
    const made = cameraForm(aCam).parse({
      ...fieldsOfCamera(aCam),
      baseIsos: '640 and 4000',
      irises: 'f/2.8 – f/16',
      floor: '-4 1/2',
      tolerances: '±2, 5',
      zebraRange: '50 to 100',
      zebraStep: '2,5',
    });
    expect(made).toMatchObject({ baseIsos: [640, 4000], floorStops: -4.5 });
    expect([made.irises[0], made.irises.at(-1)]).toEqual([2.8, 16]);
    expect(made.zebra.range).toEqual({ min: 50, max: 100, step: 2.5, tolerances: [2, 5] });
  });

  it.each([
    [{ baseIsos: 'fast' }, 'baseIsos', /one or two whole numbers/],
    [{ baseIsos: '25600' }, 'isos', /25600 lies outside 200 to 12800/],
    [{ isos: '900 to 100' }, 'isos', /lowest and the highest/],
    [{ irises: '' }, 'irises', /widest and the smallest/],
    [{ kelvin: '9900 to 2500' }, 'kelvin', /lowest and the highest Kelvin/],
    [{ floor: '2' }, 'floor', /such as −5/],
    [{ zebraStep: '0' }, 'zebraStep', /levels need a step/],
    [{ warningRange: '90' }, 'warningRange', /lowest to highest/],
    [{ tolerances: '' }, 'tolerances', /such as 2 5 10/],
    [{ recordings: 'fast' }, 'recordings', /frame rate, codec and Mb/],
    [{ shutters: '720', shutterBy: 'angle' }, 'shutters', /ends at 360/],
    [{ shutters: 'x' }, 'shutters', /what the dial offers/],
    [{ extendedUnder: 'low' }, 'extendedUnder', /lowest native ISO/],
    [{ meterScale: '0' }, 'meterScale', /either side/],
    [{ meterBias: 'some' }, 'meterBias', /type stops/],
    [{ tint: '9' }, 'tint', /such as -9 to 9/],
    [{ kelvinStep: '2.5' }, 'kelvinStep', /whole number/],
    [{ name: '  ' }, 'name', /give the camera a name/],
  ])('%j gets one sentence', (part, where, reason) => {
    const read = cameraForm(aCam).safeParse({ ...fieldsOfCamera(aCam), ...part });
    expect(read.error?.issues).toEqual([
      expect.objectContaining({ path: [where], message: expect.stringMatching(reason) }),
    ]);
  });

  it('names every field that is wrong, and what the store refuses besides', () => {
    const texts = { ...fieldsOfCamera(aCam), floor: '2', zebraStep: '0', tint: 'x' };
    const wrong = cameraForm(aCam)
      .safeParse(texts)
      .error?.issues.map(({ path }) => path[0]);
    expect(wrong?.sort()).toEqual(['floor', 'tint', 'zebraStep']);
    const long = cameraForm(aCam).safeParse({ ...fieldsOfCamera(aCam), name: 'x'.repeat(81) });
    expect(long.error?.issues[0].message).toMatch(/The name must have at most 80 characters/);
  });

  it('a further camera and a further subject stand in the set-up at once', () => {
    const { setup } = select('furnace-mouth', 'a-cam');
    const edit = addCamera(aCam, setup, 'mine', 'My camera');
    edit.changes.forEach(({ table, after }) => expect(TABLES[table].safeParse(after).success).toBe(true));
    expect(edit.changes[1].after).toMatchObject({ cameraIds: ['a-cam', 'b-cam', 'mine'] });
    // What was measured on one body says nothing of another.
    expect(edit.changes[0].after).toMatchObject({ lean: undefined, noise: undefined });
  });

  it('a floor typed by hand overrules an older measurement of the noise', () => {
    const made = cameraForm(aCam).parse({ ...fieldsOfCamera(aCam), floor: '-5' });
    expect(made.noise?.from).toBe('floor');
    const kept = cameraForm(aCam).parse({ ...fieldsOfCamera(aCam), name: 'A' });
    expect(kept.noise).toEqual(aCam.noise);
  });

  it('a lean is measured off a card: warm where red is over blue', () => {
    const profile = compileProfile(ARCHETYPES.standard);
    const found = leanFrom({ card: '41.5 40.9 40.1', kelvin: '5600' }, profile, 'bt709', '2026-02-03');
    if (!found.ok) throw new Error(found.reason);
    expect(found.value.mired).toBeGreaterThan(2);
    expect(found.value).toMatchObject({ kelvin: 5600, measuredOn: '2026-02-03' });
    const even = leanFrom({ card: '41 41 41', kelvin: '5600' }, profile, 'bt709', '2026-02-03');
    expect(even.ok && Math.abs(even.value.mired)).toBeLessThan(0.11);
    expect(leanFrom({ card: '41 41', kelvin: '5600' }, profile, 'bt709', 'x')).toMatchObject({
      where: 'card',
    });
    expect(leanFrom({ card: '41 41 41', kelvin: '56' }, profile, 'bt709', 'x')).toMatchObject({
      where: 'kelvin',
    });
  });

  it('noise comes from a dark frame and a patch, in codes', () => {
    const profile = compileProfile(ARCHETYPES.wideLog);
    // The codes that a sensor of 900 electrons at grey and 4 electrons of read noise would show.
    const [perElectron, read] = [0.18 / 900, 4];
    const codesPer = (x: number) =>
      (876 * (profile.transfer.encode(x + 1e-5) - profile.transfer.encode(x - 1e-5))) / 2e-5;
    const texts = {
      dark: (read * perElectron * codesPer(0)).toFixed(4),
      code: (64 + 876 * profile.signalAt(0)).toFixed(2),
      grey: (perElectron * Math.sqrt(900 + read ** 2) * codesPer(0.18)).toFixed(4),
    };
    const found = noiseFrom(texts, profile, coding);
    if (!found.ok) throw new Error(found.reason);
    expect(Math.abs(found.value.noise.electronsAtGrey - 900)).toBeLessThan(10);
    expect(Math.abs(found.value.noise.readElectrons - 4)).toBeLessThan(0.15);
    expect(noiseFrom({ ...texts, grey: '' }, profile, coding)).toMatchObject({ ok: false, where: 'noise' });
    expect(noiseFrom({ ...texts, grey: '0.01' }, profile, coding)).toMatchObject({
      ok: false,
      where: 'noise',
    });
  });
});

describe('the bag', () => {
  const selection = select('bench-interview', 'a-cam');
  const book = demoBook();
  const { profile } = selection;
  const kinds = bagKinds((percent) => compileProfile(profile.data).stopsAt(percent / 100));
  const kind = (table: string) => kinds.find((one) => one.table === table)!;

  it.each(kinds.map(({ table }) => table))('%s come back from their own texts as they were', (table) => {
    for (const record of book[table].values()) {
      const form = bagForm(kind(table), selection, record.id, record);
      expect(form.parse(bagTexts(kind(table), record))).toEqual(record);
      expect(kind(table).line(record as never, selection, book).length).toBeGreaterThan(3);
    }
  });

  it('a subject is measured beside the card, and stands in the set-up', () => {
    const subjects = kind('subjects');
    const compiled = compileProfile(profile.data);
    const percent = (stops: number) => (100 * compiled.signalAt(stops)).toFixed(2);
    const texts = { ...bagTexts(subjects), name: 'Ida', card: percent(1), face: percent(1.7) };
    const ida = bagForm(subjects, selection, 'ida').parse(texts);
    const { changes } = bagEdit(subjects, ida, selection);
    expect(changes[0].after).toMatchObject({ name: 'Ida', skinOffset: 0.7 });
    expect(changes[1].after).toMatchObject({ subjectIds: ['ana', 'ola', 'ida'] });
    const gone = bagRemoval(subjects, book.subjects.get('ana')!, book);
    expect(gone.changes.filter(({ table }) => table === 'setups').length).toBeGreaterThan(1);
  });

  it.each([
    ['subjects', { name: ' ' }, 'name', /give the subject one/],
    ['subjects', { name: 'X', offset: '' }, 'offset', /−4 to \+4/],
    ['subjects', { name: 'X', card: '41' }, 'card', /card and face read/],
    ['ndSets', { name: 'X', values: '' }, 'values', /on the glass/],
    ['ndSets', { name: 'X', values: '5', kind: 'variable' }, 'values', /least and a most/],
    ['lights', { name: 'X', kelvin: '20' }, 'kelvin', /1000 to 25000/],
    ['gels', { name: 'X', loss: '-1' }, 'loss', /0 to 10/],
    ['gels', { name: 'X', mired: 'warm' }, 'mired', /warm \+/],
    ['monitors', { name: 'X', points: '1' }, 'points', /2 to 129/],
    ['monitors', { name: 'X', peak: '0' }, 'peak', /cd/],
  ])('%s %j gets one sentence', (table, texts, where, reason) => {
    const read = bagForm(kind(table), selection, 'x').safeParse({ ...bagTexts(kind(table)), ...texts });
    expect(read.error?.issues).toEqual([
      expect.objectContaining({ path: [where], message: expect.stringMatching(reason) }),
    ]);
  });

  it('names every field that is wrong at once', () => {
    const texts = { ...bagTexts(kind('gels')), name: '', mired: 'warm', loss: '11' };
    const read = bagForm(kind('gels'), selection, 'x').safeParse(texts);
    expect(read.error?.issues.map(({ path }) => path[0]).sort()).toEqual(['loss', 'mired', 'name']);
  });
});
