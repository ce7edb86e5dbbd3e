import { printFNumber } from '#core/exposure/aperture.ts';
import { lampFlicker, lampsSay } from '#core/exposure/lampFlicker.ts';
import { printShutter } from '#core/exposure/shutter.ts';
import { printZebraOrInstead } from '#core/exposure/zebra.ts';
import type { SetCardNumbers } from '#core/exposure/setCard.ts';
import { IN_CAMERA, IN_CAMERA_IDS } from '#core/inCamera/settings.ts';
import { printStops } from '#core/units.ts';
import type { Selection } from '#store/selection.ts';
import { turnsOf } from '#ui/setCard/zebraReasons.ts';
import { printKelvin, printNd, printPull, printTint } from '#ui/format.ts';
import { isoCeiling } from '#store/records/camera.ts';
import { inCameraOf, noteOf } from '#store/records/inCamera.ts';
import { lampsOf } from '#store/records/lamps.ts';
import { recordingAt } from './adviceModel.ts';
import { words } from '#ui/wording/plan.ts';

type ChecklistInput = { readonly selection: Selection; readonly numbers: SetCardNumbers };

type Item = { readonly name: string; readonly set: (input: ChecklistInput) => string };

/** The order people set a camera in, with this camera's values. A further step is a row. */
export const CHECKLIST = {
  file: {
    name: words.file,
    set: ({ selection: { camera, setup } }) => {
      const recording = recordingAt(camera, setup.fps);
      const codec = recording ? `, ${recording.codec} ${recording.mbps} Mb/s` : '';
      const { bitDepth, range } = camera.coding;
      return `${setup.fps} fps, ${bitDepth}-bit ${camera.chroma} ${range}${codec}`;
    },
  },
  profile: { name: words.profile, set: ({ selection }) => selection.profile.name },
  assist: {
    name: words.viewAssist,
    set: ({ numbers, selection }) =>
      `on, ${printPull(numbers.pullStops)}${selection.camera.zebra.reads === 'lut' ? '; the zebra follows it' : ''}`,
  },
  iso: {
    name: words.isoAndItsCeiling,
    set: ({ selection: { plan, camera } }) =>
      `${plan.iso}, auto off; if auto must be, ceiling ${isoCeiling(camera)}`,
  },
  shutter: {
    name: words.shutter,
    set: ({ selection: { plan, setup }, numbers }) =>
      `${printShutter(plan.shutter)} at ${setup.fps} fps, 1/${(1 / numbers.seconds).toFixed(0)} s`,
  },
  zebra: {
    name: words.zebra,
    set: (input) => {
      const { card, warning } = input.numbers;
      return turnsOf(input) || `card ${printZebraOrInstead(card)}, warning ${printZebraOrInstead(warning)}`;
    },
  },
  balance: {
    name: words.whiteBalance,
    set: ({ selection: { plan } }) => `${printKelvin(plan.kelvin)}${printTint(plan.tint)}, auto off`,
  },
  exposure: {
    name: words.exposure,
    set: ({ selection: { plan } }) =>
      `${printFNumber(plan.iris)}, ND ${printNd(plan.ndStops)}, card at ${printStops(plan.placement)}`,
  },
  detail: {
    name: words.detailAndNoiseReduction,
    set: ({ selection: { camera, profile } }) => {
      const own = inCameraOf(camera);
      const written = IN_CAMERA_IDS.flatMap((id) => {
        const at = noteOf(own, profile.id, id)?.at;
        return at ? [`${IN_CAMERA[id].name.toLowerCase()} ${at}`] : [];
      });
      return written.length > 0
        ? `${written.join('; ')}; the rest left alone`
        : 'at their lowest; saturation and contrast left alone';
    },
  },
  lamps: {
    name: words.lamps,
    set: ({ selection: { setup }, numbers }) =>
      lampsSay(lampFlicker(setup.fps, numbers.seconds, setup.brief.mains), lampsOf(setup))?.says ??
      words.lampsNotSaid,
  },
  guides: { name: words.frameGuides, set: () => 'on, for the picture that is delivered' },
} as const satisfies Record<string, Item>;

export type ChecklistId = keyof typeof CHECKLIST;
export const CHECKLIST_IDS = Object.keys(CHECKLIST) as ChecklistId[];
