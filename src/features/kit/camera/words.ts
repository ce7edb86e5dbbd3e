import { floorAt } from '#core/noise/sensorNoise.ts';
import { printStopsDecimal } from '#core/units.ts';
import type { CameraRecord } from '#store/records/camera.ts';

const amount = (value: number) =>
  printStopsDecimal(Math.abs(value), Number.isInteger(value) ? 0 : 1).replace('+', '');

/** `4 mired cool, tint 1 green; measured 2026-01-18 under 5600 K.` */
export const leanWords = ({ mired, tint, kelvin, measuredOn }: NonNullable<CameraRecord['lean']>): string => {
  const parts = [
    ...(mired === 0 ? [] : [`${amount(mired)} mired ${mired > 0 ? 'warm' : 'cool'}`]),
    ...(tint === 0 ? [] : [`tint ${amount(tint)} ${tint > 0 ? 'green' : 'magenta'}`]),
  ];
  return `${parts.length === 0 ? 'Neutral' : `Leans ${parts.join(', ')}`}; measured ${measuredOn} under ${kelvin} K.`;
};

const FROM = {
  floor: 'from the floor, read noise assumed',
  patches: 'from a dark frame and a patch',
  bracket: 'from a filmed bracket',
} as const;

/** `900 e− at grey, read noise 4 e−; SNR 2 at −6.3; from a filmed bracket.` */
export const noiseWords = (noise: NonNullable<CameraRecord['noise']>): string =>
  [
    `${noise.electronsAtGrey.toFixed(0)} e− at grey, read noise ${noise.readElectrons.toFixed(1)} e−`,
    `SNR 2 at ${printStopsDecimal(floorAt(noise))}`,
    `${FROM[noise.from]}.`,
  ].join('; ');
