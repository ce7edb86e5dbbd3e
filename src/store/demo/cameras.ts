import { F_NUMBERS } from '#core/exposure/aperture.ts';
import { ISO_SPEEDS } from '#core/exposure/iso.ts';
import type { CameraMatch, CameraRecord } from '../records/camera.ts';
import demoMatches from './matches.json' with { type: 'json' };

// The cameras of Salt and Fire, named by their job. All figures invented.

const irises = (from: number, to: number) => F_NUMBERS.filter((f) => f >= from && f <= to);
const isos = (from: number, to: number) => ISO_SPEEDS.filter((iso) => iso >= from && iso <= to);

const ANGLES = [22.5, 45, 90, 144, 150, 172.8, 180, 216, 270, 360];
const TIMES = [24, 25, 30, 48, 50, 60, 100, 120, 125, 200, 250, 500, 1000, 2000, 4000, 8000];
const spotAndWhole = { modes: ['spot', 'whole frame'], scale: 2, bias: 0 };

const wideZebra = {
  scale: 'signalPercent',
  reads: 'log',
  kinds: ['range', 'lowerLimit'],
  slots: 2,
  range: { min: 0, max: 107, step: 1, tolerances: [1, 2, 3, 4, 5, 6, 7, 8, 9, 10] },
  lowerLimit: { min: 50, max: 107, step: 1 },
} as const;

const coarseZebra = {
  scale: 'signalPercent',
  reads: 'log',
  kinds: ['range', 'lowerLimit'],
  slots: 1,
  range: { min: 30, max: 100, step: 5, tolerances: [2, 5, 10] },
  lowerLimit: { min: 70, max: 100, step: 5 },
} as const;

const zebraOf = (zebra: typeof wideZebra | typeof coarseZebra): CameraRecord['zebra'] => ({
  ...zebra,
  kinds: [...zebra.kinds],
  range: { ...zebra.range, tolerances: [...zebra.range.tolerances] },
});

export const demoCameras: readonly CameraRecord[] = [
  {
    id: 'a-cam',
    name: 'A-cam',
    job: 'main camera, graded',
    coding: { bitDepth: 10, range: 'legal' },
    chroma: '4:2:2',
    baseIsos: [800, 3200],
    isos: isos(200, 12800),
    irises: irises(1.4, 22),
    shutterBy: 'angle',
    shutters: ANGLES,
    meter: spotAndWhole,
    recordings: [
      { upToFps: 30, codec: 'intra', mbps: 500 },
      { upToFps: 60, codec: 'long GOP', mbps: 280 },
    ],
    sensitivity: 'gain',
    extendedUnder: 800,
    lean: { mired: -4, tint: 1, kelvin: 5600, measuredOn: '2026-01-18' },
    noise: { electronsAtGrey: 655, readElectrons: 4, from: 'patches' },
    tintRange: [-50, 50],
    tintStep: 1,
    waveformReads: 'log',
    kelvinStep: 10,
    kelvinRange: [2000, 12000],
    floorStops: -6,
    profileIds: ['wideLog', 'hlg', 'cineFlat', 'standard'],
    zebra: zebraOf(wideZebra),
  },
  {
    id: 'b-cam',
    name: 'B-cam',
    job: 'second angle, older body',
    coding: { bitDepth: 8, range: 'legal' },
    chroma: '4:2:0',
    baseIsos: [640],
    isos: isos(200, 6400),
    irises: irises(2.8, 22),
    shutterBy: 'time',
    shutters: TIMES,
    meter: spotAndWhole,
    recordings: [{ upToFps: 50, codec: 'long GOP', mbps: 100 }],
    sensitivity: 'gain',
    lean: { mired: 9, tint: -3, kelvin: 5600, measuredOn: '2026-01-18' },
    matches: demoMatches as unknown as CameraMatch[],
    tintRange: [-9, 9],
    tintStep: 1,
    waveformReads: 'log',
    kelvinStep: 100,
    kelvinRange: [2500, 9900],
    floorStops: -4.5,
    profileIds: ['classicLog', 'cineFlat', 'standard'],
    zebra: zebraOf(coarseZebra),
  },
  {
    id: 'small-cam',
    name: 'Small cam',
    job: 'rigs, under water',
    coding: { bitDepth: 10, range: 'full' },
    chroma: '4:2:0',
    baseIsos: [100],
    isos: isos(100, 3200),
    irises: [],
    fixedIris: 2.8,
    shutterBy: 'time',
    shutters: TIMES,
    meter: { modes: ['whole frame'], scale: 2, bias: 0.5 },
    recordings: [{ upToFps: 60, codec: 'long GOP', mbps: 120 }],
    sensitivity: 'gain',
    tintRange: [0, 0],
    tintStep: 1,
    waveformReads: 'log',
    kelvinStep: 500,
    kelvinRange: [2300, 6500],
    floorStops: -4,
    profileIds: ['flat', 'mildLog', 'standard'],
    zebra: zebraOf(coarseZebra),
  },
  {
    id: 'air-cam',
    name: 'Air cam',
    job: 'dunes and quay from above',
    coding: { bitDepth: 10, range: 'full' },
    chroma: '4:2:0',
    baseIsos: [100],
    isos: isos(100, 1600),
    irises: irises(2.8, 11),
    shutterBy: 'time',
    shutters: TIMES,
    meter: { modes: ['whole frame'], scale: 3, bias: 0 },
    recordings: [
      { upToFps: 30, codec: 'long GOP', mbps: 150 },
      { upToFps: 60, codec: 'long GOP', mbps: 200 },
    ],
    sensitivity: 'gain',
    noise: { electronsAtGrey: 700, readElectrons: 4, from: 'bracket' },
    tintRange: [-10, 10],
    tintStep: 1,
    waveformReads: 'log',
    kelvinStep: 100,
    kelvinRange: [2000, 10000],
    floorStops: -6,
    profileIds: ['mildLog', 'hlg', 'standard'],
    zebra: zebraOf(coarseZebra),
  },
  ...(['hall-1', 'hall-2'] as const).map((id, n): CameraRecord => ({
    id,
    name: `Hall ${n + 1}`,
    job: n === 0 ? 'fixed, wide' : 'fixed, speaker',
    coding: { bitDepth: 10, range: 'legal' },
    chroma: '4:2:2',
    baseIsos: [400],
    isos: isos(200, 6400),
    irises: irises(2.8, 16),
    shutterBy: 'time',
    shutters: TIMES,
    meter: spotAndWhole,
    recordings: [{ upToFps: 60, codec: 'intra', mbps: 240 }],
    sensitivity: 'gain',
    tintRange: [-20, 20],
    tintStep: 1,
    waveformReads: 'log',
    kelvinStep: 100,
    kelvinRange: [2500, 9900],
    floorStops: -5,
    profileIds: ['standard', 'hlg', 'cineFlat'],
    // Its zebra follows the display LUT: the classic trap.
    zebra: { ...zebraOf(wideZebra), reads: n === 0 ? 'log' : 'lut' },
  })),
];
