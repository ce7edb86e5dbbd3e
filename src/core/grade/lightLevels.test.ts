import type { OutputId } from '../lut/outputs.ts';
import { execFileSync } from 'node:child_process';
import { describe, expect, it } from 'vitest';
import { has } from '../fixtures/otherHands.ts';
import type { Triple } from '../maths/matrix.ts';
import { seededRandom } from '../random.ts';
import { TRANSFERS } from '../transfer/index.ts';
import {
  contentLight,
  frameLight,
  hdrNotes,
  pixelLight,
  whiteOf,
  lightTicks,
  luminanceOn,
} from './lightLevels.ts';

const pq = pixelLight('pq');
const signalAt = (nits: number) => TRANSFERS.pq.encode(nits);

describe('light of a graded picture', () => {
  it('is the brightest channel in cd/m2: reference white of HDR lies at 203 (BT.2408-7 table 1)', () => {
    expect(pq([signalAt(203), signalAt(203), signalAt(203)])).toBeCloseTo(203, 6);
    expect(pq([signalAt(5), signalAt(900), signalAt(20)])).toBeCloseTo(900, 6);
    // HLG at 75 % on a display of 1000 cd/m2 (BT.2100-2 table 5).
    expect(pixelLight('hlg')([0.75, 0.75, 0.75])).toBeCloseTo(203, 0);
    expect(pixelLight('hlg')([1, 1, 1])).toBeCloseTo(1000, 3);
    expect(pixelLight('bt1886')([1, 1, 1])).toBe(100);
    expect([whiteOf('pq'), whiteOf('srgb')]).toEqual([203, 100]);
  });

  it('counts what lies over white, and the highest picture of a clip', () => {
    const dark = frameLight([10, 20, 30, 40], 203);
    const bright = frameLight([100, 100, 100, 1200], 203);
    expect(dark).toEqual({ highest: 40, mean: 25, aboveWhite: 0 });
    expect(bright).toEqual({ highest: 1200, mean: 375, aboveWhite: 0.25 });
    expect(contentLight([dark, bright])).toEqual({ maxCll: 1200, maxFall: 375 });
    // The brightest pixel and the brightest picture need not be the same one.
    expect(contentLight([frameLight([0, 0, 900], 203), frameLight([400, 400, 400], 203)])).toEqual({
      maxCll: 900,
      maxFall: 400,
    });
    expect(contentLight([])).toEqual({ maxCll: 0, maxFall: 0 });
  });

  it('says when HDR gains nothing, and when 8 bit forbids it', () => {
    const calm = frameLight([20, 40, 150], 203);
    const sun = frameLight([20, 40, 1000], 203);
    expect(hdrNotes({ light: calm, bitDepth: 10 })).toEqual(['gainsNothing']);
    expect(hdrNotes({ light: sun, bitDepth: 10 })).toEqual([]);
    expect(hdrNotes({ light: sun, bitDepth: 8 })).toEqual(['eightBit']);
  });

  it.skipIf(!has('python3'))('is what plain Python makes of the same codes by ST 2084', () => {
    const random = seededRandom(861);
    const frames = Array.from({ length: 3 }, () =>
      Array.from({ length: 200 }, (): Triple => [random() * 0.8, random() * 0.8, random() * 0.8]),
    );
    const said = execFileSync(
      'python3',
      [
        '-c',
        `import json,sys
m1=2610/16384;m2=2523/4096*128;c1=3424/4096;c2=2413/4096*32;c3=2392/4096*32
def eotf(v):
  r=v**(1/m2);return 10000*(max(r-c1,0)/(c2-c3*r))**(1/m1)
f=json.load(sys.stdin);l=[[max(eotf(v) for v in p) for p in x] for x in f]
print(json.dumps([max(max(x) for x in l),max(sum(x)/len(x) for x in l)]))`,
      ],
      { input: JSON.stringify(frames), encoding: 'utf8' },
    );
    const [maxCll, maxFall] = JSON.parse(said) as [number, number];
    const ours = contentLight(frames.map((frame) => frameLight(frame.map(pq), 203)));
    expect(ours.maxCll / maxCll).toBeCloseTo(1, 9);
    expect(ours.maxFall / maxFall).toBeCloseTo(1, 9);
  });
});

describe('luminance on a display', () => {
  it('is 203 for reference white and 26 for grey on PQ (BT.2408-7 table 1), 100 for white of SDR', () => {
    const grey = (output: OutputId, v: number) => luminanceOn(output)([v, v, v]);
    expect(grey('pq', 0.5807)).toBeCloseTo(203, 0);
    expect(grey('pq', 0.38)).toBeCloseTo(26, 0);
    expect(grey('bt1886', 1)).toBeCloseTo(100, 6);
    // Green is the brightest of the three primaries, blue the darkest (BT.2020-2 table 4).
    const [r, g, b] = [0, 1, 2].map((c) =>
      luminanceOn('pq')([0, 1, 2].map((i) => (i === c ? 0.5 : 0)) as never),
    );
    expect(r + g + b).toBeCloseTo(grey('pq', 0.5), 6);
    expect(r / (r + g + b)).toBeCloseTo(0.2627, 6);
    expect(b / (r + g + b)).toBeCloseTo(0.0593, 6);
  });
});

describe('marks of light on a scope', () => {
  it('lie where BT.2408-7 table 1 has them on PQ and HLG; SDR has none', () => {
    const at = (output: 'pq' | 'hlg', level: number) =>
      lightTicks(output).find(({ light }) => light === level)?.signal;
    expect(at('pq', 26)).toBeCloseTo(0.38, 2);
    expect(at('pq', 203)).toBeCloseTo(0.58, 2);
    expect(at('hlg', 26)).toBeCloseTo(0.38, 2);
    expect(at('hlg', 203)).toBeCloseTo(0.75, 2);
    expect(at('hlg', 1000)).toBeCloseTo(1, 3);
    expect(at('hlg', 4000)).toBeUndefined();
    expect(lightTicks('bt1886')).toEqual([]);
  });
});
