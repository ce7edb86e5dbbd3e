import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';
import { onlyFfmpegReads } from './containers.ts';

const hasFfmpeg = spawnSync('ffmpeg', ['-version']).status === 0;
const folder = mkdtempSync(join(tmpdir(), 'candelum-kinds-'));
afterAll(() => rmSync(folder, { recursive: true }));
const made = (ending: string) => {
  const file = join(folder, `clip.${ending}`);
  const args = ['-f', 'lavfi', '-i', 'testsrc2=s=352x288:r=25:d=0.4', '-c:v', 'mpeg2video'];
  const done = spawnSync('ffmpeg', ['-v', 'error', '-y', ...args, file]);
  if (done.status !== 0) throw new Error(done.stderr.toString());
  return new Uint8Array(readFileSync(file)).subarray(0, 400);
};

describe.skipIf(!hasFfmpeg)('containers that only ffmpeg reads', () => {
  it.each(['mxf', 'avi', 'ts', 'm2ts'])('%s as ffmpeg writes it is one', (ending) => {
    expect(onlyFfmpegReads(made(ending))).toBe(true);
  });

  it.each(['mp4', 'mov', 'mkv'])('%s is none: the browser has the first go', (ending) => {
    expect(onlyFfmpegReads(made(ending))).toBe(false);
  });

  it('neither is a text, nor nothing', () => {
    expect(onlyFfmpegReads(new TextEncoder().encode('G'.repeat(100)))).toBe(false);
    expect(onlyFfmpegReads(new Uint8Array())).toBe(false);
  });
});
