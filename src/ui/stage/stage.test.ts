import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { F_NUMBERS } from '#core/exposure/aperture.ts';
import { surveyOf } from '#core/exposure/survey.ts';
import { luminanceFor } from '#core/exposure/meter.ts';
import {
  sceneFiles,
  sceneFor,
  STAGE_SCENE_IDS,
  STAGE_SCENES,
  stageScene,
  type StageSceneId,
} from '#store/demo/scenes.ts';
import { BOARD_PATCHES } from '#core/scene/board.ts';
import { readTruth } from '#core/scene/truth.ts';
import { glassSum } from '#core/lens/glass.ts';
import { balancedWhite, checkedSettings, expose } from '#core/sensor/camera.ts';
import { USABLE_SNR } from '#core/noise/sensorNoise.ts';
import { codeToSignal } from '#core/signal/scale.ts';
import { demoBook, demoSelection } from '#store/fixtures/demoBook.ts';
import { shuttersOf } from '#store/records/camera.ts';
import { setupsOf } from '#store/selection.ts';
import {
  automaticStep,
  autoRulesOf,
  bodyOf,
  irisesOf,
  knobsOfCard,
  settingsOfKnobs,
  stepIn,
  stepKelvin,
  withAutomatics,
} from './stageModel.ts';
import { FIRST_LOOK, patchesOfTruth, PLAIN_AUTOMATICS } from './stageStart.ts';

const book = demoBook();
const truthOf = (id: StageSceneId) => {
  const read = readTruth(readFileSync(`public${sceneFiles(id).truth}`, 'utf8'));
  if (!read.ok) throw new Error(read.reason);
  return read.value;
};
const everyPair = setupsOf(book, 'salt-and-fire').flatMap((setup) =>
  setup.cameraIds.map((camera) => [setup.id, camera] as const),
);

describe('the simulated camera as the kit knows it', () => {
  it.each(everyPair)('%s, %s: set as the card says, within what it takes', (setup, camera) => {
    const selection = demoSelection(setup, camera);
    const settings = settingsOfKnobs(selection, knobsOfCard(selection), book);
    expect(settings && checkedSettings(settings)).toMatchObject({ ok: true });
    expect(sceneFor(setup, camera)).toBeDefined();
    expect(irisesOf(selection.camera).length).toBeGreaterThan(0);
    expect(shuttersOf(selection.camera).length).toBeGreaterThan(3);
    expect(autoRulesOf(selection.camera).isoRange[1]).toBe(4 * Math.min(...selection.camera.baseIsos));
  });

  it('coloured glass turns the picture, and balancing through it takes that back', () => {
    const selection = demoSelection('slipway', 'small-cam');
    const { camera } = selection;
    const glass = ['redWater'];
    const ratioOf = (through: unknown, kelvin: number): number => {
      const settings = settingsOfKnobs(selection, { ...knobsOfCard(selection), kelvin, tint: 0 }, book)!;
      const side = 24;
      const white = balancedWhite({ kelvin: 5600, tint: 0 });
      const rgb = Float32Array.from(
        { length: 3 * side * side },
        (_, i) => white[Math.floor(i / (side * side))] * luminanceFor(settings),
      );
      const frame = expose({ width: side, height: side, rgb }, bodyOf(camera, book, through), settings, 3);
      const mean = (plane: Uint16Array) => plane.reduce((sum, v) => sum + v, 0) / plane.length;
      return mean(frame.r) / mean(frame.b);
    };
    const plain = ratioOf(undefined, 5600);
    expect(ratioOf(glass, 5600)).toBeGreaterThan(1.1 * plain);
    // A light so much warmer is what comes through the glass; the body's own lean stays.
    const { mired } = glassSum(['redWater']);
    expect(ratioOf(glass, 1e6 / (1e6 / 5600 + mired)) / plain).toBeCloseTo(1, 1);
  });

  it('a profile that is gone gives no picture', () => {
    const selection = demoSelection('dunes', 'air-cam');
    expect(
      settingsOfKnobs(selection, { ...knobsOfCard(selection), profileId: 'gone' }, book),
    ).toBeUndefined();
  });

  // ISO 15739: range is from saturation down to a signal to noise; here the usable one, 2, as the kit states floors.
  it.each([...book.cameras.values()].map((camera) => [camera.id, camera] as const))(
    '%s: its range measured off frames is the one its card states, within 0.2 stop',
    (_, camera) => {
      const body = bodyOf(camera, book);
      const linear = {
        curve: { kind: 'standard', transfer: 'linear', gain: 1 / 16 },
        gamut: 'bt2020',
        clipStops: 8,
      } as const;
      const settings = {
        fNumber: 4,
        seconds: 1 / 50,
        iso: camera.baseIsos[0],
        ndStops: 0,
        diffusion: 0,
        kelvin: 6504,
        tint: -3.2,
        profile: linear,
        coding: { bitDepth: 16, range: 'legal' },
        chroma: '4:4:4',
        smoothing: 0,
      } as const;
      const side = 96;
      const read = (stops: number) => {
        const rgb = new Float32Array(3 * side * side).fill(luminanceFor(settings) * 2 ** stops);
        const frame = expose({ width: side, height: side, rgb }, { sensor: body.sensor }, settings, 5);
        const light = Array.from(frame.g, (code) => codeToSignal(code, frame));
        const mean = light.reduce((sum, v) => sum + v, 0) / light.length;
        const deviation = Math.sqrt(light.reduce((sum, v) => sum + (v - mean) ** 2, 0) / light.length);
        return { mean, snr: mean / deviation };
      };
      let floor = 0;
      while (floor > -12 && read(floor).snr > USABLE_SNR) floor -= 0.1;
      const full = Math.log2((read(9).mean * 16) / 0.18);
      const stated = Math.max(...camera.profileIds.map((id) => book.profiles.get(id)?.data.clipStops ?? 0));
      expect(Math.abs(full - floor - (stated - camera.floorStops))).toBeLessThan(0.2);
    },
    60_000,
  );

  it('a knob goes from the nearest entry of its list and holds at the ends', () => {
    const from = (f: number) => (one: number) => Math.abs(Math.log2(one / f));
    expect(stepIn([2.8, 4, 5.6], from(4), 1)).toBe(5.6);
    expect(stepIn([2.8, 4, 5.6], from(4.2), -1)).toBe(2.8);
    expect(stepIn([2.8, 4, 5.6], from(5.6), 4)).toBe(5.6);
    expect(stepIn(F_NUMBERS, from(4), 0)).toBe(4);
  });
});

