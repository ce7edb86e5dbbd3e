import { describe, expect, it } from 'vitest';
import { openedVideo, tagsOfColour } from '../formats/video.ts';
import { matrixOfTags, plainTag } from './tags.ts';
import { RAW_LAYOUTS } from './servedClip.ts';
import { videoBytes } from './ofVideo.ts';

// ITU-T H.273 tables 3 and 4: SMPTE 170M as a transfer is BT.709's curve, as a matrix it is BT.601's.
describe('what a container says', () => {
  it('is put into the same words, each tag by itself', () => {
    expect(plainTag('transfer', 'smpte170m')).toBe('bt709');
    expect(plainTag('matrix', 'smpte170m')).toBe('bt601');
    expect(plainTag('matrix', 'bt470bg')).toBe('bt601');
    expect(plainTag('matrix', 'bt2020nc')).toBe('bt2020');
    expect(plainTag('matrix', 'bt2020-ncl')).toBe('bt2020');
    expect(plainTag('transfer', 'arib-std-b67')).toBe('hlg');
    expect(plainTag('transfer', 'unknown')).toBeUndefined();
    expect(plainTag('primaries', null)).toBeUndefined();
  });

  it.each([
    ['smpte170m', 'bt601'],
    ['bt470bg', 'bt601'],
    ['bt709', 'bt709'],
    ['bt2020-ncl', 'bt2020'],
    ['rgb', 'bt709'],
    [null, 'bt709'],
  ] as const)('a matrix of %s is read by %s', (matrix, want) => {
    expect(matrixOfTags(tagsOfColour({ matrix }))).toBe(want);
    const layout = RAW_LAYOUTS.yuv420p;
    const bytes = new Uint8Array(videoBytes(4, 2, layout)).fill(128);
    const tags = tagsOfColour({ matrix });
    const picture = { width: 4, height: 2, layout, bytes, container: 'x', tags, exactness: { exact: true } };
    expect(openedVideo(picture, { range: 'legal' }).frame.source?.matrix).toBe(want);
  });

  it('tells its range, or leaves it open', () => {
    expect(tagsOfColour({ fullRange: true }).range).toBe('full');
    expect(tagsOfColour({ fullRange: false }).range).toBe('legal');
    expect(tagsOfColour({ fullRange: null }).range).toBeUndefined();
  });
});
