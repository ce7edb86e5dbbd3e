// Scripts for proxies, run by a real shell and ffmpeg on a clip of known codes.
import { execFileSync, spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { has } from '../fixtures/otherHands.ts';
import { sampleLattice } from '../lut/lattice.ts';
import { monitoringRecipe } from '../lut/monitoring.ts';
import { compileRecipe } from '../lut/recipe.ts';
import type { Triple } from '../maths/matrix.ts';
import { ARCHETYPES, compileProfile } from '../profile/index.ts';
import { writeCube } from './cube.ts';
import { PROXY_CODEC_IDS, promptScript, shellScript, type ProxyClip } from './proxyScript.ts';

const ffmpeg = has('ffmpeg') && has('ffprobe');
if (process.env.CI && !ffmpeg) throw new Error('CI needs ffmpeg');

const NAME = "Anaïs' card [1] 100 %.mkv";
const clipOf = (over: Partial<ProxyClip> = {}): ProxyClip => ({
  file: NAME,
  bytes: 0,
  name: 'Anaïs card 1',
  cube: 'burned-001.cube',
  range: 'legal',
  matrix: 'bt709',
  timecode: '01:02:03:04',
  ...over,
});

const profile = compileProfile(ARCHETYPES.wideLog);
const { rgb } = compileRecipe(monitoringRecipe({ profile: ARCHETYPES.wideLog, pullStops: 1 }));
/** Colours of light, recorded: dark, the card at +1, skin, a bright blue. */
const PATCHES: readonly Triple[] = [
  [0.02, 0.02, 0.02],
  [0.36, 0.36, 0.36],
  [0.5, 0.33, 0.25],
  [0.3, 0.5, 0.9],
];
const SIDE = 64;
const KR = 0.2126;
const KB = 0.0722;
/** Legal 10-bit Y'CbCr of signals (BT.709-6, items 3.2 to 3.4). */
const ycc = ([r, g, b]: Triple) => {
  const y = KR * r + (1 - KR - KB) * g + KB * b;
  return [
    Math.round(64 + 876 * y),
    Math.round(512 + (896 * (b - y)) / (2 - 2 * KB)),
    Math.round(512 + (896 * (r - y)) / (2 - 2 * KR)),
  ] as const;
};

/** Signals of legal 10-bit Y'CbCr. */
const signalsOf = (y: number, cb: number, cr: number): Triple => {
  const luma = (y - 64) / 876;
  const r = luma + ((2 - 2 * KR) * (cr - 512)) / 896;
  const b = luma + ((2 - 2 * KB) * (cb - 512)) / 896;
  return [r, (luma - KR * r - KB * b) / (1 - KR - KB), b];
};
/** What the preview makes of what was recorded. */
const previewOf = (light: Triple): Triple =>
  rgb(signalsOf(...ycc(light.map(profile.transfer.encode) as unknown as Triple)));

describe('scripts for proxies', () => {
  it('name a clip so that nothing in it means anything', () => {
    expect(shellScript([clipOf()], 'x')).toContain(`if found 'Anaïs'\\'' card [1] 100 %.mkv'`);
    const prompt = promptScript([clipOf({ file: 'a%PATH%b.mov' })], 'one\ntwo');
    expect(prompt).toContain('"a%%PATH%%b.mov"');
    expect(prompt).toContain('rem one two\r\n');
    expect(prompt.split('\n').every((line) => line === '' || line.endsWith('\r'))).toBe(true);
  });

  it('lets no timecode be more than a timecode', () => {
    for (const write of [shellScript, promptScript]) {
      const hostile = clipOf({ timecode: '"$(touch x)"; rm & "%x%' });
      expect(write([hostile], 'x')).not.toContain('touch');
      expect(write([clipOf({ timecode: '01:02:03;04' })], 'x')).toContain('-timecode "01:02:03;04"');
    }
  });

  describe.skipIf(!ffmpeg)('in the hands of ffmpeg', () => {
    let folder = '';
    const run = (...options: readonly string[]) =>
      spawnSync('sh', [join(folder, 'bundle', 'make-proxies.sh'), ...options], { encoding: 'utf8' });
    beforeAll(() => {
      folder = mkdtempSync(join(tmpdir(), 'candelum-proxy-'));
      execFileSync('mkdir', [join(folder, 'bundle'), join(folder, 'card')]);
      const [width, frames] = [SIDE * PATCHES.length, 4];
      const codes = PATCHES.map((light) => ycc(light.map(profile.transfer.encode) as unknown as Triple));
      const plane = (c: number) =>
        Uint16Array.from({ length: width * SIDE }, (_, i) => codes[Math.floor((i % width) / SIDE)][c]);
      const frame = Buffer.concat([0, 1, 2].map((c) => Buffer.from(plane(c).buffer)));
      execFileSync(
        'ffmpeg',
        // prettier-ignore
        ['-v', 'error', '-f', 'rawvideo', '-pix_fmt', 'yuv444p10le', '-s', `${width}x${SIDE}`, '-r', '25', '-i', '-',
          '-c:v', 'ffv1', '-color_range', 'tv', '-colorspace', 'bt709', join(folder, 'card', NAME)],
        { input: Buffer.concat(Array.from({ length: frames }, () => frame)) },
      );
      const lattice = sampleLattice(65, rgb);
      writeFileSync(
        join(folder, 'bundle', 'burned-001.cube'),
        writeCube(lattice, { title: 'burned', comments: [] }),
      );
      // A clip of the same name on another card comes first in the folder, and is not the one.
      execFileSync('mkdir', [join(folder, 'card', 'a')]);
      writeFileSync(join(folder, 'card', 'a', NAME), 'another');
      const bytes = statSync(join(folder, 'card', NAME)).size;
      const clips = [clipOf({ bytes }), clipOf({ file: 'gone.mov', name: 'gone' })];
      writeFileSync(join(folder, 'bundle', 'make-proxies.sh'), shellScript(clips, 'Proxies of a test'));
    });
    afterAll(() => rmSync(folder, { recursive: true, force: true }));

    it.each(PROXY_CODEC_IDS)(
      '%s: the burned picture is the preview within 2 of 255, tagged and timed',
      (codec) => {
        const out = join(folder, codec);
        const made = run(join(folder, 'card'), out, codec);
        // A clip that is not there is named, and the others are made.
        expect(made.stdout).toContain('Not there, left out: gone.mov');
        expect(made.status).toBe(1);
        const file = join(out, 'Anaïs card 1.mov');
        const probed = JSON.parse(
          execFileSync('ffprobe', ['-v', 'error', '-of', 'json', '-show_streams', '-show_format', file], {
            encoding: 'utf8',
          }),
        );
        const [video] = probed.streams;
        expect(video).toMatchObject({
          codec_name: 'h264',
          pix_fmt: codec === 'intra' ? 'yuv422p10le' : 'yuv420p',
          color_range: 'tv',
          color_space: 'bt709',
          color_transfer: 'bt709',
          color_primaries: 'bt709',
          nb_frames: '4',
        });
        expect(JSON.stringify(probed)).toContain('"timecode":"01:02:03:04"');
        // Codes as they are in the file: the range is not touched, chroma only brought to full size.
        const raw = execFileSync('ffmpeg', [
          ...['-v', 'error', '-i', file, '-frames:v', '1', '-pix_fmt', 'yuv444p10le'],
          ...['-f', 'rawvideo', '-'],
        ]);
        const codes = new Uint16Array(raw.buffer.slice(raw.byteOffset, raw.byteOffset + raw.byteLength));
        const plane = SIDE * SIDE * PATCHES.length;
        PATCHES.forEach((light, i) => {
          const at = (SIDE / 2) * SIDE * PATCHES.length + i * SIDE + SIDE / 2;
          const shown = signalsOf(codes[at], codes[plane + at], codes[2 * plane + at]);
          previewOf(light).forEach((v, c) => expect(Math.abs(255 * (shown[c] - v))).toBeLessThanOrEqual(2));
        });
      },
    );

    it('leaves a proxy that is there, and refuses a codec that it does not know', () => {
      const file = join(folder, 'h264', 'Anaïs card 1.mov');
      const before = readFileSync(file);
      expect(run(join(folder, 'card'), join(folder, 'h264')).stdout).toContain('Is there already');
      expect(readFileSync(file).equals(before)).toBe(true);
      const refused = run(join(folder, 'card'), join(folder, 'other'), 'best');
      expect(refused.stdout).toContain('No such codec: best');
      expect(existsSync(join(folder, 'other', 'Anaïs card 1.mov'))).toBe(false);
    });
  });
});
