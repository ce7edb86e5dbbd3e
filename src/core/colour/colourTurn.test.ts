import { describe, expect, it } from 'vitest';
import { apply, type Triple } from '../maths/matrix.ts';
import { colourTurn } from './colourTurn.ts';

// ITU-R BT.709-6, item 3.2: the weights of luma; item 3.3: E'CB = (B - Y) / 1.8556, E'CR = (R - Y) / 1.5748.
const WEIGHTS: Triple = [0.2126, 0.7152, 0.0722];
const COLOUR: Triple = [0.6, 0.2, 0.1];
const luma = ([r, g, b]: Triple) => 0.2126 * r + 0.7152 * g + 0.0722 * b;
const differences = (rgb: Triple) => [(rgb[2] - luma(rgb)) / 1.8556, (rgb[0] - luma(rgb)) / 1.5748];

describe('colour turned about luminance', () => {
  it('keeps luminance and greys, and turns the pair of colour differences by its angle', () => {
    for (const degrees of [-90, -12, 0, 30, 180]) {
      const turned = apply(colourTurn(0.8, degrees, WEIGHTS), COLOUR);
      expect(luma(turned)).toBeCloseTo(luma(COLOUR), 12);
      const [[cb, cr], [cb2, cr2]] = [differences(COLOUR), differences(turned)];
      const angle = (degrees * Math.PI) / 180;
      expect(cr2).toBeCloseTo(0.8 * (cr * Math.cos(angle) + cb * Math.sin(angle)), 12);
      expect(cb2).toBeCloseTo(0.8 * (cb * Math.cos(angle) - cr * Math.sin(angle)), 12);
    }
    apply(colourTurn(1.3, 40, WEIGHTS), [0.4, 0.4, 0.4]).forEach((v) => expect(v).toBeCloseTo(0.4, 12));
    expect(apply(colourTurn(-1, 0, WEIGHTS), COLOUR)[0]).toBeCloseTo(luma(COLOUR), 12);
  });
});
