import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { plainContext as context } from '../rpc/fixtures/context.ts';
import { compileProfile } from '#core/profile/index.ts';
import { profileFromBracket } from '#core/profile/making.ts';
import { BRACKET_CARD, BRACKET_STOPS_FILMED, BRACKET_TRUTH, bracketFile } from '#store/demo/bracket.ts';
import { floorAt } from '#core/noise/sensorNoise.ts';
import { bracketHandlers } from './handlers.ts';

const jobs = bracketHandlers();
const file = (stops: number) =>
  new Uint8Array(readFileSync(`public/demo/bracket/${bracketFile(stops)}`)).buffer;
const inset = { x: BRACKET_CARD.x + 0.02, y: BRACKET_CARD.y + 0.04, width: 0.16, height: 0.32 };

const filmed = async () => {
  const readings = [];
  for (const stops of BRACKET_STOPS_FILMED) {
    const { output } = await jobs.reading({ bytes: file(stops), range: 'full', mark: inset }, context);
    if (!output.ok) throw new Error(output.reason);
    readings.push({ stops, signal: output.value.signal, deviation: output.value.deviation });
  }
  return readings;
};

describe('nine demo frames of a card', () => {
  it('solve to the curve they were made with: within 0.05 stop, clip and floor found', async () => {
    const solved = profileFromBracket(await filmed(), 'bt2020');
    if (!solved.ok) throw new Error(solved.reason);
    const { profile, noise, residuals } = solved.value;
    const [found, truth] = [compileProfile(profile), compileProfile(BRACKET_TRUTH.profile)];
    for (let stops = -4; stops <= 4.5; stops += 0.25)
      expect(Math.abs(found.stopsAt(truth.signalAt(stops)) - stops)).toBeLessThan(0.05);
    expect(Math.abs(profile.clipStops - truth.clipStops)).toBeLessThan(0.05);
    expect(residuals.every(({ outlier }) => !outlier)).toBe(true);
    // Luma averages three noisy channels: as many electrons more as the squared weights say.
    const gained = 1 / (0.2126 ** 2 + 0.7152 ** 2 + 0.0722 ** 2);
    const sensor = {
      electronsAtGrey: BRACKET_TRUTH.greyElectrons * gained,
      readElectrons: BRACKET_TRUTH.readElectrons * Math.sqrt(gained),
    };
    expect(noise).toBeDefined();
    if (noise) expect(Math.abs(floorAt(noise) - floorAt(sensor))).toBeLessThan(0.35);
  });

  it('show themselves small for marking, and a file that is none is refused', async () => {
    const { output } = await jobs.preview({ bytes: file(0), range: 'full', maxWidth: 96 }, context);
    expect(output).toMatchObject({ ok: true, value: { width: 96, height: 54 } });
    const broken = await jobs.reading({ bytes: new ArrayBuffer(12), range: 'full', mark: inset }, context);
    expect(broken.output).toMatchObject({ ok: false, where: 'byte 0' });
    const gone = await jobs.preview({ bytes: new ArrayBuffer(0), range: 'full', maxWidth: 96 }, context);
    expect(gone.output).toMatchObject({ ok: false });
  });
});
