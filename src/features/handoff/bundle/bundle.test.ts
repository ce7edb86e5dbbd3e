// The bundle of the demo shoot: whole, named for every system, the same again from the same data, read by others.
import 'fake-indexeddb/auto';
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { strFromU8, unzipSync } from 'fflate';
import { afterEach, describe, expect, it } from 'vitest';
import { parseCdl } from '#core/formats/cdl.ts';
import { parseEdl } from '#core/formats/edl.ts';
import { failure } from '#core/result.ts';
import { compareBackup, restoreEdit } from '#store/backup/restore.ts';
import { readBackup } from '#store/backup/readBackup.ts';
import { planChange } from '#store/records/plan.ts';
import { resolveSelection } from '#store/selection.ts';
import { monitoringRecipe } from '#core/lut/monitoring.ts';
import { lutOfRecipe } from '#store/lutOfRecipe.ts';
import type { LutRecord } from '#store/records/lut.ts';
import { bareProfile } from '#ui/luts/lutSource.ts';
import { newRow } from '#core/grade/rows/rowKinds.ts';
import { FIRST_GRADE } from '#ui/bench/grade/gradeModel.ts';
import { gather } from './gather.ts';
import { bundleFiles } from './bundleFiles.ts';
import { archive, bake, bundling, made } from './fixtures/bundling.ts';
import { makeBundle } from './makeBundle.ts';

const { fresh, shootIn, closeAll } = bundling('bundle');
afterEach(closeAll);

const textOf = (files: Readonly<Record<string, Uint8Array>>, path: string) => strFromU8(files[path]);

