// Runs in a Chromium worker: times each scope on one 1920x1080 10-bit frame, and the rest of the work beside it.
import { compileMonitoring } from '#core/lut/monitoring.ts';
import { ARCHETYPES, compileProfile, stopsByCode, type Anchor } from '#core/profile/index.ts';
import { profileFromAnchors } from '#core/profile/making.ts';
import { drawContours } from '#core/scopes/contours.ts';
import { drawFalseColour, falseColourTable } from '#core/scopes/falseColour.ts';
import { lumaPlane } from '#core/scopes/luma.ts';
import { PLAIN } from '#core/kernels/plain.ts';
import { emptyCells, markCells } from '#core/scopes/marks.ts';
import { measureClipping } from '#core/scopes/measure.ts';
import { drawMonitor } from '#core/kernels/picture.ts';
import { histogramOf, waveform } from '#core/scopes/waveform.ts';
import { rampColours, waveformPicture } from '#core/scopes/waveformPicture.ts';
import { drawZebra, zebraTable } from '#core/scopes/zebra.ts';
import { LUMA } from '#core/signal/luma.ts';
import { codeToSignal } from '#core/signal/scale.ts';
import { F_NUMBERS } from '#core/exposure/aperture.ts';
import type { SceneLight } from '#core/scene/scene.ts';
import { expose, type CameraBody, type CameraSettings } from '#core/sensor/camera.ts';
import { BENCH_PROFILE, benchFrame, HEIGHT, WIDTH } from './frame.ts';
import { medianOf, timeScopes } from './scopes.ts';
import { timeLuts } from './luts.ts';
import { ISO_SPEEDS } from '#core/exposure/iso.ts';
import { ndStacks, solveExposure, type ExposureChoices } from '#core/exposure/solver.ts';
import { setCardNumbers, type CardCamera } from '#core/exposure/setCard.ts';
import { zebraSheet } from '#core/exposure/zebraSheet.ts';

const ROUNDS = 25;

const profileData = BENCH_PROFILE;
const frame = benchFrame();
const camera: CardCamera = {
  coding: frame,
  baseIsos: [800],
  floorStops: -6,
  zebra: {
    scale: 'signalPercent',
    reads: 'log',
    range: { min: 0, max: 107, step: 1, tolerances: [1, 2, 3] },
    lowerLimit: { min: 50, max: 107, step: 1 },
  },
};
const anchors: readonly Anchor[] = [
  { id: 'black', reading: 3.2, step: 0.1 },
  { id: 'grey', reading: 40.6, step: 0.1 },
  { id: 'white', reading: 61, step: 0.1 },
];
const people = [{ id: 'a', name: 'A', skinOffset: 1.2 }];
const freeKnobs: ExposureChoices = {
  irises: F_NUMBERS,
  shutters: [24, 25, 50, 60, 100, 120, 250, 500, 1000, 2000].map((denominator) => ({
    kind: 'time',
    denominator,
  })),
  isos: ISO_SPEEDS,
  nd: ndStacks([
    { id: 's', name: 'squares', kind: 'fixed', unit: 'density', stops: [1, 2, 3, 4, 6] },
    { id: 'v', name: 'variable', kind: 'variable', unit: 'stops', stops: [2, 5] },
  ]),
  lightMoves: false,
};
const profile = compileProfile(profileData);
const stops = stopsByCode(profile, 1024, (code) => codeToSignal(code, frame));
const luma = lumaPlane(frame, LUMA.bt709);
const pixels = new Uint32Array(WIDTH * HEIGHT);
const zebras = zebraTable(1024, [{ from: 470, to: 520 }], { from: 850, to: 1023 });
const colours = falseColourTable(stops, 'viridis');
const counted = waveform(luma, WIDTH, 10, 640);
const wide = compileMonitoring({ profile: profileData, pullStops: 1 });
const separable = compileMonitoring({ profile: ARCHETYPES.classicLog, pullStops: 1 });
const axis = (level: number) => codeToSignal(level, frame);