describe('automatics and dials', () => {
  const rules = {
    irisRange: [2.8, 16],
    isoRange: [800, 3200],
    kelvinRange: [2500, 9900],
    compensation: 0,
  } as const;
  const settings = { fNumber: 4, iso: 800, kelvin: 5600 };
  const none = { ...PLAIN_AUTOMATICS };

  it('do nothing while they are off', () => {
    expect(automaticStep({ auto: none, shows: -2, seen: 3200 }, settings, rules, 1)).toEqual({});
  });

  it('the lens works first, gain only where it is at its end', () => {
    const auto = { ...none, iris: true, iso: true };
    const open = automaticStep({ auto, shows: -0.5 }, settings, rules, 0.1);
    expect(open.autoIris).toBeLessThan(4);
    expect(open.autoIso).toBeUndefined();
    const ended = automaticStep({ auto, shows: -3, autoIris: 2.8 }, settings, rules, 0.1);
    expect(ended.autoIris).toBe(2.8);
    expect(ended.autoIso).toBeGreaterThan(800);
  });

  it('show on the knobs, and only the ones that are on', () => {
    const knobs = knobsOfCard(demoSelection('packing-yard', 'a-cam'));
    const values = { autoIris: 5.66, autoIso: 1234.5, autoKelvin: 4321 };
    expect(withAutomatics(knobs, { ...none, balance: true }, values)).toEqual({ ...knobs, kelvin: 4320 });
    expect(withAutomatics(knobs, { ...none, iris: true, iso: true }, values)).toMatchObject({
      iris: 5.7,
      iso: 1235,
    });
  });

  it('Kelvin turns by ten mired, by a step of a coarse dial, and holds at its ends', () => {
    const fine = { kelvinStep: 10, kelvinRange: [2000, 12_000] as [number, number] };
    expect(stepKelvin(5600, 1, fine)).toBe(Math.round(1e6 / (1e6 / 5600 - 10) / 10) * 10);
    expect(stepKelvin(3200, 1, { ...fine, kelvinStep: 500 })).toBe(3500);
    expect(stepKelvin(12_000, 12, fine)).toBe(12_000);
    expect(stepKelvin(9000, 12, fine)).toBe(12_000);
    expect(stepKelvin(2000, -3, fine)).toBe(2000);
  });
});

