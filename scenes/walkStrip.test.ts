import { expect, it } from 'vitest';
import { AS_STILL } from '#core/scene/light.ts';
import { onlyChanged } from './walkStrip.ts';

it('keeps what moved and leaves out what only the noise of rendering changed', () => {
  const [width, height] = [20, 16];
  const noise = (i: number) => Math.round(3 * Math.sin(i * 12.9898));
  const still = Uint16Array.from({ length: 3 * 40 * 30 }, (_, i) => 4000 + noise(i));
  const window = Uint16Array.from({ length: 3 * width * height }, (_, i) => 4000 + noise(i + 77));
  for (let v = 4; v < 12; v += 1) window.fill(3000, 3 * (v * width + 6), 3 * (v * width + 12));
  const kept = onlyChanged(window, { x: 5, y: 7, width, height }, still, 40);
  const at = (u: number, v: number) => kept[3 * (v * width + u) + 1];
  expect(at(8, 8)).toBe(3000);
  expect([at(0, 0), at(19, 15), at(0, 15)]).toEqual([AS_STILL, AS_STILL, AS_STILL]);
});
