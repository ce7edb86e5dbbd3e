import { beforeEach, describe, expect, it, vi } from 'vitest';
import { markOpened, markSaved } from './marker.ts';

const at = (day: number) => new Date(Date.UTC(2026, 3, day));

describe('the marker of records outside of them', () => {
  beforeEach(() => {
    const kept = new Map<string, string>();
    vi.stubGlobal('localStorage', {
      getItem: (key: string) => kept.get(key) ?? null,
      setItem: (key: string, value: string) => void kept.set(key, value),
    });
  });

  it('tells of a loss where records open as new though they were there, once, and of the last save', () => {
    expect(markOpened(true, at(1))).toBeUndefined();
    expect(markOpened(false, at(2))).toBeUndefined();
    markSaved(at(3));
    expect(markOpened(true, at(4))).toEqual({ since: at(1).toISOString(), savedAt: at(3).toISOString() });
    expect(markOpened(false, at(5))).toBeUndefined();
    expect(markOpened(true, at(6))).toEqual({ since: at(4).toISOString() });
  });

  it('is nothing where it cannot be read or kept', () => {
    localStorage.setItem('candelum-records', '{"since":7');
    expect(markOpened(true, at(1))).toBeUndefined();
    vi.stubGlobal('localStorage', {
      getItem: () => '{"since":"long ago"}',
      setItem: () => {
        throw new DOMException('no', 'QuotaExceededError');
      },
    });
    expect(markOpened(true, at(1))).toBeUndefined();
    expect(() => markSaved(at(2))).not.toThrow();
  });
});
