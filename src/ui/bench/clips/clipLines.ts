import { median } from 'd3-array';
import { exposureAgainst, type Spread } from '#core/clips/exposureAgainst.ts';
import { SURE } from '#core/clips/pairing.ts';
import type { ClipFound, ClipRecord } from '#store/records/clip.ts';
import type { TakeFacts } from '#store/takeFacts.ts';

/** What is the case with a clip, the most pressing first. */
export const CLIP_STATES = ['leftOut', 'waiting', 'noTake', 'unsure', 'off', 'fine'] as const;
export type ClipState = (typeof CLIP_STATES)[number];

/** How a clip is exposed against its plan: by its card, or estimated from how it spreads against the hero. */
export type OffPlan = { readonly stops: number; readonly by: 'card' | 'estimate'; readonly spread?: number };

/** A clip as a line of the table: what it is, which take, what was found against what was planned. */
export type ClipLine = {
  readonly clip: ClipRecord;
  readonly take?: TakeFacts;
  readonly setup: string;
  readonly camera: string;
  readonly day: string;
  readonly planned?: number;
  readonly off?: OffPlan;
  /** Found against the hero of its set-up and camera, stops; the hero has none. */
  readonly againstHero?: OffPlan;
  /** The others of its set-up and camera are held against it; told where there are others. */
  readonly isHero: boolean;
  /** The best of its set-up and camera, alone or not. */
  readonly isBest?: boolean;
  /** How unusual its exposure is within its set-up: robust z, 0 in the middle. */
  readonly unusual: number;
  readonly state: ClipState;
};

/** Off the plan by more than this is told; half a third. Our own. */
const OFF_PLAN_STOPS = 1 / 6;
/** Off the hero by more than this and what the estimate is unsure of, where no card was seen. Our own. */
const OFF_HERO_STOPS = 1 / 3;
/** Drift that is told, stops: by the card; by the mean of the picture, which moves with what is in it. Our own. */
const DRIFT = { card: 1 / 3, mean: 1 } as const;
export const drifts = ({ driftStops, cardStops }: ClipFound): boolean =>
  driftStops > (cardStops === undefined ? DRIFT.mean : DRIFT.card);
const isBeyond = ({ stops, spread = 0 }: OffPlan, limit: number) => Math.abs(stops) > limit + spread;
/** A deviation under which clips of a set-up count as alike, stops: less is noise of the reading. Our own. */
const LEAST_DEVIATION = 0.05;

const spreadOf = ({ distribution }: ClipFound): Spread => ({ shares: distribution, perStop: 2, from: -10 });

/** Deviations from the median in units of the median deviation (Iglewicz and Hoaglin 1993); 0 for fewer than four. */
export const robustZ = (values: readonly number[]): readonly number[] => {
  if (values.length < 4) return values.map(() => 0);
  const middle = median(values) ?? 0;
  const apart = median(values, (value) => Math.abs(value - middle)) ?? 0;
  const deviation = Math.max(LEAST_DEVIATION, 1.48 * apart);
  return values.map((value) => (value - middle) / deviation);
};

type Found = ClipLine & { readonly clip: ClipRecord & { readonly found: ClipFound } };
const isFound = (line: ClipLine): line is Found => line.clip.found !== undefined;

/** How well a clip would do as the reference: lower is better, the first difference decides. */
const heroRank = ({ clip, take, off }: Found): readonly number[] => [
  clip.circled || take?.circled ? 0 : 1,
  off?.by === 'card' ? 0 : 1,
  Math.round(6 * Math.abs(off?.stops ?? 0)),
  Math.round(1000 * clip.found.clippedAll),
  clip.found.driftStops,
];
const better = (a: readonly number[], b: readonly number[]): number => {
  const at = a.findIndex((value, i) => value !== b[i]);
  return at < 0 ? 0 : a[at] - b[at];
};

/** The clip that the others of a set-up and camera are held against; undefined where none was surveyed. */
const heroOf = (lines: readonly ClipLine[]): Found | undefined =>
  lines.filter(isFound).toSorted((a, b) => better(heroRank(a), heroRank(b)))[0];

/** Why a clip is the hero, in a few words. */
export const heroReason = ({ clip, take, off }: ClipLine, isChosen = false): string =>
  [
    isChosen ? 'chosen by hand' : clip.circled || take?.circled ? 'circled' : 'best of its set-up',
    off?.by === 'card' ? `${Math.abs(off.stops).toFixed(1)} stop off plan by its card` : 'no card seen',
    `${(100 * (clip.found?.clippedAll ?? 0)).toFixed(1)} % clipped`,
  ].join(', ');

const stateOf = (line: Omit<ClipLine, 'state'>): ClipState => {
  const { clip, take, off } = line;
  if (clip.state === 'leftOut') return 'leftOut';
  if (clip.state === 'waiting') return 'waiting';
  if (!take) return 'noTake';
  if (clip.take?.by === 'found' && (clip.take.probability ?? 0) < SURE) return 'unsure';
  const isOff = off !== undefined && isBeyond(off, OFF_PLAN_STOPS);
  // Without a card its plan says nothing: then it is held against the others of its set-up.
  const isOffHero =
    off === undefined && line.againstHero !== undefined && isBeyond(line.againstHero, OFF_HERO_STOPS);
  const { found } = clip;
  const hasTrouble =
    found !== undefined && (found.doubt !== undefined || found.cutShort !== undefined || drifts(found));
  return isOff || isOffHero || hasTrouble ? 'off' : 'fine';
};

