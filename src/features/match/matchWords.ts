import type { Lab } from '#core/colour/lab.ts';
import type { Dial } from '#core/colour/lean.ts';
import type { Dialled } from '#core/match/dial.ts';
import type { LeftOut, MatchKind } from '#core/match/patches.ts';
import type { MatchVerdict } from '#core/match/verdict.ts';
import { printSigned, printStops } from '#core/units.ts';
import type { VerdictState } from '#core/verdict/index.ts';
import type { PlottedPatch } from '#workers/match/protocol.ts';
import { printKelvin } from '#ui/format.ts';
import { words } from '#ui/wording/match.ts';

/** What each verdict is called, and its mark. */
export const VERDICTS: {
  readonly [V in MatchVerdict]: { readonly name: string; readonly mark: VerdictState };
} = {
  together: { name: words.verdictTogether, mark: 'holds' },
  seen: { name: words.verdictSeen, mark: 'watch' },
  jars: { name: words.verdictJars, mark: 'lost' },
};

export const KIND_NAMES: { readonly [K in MatchKind]: string } = {
  card: words.kindCard,
  skin: words.kindSkin,
  neutral: words.kindNeutral,
  white: words.kindWhite,
  colour: words.kindColour,
  tone: words.kindTone,
};

/** `dial 5200 K, tint +3, expose 1/3 more`: what the operator sets instead of what stands there. */
export const dialWords = ({ dial, stops }: Dialled, now: Dial): string =>
  [
    dial.kelvin === now.kelvin ? `stay at ${printKelvin(now.kelvin)}` : `dial ${printKelvin(dial.kelvin)}`,
    ...(dial.tint === now.tint ? [] : [`tint ${dial.tint === 0 ? '0' : printSigned(dial.tint)}`]),
    ...(stops === 0
      ? []
      : [`expose ${printStops(Math.abs(stops)).replace('+', '')} ${stops > 0 ? 'more' : 'less'}`]),
  ].join(', ');

/** Ways in the plane of a* and b*, an eighth of the circle each from +a* on. */
const HUES = [
  'redder',
  'more orange',
  'yellower',
  'more lime',
  'greener',
  'more teal',
  'bluer',
  'more magenta',
];
/** Of lightness, chroma and the way in a* and b*: less is not worth a word. */
const TOLD = 0.6;

/** How a colour differs from the hero's, in words. */
const wayOf = ([l, a, b]: Lab, [hl, ha, hb]: Lab): string => {
  const [chroma, heroChroma] = [Math.hypot(a, b), Math.hypot(ha, hb)];
  const [da, db] = [a - ha, b - hb];
  const angle = (Math.atan2(db, da) * 180) / Math.PI;
  const hue = HUES[Math.round(((angle + 360) % 360) / 45) % 8];
  const along = chroma - heroChroma;
  const isAlong = heroChroma > 5 && Math.abs(along) > 0.8 * Math.hypot(da, db);
  return [
    ...(Math.abs(l - hl) < TOLD ? [] : [l > hl ? 'lighter' : 'darker']),
    ...(Math.hypot(da, db) < TOLD ? [] : [isAlong ? (along > 0 ? 'stronger in colour' : 'paler') : hue]),
  ].join(' and ');
};

/** Patches told at most. */
const MOST_TOLD = 4;

/** What still differs after the match, the most seen first: skin, neutrals, then the worst. */
export const differsWords = (plotted: readonly PlottedPatch[]): readonly string[] => {
  const rank = (kind: MatchKind) => (kind === 'skin' ? 0 : kind === 'colour' ? 2 : 1);
  return plotted
    .filter(({ off }) => off > 1)
    .toSorted((a, b) => rank(a.kind) - rank(b.kind) || b.off - a.off)
    .slice(0, MOST_TOLD)
    .map(({ name, after, hero, off }) => {
      const way = wayOf(after, hero);
      return `${name}: ${way === '' ? 'a little off' : way}, ΔE ${off.toFixed(1)}.`;
    });
};

/** `white: clipped on A-cam`. */
export const leftOutWords = (leftOut: readonly LeftOut[], names: { camera: string; hero: string }): string =>
  leftOut
    .map(({ name, why, of }) => `${name}: ${why === 'clipped' ? 'clipped' : 'lost in noise'} on ${names[of]}`)
    .join('; ');
