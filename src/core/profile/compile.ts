import { stopsToReflectance, reflectanceToStops } from '../units.ts';
import {
  logTransfer,
  powerTransfer,
  tableTransfer,
  TRANSFERS,
  withKnee,
  withLift,
  type TransferFunction,
} from '../transfer/index.ts';
import type { CurveSpec, ProfileData } from './types.ts';

type Build = {
  readonly [K in CurveSpec['kind']]: (spec: Extract<CurveSpec, { kind: K }>) => TransferFunction;
};

const BUILD: Build = {
  standard: ({ transfer, gain }) => {
    const { encode, decode } = TRANSFERS[transfer];
    return { encode: (x) => encode(x * gain), decode: (y) => decode(y) / gain };
  },
  log: ({ coefficients }) => logTransfer(coefficients),
  power: ({ coefficients }) => powerTransfer(coefficients),
  table: ({ rows }) => tableTransfer(rows),
};

/** The pair of functions a curve's data describe: scene reflectance to signal fraction and back, unclamped. */
export const compileCurve = (spec: CurveSpec): TransferFunction => {
  const build = BUILD[spec.kind] as (s: CurveSpec) => TransferFunction;
  const base = build(spec);
  const bent = spec.knee ? withKnee(base, spec.knee) : base;
  return spec.lift ? withLift(bent, spec.lift) : bent;
};

/** A profile ready to be asked. Stops are over middle grey, signals are fractions (1.0 = 100 %). */
export type Profile = ProfileData & {
  readonly transfer: TransferFunction;
  /** Signal of a patch that lies so many stops over grey; flat above the clip. */
  readonly signalAt: (stops: number) => number;
  /** Stops over grey of a signal; -Infinity at the signal of no light and under it; not above the clip. */
  readonly stopsAt: (signal: number) => number;
  readonly clipSignal: number;
};

export const compileProfile = (data: ProfileData): Profile => {
  const transfer = compileCurve(data.curve);
  const clipSignal = transfer.encode(stopsToReflectance(data.clipStops));
  return {
    ...data,
    transfer,
    clipSignal,
    signalAt: (over) => (over >= data.clipStops ? clipSignal : transfer.encode(stopsToReflectance(over))),
    stopsAt: (signal) =>
      signal >= clipSignal ? data.clipStops : reflectanceToStops(transfer.decode(signal)),
  };
};

/** Stops over grey for every code value of a coding; index is the code. */
export const stopsByCode = (
  profile: Profile,
  codes: number,
  toSignal: (code: number) => number,
): Float32Array => Float32Array.from({ length: codes }, (_, code) => profile.stopsAt(toSignal(code)));
