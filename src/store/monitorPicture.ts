import { compileGreyAxis, stopsShownAt } from '#core/lut/greyAxis.ts';
import { outputOf } from '#core/lut/outputs.ts';
import type { MonitorPicture } from '#core/exposure/setCard.ts';
import { compileProfile, type ProfileData } from '#core/profile/index.ts';
import type { LutRecord } from './records/lut.ts';
import type { Selection } from './selection.ts';

/** Signal on which a LUT puts middle grey. */
const greyOf = ({ output, recipe }: Pick<LutRecord, 'output' | 'recipe'>): number => {
  const { grey, last } = outputOf(output);
  const wanted = recipe?.tone.grey ?? grey;
  return last ? last.encode(wanted) : wanted;
};

/** What a LUT of the kit does to this profile, as far as the card needs it; its pull is worked out, not believed. */
export const pictureOf = (lut: LutRecord, data: ProfileData): MonitorPicture => {
  const neutral = compileGreyAxis(lut.axis);
  return { neutral, pullStops: stopsShownAt(compileProfile(data), neutral, greyOf(lut)) };
};

/** The picture of the first monitor with a LUT; undefined where monitors show the computed one. */
export const monitorPicture = (
  { monitors }: Pick<Selection, 'monitors'>,
  data: ProfileData,
): MonitorPicture | undefined => monitors[0] && pictureOf(monitors[0].lut, data);
