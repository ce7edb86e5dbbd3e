import { gamutMatrix, type GamutSpec } from '../colour/gamut.ts';
import { apply } from '../maths/matrix.ts';
import type { OperationKind } from '../correction/operations.ts';
import { operationOf, withOperation, type Correction } from '../correction/operations.ts';
import type { MatchSpace } from './parameters.ts';
import { solveMatch, type Match } from './solveMatch.ts';
import { tonePatches, type Tones } from './tones.ts';
import { errorThrough, type MatchPatch, type PatchLight } from './patches.ts';
import type { PatchKind } from '../scopes/measure.ts';

/** A mark as it was found in a clip. */
export type MarkLight = PatchLight & { readonly name: string; readonly kind: PatchKind };

/** What is known of the light in a clip, in its profile's primaries. */
export type ClipLight = {
  readonly marks: readonly MarkLight[];
  readonly tones: Tones;
  /** Light of the clip of its profile. */
  readonly clip: number;
};

/** The light of a clip in other primaries; its tones channel by channel, which is near enough to estimate from. */
export const clipLightIn = (light: ClipLight, from: GamutSpec, to: GamutSpec): ClipLight => {
  if (from === to) return light;
  const matrix = gamutMatrix(from, to);
  return {
    ...light,
    marks: light.marks.map((mark) => ({
      ...mark,
      light: apply(matrix, mark.light),
      error: errorThrough(matrix, mark.error),
    })),
    tones: light.tones.map((tone) => apply(matrix, tone)),
  };
};

/** A clip brought to its hero. */
export type ClipMatch = Match & { readonly by: 'marks' | 'estimate' };

/** Marks that both have, by their names. */
const pairs = (clip: ClipLight, hero: ClipLight): readonly MatchPatch[] =>
  clip.marks.flatMap(({ name, kind, ...from }) => {
    const same = hero.marks.find((mark) => mark.name === name && mark.kind === kind);
    return same ? [{ name, kind, from, hero: same }] : [];
  });

/**
 * What brings a clip to its hero: from marks that both have, else estimated from how both pictures spread. Exposure and
 * balance alone unless more is asked for.
 * @param asked What may be solved beyond them; counts only where it pays
 */
export const clipToHero = (
  clip: ClipLight,
  hero: ClipLight,
  space: MatchSpace,
  asked: readonly OperationKind[] = [],
): ClipMatch => {
  const match = solveMatch(pairs(clip, hero), space, asked);
  if (match.patches.length > 0) return { ...match, by: 'marks' };
  const tones = tonePatches(clip.tones, hero.tones, { from: clip.clip, hero: hero.clip });
  return { ...solveMatch(tones, space, asked), by: 'estimate' };
};

/** A correction moved by hand: light in stops, balance in mired and tint. */
export type Nudge = { readonly stops?: number; readonly mired?: number; readonly tint?: number };

/** The correction with a nudge on it. */
export const nudged = (
  correction: Correction,
  { stops = 0, mired = 0, tint = 0 }: Nudge,
  dial: MatchSpace['dial'],
): Correction => {
  const exposure = operationOf(correction, 'exposure');
  const balance = operationOf(correction, 'balance') ?? {
    kind: 'balance' as const,
    mired: 0,
    tint: 0,
    about: dial,
  };
  const lit =
    stops === 0
      ? correction
      : withOperation(correction, { kind: 'exposure', stops: (exposure?.stops ?? 0) + stops });
  if (mired === 0 && tint === 0) return lit;
  return withOperation(lit, { ...balance, mired: balance.mired + mired, tint: balance.tint + tint });
};

/** Parts of one correction put on another: what *paste only exposure* and *paste only temperature* do. */
export const pasted = (onto: Correction, from: Correction, kinds: readonly OperationKind[]): Correction =>
  kinds.reduce<Correction>((made, kind) => {
    const operation = operationOf(from, kind);
    return operation
      ? withOperation(made, operation)
      : { ...made, operations: made.operations.filter((one) => one.kind !== kind) };
  }, onto);