describe('the bundle of a shoot', () => {
  it('burns no HDR monitor into a proxy that is tagged BT.709, and says so', async () => {
    const { of } = await shootIn(fresh());
    const [clip] = of.clips.filter(({ take }) => take?.id !== undefined);
    const take = of.takes.find(({ id }) => id === clip.take?.id)!;
    const plan = of.records.plans.get(`${take.setupId}:${take.cameraId}`)!;
    const [lut] = of.records.luts.values();
    const monitor = { ...[...of.records.monitors.values()][0] };
    const records = {
      ...of.records,
      luts: new Map(of.records.luts).set(lut.id, { ...lut, output: 'hlg' as const }),
      plans: new Map(of.records.plans).set(plan.id, { ...plan, monitorLuts: { [monitor.id]: lut.id } }),
    };
    const { files, leftOut } = bundleFiles({ ...of, records });
    expect(leftOut.join(' ')).toContain('HLG');
    const burned = files.flatMap((file) =>
      'lut' in file && file.path.startsWith('proxies/') ? [file.lut.spec] : [],
    );
    expect(burned.some((spec) => spec.kind === 'recipe' && spec.recipe.output !== 'bt1886')).toBe(false);
  });

  it('holds scripts for proxies: every clip once, with the cube that is burned in', async () => {
    const { of } = await shootIn(fresh());
    const { files } = bundleFiles(of);
    const text = (path: string) => {
      const file = files.find((one) => one.path === path);
      return file && 'text' in file ? file.text : '';
    };
    const surveyed = of.clips.filter(({ state }) => state === 'surveyed');
    const shell = text('proxies/make-proxies.sh');
    for (const { file } of surveyed) {
      const name = file.name.split('/').at(-1)!;
      expect(shell.split(`found '${name}' `).length - 1).toBe(
        surveyed.filter((one) => one.file.name === file.name).length,
      );
      expect(shell).toContain(` ${file.bytes}; then`);
      expect(text('proxies/make-proxies.cmd')).toContain(`"${name}"`);
    }
    const cubes = new Set([...shell.matchAll(/lut3d=file=([\w.-]+)/g)].map(([, cube]) => `proxies/${cube}`));
    for (const cube of cubes) expect(files.some(({ path }) => path === cube)).toBe(true);
    // A corrected clip does not share the cube of one that is not.
    expect(cubes.size).toBeGreaterThan(1);
    expect(text('recipes/Furnace mouth.txt')).toMatch(/Correction takes about \d+ min: \d+ clips at hand/);
  });

  it('holds the trial grade that is kept: as a LUT, and row by row in words', async () => {
    const database = fresh();
    const { book } = await shootIn(database);
    const selection = resolveSelection(book.getState(), {
      shoot: 'salt-and-fire',
      setup: 'furnace-mouth',
      camera: 'a-cam',
    })!;
    const rows = [{ ...newRow('exposure'), values: { stops: -1.04 } }, newRow('denoise')];
    await book.edit({
      label: 'Grade',
      changes: [planChange(selection.plan, { grade: { ...FIRST_GRADE, rows } })],
    });
    const { of } = await shootIn(database);
    const { files } = bundleFiles(of);
    const graded = files.filter(({ path }) => path.startsWith('luts/graded/'));
    expect(graded).toHaveLength(3);
    expect(graded.map((file) => 'lut' in file && file.lut.spec.kind)).toEqual(['grade', 'grade', 'grade']);
    const recipe = files.find(({ path }) => path === 'recipes/Furnace mouth.txt');
    expect(recipe && 'text' in recipe && recipe.text).toContain(
      'Exposure, before the conversion: light −1.04\u00a0stops',
    );
  });

  it('holds what post needs, the README first, the manifest last, each file told and sealed', async () => {
    const { of } = await shootIn(fresh());
    const { bytes, leftOut } = await made(of);
    const files = unzipSync(bytes);
    const paths = Object.keys(files);
    expect(paths[0]).toBe('README.txt');
    expect(paths.at(-1)).toBe('manifest.json');
    expect(paths).toEqual(
      expect.arrayContaining([
        'takes.csv',
        'clips.csv',
        'shoot.json',
        'recipes/Furnace mouth.txt',
        'corrections/all-clips.ccc',
        'corrections/A0004.cc',
        'edl/A-cam, 25 fps.edl',
      ]),
    );
    const readme = textOf(files, 'README.txt');
    for (const path of paths.slice(1, -1)) expect(readme).toContain(path);
    const manifest = JSON.parse(textOf(files, 'manifest.json'));
    expect(manifest).toMatchObject({ format: 'candelum-bundle', version: 1, leftOut });
    for (const { path, sha256, bytes: length } of manifest.files) {
      expect(createHash('sha256').update(files[path]).digest('hex')).toBe(sha256);
      expect(files[path].length).toBe(length);
    }
    // Clips of the stage have no timecode of their own: said, not hidden.
    expect(readme).toContain('Without a timecode in the file');
  });

  it('names files so that Windows takes them, none twice, and says scale and size of LUTs', async () => {
    const { of } = await shootIn(fresh());
    const { files } = bundleFiles(of);
    const lower = files.map(({ path }) => path.toLowerCase());
    expect(new Set(lower).size).toBe(lower.length);
    for (const { path } of files) {
      expect(path).not.toMatch(/[<>:"\\|?*\u0000-\u001f]/);
      for (const part of path.split('/')) expect(part).not.toMatch(/[. ]$|^[. ]/);
    }
    const luts = files.filter(({ path }) => path.startsWith('luts/'));
    expect(luts.length).toBeGreaterThan(10);
    for (const { path } of luts) expect(path).toMatch(/, signal, (33|65)\.(cube|clf)$/);
    for (const size of ['33.cube', '65.cube', '33.clf'])
      expect(luts.some(({ path }) => path.startsWith('luts/conversion/') && path.endsWith(size))).toBe(true);
    expect(luts.some(({ path }) => path.startsWith('luts/match/B-cam'))).toBe(true);
  });

  it('clips of one name on two cards have corrections of their own', async () => {
    const { of } = await shootIn(fresh());
    const clip = of.clips.find(({ correction }) => correction?.accepted)!;
    const twin = {
      ...clip,
      id: 'twin',
      cameraId: 'b-cam',
      file: { ...clip.file, name: clip.file.name.toLowerCase() },
    };
    const { files } = bundleFiles({ ...of, clips: [...of.clips, twin] });
    const paths = files.flatMap(({ path }) => (path.startsWith('corrections/') ? [path] : []));
    expect(paths.filter((path) => path.endsWith('.cc'))).toHaveLength(2);
    const ccc = files.find(({ path }) => path === 'corrections/all-clips.ccc') as { text: string };
    const read = parseCdl(ccc.text);
    expect(read.ok && new Set(read.value.map(({ id }) => id)).size).toBe(2);
  });

  it('lists and corrections say the same', async () => {
    const { of } = await shootIn(fresh());
    const files = unzipSync((await made(of)).bytes);
    const cdl = parseCdl(textOf(files, 'corrections/A0004.cc'));
    const list = parseEdl(textOf(files, 'edl/A-cam, 25 fps.edl'));
    if (!cdl.ok || !list.ok) throw new Error('neither reads');
    const event = list.value.find(({ cdl: one }) => one)!;
    expect(event.clipName).toBe('A0004.y4m');
    event.cdl!.offset.forEach((v, c) => expect(v).toBeCloseTo(cdl.value[0].cdl.offset[c], 5));
  });

  it('is the same byte for byte from the same data, and from its own shoot.json read back', async () => {
    const { of } = await shootIn(fresh());
    const first = await made(of);
    expect((await made(of)).bytes.equals(first.bytes)).toBe(true);

    const document = JSON.parse(textOf(unzipSync(first.bytes), 'shoot.json'));
    const backup = await readBackup({ document, files: [] });
    if (!backup.ok) throw new Error(backup.reason);
    expect(backup.value.unread).toEqual([]);
    const other = fresh();
    const { book } = await shootIn(other);
    await book.edit(restoreEdit('shoot', await compareBackup(other, backup.value), 'replace'));
    const records = book.getState();
    const again = await gather(other, records, records.shoots.get('salt-and-fire')!);
    expect((await made(again)).bytes.equals(first.bytes)).toBe(true);
  });

  it('is whole where a LUT cannot be baked or a correction has lost its profile, and says so', async () => {
    const { of } = await shootIn(fresh());
    const lost = new Map(of.records.profiles);
    lost.delete('wideLog');
    const { bytes, leftOut } = await made(
      { ...of, records: { ...of.records, profiles: lost } },
      async (lut) => (lut.size === 65 ? failure('LUT', 'There is no room.') : bake(lut)),
    );
    expect(leftOut.join('\n')).toContain('A0004.y4m: its correction needs its profile');
    expect(leftOut.join('\n')).toContain('There is no room.');
    const files = unzipSync(bytes);
    expect(Object.keys(files).some((path) => path.endsWith('65.cube'))).toBe(false);
    expect(JSON.parse(textOf(files, 'manifest.json')).leftOut).toEqual(leftOut);
  });

  it('says where a monitor’s LUT was made for another camera, and holds it all the same', async () => {
    const { of } = await shootIn(fresh());
    const plan = of.records.plans.get('furnace-mouth:a-cam')!;
    const [monitor] = of.records.monitors.values();
    const lut = (id: 'wideLog' | 'classicLog') => {
      const { data } = of.records.profiles.get(id)!;
      const recipe = monitoringRecipe({ profile: bareProfile(data), pullStops: 0 });
      return lutOfRecipe({ id: `for-${id}`, name: `For ${id}`, says: '' }, recipe, {
        bitDepth: 10,
        range: 'legal',
      });
    };
    const shown = (own: LutRecord) => {
      const records = {
        ...of.records,
        luts: new Map(of.records.luts).set(own.id, own),
        plans: new Map(of.records.plans).set(plan.id, { ...plan, monitorLuts: { [monitor.id]: own.id } }),
      };
      return bundleFiles({ ...of, records });
    };
    const other = shown(lut('classicLog'));
    expect(other.leftOut).toContain(
      'The monitor’s LUT For classicLog is made for classic log; A-cam records wide log: it shows another picture.',
    );
    expect(other.files.some(({ path }) => path.startsWith('luts/monitoring/For classicLog'))).toBe(true);
    expect(shown(lut('wideLog')).leftOut.join(' ')).not.toContain('is made for');
  });

  it('unzip and Python read it, names of any script among them', async () => {
    const { of } = await shootIn(fresh());
    const clips = of.clips.map((clip, i) =>
      i === 0 ? { ...clip, file: { ...clip.file, name: '炉口 é.mov' } } : clip,
    );
    const path = join(mkdtempSync(join(tmpdir(), 'bundle-')), 'bundle.zip');
    writeFileSync(path, (await made({ ...of, clips })).bytes);
    const unzip = spawnSync('unzip', ['-tq', path], { encoding: 'utf8' });
    if (!unzip.error) expect(unzip.stdout).toContain('No errors');
    const script =
      'import csv,io,sys,zipfile\nz=zipfile.ZipFile(sys.argv[1])\nassert z.testzip() is None\n' +
      'rows=list(csv.DictReader(io.StringIO(z.read("clips.csv").decode("utf-8"))))\nprint(len(rows), rows[0]["clip"])';
    const python = spawnSync('python3', ['-c', script, path], { encoding: 'utf8' });
    if (!python.error) expect(python.stdout.trim() || python.stderr).toMatch(/^8 .*\.(mov|y4m)$/);
  });

  it('is given up between two files when it is stopped', async () => {
    const { of } = await shootIn(fresh());
    const stop = new AbortController();
    const bundle = await makeBundle(of, {
      archive: archive(),
      bake,
      tell: (_path, at) => at === 3 && stop.abort(),
      signal: stop.signal,
    });
    expect(bundle).toMatchObject({ ok: false, reason: 'It was stopped.' });
  });
});
