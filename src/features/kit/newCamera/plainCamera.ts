import { F_NUMBERS } from '#core/exposure/aperture.ts';
import { ISO_SPEEDS } from '#core/exposure/iso.ts';
import type { CameraRecord } from '#store/records/camera.ts';

/** Denominators that most shutter dials offer. Common practice. */
const TIMES = [24, 25, 30, 48, 50, 60, 100, 120, 125, 200, 250, 500, 1000, 2000, 4000, 8000];

/** A camera of which nothing is known yet: what is assumed until its owner says otherwise, on the careful side. */
export const PLAIN_CAMERA: CameraRecord = {
  id: 'new',
  name: 'New camera',
  job: '',
  coding: { bitDepth: 8, range: 'legal' },
  chroma: '4:2:0',
  recordings: [],
  baseIsos: [800],
  isos: ISO_SPEEDS.filter((iso) => iso >= 100 && iso <= 12_800),
  sensitivity: 'gain',
  irises: F_NUMBERS.filter((f) => f >= 2.8 && f <= 22),
  shutterBy: 'time',
  shutters: TIMES,
  meter: { modes: [], scale: 2, bias: 0 },
  kelvinStep: 100,
  kelvinRange: [2500, 9900],
  tintRange: [0, 0],
  tintStep: 1,
  floorStops: -4,
  profileIds: ['standard'],
  waveformReads: 'log',
  zebra: {
    scale: 'signalPercent',
    reads: 'log',
    kinds: ['range', 'lowerLimit'],
    slots: 1,
    range: { min: 30, max: 100, step: 5, tolerances: [2, 5, 10] },
    lowerLimit: { min: 30, max: 100, step: 5 },
  },
};
