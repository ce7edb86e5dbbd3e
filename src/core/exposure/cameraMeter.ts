import { printStopsDecimal } from '../units.ts';

/** A camera's own meter. */
export type CameraMeter = {
  /** Ways it measures, by name. */
  readonly modes: readonly string[];
  /** Stops either side that its scale shows. */
  readonly scale: number;
  /** What it shows more than it should, stops. */
  readonly bias: number;
};

/** What the meter shows, pointed at one thing, when the card lies where it is planned. */
export type MeterTarget = {
  readonly on: string;
  /** Bias taken in, stops. */
  readonly shows: number;
  /** Past the end of its scale: it only blinks. */
  readonly isPast: boolean;
};

/** What the meter shows of one tone. @param stops over grey */
export const meterOn = ({ scale, bias }: CameraMeter, on: string, stops: number): MeterTarget => ({
  on,
  shows: stops + bias,
  isPast: Math.abs(stops + bias) > scale + 1e-9,
});

/** As the meter's scale reads: `+1.3`, or that its scale ends before. */
export const printMeter = ({ shows, isPast }: MeterTarget, { scale }: CameraMeter): string =>
  isPast ? `past ${shows > 0 ? '+' : '−'}${scale}` : printStopsDecimal(shows);
