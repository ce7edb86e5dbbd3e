import { describe, expect, it } from 'vitest';
import { plainTag, matrixOfTags } from '../frame/tags.ts';
import { ownEntry } from '../ownEntry.ts';
import { profileFromBracket } from '../profile/making.ts';
import { parseClf, parseClfFile } from './clf.ts';
import { openLut } from './openLut.ts';
import { openY4m } from './y4mRead.ts';

/** What every object of the language has, as a file may name it. */
const NAMES = ['constructor', 'toString', 'hasOwnProperty', 'isPrototypeOf', 'valueOf', '__proto__'];
const bytesOf = (text: string) => new TextEncoder().encode(text);

describe('names from outside that are names of the language', () => {
  it.each(NAMES)('%s is no entry of any table', (name) => {
    expect(ownEntry({ own: 1 }, name)).toBeUndefined();
    expect(plainTag('matrix', name)).toBe(name);
    expect(matrixOfTags({ matrix: name })).toBe('bt709');
  });

  it.each(NAMES)('a clip of layout %s is refused', (name) => {
    const clip = bytesOf(`YUV4MPEG2 W4 H2 F25:1 Ip C${name}\nFRAME\n${'x'.repeat(64)}`);
    expect(openY4m(clip)).toMatchObject({ ok: false, where: 'byte 0' });
  });

  it.each(NAMES)('a LUT with a node %s is refused', (name) => {
    const node = `<${name} inBitDepth="32f" outBitDepth="32f"/>`;
    const text = `<?xml version="1.0"?><ProcessList id="a" compCLFversion="3">${node}</ProcessList>`;
    for (const read of [parseClfFile, parseClf, openLut]) expect(read(text).ok).toBe(false);
  });
});

describe('a bracket of very many readings', () => {
  it.each([151, 4000])('%i of them is solved or refused in a sentence', (count) => {
    const readings = Array.from({ length: count }, (_, i) => ({
      stops: -8 + (16 * i) / count,
      signal: 0.1 + (0.7 * i) / count,
    }));
    const solved = profileFromBracket(readings, 'bt709');
    expect(solved.ok ? solved.value.profile.clipStops : solved.reason.length).toBeGreaterThan(0);
  });
});
