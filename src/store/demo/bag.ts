import { ND_UNITS } from '#core/exposure/nd.ts';
import type { GelRecord, LightRecord, MonitorRecord, NdSetRecord } from '../records/bag.ts';

// What Salt and Fire carries beside its cameras. All figures invented.

export const demoNdSets: readonly NdSetRecord[] = [
  {
    id: 'nd-squares',
    name: 'squares',
    kind: 'fixed',
    unit: 'density',
    stops: [0.3, 0.6, 0.9, 1.2, 1.8].map(ND_UNITS.density.toStops),
    lean: { mired: 4, tint: 0 },
  },
  {
    id: 'nd-turning',
    name: 'variable',
    kind: 'variable',
    unit: 'stops',
    stops: [2, 5],
    lean: { mired: 9, tint: 2 },
  },
  {
    id: 'nd-strong',
    name: 'strong pair',
    kind: 'fixed',
    unit: 'factor',
    stops: [7, 8],
    lean: { mired: 12, tint: 1 },
  },
  {
    id: 'nd-air',
    name: 'air cam caps',
    kind: 'fixed',
    unit: 'factor',
    stops: [2, 3, 4, 5],
    lean: { mired: 2, tint: 0 },
    fits: 'air-cam',
  },
];

export const demoLights: readonly LightRecord[] = [
  { id: 'north-window', name: 'North window', kelvin: 6300, tint: 3 },
  { id: 'gather', name: 'Gather at work', kelvin: 1600, tint: 0 },
  { id: 'shop-tubes', name: 'Shop tubes', kelvin: 4100, tint: 9 },
  { id: 'panel', name: 'Panel lamp', kelvin: 5600, tint: 1 },
  { id: 'hall-spots', name: 'Hall spots', kelvin: 3150, tint: 0 },
  { id: 'lanterns', name: 'Quay lanterns', kelvin: 2400, tint: 1 },
  { id: 'noon-sun', name: 'Noon sun', kelvin: 5500, tint: 0 },
  { id: 'low-sun', name: 'Low sun', kelvin: 3800, tint: 0 },
];

export const demoGels: readonly GelRecord[] = [
  { id: 'full-warm', name: 'Full daylight to tungsten', mired: 134, tint: 0, lossStops: 0.7 },
  { id: 'half-warm', name: 'Half daylight to tungsten', mired: 68, tint: 0, lossStops: 0.4 },
  { id: 'full-cool', name: 'Full tungsten to daylight', mired: -134, tint: 0, lossStops: 1.5 },
  { id: 'minus-green', name: 'Half minus green', mired: 4, tint: -6, lossStops: 0.4 },
];

export const demoMonitors: readonly MonitorRecord[] = [
  { id: 'cart', name: 'Cart monitor', lutPoints: 33, inches: 17, peak: 350, range: 'SDR' },
  { id: 'on-camera', name: 'On-camera', lutPoints: 17, inches: 5, peak: 1000, range: 'SDR' },
  { id: 'hdr-room', name: 'HDR in the edit', lutPoints: 65, inches: 31, peak: 1000, range: 'HDR' },
];
