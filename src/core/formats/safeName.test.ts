import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { safeName, uniqueNames } from './safeName.ts';

describe('names of files', () => {
  it.each([
    ['Furnace mouth 1/2: wide?', 'Furnace mouth 1-2- wide-'],
    ['炉口 – première', '炉口 – première'],
    ['CON.cube', '_CON.cube'],
    ['com1', '_com1'],
    ['console', 'console'],
    ['  ..  ', 'untitled'],
    ['trailing. ', 'trailing'],
  ])('%s is called %s', (name, wanted) => expect(safeName(name)).toBe(wanted));

  it('are taken by every file system', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme', maxLength: 300 }), (name) => {
        const safe = safeName(name);
        expect(safe).not.toMatch(/[<>:"/\\|?*]|^[. ]|[. ]$/);
        expect([...safe].length).toBeLessThanOrEqual(101);
        expect(safe.length).toBeGreaterThan(0);
      }),
    );
  });

  it('are given once, whatever their capitals', () => {
    const unique = uniqueNames();
    expect(['A.cc', 'a.cc', 'A.cc', 'A (2).cc', 'b'].map(unique)).toEqual([
      'A.cc',
      'a (2).cc',
      'A (3).cc',
      'A (2) (2).cc',
      'b',
    ]);
  });
});
