import { printStopsExact } from '../units.ts';

/** How neutral density is written on the glass. */
export type NdUnit = 'stops' | 'density' | 'factor';

type NdUnitDefinition = {
  readonly name: string;
  /** What is written to stops. */
  readonly toStops: (written: number) => number;
  readonly fromStops: (stops: number) => number;
  readonly print: (stops: number) => string;
};

const short = (value: number, digits: number) => Number(value.toFixed(digits)).toString();
// Density is log10 of the factor, a stop is a factor of two: 0.301 (ISO 5-1, transmittance density).
const PER_STOP = Math.log10(2);

/** Stops as the density that stands on the glass: in tenths where it is one within the rounding of a mark. */
export const printDensity = (stops: number): string => {
  const density = stops * PER_STOP;
  const tenths = Math.round(10 * density) / 10;
  return short(Math.abs(density - tenths) < 0.015 ? tenths : density, 2);
};

export const ND_UNITS = {
  stops: {
    name: 'stops',
    toStops: (written) => written,
    fromStops: (stops) => stops,
    print: (stops) => `${printStopsExact(stops).replace('+', '')} stops`,
  },
  density: {
    name: 'density (0.3, 0.6 …)',
    toStops: (written) => written / PER_STOP,
    fromStops: (stops) => stops * PER_STOP,
    print: (stops) => `ND ${printDensity(stops)}`,
  },
  factor: {
    name: 'factor (2, 4, 8 …)',
    toStops: Math.log2,
    fromStops: (stops) => 2 ** stops,
    print: (stops) => `ND${short(2 ** stops, 0)}`,
  },
} as const satisfies Record<NdUnit, NdUnitDefinition>;

export const ND_UNIT_IDS = Object.keys(ND_UNITS) as NdUnit[];

/** Glass in the bag: single filters, or one that turns from its least to its most. */
export type NdSet = {
  readonly id: string;
  readonly name: string;
  readonly kind: 'fixed' | 'variable';
  readonly unit: NdUnit;
  /** Stops of each filter, or the least and the most. */
  readonly stops: readonly number[];
};

export type NdChoice = { readonly setId: string; readonly stops: number; readonly name: string };

/** Every density a set can be dialled to: each filter, or thirds of a stop from the least to the most. */
export const ndChoices = ({ id, name, kind, unit, stops }: NdSet): NdChoice[] => {
  const [low, high] = [Math.min(...stops), Math.max(...stops)];
  const values =
    kind === 'fixed'
      ? [...stops].sort((a, b) => a - b)
      : Array.from({ length: Math.floor((high - low) * 3 + 1e-6) + 1 }, (_, i) => low + i / 3);
  const { print } = ND_UNITS[kind === 'fixed' ? unit : 'stops'];
  return values.map((value) => ({ setId: id, stops: value, name: `${print(value)}  ${name}` }));
};
