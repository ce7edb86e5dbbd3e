import { describe, expect, it } from 'vitest';
import { ARCHETYPE_IDS, ARCHETYPES, compileProfile } from '../profile/index.ts';
import { differenceMap } from './differenceMap.ts';
import { compileGreyAxis, stopsShownAt, sampleGreyAxis } from './greyAxis.ts';
import { monitoringRecipe } from './monitoring.ts';
import { shownOnVideo } from './onScreen.ts';
import { OUTPUT_IDS, OUTPUTS } from './outputs.ts';
import { compileRecipe } from './recipe.ts';

describe('a grey axis', () => {
  it.each(ARCHETYPE_IDS)('of %s stands in for its LUT, and gives its pull back', (id) => {
    const profile = compileProfile(ARCHETYPES[id]);
    for (const pullStops of [-1, 0, 4 / 3]) {
      const { neutral } = compileRecipe(monitoringRecipe({ profile: ARCHETYPES[id], pullStops }));
      const axis = compileGreyAxis(sampleGreyAxis(neutral));
      for (let v = -0.05; v < 1.08; v += 0.013) expect(axis(v)).toBeCloseTo(neutral(v), 2);
      expect(stopsShownAt(profile, axis, OUTPUTS.bt1886.grey)).toBeCloseTo(pullStops, 1);
    }
  });

  it('that never reaches grey has the end of the recording as its pull', () => {
    const profile = compileProfile(ARCHETYPES.wideLog);
    expect(stopsShownAt(profile, () => 0.1, 0.45)).toBeCloseTo(profile.clipStops, 6);
    expect(stopsShownAt(profile, () => 0.9, 0.45)).toBeCloseTo(-12, 6);
  });
});

describe('an output on this screen', () => {
  it('is itself for video, the same light for sRGB, and cut at 203 cd/m2 for HDR', () => {
    for (const output of OUTPUT_IDS) {
      const recipe = {
        ...monitoringRecipe({ profile: ARCHETYPES.wideLog, pullStops: 0 }),
        output,
        peak: 1000,
      };
      const { rgb } = compileRecipe(recipe);
      const shown = shownOnVideo(output);
      const profile = compileProfile(ARCHETYPES.wideLog);
      const [grey, white] = [0, 6].map((stops) => {
        const v = profile.signalAt(stops);
        return shown(rgb([v, v, v]));
      });
      expect(Math.max(...grey) - Math.min(...grey)).toBeLessThan(2e-3);
      expect(Math.max(...white)).toBeLessThanOrEqual(1);
      expect(white[1]).toBeGreaterThan(0.99);
      // 26 of 203 cd/m2 (BT.2408-7 table 1), coded for BT.1886: (26 / 203)^(1 / 2.4).
      if (output === 'hlg' || output === 'pq') expect(grey[1]).toBeCloseTo((26 / 203) ** (1 / 2.4), 2);
      else expect(grey[1]).toBeCloseTo(0.45, 3);
    }
  });
});

describe('a difference over the cube', () => {
  it('lies where the two differ, red to the right, green up, planes of blue', () => {
    const map = differenceMap(
      (rgb) => rgb,
      ([r, g, b]) => [r, g > 0.9 ? g - 0.1 : g, b],
      'bt1886',
      { planes: 3, side: 5 },
    );
    expect(map.data).toHaveLength(75);
    map.data.forEach((d, i) => {
      if (Math.floor(i / 5) % 5 === 4) expect(d).toBeGreaterThan(1);
      else expect(d).toBe(0);
    });
  });
});
