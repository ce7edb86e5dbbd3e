import type { GamutSpec } from '../colour/gamut.ts';
import type { ScaleId } from '../signal/scale.ts';
import type { Knee, LogCoefficients, PowerCoefficients, TableRow, TransferId } from '../transfer/index.ts';

/** A transfer curve as data: scene reflectance (1.0 = diffuse white) to signal fraction (1.0 = 100 %). */
export type CurveSpec = (
  | { readonly kind: 'standard'; readonly transfer: TransferId; readonly gain: number }
  | { readonly kind: 'log'; readonly coefficients: LogCoefficients }
  | { readonly kind: 'power'; readonly coefficients: PowerCoefficients }
  | { readonly kind: 'table'; readonly rows: readonly TableRow[] }
) & {
  /** Bends the top, as a camera's knee does. */
  readonly knee?: Knee;
  /** Black level set up or down, fraction of signal; comes after the knee. */
  readonly lift?: number;
};

/** A printed number of a profile: what its owner typed. */
export type Anchor = {
  readonly id: 'black' | 'grey' | 'white' | 'clip' | 'extra';
  /** On the profile's scale. */
  readonly reading: number;
  /** Place in stops over grey: of the clip where the paper prints it, of an extra reading always. */
  readonly stops?: number;
  /** What the reading is printed to, on its scale: 0.1 for 40.6 %. Without it, 1. */
  readonly step?: number;
  /** How exactly its light is known, stops; without it as exactly as printed. */
  readonly placeSd?: number;
};

/** A point a curve should pass, with how exactly it is known. */
export type CurveReading = {
  /** Scene reflectance, 1.0 = diffuse white. */
  readonly reflectance: number;
  /** Signal fraction. */
  readonly signal: number;
  /** How exactly it was printed or read: standard deviation in signal fraction. */
  readonly sigma: number;
  /** It was rounded: off by no more than half a step, which is sqrt 3 sigma. Without it, as a normal error. */
  readonly rounded?: boolean;
  /** How exactly its light is known: standard deviation in stops; 0 where it is printed. */
  readonly placeSd?: number;
  /** The bracket it belongs to: its steps share one error of the shutter, its nominal one of the meter. */
  readonly series?: string;
};

/** How far the inferred curve may lie off: 95 % of the curves that may be lie inside over the whole length. */
export type UncertaintyBand = {
  readonly stops: readonly number[];
  /** Half width in signal fraction. */
  readonly signal: readonly number[];
  /** Half width in stops: the signal's over the curve's slope. */
  readonly stopsWide: readonly number[];
};

/** What the camera's menu offers, as numbers. */
export type ProfileData = {
  readonly curve: CurveSpec;
  readonly gamut: GamutSpec;
  /** Highest stop over grey that is still told apart, at base ISO. */
  readonly clipStops: number;
  /** Only where the curve was inferred. */
  readonly band?: UncertaintyBand;
  readonly anchors?: readonly Anchor[];
  readonly anchorScale?: ScaleId;
};
