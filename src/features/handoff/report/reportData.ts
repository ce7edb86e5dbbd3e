import { groups } from 'd3-array';
import { CAUTION_CLOSE, CAUTIONS } from '#core/cautions.ts';
import { dateIn, printDay, timeIn, zoneOf } from '#core/day/clock.ts';
import { printFNumber } from '#core/exposure/aperture.ts';
import { printShutter } from '#core/exposure/shutter.ts';
import { median } from '#core/maths/quantile.ts';
import { printStops, printStopsDecimal } from '#core/units.ts';
import { undoStops } from '#store/takeFacts.ts';
import { rawTake } from '#store/records/raw.ts';
import type { CardSnapshot, TakeRecord } from '#store/records/take.ts';
import { setupsOf } from '#store/selection.ts';
import { gradingOf, printMinutes } from '#ui/bench/gradingOf.ts';
import { correctionWords } from '#ui/bench/match/correctionWords.ts';
import { printKelvin, printNd, printPull, printTint } from '#ui/format.ts';
import { words } from '#ui/wording/report.ts';
import { bundledClips, type BundledClip } from '../bundle/clipFacts.ts';
import type { BundleOf } from '../bundle/parts.ts';

/** What a report is made from: the records of a shoot, and its small pictures by the ids of their takes. */
export type ReportSource = Pick<BundleOf, 'records' | 'takes' | 'clips' | 'shoot' | 'thumbnails' | 'part'>;

type Verdict = { readonly state: 'holds' | 'watch' | 'lost'; readonly text: string };

export type ReportTake = {
  readonly name: string;
  readonly head: string;
  readonly circled: boolean;
  readonly picture?: Uint8Array;
  /** Shares a half stop from -10. */
  readonly distribution: readonly number[];
  readonly planned: number;
  readonly found?: number;
  /** What was found against the plan, and what to turn it by. */
  readonly says: string;
  /** Settings that are not those of the card above. */
  readonly otherwise: string;
  readonly verdicts: readonly Verdict[];
  readonly notes: string;
  readonly clips: readonly string[];
};

/** A camera in a set-up on one day: the card of its first take, and what was shot by it. */
export type ReportCamera = {
  readonly name: string;
  readonly card: readonly (readonly [string, string])[];
  readonly takes: readonly ReportTake[];
};

export type ReportSetup = {
  readonly name: string;
  readonly says: string;
  readonly caution: string;
  readonly cameras: readonly ReportCamera[];
};

/** A row of what to undo: everything that a camera shot in one set-up. */
type ReportSum = {
  readonly setup: string;
  readonly camera: string;
  readonly planned: string;
  readonly found: string;
  readonly undo: string;
  readonly takes: number;
  readonly circled: number;
};

export type Report = {
  readonly shoot: string;
  readonly place: string;
  readonly sums: readonly ReportSum[];
  readonly days: readonly { readonly name: string; readonly setups: readonly ReportSetup[] }[];
  readonly notShot: readonly string[];
  /** Clips, minutes and gigabytes of each camera. */
  readonly media: readonly (readonly string[])[];
};

const cardOf = (card: CardSnapshot): readonly (readonly [string, string])[] => [
  [
    words.profile,
    card.raw === undefined
      ? `${card.profileName}, ${card.coding.bitDepth} bit ${card.coding.range}`
      : rawTake(card.raw),
  ],
  [words.iso, String(card.iso)],
  [words.balance, `${printKelvin(card.kelvin)}${printTint(card.tint)}`],
  [words.shutter, `${printShutter(card.shutter)}, ${card.fps} fps`],
  [words.iris, printFNumber(card.iris)],
  [words.nd, [printNd(card.ndStops), card.glass].filter(Boolean).join(', ')],
  [words.placement, printStops(card.placement)],
  [words.cardZebra, card.cardZebra],
  [
    words.skinZebra,
    card.skinZebras.map(({ subject, zebra }) => `${subject} ${zebra}`).join(', ') || words.none,
  ],
  [words.warning, card.warningZebra],
  [words.monitor, `${card.monitorLut ?? words.computedPicture}, ${printPull(card.pullStops)}`],
];

/** Which settings of a card differ from those of another, as they read. */
const otherwiseOf = (card: CardSnapshot, than: CardSnapshot): string => {
  const [here, there] = [cardOf(card), cardOf(than)];
  return here
    .filter(([, value], i) => value !== there[i][1])
    .map(([label, value]) => `${label} ${value}`)
    .join(', ');
};

const clipLineOf = ({ clip, name, correction, problem }: BundledClip): string => {
  const { facts, file } = clip;
  const size = `${(file.bytes / 1e9).toFixed(file.bytes < 1e8 ? 3 : 1)} GB`;
  const found = clip.onPurpose
    ? words.onPurpose
    : correction && clip.correction
      ? words.corrected(correctionWords(clip.correction.correction).join(', '))
      : problem;
  return [name, facts?.timecode, facts && words.seconds(facts.seconds.toFixed(0)), size, found]
    .filter(Boolean)
    .join(' · ');
};

