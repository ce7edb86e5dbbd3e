import type { Dial } from '../colour/lean.ts';
import { driftOf, middleDrift, type Drift, type DriftKind, type RoomPatch } from './drift.ts';

/** From which size a change is told, and under which it is over. Our own: under what a cut shows, over noise. */
type Band = { readonly name: string; readonly unit: string; readonly digits: number } & {
  readonly on: number;
  readonly off: number;
};

/** What is watched of every input. A further one is a row. */
export const BANDS: Readonly<Record<DriftKind, Band>> = {
  light: { name: 'Light', unit: 'stop', digits: 2, on: 0.2, off: 0.1 },
  balance: { name: 'Balance', unit: 'mired', digits: 0, on: 10, off: 5 },
  tint: { name: 'Tint', unit: 'of tint', digits: 1, on: 5, off: 2.5 },
  black: { name: 'Black', unit: '% of white', digits: 1, on: 0.5, off: 0.25 },
  face: { name: 'Face at clip', unit: '% of it', digits: 0, on: 5, off: 1 },
};
export const DRIFT_KINDS = Object.keys(BANDS) as DriftKind[];

/** Pictures are taken together over so many seconds; the middle of so many of them counts. */
const BIN_SECONDS = 0.5;
const BINS = 8;
/** Seconds that a change must last before it is told, and be gone before it is over. */
const LASTS = 3;
const GONE = 5;

export type Alarm = {
  readonly kind: DriftKind;
  readonly state: 'began' | 'over';
  /** Seconds on the input's clock. */
  readonly at: number;
  readonly size: number;
};

/** Where a kind stands: quiet, or told; and since when it would rather be the other. */
type Standing = { readonly isTold: boolean; readonly since?: number };

/**
 * Watches one input against the moment that is kept. A change is told once when it has lasted, and is over only when it
 * has come well back: no nagging at the edge. Keeps four seconds of pictures, however long it runs.
 */
export const createWatch = (reference: readonly RoomPatch[], dial: Dial) => {
  let bins: { readonly at: number; readonly drifts: Drift[] }[] = [];
  const standing = new Map<DriftKind, Standing>();
  let now: Drift = {};

  /** The middle of the last seconds; bins far back, from before a gap, count no more. */
  const settle = (at: number): void => {
    bins = bins.filter((bin) => at - bin.at <= BIN_SECONDS * (BINS + 1)).slice(-BINS);
    now = middleDrift(bins.map(({ drifts }) => middleDrift(drifts)));
  };

  const judge = (kind: DriftKind, size: number, at: number): readonly Alarm[] => {
    const { on, off } = BANDS[kind];
    const { isTold, since } = standing.get(kind) ?? { isTold: false };
    const wants = isTold ? Math.abs(size) < off : Math.abs(size) >= on;
    if (!wants) {
      standing.set(kind, { isTold });
      return [];
    }
    const from = since ?? at;
    if (at - from < (isTold ? GONE : LASTS)) {
      standing.set(kind, { isTold, since: from });
      return [];
    }
    standing.set(kind, { isTold: !isTold });
    return [{ kind, state: isTold ? 'over' : 'began', at, size }];
  };

  return {
    /** A picture's marks. @param at Seconds, rising. @returns what is to be told now */
    take: (at: number, patches: readonly RoomPatch[]): readonly Alarm[] => {
      const drift = driftOf(reference, patches, dial);
      // The input was opened anew: its clock began again, and what was under way with it.
      if (at < (bins.at(-1)?.at ?? at)) {
        bins = [];
        for (const [kind, { isTold }] of standing) standing.set(kind, { isTold });
      }
      const bin = bins.at(-1);
      if (bin && at - bin.at < BIN_SECONDS) bin.drifts.push(drift);
      else {
        bins.push({ at, drifts: [drift] });
        settle(at);
      }
      return DRIFT_KINDS.flatMap((kind) => {
        const size = now[kind];
        return size === undefined ? [] : judge(kind, size, at);
      });
    },
    /** What it is off by now. */
    drift: (): Drift => now,
    /** What is told and not over. */
    told: (): readonly DriftKind[] => DRIFT_KINDS.filter((kind) => standing.get(kind)?.isTold),
  };
};
export type Watch = ReturnType<typeof createWatch>;

/** Whose change it is, held against the other inputs at the same time. */
export type Cause = 'light' | 'camera' | 'unknown';

/**
 * A change that the other inputs show too, in the same direction, is the light's: how much of it each sees is a matter
 * of where it looks. One that no other shows is its camera's. In between, and with one input, it cannot be told.
 */
export const causeOf = (kind: DriftKind, size: number, others: readonly Drift[]): Cause => {
  const { off } = BANDS[kind];
  const told = others.flatMap((other) => other[kind] ?? []);
  if (told.length === 0 || kind === 'face') return 'unknown';
  const along = told.filter((other) => Math.sign(other) === Math.sign(size) && Math.abs(other) >= off);
  if (2 * along.length >= told.length) return 'light';
  return told.every((other) => Math.abs(other) < off / 2) ? 'camera' : 'unknown';
};