const namesOfBoard = (...of: string[]) =>
  BOARD_PATCHES.flatMap(({ kind, name }) => (of.includes(kind) ? [name] : [])).sort();

describe('the scenes', () => {
  it.each(STAGE_SCENE_IDS)('%s shows the board whole: card, white, trap, wedge and chart', (id) => {
    const { objects, layers, width, height } = truthOf(id);
    const kinds = (kind: string) => objects.filter((object) => object.kind === kind);
    const named = (...of: string[]) =>
      objects.flatMap(({ kind, name }) => (of.includes(kind) ? [name] : [])).sort();
    expect([kinds('card').length, kinds('white').length, kinds('trap').length]).toEqual([1, 1, 1]);
    expect(named('wedge', 'patch')).toEqual(namesOfBoard('wedge', 'patch'));
    expect(layers).toHaveLength(stageScene(id).layers);
    expect(width / height).toBeCloseTo(16 / 9, 6);
    const card = kinds('card')[0];
    expect(card.reflectance?.[1]).toBeCloseTo(0.18, 3);
    expect(patchesOfTruth(truthOf(id), { width, height }, [])[0]).toMatchObject({ id: 'card', kind: 'card' });
    // White over grey by its reflectance, within what an uneven light leaves.
    expect(
      Math.abs(Math.log2(kinds('white')[0].keyLuminance / card.keyLuminance) - Math.log2(5)),
    ).toBeLessThan(0.4);
  });

  // The survey of the demo was read off these scenes: it must say what they hold.
  it.each<[StageSceneId, string, string]>([
    ['furnace-mouth', 'Card at the bench', 'grey card'],
    ['furnace-mouth', 'Ana, key side', 'Ana'],
    ['furnace-mouth', 'Gather', 'gather'],
    ['furnace-mouth', 'Door to daylight', 'door to daylight'],
    ['bench-interview', 'Card between them', 'grey card'],
    ['bench-interview', 'Ana, key side', 'Ana'],
    ['bench-interview', 'Ola, key side', 'Ola'],
    ['packing-yard', 'Card in the sun', 'grey card'],
    ['packing-yard', 'Ola, key side', 'Ola'],
    ['packing-yard', 'White crates', 'white crates'],
    ['dunes', 'Card on the sand', 'grey card'],
    ['slipway', 'Card at the floats', 'grey card'],
    ['slipway', 'Glass floats', 'glass floats'],
    ['slipway', 'Dark bottom', 'dark bottom'],
    ['hall-wide', 'Card at the lectern', 'grey card'],
    ['hall-wide', 'Ana, key side', 'Ana'],
    ['hall-wide', 'Ola, key side', 'Ola'],
    ['hall-wide', 'Projection', 'projection'],
    ['lantern-quay', 'Card under a lantern', 'grey card'],
    ['lantern-quay', 'Ana, key side', 'Ana'],
    ['lantern-quay', 'Lanterns', 'lanterns'],
    ['lantern-quay', 'Quay stones', 'quay stones'],
  ])('%s: the survey’s %s is the scene’s %s within 0.4 stop', (id, spotName, thing) => {
    const setup = book.setups.get(STAGE_SCENES[id].setupId);
    const survey = surveyOf(setup?.spots ?? [], []);
    const spot = survey.ok && survey.value.spots.find(({ spot: { name } }) => name === spotName);
    const object = truthOf(id).objects.find(({ name }) => name === thing);
    if (!spot || !object || spot.luminance === undefined)
      throw new Error(`${spotName} or ${thing} is missing`);
    const off = Math.log2(object.keyLuminance / spot.luminance);
    expect(Math.abs(off), `off by ${off.toFixed(2)}`).toBeLessThan(0.4);
  });

  it('first looks turn knobs that are there', () => {
    for (const [id, knobs] of Object.entries(FIRST_LOOK)) {
      expect(STAGE_SCENE_IDS).toContain(id);
      expect(Object.keys(knobs).length).toBeGreaterThan(0);
    }
  });
});
