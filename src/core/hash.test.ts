import { describe, expect, it } from 'vitest';
import { hashOf } from './hash.ts';

describe('a hash of a text', () => {
  it.each([
    // Test vectors of the FNV draft by its authors (FNV-1a, 32 bit); typed from memory.
    ['', 0x811c9dc5],
    ['a', 0xe40c292c],
    ['foobar', 0xbf9cf968],
  ])('of %j is the published one', (text, hash) => {
    expect(hashOf(text)).toBe(hash);
  });
});