const takeOf = (
  take: TakeRecord,
  first: TakeRecord,
  clips: readonly BundledClip[],
  { shoot, thumbnails }: ReportSource,
): ReportTake => {
  const { card, measured, circled, notes } = take;
  const zone = shoot.sun && zoneOf(shoot.sun.clock);
  const found = measured?.cardStops;
  const own = clips.filter(({ clip }) => clip.take?.id === take.id);
  const undo = printStopsDecimal(undoStops({ found, planned: card.placement }));
  return {
    name: words.take(take.number),
    head: [timeIn(take.loggedAt, zone), own.length === 0 ? (measured?.file ?? words.noFrame) : undefined]
      .filter(Boolean)
      .join(' · '),
    circled,
    picture: [take.id, ...own.map(({ clip }) => `${clip.id}-0`)]
      .map((id) => thumbnails.get(id))
      .find(Boolean),
    distribution: measured?.distribution ?? [],
    planned: card.placement,
    found,
    says:
      found === undefined
        ? words.planOnly(printStops(card.placement), undo)
        : words.planAndFound(printStops(card.placement), printStopsDecimal(found), undo),
    otherwise: otherwiseOf(card, first.card),
    verdicts: (measured?.verdicts ?? [])
      .filter(({ state }) => state !== 'holds')
      .map(({ state, title, figure, advice }) => ({
        state,
        text: [`${title} ${figure}`.trim(), advice].filter(Boolean).join(': '),
      })),
    notes: notes.replaceAll(/\s+/g, ' ').trim(),
    clips: own.map(clipLineOf),
  };
};

const setupOf = (
  setupId: string,
  takes: readonly TakeRecord[],
  clips: readonly BundledClip[],
  source: ReportSource,
): ReportSetup => {
  const { records } = source;
  const setup = records.setups.get(setupId);
  const ids = new Set(takes.map(({ id }) => id));
  const shot = clips.filter(({ clip }) => ids.has(clip.take?.id ?? '')).length;
  const minutes = setup ? gradingOf(records, setup, shot || takes.length) : 0;
  return {
    name: setup?.name ?? takes[0].card.setupName,
    says: [setup?.light, minutes > 0 && words.gradingTime(printMinutes(minutes))].filter(Boolean).join(' · '),
    caution: setup?.cautions.length
      ? `${setup.cautions.map((id) => CAUTIONS[id]).join(' ')} ${CAUTION_CLOSE}`
      : '',
    cameras: groups(takes, ({ cameraId }) => cameraId).map(([, own]) => ({
      name: own[0].card.cameraName,
      card: cardOf(own[0].card),
      takes: own.map((take) => takeOf(take, own[0], clips, source)),
    })),
  };
};

/** Takes of a set-up that lie further apart, stops, are undone one by one. Half a stop, our own. */
const APART = 1 / 2;

const sumOf = (takes: readonly TakeRecord[]): ReportSum => {
  const [{ card }] = takes;
  const found = takes.flatMap(({ measured }) =>
    measured?.cardStops === undefined ? [] : [measured.cardStops],
  );
  const middle = found.length > 0 ? median(found) : undefined;
  // Takes that lie apart have no undo in common: one number would be wrong for most of them.
  const placements = found.length > 0 ? found : takes.map((take) => take.card.placement);
  const isEach = Math.max(...placements) - Math.min(...placements) > APART;
  const planned = [...new Set(takes.map((take) => printStops(take.card.placement)))];
  const spread = Math.max(...found) - Math.min(...found);
  return {
    setup: card.setupName,
    camera: `${card.cameraName}, ${card.profileName}`,
    planned: planned.join(', '),
    found:
      middle === undefined
        ? words.notMarked
        : `${printStopsDecimal(middle)}${found.length > 1 ? words.spread(spread.toFixed(2)) : ''}`,
    undo: isEach ? words.eachTake : printStopsDecimal(undoStops({ found: middle, planned: card.placement })),
    takes: takes.length,
    circled: takes.filter(({ circled }) => circled).length,
  };
};

/** Everything that a report of a shoot says, as text and numbers: days, set-ups and takes in their order. */
export const reportOf = (source: ReportSource): Report => {
  const { records, takes, clips, shoot, part } = source;
  const zone = shoot.sun && zoneOf(shoot.sun.clock);
  const bundled = bundledClips(source);
  const dayOf = ({ loggedAt }: TakeRecord) => dateIn(new Date(loggedAt), zone);
  const planned = setupsOf(records, shoot.id);
  const shotIds = new Set(takes.map(({ setupId }) => setupId));
  return {
    shoot: shoot.name,
    place: [shoot.place, part?.name].filter(Boolean).join(' · '),
    sums: groups(takes, ({ setupId, cameraId }) => `${setupId}:${cameraId}`).map(([, own]) => sumOf(own)),
    days: groups(takes, dayOf)
      .toSorted(([a], [b]) => a.localeCompare(b))
      .map(([date, own]) => ({
        name: printDay(date),
        setups: groups(own, ({ setupId }) => setupId).map(([id, list]) => setupOf(id, list, bundled, source)),
      })),
    // A part says nothing about what else was shot.
    notShot: part ? [] : planned.filter(({ id }) => !shotIds.has(id)).map(({ name }) => name),
    media: groups(clips, ({ cameraId }) => cameraId).map(([id, own]) => {
      const seconds = own.reduce((sum, { facts }) => sum + (facts?.seconds ?? 0), 0);
      const bytes = own.reduce((sum, { file }) => sum + file.bytes, 0);
      return [
        records.cameras.get(id)?.name ?? id,
        String(own.length),
        words.minutes((seconds / 60).toFixed(1)),
        `${(bytes / 1e9).toFixed(2)} GB`,
      ];
    }),
  };
};
