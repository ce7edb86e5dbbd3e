import { execFileSync, spawnSync } from 'node:child_process';
import { describe, expect, it } from 'vitest';
import { filmingOf } from '#core/cameraTest/fixtures/filmed.ts';
import { plainContext as context } from '../rpc/fixtures/context.ts';
import { bracketHandlers } from './handlers.ts';

const jobs = bracketHandlers();
const isThere = spawnSync('ffmpeg', ['-version']).status === 0;

/** One frame of colour bars through a filter of ffmpeg's, as Y4M. */
const bars = (filter: string): ArrayBuffer => {
  const out = execFileSync('ffmpeg', [
    ...['-v', 'error', '-f', 'lavfi', '-i', 'smptehdbars=size=640x360'],
    ...['-frames:v', '1', '-vf', `format=yuv444p,${filter}`],
    ...['-pix_fmt', 'yuv444p', '-strict', '-1', '-f', 'yuv4mpegpipe', '-'],
  ]);
  return new Uint8Array(out).buffer;
};
const pair = async (filter: string) => {
  const { output } = await jobs.pair({ without: bars('null'), with: bars(filter), range: 'legal' }, context);
  if (!output.ok) throw new Error(output.reason);
  return output.value.frames;
};

// Against ffmpeg's own filters, of which each says what it does: hue turns and scales Cb and Cr, eq adds to luma.
describe.skipIf(!isThere)('two frames that ffmpeg changed', () => {
  it.each([
    [7, 0.8],
    [-12, 0.9],
  ])('hue by %d degrees, saturation %d times', async (degrees, times) => {
    const { colour } = await pair(`hue=h=${degrees}:s=${times}`);
    expect(Math.abs(colour!.hue - degrees)).toBeLessThan(1);
    expect(Math.abs(colour!.saturation - times)).toBeLessThan(0.02);
  });

  it('black lifted by twelve codes, white left', async () => {
    const { moved } = await pair('lutyuv=y=val+12*(235-val)/219');
    expect(Math.abs(moved.black - 12)).toBeLessThanOrEqual(1.5);
    expect(Math.abs(moved.clip)).toBeLessThanOrEqual(1);
  });

  it('noise that was added to luma alone', async () => {
    const { noise } = await pair('noise=c0s=10:c0f=u:c0_seed=5');
    expect(noise.without).toBeLessThan(0.5);
    expect(noise.with).toBeGreaterThan(1.5);
  });
});

describe('two frames', () => {
  it('of the stage are measured without a file', async () => {
    const { camera } = filmingOf('wideLog', { bitDepth: 10, range: 'legal' }, { seed: 1 });
    const { output } = await jobs.stagePair({ camera, setting: 'noise', seed: 1 }, context);
    expect(output.ok && output.value.frames.noise.with < output.value.frames.noise.without).toBe(true);
  });

  it('that do not open are named, which of the two', async () => {
    const [nothing, text] = [new ArrayBuffer(0), new TextEncoder().encode('hello').buffer];
    const first = await jobs.pair({ without: nothing, with: text, range: 'legal' }, context);
    expect(first.output.ok ? '' : first.output.reason).toMatch(/^The frame without it: /);
  });
});
