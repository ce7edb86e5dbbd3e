import { describe, expect, it } from 'vitest';
import type { ScopeCounts } from '#core/scopes/drawScope.ts';
import { createPeaks } from './peaks.ts';

const counts = (values: number[]): ScopeCounts => ({
  waveform: () => ({ columns: 1, levels: 2, stride: 2, counts: Uint16Array.from(values) }),
  histogram: () => Uint32Array.from(values),
  vectorscope: () => ({ bins: 1, counts: Uint32Array.from(values) }),
});

describe('held peaks', () => {
  it('are the most that each level was seen at, each pane’s own, until it lets them go', () => {
    const peaks = createPeaks();
    const see = (pane: string, values: number[]) =>
      Array.from(peaks.over(pane, 'histogram', counts(values)).histogram('luma'));
    expect(see('first', [3, 1])).toEqual([3, 1]);
    expect(see('first', [1, 4])).toEqual([3, 4]);
    expect(see('second', [1, 1])).toEqual([1, 1]);
    peaks.forget('second');
    expect(see('first', [0, 0])).toEqual([3, 4]);
    peaks.forget('first');
    expect(see('first', [0, 0])).toEqual([0, 0]);
  });

  it('begin anew when the picture has another size', () => {
    const peaks = createPeaks();
    const see = (values: number[]) =>
      Array.from(peaks.over('first', 'waveform', counts(values)).waveform('luma', 1).counts);
    expect(see([9, 9])).toEqual([9, 9]);
    expect(see([1, 2, 3])).toEqual([1, 2, 3]);
  });
});
