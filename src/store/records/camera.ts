import { z } from 'zod';
import type { Shutter } from '#core/exposure/shutter.ts';
import { SCALE_IDS, type ScaleId } from '#core/signal/scale.ts';
import { finite, idSchema, nameSchema, stopsSchema } from './common.ts';

const levels = z.object({ min: finite, max: finite, step: finite.positive() });
const picture = z.enum(['log', 'lut']);
const iso = z.number().int().positive();

/** How much a body or a glass is off neutral: mired warm +, tint in thousandths of Duv green +. */
export const leanSchema = z.object({ mired: finite.min(-300).max(300), tint: finite.min(-100).max(100) });

export const cameraSchema = z.object({
  id: idSchema,
  name: nameSchema,
  job: z.string().max(120),
  coding: z.object({
    bitDepth: z.union([z.literal(8), z.literal(10), z.literal(12)]),
    range: z.enum(['legal', 'full']),
  }),
  chroma: z.enum(['4:2:0', '4:2:2', '4:4:4']),
  /** What it records up to a frame rate. */
  recordings: z
    .array(
      z.object({
        upToFps: finite.positive().max(1000),
        codec: z.string().trim().min(1).max(60),
        mbps: finite.positive(),
      }),
    )
    .max(12),
  baseIsos: z.array(iso).min(1).max(4),
  isos: z.array(iso).min(1).max(60),
  /** ISOs under this one are reached by pulling: highlights clip earlier there. */
  extendedUnder: iso.optional(),
  /** `ei`: the dial moves metering and monitoring only. */
  sensitivity: z.enum(['gain', 'ei']),
  /** Empty: the lens has no iris to set; `fixedIris` holds its f-number. */
  irises: z.array(finite.positive()).max(60),
  fixedIris: finite.positive().optional(),
  shutterBy: z.enum(['angle', 'time']),
  /** Degrees, or denominators of a second. */
  shutters: z.array(finite.positive().max(32_000)).min(1).max(60),
  meter: z.object({
    modes: z.array(z.string().trim().min(1).max(30)).max(8),
    /** Stops either side that its scale shows. */
    scale: finite.positive().max(10),
    /** What it shows more than it should, stops. */
    bias: stopsSchema,
  }),
  kelvinStep: z.number().int().positive(),
  kelvinRange: z.tuple([z.number().int().positive(), z.number().int().positive()]),
  tintRange: z.tuple([finite, finite]),
  tintStep: finite.positive(),
  lean: leanSchema
    .extend({
      /** Light it was measured under, K. */
      kelvin: finite.positive(),
      /** ISO 8601 date. */
      measuredOn: z.iso.date(),
    })
    .optional(),
  /** Lowest usable stop under grey at base ISO, as its owner judges it or its noise says. */
  floorStops: stopsSchema,
  noise: z
    .object({
      electronsAtGrey: finite.positive(),
      readElectrons: finite.min(0),
      from: z.enum(['floor', 'patches', 'bracket']),
    })
    .optional(),
  profileIds: z.array(idSchema).min(1).max(60),
  waveformReads: picture,
  zebra: z.object({
    scale: z.enum(SCALE_IDS as [ScaleId, ...ScaleId[]]),
    reads: picture,
    kinds: z
      .array(z.enum(['range', 'lowerLimit']))
      .min(1)
      .max(2),
    slots: z.number().int().min(1).max(4),
    range: levels.extend({ tolerances: z.array(finite.positive()).min(1).max(40) }),
    lowerLimit: levels,
  }),
});

export type CameraRecord = z.infer<typeof cameraSchema>;

/** A camera's own shutters, as its menu has them. */
export const shuttersOf = ({ shutterBy, shutters }: CameraRecord): Shutter[] =>
  shutters.map((v) =>
    shutterBy === 'angle' ? { kind: 'angle', degrees: v } : { kind: 'time', denominator: v },
  );

/** An auto-ISO ceiling before run-and-gun work: two stops over the first base. Common practice. */
export const isoCeiling = ({ baseIsos }: Pick<CameraRecord, 'baseIsos'>): number => 4 * Math.min(...baseIsos);
