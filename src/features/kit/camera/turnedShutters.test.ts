import { describe, expect, it } from 'vitest';
import { shutterSeconds, turnedShutters } from '#core/exposure/shutter.ts';
import { fieldOf } from './fields.ts';

describe('a list of shutters set the other way', () => {
  it('180° at 25 fps is 1/50 s, 172.8° is 1/52; 1/50 is 180° again', () => {
    expect(turnedShutters([90, 172.8, 180], 'time', 25)).toEqual([50, 52, 100]);
    expect(turnedShutters([50, 52, 100], 'angle', 25)).toEqual([90, 173.1, 180]);
  });

  it('each exposes for as long as it did, to the rounding of the dial', () => {
    for (const fps of [24, 25, 50])
      for (const degrees of [11.25, 45, 90, 144, 172.8, 180, 360]) {
        const [denominator] = turnedShutters([degrees], 'time', fps);
        const before = shutterSeconds({ kind: 'angle', degrees }, fps);
        expect(shutterSeconds({ kind: 'time', denominator }, fps) / before).toBeCloseTo(1, 1);
      }
  });

  it('longer than the frame is no angle, and equal ones stand once', () => {
    expect(turnedShutters([10, 25, 50], 'angle', 25)).toEqual([180, 360]);
    expect(turnedShutters([180, 180.1], 'time', 25)).toEqual([50]);
  });

  it('in the editor: the list turns with the way it is set; what cannot be read stays', () => {
    const turned = (to: string, shutters: string) =>
      fieldOf('shutterBy').turns?.(to, { shutterBy: 'angle', shutters }, 25);
    expect(turned('time', '90 172.8 180')).toEqual({ shutters: '50 52 100' });
    expect(turned('time', 'wide')).toEqual({});
    expect(turned('angle', '90 180')).toEqual({});
  });
});