/** Clips of one set-up and camera held against their hero. */
const againstHero = (lines: readonly ClipLine[]): readonly ClipLine[] => {
  const hero = heroOf(lines);
  if (!hero) return lines;
  const heroSpread = spreadOf(hero.clip.found);
  const held = lines.map((line): ClipLine => {
    if (!isFound(line)) return line;
    if (line.clip.id === hero.clip.id) return { ...line, isHero: lines.length > 1, isBest: true };
    const { cardStops } = line.clip.found;
    const heroCard = hero.clip.found.cardStops;
    const estimate = exposureAgainst(spreadOf(line.clip.found), heroSpread);
    const against: OffPlan | undefined =
      cardStops !== undefined && heroCard !== undefined
        ? { stops: cardStops - heroCard, by: 'card' }
        : estimate && { ...estimate, by: 'estimate' };
    // Without a card of its own it is off the plan by what the hero is and by what it is off the hero.
    const off: OffPlan | undefined =
      line.off ??
      (hero.off?.by === 'card' && against
        ? { ...against, stops: hero.off.stops + against.stops }
        : undefined);
    return { ...line, againstHero: against, off };
  });
  const compared = held.filter(({ againstHero: one }) => one !== undefined);
  const z = robustZ([0, ...compared.map((one) => one.againstHero!.stops)]);
  return held.map((line) => {
    const at = compared.indexOf(line);
    return at < 0 ? line : { ...line, unusual: z[at + 1] };
  });
};

const dayOf = ({ facts, file }: ClipRecord) => (facts?.startedAt ?? file.writtenAt).slice(0, 10);

/** Clips as lines, in their order. @param cameraName what a camera is called */
export const clipLines = (
  clips: readonly ClipRecord[],
  takes: readonly TakeFacts[],
  cameraName: (id: string) => string | undefined,
): readonly ClipLine[] => {
  const byId = new Map(takes.map((take) => [take.id, take]));
  const plain = clips.map((clip): ClipLine => {
    const take = clip.take?.id === undefined ? undefined : byId.get(clip.take.id);
    const card = clip.found?.cardStops;
    return {
      clip,
      take,
      setup: take?.setup ?? '',
      camera: cameraName(clip.cameraId) ?? '',
      day: take?.day ?? dayOf(clip),
      planned: take?.planned,
      ...(take && card !== undefined ? { off: { stops: card - take.planned, by: 'card' as const } } : {}),
      isHero: false,
      unusual: 0,
      state: 'fine',
    };
  });
  const groups = new Map<string, ClipLine[]>();
  for (const line of plain) {
    const key = line.setup === '' ? '' : `${line.setup}\n${line.camera}`;
    groups.set(key, [...(groups.get(key) ?? []), line]);
  }
  const held = new Map(
    [...groups]
      .flatMap(([key, lines]) => (key === '' ? lines : againstHero(lines)))
      .map((line) => [line.clip.id, line]),
  );
  return clips.map(({ id }) => {
    const line = held.get(id)!;
    return { ...line, state: stateOf(line) };
  });
};

/** What the table is narrowed to and grouped by. */
export type ClipFilter = { readonly find?: string; readonly state?: ClipState };
export const CLIP_GROUPS = ['none', 'setup', 'camera', 'day'] as const;
export type ClipGroup = (typeof CLIP_GROUPS)[number];

/** The lines that pass; the words of the search stand in name, take, notes, timecode or reel. */
export const narrowed = (lines: readonly ClipLine[], { find, state }: ClipFilter): readonly ClipLine[] => {
  const words = (find ?? '').toLowerCase().split(/\s+/).filter(Boolean);
  return lines.filter((line) => {
    if (state !== undefined && line.state !== state) return false;
    const { clip, setup, camera, take } = line;
    const text = [
      clip.file.name,
      setup,
      camera,
      take?.number,
      clip.notes,
      clip.facts?.timecode,
      clip.facts?.reel,
    ]
      .join(' ')
      .toLowerCase();
    return words.every((word) => text.includes(word));
  });
};

/** Lines in groups, each in the order of the most unusual first where one is. */
export const grouped = (
  lines: readonly ClipLine[],
  by: ClipGroup,
): readonly { readonly name: string; readonly lines: readonly ClipLine[] }[] => {
  if (by === 'none') return [{ name: '', lines }];
  const groups = new Map<string, ClipLine[]>();
  for (const line of lines) groups.set(line[by], [...(groups.get(line[by]) ?? []), line]);
  return [...groups]
    .map(([name, own]) => ({ name, lines: own }))
    .toSorted((a, b) => a.name.localeCompare(b.name));
};
