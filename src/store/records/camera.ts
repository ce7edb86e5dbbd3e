import * as z from 'zod/mini';
import type { Imager } from '#core/lens/depth.ts';
import type { Shutter } from '#core/exposure/shutter.ts';
import { SCALE_IDS, type ScaleId } from '#core/signal/scale.ts';
import {
  atLeast,
  between,
  checkedLater,
  demoSchema,
  finite,
  idSchema,
  listOf,
  named,
  nameSchema,
  natural,
  positive,
  positiveTo,
  stopsSchema,
  text,
  whole,
} from './common.ts';
import { correctionSchema } from './correction.ts';
import type { InCamera } from './inCamera.ts';
import type { PanelControl } from './panel.ts';
import type { RawKind } from './raw.ts';

const levels = z.object({ min: finite, max: finite, step: positive });
const picture = z.enum(['log', 'lut']);

/** How much a body or a glass is off neutral: mired warm +, tint in thousandths of Duv green +. */
export const leanSchema = z.object({ mired: between(-300, 300), tint: between(-100, 100) });

/** What new set-ups with a camera start from; what is left out is the camera's first. */
const startsSchema = z.object({
  profileId: z.optional(idSchema),
  iso: z.optional(natural),
  fps: z.optional(positiveTo(240)),
  /** Stops under clip that the warning zebra comes. */
  warningMargin: z.optional(between(0, 3)),
  /** The LUT on each monitor, by the monitor's id. */
  monitorLuts: z.optional(z.record(idSchema, idSchema)),
});

/** What brings a camera to another in a light, as it was solved. */
const matchSchema = z.object({
  id: idSchema,
  heroCameraId: idSchema,
  /** The light it was solved in, K. */
  kelvin: between(1000, 40_000),
  profileId: idSchema,
  heroProfileId: idSchema,
  correction: correctionSchema,
  /** How far both were exposed when it was solved: stops over grey of a card of 1 cd/m2. */
  exposed: z.optional(z.object({ camera: finite, hero: finite })),
  /** ISO 8601 date. */
  solvedOn: z.iso.date(),
  /** Patches it was solved from, or the pictures as a whole. */
  by: z.enum(['marks', 'whole']),
  patches: whole(1, 400),
  /** CIEDE2000 that it leaves: mean and worst; mean over patches that its fit has not seen. */
  mean: atLeast(0),
  worst: atLeast(0),
  unseen: z.optional(atLeast(0)),
  /** Files from post whose light is in it already, by what they hold: see `core/hash.ts`. */
  fromPost: z.optional(listOf(whole(0, 2 ** 32), 0, 60)),
});
export type CameraMatch = z.infer<typeof matchSchema>;

export const cameraSchema = z.object({
  id: idSchema,
  name: nameSchema,
  job: text(0, 120),
  coding: z.object({
    bitDepth: z.union([z.literal(8), z.literal(10), z.literal(12)]),
    range: z.enum(['legal', 'full']),
  }),
  chroma: z.enum(['4:2:0', '4:2:2', '4:4:4']),
  /** What it records up to a frame rate. */
  recordings: listOf(
    z.object({
      upToFps: positiveTo(1000),
      codec: named(60),
      mbps: positive,
    }),
    0,
    12,
  ),
  baseIsos: listOf(natural, 1, 4),
  isos: listOf(natural, 1, 60),
  /** ISOs under this one are reached by pulling: highlights clip earlier there. */
  extendedUnder: z.optional(natural),
  /** `ei`: the dial moves metering and monitoring only. */
  sensitivity: z.enum(['gain', 'ei']),
  /** Empty: the lens has no iris to set; `fixedIris` holds its f-number. */
  irises: listOf(positive, 0, 60),
  fixedIris: z.optional(positive),
  /** What the picture is recorded from; without it depth of field is not known. */
  imager: checkedLater<Partial<Imager>>(),
  shutterBy: z.enum(['angle', 'time']),
  /** Degrees, or denominators of a second. */
  shutters: listOf(positiveTo(32_000), 1, 60),
  meter: z.object({
    modes: listOf(named(30), 0, 8),
    /** Stops either side that its scale shows. */
    scale: positiveTo(10),
    /** What it shows more than it should, stops. */
    bias: stopsSchema,
  }),
  kelvinStep: natural,
  kelvinRange: z.tuple([natural, natural]),
  tintRange: z.tuple([finite, finite]),
  tintStep: positive,
  lean: z.optional(
    z.extend(leanSchema, {
      /** Light it was measured under, K. */
      kelvin: positive,
      /** ISO 8601 date. */
      measuredOn: z.iso.date(),
    }),
  ),
  /** Lowest usable stop under grey at base ISO, as its owner judges it or its noise says. */
  floorStops: stopsSchema,
  noise: z.optional(
    z.object({
      electronsAtGrey: positive,
      readElectrons: atLeast(0),
      from: z.enum(['floor', 'patches', 'bracket']),
    }),
  ),
  profileIds: listOf(idSchema, 1, 60),
  waveformReads: picture,
  zebra: z.object({
    scale: z.enum(SCALE_IDS as [ScaleId, ...ScaleId[]]),
    reads: picture,
    follows: z.optional(z.enum(['yes', 'no'])),
    kinds: listOf(z.enum(['range', 'lowerLimit']), 1, 2),
    slots: whole(1, 4),
    range: z.extend(levels, { tolerances: listOf(positive, 1, 40) }),
    lowerLimit: levels,
  }),
  starts: z.optional(startsSchema),
  /** What brings it to other cameras, a light each. */
  matches: z.optional(listOf(matchSchema, 0, 60)),
  /** What its picture menu is set to and does, by profile: see `inCamera.ts`. */
  inCamera: checkedLater<InCamera>(),
  /** How it records raw: see `raw.ts`. */
  raw: checkedLater<RawKind>(),
  /** Controls of its panel, learnt by turning them. */
  panel: checkedLater<readonly PanelControl[]>(),
  isDemo: demoSchema,
});

export type CameraRecord = z.infer<typeof cameraSchema>;

/** A camera's own shutters, as its menu has them. */
export const shuttersOf = ({ shutterBy, shutters }: CameraRecord): Shutter[] =>
  shutters.map((v) =>
    shutterBy === 'angle' ? { kind: 'angle', degrees: v } : { kind: 'time', denominator: v },
  );

/** An auto-ISO ceiling before run-and-gun work: two stops over the first base. Common practice. */
export const isoCeiling = ({ baseIsos }: Pick<CameraRecord, 'baseIsos'>): number => 4 * Math.min(...baseIsos);

/** A camera with a profile of its owner's on it: new set-ups start with that one. */
export const withOwnProfile = (camera: CameraRecord, profileId: string): CameraRecord => ({
  ...camera,
  profileIds: [...new Set([...camera.profileIds, profileId])],
  starts: { ...camera.starts, profileId },
});
