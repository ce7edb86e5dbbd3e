/** Absorption of pure water, 1/m, by wavelength in nm (Pope & Fry 1997, Applied Optics 36, table 3). */
export const WATER_ABSORPTION = {
  440: 0.00635,
  450: 0.00922,
  500: 0.0204,
  550: 0.0565,
  600: 0.2224,
  650: 0.34,
  700: 0.624,
} as const;
export type Wavelength = keyof typeof WATER_ABSORPTION;

/** Wavelengths that stand for a camera's channels: about where its filters peak. Our own choice. */
const CHANNEL_WAVELENGTHS = { red: 600, green: 550, blue: 450 } as const satisfies Record<string, Wavelength>;
export type ChannelId = keyof typeof CHANNEL_WAVELENGTHS;

/** Share of light left after `metres` of pure water: exp(-a d) (Beer and Lambert). 0..1. */
export const waterTransmission = (wavelength: Wavelength, metres: number): number =>
  Math.exp(-WATER_ABSORPTION[wavelength] * metres);

/** Stops that a channel loses over a path of water. */
export const waterLoss = (channel: ChannelId, metres: number): number =>
  -Math.log2(waterTransmission(CHANNEL_WAVELENGTHS[channel], metres));

export type UnderWater = {
  /** Depth plus distance to the subject: what daylight travels. m. */
  readonly path: number;
  /** Stops each channel has lost. */
  readonly lost: Readonly<Record<ChannelId, number>>;
  /** Stops by which red stands under green: the correction a grade would have to make. */
  readonly redUnderGreen: number;
  /** Depth at which red of a grey card falls under the usable floor, green placed at grey. m. */
  readonly redGoneAt: number;
  /** Red of a grey card is under the floor here. */
  readonly redGone: boolean;
};

/** Most a grade may lift red over green before it paints noise; with a margin over the floor. Our own choice, stops. */
export const MOST_RED_LIFT = 2;

/**
 * What water leaves of daylight on a card at `depth`, filmed from `distance`, exposed so that green sits at grey.
 * `floorStops` is the usable floor in the recording (negative).
 */
export const underWater = (depth: number, distance: number, floorStops: number): UnderWater => {
  if (!(depth >= 0 && distance >= 0))
    throw new RangeError('underWater: depth and distance must not be under 0');
  const path = depth + distance;
  const lost = {
    red: waterLoss('red', path),
    green: waterLoss('green', path),
    blue: waterLoss('blue', path),
  };
  const redUnderGreen = lost.red - lost.green;
  const perMetre = waterLoss('red', 1) - waterLoss('green', 1);
  return {
    path,
    lost,
    redUnderGreen,
    redGoneAt: Math.max(0, -floorStops / perMetre - distance),
    redGone: redUnderGreen > -floorStops,
  };
};
