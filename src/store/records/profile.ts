import * as z from 'zod/mini';
import { GAMUT_IDS, ownGamut, UNKNOWN_GAMUT, type GamutId } from '#core/colour/gamut.ts';
import {
  EVIDENCE_KINDS,
  profileProblem,
  type EvidenceItem,
  type EvidenceKind,
  type ProfileData,
} from '#core/profile/index.ts';
import { SCALE_IDS, type ScaleId } from '#core/signal/scale.ts';
import { DARKEST_ROW, TRANSFERS, type TransferId } from '#core/transfer/index.ts';
import {
  atLeast,
  between,
  finite,
  idSchema,
  listOf,
  nameSchema,
  positive,
  stopsSchema,
  text,
} from './common.ts';

const edits = {
  knee: z.optional(z.object({ at: positive, width: positive })),
  lift: z.optional(between(-0.2, 0.2)),
};

export const curveSchema = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('standard'),
    transfer: z.enum(Object.keys(TRANSFERS) as [TransferId, ...TransferId[]]),
    gain: positive,
    ...edits,
  }),
  z.object({
    kind: z.literal('log'),
    coefficients: z.object({
      a: positive,
      b: finite,
      c: positive,
      d: finite,
      cut: finite,
      e: positive,
      f: finite,
    }),
    ...edits,
  }),
  z.object({
    kind: z.literal('power'),
    coefficients: z.object({
      gain: positive,
      exponent: positive,
      offset: finite,
      cut: positive,
      line: z.optional(z.object({ e: positive, f: finite })),
    }),
    ...edits,
  }),
  z.object({
    kind: z.literal('table'),
    rows: z.readonly(listOf(z.object({ reflectance: atLeast(DARKEST_ROW), signal: finite }), 2, 20_000)),
    ...edits,
  }),
]);

const xy = z.readonly(z.tuple([finite, finite]));
const typedGamut = z
  .object({ name: nameSchema, red: xy, green: xy, blue: xy, white: xy })
  .check(z.refine((gamut) => ownGamut(gamut).ok, 'primaries and white that make no gamut'));

export const gamutSchema = z.union([
  z.enum(GAMUT_IDS as [GamutId, ...GamutId[]]),
  z.literal(UNKNOWN_GAMUT),
  typedGamut,
]);

const anchor = z.object({
  id: z.enum(['black', 'grey', 'white', 'clip', 'extra']),
  reading: finite,
  stops: z.optional(stopsSchema),
  step: z.optional(positive),
  placeSd: z.optional(between(0, 3)),
});

const reading = z.object({
  reflectance: between(-1, 1e6),
  signal: between(-1, 4),
  sigma: between(1e-6, 1),
  rounded: z.optional(z.boolean()),
  placeSd: z.optional(between(0, 3)),
  series: z.optional(text(0, 80)),
});

/** What an inferred curve rests on; a profile of before it was kept has none. */
export const evidenceItem = z.object({
  id: idSchema,
  kind: z.enum(Object.keys(EVIDENCE_KINDS) as [EvidenceKind, ...EvidenceKind[]]),
  source: text(0, 120),
  readings: z.readonly(listOf(reading, 1, 200)),
  clipStops: z.optional(stopsSchema),
  curve: z.optional(curveSchema),
  muted: z.optional(z.boolean()),
}) satisfies z.ZodMiniType<EvidenceItem>;

const profileFields = z.object({
  curve: curveSchema,
  gamut: gamutSchema,
  clipStops: stopsSchema,
  band: z.optional(
    z.object({
      stops: z.readonly(z.array(finite)),
      signal: z.readonly(z.array(finite)),
      stopsWide: z.readonly(z.array(finite)),
    }),
  ),
  anchors: z.optional(z.readonly(listOf(anchor, 0, 8))),
  anchorScale: z.optional(z.enum(SCALE_IDS as [ScaleId, ...ScaleId[]])),
}) satisfies z.ZodMiniType<ProfileData>;

const MOST_KEPT = 64;
const MOST_SPELLED = 2000;
const kept = new Map<string, string | undefined>();

/** A log of thousands of takes holds the same few profiles again and again: each is tried once. */
const problemOf = (data: ProfileData): string | undefined => {
  const spelled = JSON.stringify(data);
  if (spelled.length > MOST_SPELLED) return profileProblem(data);
  if (!kept.has(spelled)) {
    if (kept.size >= MOST_KEPT) kept.clear();
    kept.set(spelled, profileProblem(data));
  }
  return kept.get(spelled);
};

/** What a profile is made of; only what can be compiled and asked everywhere passes. */
export const profileDataSchema = profileFields.check(
  z.superRefine(
    (data, context) => {
      const problem = problemOf(data);
      if (problem) context.addIssue({ code: 'custom', path: ['curve'], message: problem });
    },
    // Numbers out of their limits are refused as they stand: a curve of millions of stops would be walked through.
    { when: ({ issues }) => issues.length === 0 },
  ),
);

/** A profile in the kit. `archetype` ones ship with the app, the others say which way they came in. */
export const profileSchema = z.object({
  id: idSchema,
  name: nameSchema,
  origin: z.enum(['archetype', 'anchors', 'formula', 'table', 'bracket', 'edit']),
  says: text(0, 300),
  data: profileDataSchema,
  evidence: z.optional(z.readonly(listOf(evidenceItem, 0, 24))),
});

export type ProfileRecord = z.infer<typeof profileSchema>;
