// What the schools of placement say a placement costs, against frames of the simulated camera: noise at grey after the
// pull, room to clip, and the usable floor.
import { describe, expect, it } from 'vitest';
import { luminanceFor } from '../exposure/meter.ts';
import { schoolAnswers, type SchoolAnswer } from '../exposure/schools.ts';
import { surveyOf } from '../exposure/survey.ts';
import { floorAt, USABLE_SNR } from '../noise/sensorNoise.ts';
import { ARCHETYPES, compileProfile } from '../profile/index.ts';
import { codeToSignal } from '../signal/scale.ts';
import { stopsToReflectance } from '../units.ts';
import { expose } from './camera.ts';

const CODING = { bitDepth: 10, range: 'legal' } as const;
const SENSOR = { electronsAtGrey: 900, readElectrons: 3 };
const PROFILE = { ...ARCHETYPES.wideLog, gamut: 'bt2020' as const };
const profile = compileProfile(PROFILE);
const EXPOSURE = { fNumber: 4, seconds: 1 / 50, iso: 800, ndStops: 0 };
const [WIDTH, HEIGHT] = [96, 64];
/** Middle of three channels of equal noise tells the same as one: green is read. */
const greenOf = (recorded: number): { light: number; deviation: number; clipped: number } => {
  // A plain field in the camera's own white, so bright that it is recorded at this stop.
  const luminance = luminanceFor(EXPOSURE, recorded);
  const rgb = new Float32Array(3 * WIDTH * HEIGHT).fill(luminance);
  const frame = expose(
    { width: WIDTH, height: HEIGHT, rgb },
    {
      sensor: { ...SENSOR, baseIsos: [800], sensitivity: 'gain', fullStops: profile.clipStops },
    },
    {
      ...EXPOSURE,
      diffusion: 0,
      kelvin: 6504,
      tint: 0,
      profile: PROFILE,
      coding: CODING,
      chroma: '4:4:4',
      smoothing: 0,
    },
    7,
  );
  const lights = Array.from(frame.g, (code) => profile.transfer.decode(codeToSignal(code, CODING)));
  const mean = lights.reduce((a, b) => a + b, 0) / lights.length;
  const variance = lights.reduce((sum, v) => sum + (v - mean) ** 2, 0) / (lights.length - 1);
  const full = lights.filter((v) => v >= stopsToReflectance(profile.clipStops - 0.05)).length;
  return { light: mean, deviation: Math.sqrt(variance), clipped: full / lights.length };
};

const KEPT = { low: -4, high: 3.5 };
const survey = surveyOf(
  [
    { id: 'card', name: 'Card', role: 'card', unit: 'stops', value: 0 },
    { id: 'high', name: 'Sheet', role: 'keep', unit: 'stops', value: KEPT.high },
    { id: 'low', name: 'Coat', role: 'keep', unit: 'stops', value: KEPT.low },
  ],
  [],
);
if (!survey.ok) throw new Error(survey.reason);
const floorStops = floorAt(SENSOR);
const placed = schoolAnswers({
  survey: survey.value,
  profile,
  clipStops: profile.clipStops,
  floorStops,
  bitDepth: 8,
  sensor: SENSOR,
  subjects: [],
  backOff: 1 / 3,
  meterBias: 0,
}).filter((one): one is SchoolAnswer & { placement: number } => one.placement !== undefined);

describe.each(placed.map((one) => [one.id, one] as const))(
  '%s',
  (_, { placement, noise, roomAbove, cleanBelow }) => {
    it('noise at grey after the pull is what it says, within a twentieth', () => {
      const [here, plain] = [greenOf(placement), greenOf(0)];
      const measured = here.deviation / here.light / (plain.deviation / plain.light);
      expect(Math.abs(measured / noise - 1)).toBeLessThan(0.05);
    });

    it('the brightest kept tone clips where room is gone, not where some is left', () => {
      // What is lit so that its room is just under nothing is full; a third of a stop lower it is not.
      const clipsAt = placement + KEPT.high + roomAbove;
      expect(greenOf(clipsAt + 0.1).clipped).toBeGreaterThan(0.9);
      expect(greenOf(clipsAt - 1 / 3).clipped).toBeLessThan(0.1);
    });

    it('the darkest kept tone stands over its noise as far as it says, within a fifth of a stop', () => {
      // The light whose signal over noise is the usable one lies so far under the darkest kept tone.
      const at = placement + KEPT.low - cleanBelow;
      const { light, deviation } = greenOf(at);
      expect(Math.abs(Math.log2(light / deviation / USABLE_SNR))).toBeLessThan(0.2);
    });
  },
);
