import { F_NUMBERS } from '#core/exposure/aperture.ts';
import { ISO_SPEEDS } from '#core/exposure/iso.ts';
import type { CameraRecord } from './records/camera.ts';

// The cameras of Salt and Fire, named by their job. All figures invented.

const irises = (from: number, to: number) => F_NUMBERS.filter((f) => f >= from && f <= to);
const isos = (from: number, to: number) => ISO_SPEEDS.filter((iso) => iso >= from && iso <= to);

const wideZebra = {
  scale: 'signalPercent',
  reads: 'log',
  range: { min: 0, max: 107, step: 1, tolerances: [1, 2, 3, 4, 5, 6, 7, 8, 9, 10] },
  lowerLimit: { min: 50, max: 107, step: 1 },
} as const;

const coarseZebra = {
  scale: 'signalPercent',
  reads: 'log',
  range: { min: 30, max: 100, step: 5, tolerances: [2, 5, 10] },
  lowerLimit: { min: 70, max: 100, step: 5 },
} as const;

const zebraOf = (zebra: typeof wideZebra | typeof coarseZebra): CameraRecord['zebra'] => ({
  ...zebra,
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
    kelvinStep: 100,
    kelvinRange: [2000, 10000],
    floorStops: -5,
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
    kelvinStep: 100,
    kelvinRange: [2500, 9900],
    floorStops: -5,
    profileIds: ['standard', 'hlg', 'cineFlat'],
    // Its zebra follows the display LUT: the classic trap.
    zebra: { ...zebraOf(wideZebra), reads: n === 0 ? 'log' : 'lut' },
  })),
];
