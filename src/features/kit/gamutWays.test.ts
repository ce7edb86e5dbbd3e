import { describe, expect, it } from 'vitest';
import { GAMUTS, rgbToXyz } from '#core/colour/gamut.ts';
import { apply, invert, type Triple } from '#core/maths/matrix.ts';
import { ARCHETYPES, compileProfile } from '#core/profile/index.ts';
import { BOARD_PATCHES } from '#core/scene/board.ts';
import { gamutFromChart, readMatrix } from './gamutWays.ts';

const coding = { bitDepth: 10, range: 'legal' } as const;
const wide = compileProfile(ARCHETYPES.wideLog);
const how = { light: 'd65', reads: 'percent', name: 'chart' } as const;
const toP3 = invert(rgbToXyz(GAMUTS.p3d65));

/** A chart's file as a camera of P3 primaries would have read it through wide log. */
const rows = BOARD_PATCHES.map(({ name, reflectance }) => {
  const xyz = apply(rgbToXyz(GAMUTS.bt2020), reflectance);
  const percent = apply(toP3, xyz).map((v) => 100 * wide.transfer.encode(v)) as unknown as Triple;
  return { name, xyz, percent };
});
const print = (values: readonly number[]) => values.map((v) => v.toFixed(6)).join(',');

describe('a gamut from a chart’s file', () => {
  it('is the camera’s, its readings turned to light by the profile', () => {
    const lines = rows.map((r) => `${r.name},${print(r.percent)},${print(r.xyz)}`);
    const fit = gamutFromChart(`name,R,G,B,X,Y,Z\n${lines.join('\n')}`, how, ARCHETYPES.wideLog, coding, []);
    if (!fit.ok) throw new Error(fit.reason);
    fit.value.gamut.green.forEach((v, i) => expect(v).toBeCloseTo(GAMUTS.p3d65.green[i], 3));
    expect(fit.value.leftOutMean).toBeLessThan(0.1);
  });

  it('takes what has no R, G, B off the marks in their order, and says when they are too few', () => {
    // A row called white, without R, G, B, is the light and no patch.
    const patches = rows.filter(({ name }) => name !== 'white');
    const text = `name,X,Y,Z\n${patches.map((r) => `${r.name},${print(r.xyz)}`).join('\n')}`;
    const codes = patches.map(({ percent }) => percent.map((v) => 64 + 8.76 * v) as unknown as Triple);
    const fit = gamutFromChart(text, how, ARCHETYPES.wideLog, coding, codes);
    expect(fit.ok && fit.value.leftOutMean).toBeLessThan(0.1);
    const few = gamutFromChart(text, how, ARCHETYPES.wideLog, coding, codes.slice(1));
    expect(!few.ok && few.reason).toMatch(/rows have no R, G, B/);
  });
});

describe('a typed 3 × 3', () => {
  it('is read with any separators', () => {
    const matrix = rgbToXyz(GAMUTS.bt709);
    const gamut = readMatrix(matrix.map((v) => v.toFixed(9)).join(';\n'), 'xyz', 'own');
    expect(gamut.ok && gamut.value.red[0]).toBeCloseTo(0.64, 6);
  });

  it.each(['1 0 0 0 1 0 0 0', '1 0 0 0 1 0 0 0 x', ''])('“%s” gets a sentence', (text) => {
    const gamut = readMatrix(text, 'bt709', 'own');
    expect(!gamut.ok && gamut.reason).toMatch(/nine numbers/);
  });
});
