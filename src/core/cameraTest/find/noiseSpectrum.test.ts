import { describe, expect, it } from 'vitest';
import { gaussian, seededRandom } from '../../random.ts';
import { FREQUENCIES, noiseSpectrum } from './noiseSpectrum.ts';

const [WIDTH, HEIGHT] = [96, 200];
const white = () => {
  const normal = gaussian(seededRandom(9));
  return Float32Array.from({ length: WIDTH * HEIGHT }, () => normal());
};

describe('the spectrum of noise', () => {
  it('is even for white noise', () => {
    for (const power of noiseSpectrum(white(), WIDTH, HEIGHT)) expect(Math.abs(power - 1)).toBeLessThan(0.25);
  });

  it('is that of a running mean of two: the square of the cosine of pi f', () => {
    const noise = white();
    const smooth = noise.map((v, i) => (i % WIDTH === 0 ? v : (v + noise[i - 1]) / 2));
    const expected = FREQUENCIES.map((f) => Math.cos(Math.PI * f) ** 2);
    const mean = expected.reduce((a, b) => a + b, 0) / expected.length;
    noiseSpectrum(smooth, WIDTH, HEIGHT).forEach((power, k) =>
      expect(Math.abs(power - expected[k] / mean)).toBeLessThan(0.3),
    );
  });

  it('has all of a wave at its own frequency, and is nothing of a part too narrow', () => {
    const wave = Float32Array.from({ length: WIDTH * 8 }, (_, i) => Math.cos((2 * Math.PI * 8 * i) / 32));
    const spectrum = noiseSpectrum(wave, WIDTH, 8);
    expect(spectrum[7]).toBeCloseTo(FREQUENCIES.length, 6);
    expect(noiseSpectrum(wave, 20, 8)).toEqual([]);
  });
});
