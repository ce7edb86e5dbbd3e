import { dateIn } from '#core/day/clock.ts';
import type { TakeRecord } from './records/take.ts';

/** The worst that was found on a take, from the least; `none` where it was logged without a frame. */
export const TAKE_VERDICTS = ['none', 'holds', 'watch', 'lost'] as const;
export type TakeVerdict = (typeof TAKE_VERDICTS)[number];

/** What the log is searched by: a small part of each take, held in memory for thousands of them. */
export type TakeFacts = {
  readonly id: string;
  readonly number: number;
  /** ISO 8601, UTC. */
  readonly loggedAt: string;
  /** Date on the shoot's clock, ISO 8601. */
  readonly day: string;
  readonly setup: string;
  readonly setupId: string;
  readonly camera: string;
  readonly circled: boolean;
  readonly verdict: TakeVerdict;
  /** Where the card was planned and found, stops over grey; found is absent where no card was marked. */
  readonly planned: number;
  readonly found?: number;
  /** Found less planned, stops. */
  readonly offPlan?: number;
  /** The file that was judged; absent where none was open. */
  readonly file?: string;
  /** All its words in small letters. */
  readonly text: string;
};

/** Stops that the grade turns a take by: back from where its card was found, else from where it was planned. */
export const undoStops = ({
  found,
  planned,
}: {
  readonly found?: number;
  readonly planned: number;
}): number => -(found ?? planned) || 0;

const verdictOf = ({ measured }: TakeRecord): TakeVerdict =>
  measured
    ? measured.verdicts.reduce<TakeVerdict>(
        (worst, { state }) => (TAKE_VERDICTS.indexOf(state) > TAKE_VERDICTS.indexOf(worst) ? state : worst),
        'holds',
      )
    : 'none';

/** @param zone Clock of the shoot; without one the reader's own. */
export const factsOf = (take: TakeRecord, zone?: string): TakeFacts => {
  const { card, measured } = take;
  const words = [
    card.setupName,
    take.number,
    card.cameraName,
    card.profileName,
    card.monitorLut,
    take.notes,
    measured?.file,
    ...(measured?.verdicts.filter(({ state }) => state !== 'holds').map(({ title }) => title) ?? []),
  ];
  return {
    id: take.id,
    number: take.number,
    loggedAt: take.loggedAt,
    day: dateIn(new Date(take.loggedAt), zone),
    setup: card.setupName,
    setupId: take.setupId,
    camera: card.cameraName,
    circled: take.circled,
    verdict: verdictOf(take),
    planned: card.placement,
    found: measured?.cardStops,
    offPlan: measured?.cardOffset,
    file: measured?.file,
    text: words
      .filter((word) => word !== undefined)
      .join(' ')
      .toLowerCase(),
  };
};

/** What the log is narrowed to; what is absent lets all through. */
export type TakeFilter = {
  /** Each of these words stands somewhere in the take. */
  readonly words?: string;
  readonly setup?: string;
  readonly camera?: string;
  readonly day?: string;
  readonly circled?: boolean;
  readonly verdict?: TakeVerdict;
  /** Off the plan by this many stops or more, either way. */
  readonly offPlan?: number;
};

/** Two thirds of a stop are stored as 0.667: what is just short of a whole third still counts as it. */
const NEARLY = 0.01;

/** The takes that pass, in the order they came in. */
export const filterTakes = (takes: readonly TakeFacts[], filter: TakeFilter): readonly TakeFacts[] => {
  const { setup, camera, day, circled, verdict, offPlan } = filter;
  const words = (filter.words ?? '').toLowerCase().split(/\s+/).filter(Boolean);
  return takes.filter(
    (take) =>
      (setup === undefined || take.setup === setup) &&
      (camera === undefined || take.camera === camera) &&
      (day === undefined || take.day === day) &&
      (!circled || take.circled) &&
      (verdict === undefined || take.verdict === verdict) &&
      (offPlan === undefined || Math.abs(take.offPlan ?? 0) >= offPlan - NEARLY) &&
      words.every((word) => take.text.includes(word)),
  );
};

const distinct = (values: readonly string[]) => [...new Set(values)].sort();

/** What there is to choose from. */
export const takeChoices = (takes: readonly TakeFacts[]) => ({
  setups: distinct(takes.map(({ setup }) => setup)),
  cameras: distinct(takes.map(({ camera }) => camera)),
  days: distinct(takes.map(({ day }) => day)),
});