/** What the zebra and false colour would cost without tables: the ratio shows what they save. */
const naive = () => {
  for (let i = 0; i < pixels.length; i += 1) {
    const y = 0.2126 * frame.r[i] + 0.7152 * frame.g[i] + 0.0722 * frame.b[i];
    const over = profile.stopsAt(codeToSignal(y, frame));
    pixels[i] = over > 5.6 ? 0xffffffff : (128 + over * 8) | 0;
  }
};

/** Light with everything in it a frame has: flat, bright, dark, coloured. */
const lightOf = (width: number, height: number): SceneLight => ({
  width,
  height,
  rgb: Float32Array.from(
    { length: 3 * width * height },
    (_, i) => 2 + 40 * Math.abs(Math.sin(i * 0.37)) ** 6 * (1 + (i % 7)),
  ),
});
const [small, large] = [lightOf(960, 540), lightOf(WIDTH, HEIGHT)];
const body: CameraBody = {
  sensor: { electronsAtGrey: 900, readElectrons: 4, baseIsos: [800], sensitivity: 'gain', fullStops: 6 },
};
const dialled: CameraSettings = {
  fNumber: 2.83,
  seconds: 1 / 50,
  iso: 800,
  ndStops: 0,
  diffusion: 0,
  kelvin: 5600,
  tint: 0,
  profile: profileData,
  coding: { bitDepth: 10, range: 'legal' },
  chroma: '4:2:2',
  smoothing: 0,
};

const tasks: Record<string, () => unknown> = {
  'simulated camera, 960x540': () => expose(small, body, dialled, 1),
  'simulated camera, 1920x1080': () => expose(large, body, dialled, 1),
  luma: () => lumaPlane(frame, LUMA.bt709),
  'waveform counts, 640 columns': () => waveform(luma, WIDTH, 10, 640),
  'histogram from the counts': () => histogramOf(counted),
  zebra: () => drawZebra(pixels, luma, WIDTH, zebras),
  'false colour': () => drawFalseColour(pixels, luma, colours),
  'waveform + zebra + false colour, with luma': () => {
    const y = lumaPlane(frame, LUMA.bt709);
    waveform(y, WIDTH, 10, 640);
    drawFalseColour(pixels, y, colours);
    drawZebra(pixels, y, WIDTH, zebras);
  },
  'waveform picture 640x320': () =>
    waveformPicture(counted, {
      height: 320,
      colourOf: rampColours('viridis', (level) => profile.stopsAt(axis(level))),
      placeOfLevel: axis,
    }),
  contours: () => drawContours(pixels, luma, WIDTH, stops),
  'clip and floor mask, counted': () => {
    const cells = emptyCells(WIDTH, HEIGHT);
    markCells(frame, luma, 886, 120, cells);
    measureClipping(cells);
  },
  'monitor, one table (BT.709 profile)': () => drawMonitor(PLAIN, pixels, frame, separable),
  'monitor, 33-point lattice (BT.2020 profile)': () => drawMonitor(PLAIN, pixels, frame, wide),
  'set card, one placement': () =>
    setCardNumbers(
      profileData,
      camera,
      {
        placement: 1,
        iso: 800,
        shutter: { kind: 'angle', degrees: 180 },
        iris: 2.8,
        ndStops: 0,
        warningMargin: 1 / 3,
      },
      people,
      25,
    ),
  'zebra sheet, both pictures': () =>
    zebraSheet(profileData, camera, people, { iso: 800, warningMargin: 1 / 3 }),
  'exposure solved, everything free': () => solveExposure(40, 1, freeKnobs, { iris: 4, baseIsos: [800] }, 25),
  'profile from three anchors, with its band': () =>
    profileFromAnchors(anchors, 'signalPercent', frame, 'bt2020'),
  'plain loop: luma, decode, stripe per pixel': naive,
};

const rest = () => Object.entries(tasks).map(([name, task]) => ({ name, ms: medianOf(ROUNDS, task) }));

const PARTS = { rest, scopes: () => timeScopes(frame), luts: timeLuts };

onmessage = async ({ data }: MessageEvent<keyof typeof PARTS>) => {
  postMessage(await PARTS[data]());
};
