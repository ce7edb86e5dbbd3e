import { failure, success } from '#core/result.ts';
import { GLASS_LOSS, knownGlass } from '#core/exposure/glassLoss.ts';
import type { SetCardNumbers } from '#core/exposure/setCard.ts';
import { printZebraOrInstead } from '#core/exposure/zebra.ts';
import type { Distribution } from '#core/scopes/distribution.ts';
import type { FrameMeasurement } from '#core/scopes/measureFrame.ts';
import { patchStops } from '#core/verdict/patchStops.ts';
import { cardReading, type Verdict } from '#core/verdict/index.ts';
import type { TakeDraft } from '#store/book.ts';
import type { PlanRecord } from '#store/records/plan.ts';
import { developedAs } from '#store/records/raw.ts';
import type { CardSnapshot, TakeMeasurement, TakeRecord } from '#store/records/take.ts';
import type { Selection } from '#store/selection.ts';
import { takeMarksOf } from '#store/takeMarks.ts';
import { patchName } from '../patchName.ts';
import { distributionOf } from './benchModel.ts';
import { judgementOf } from './judgement.ts';
import type { Card } from './hooks.ts';
import type { Services } from './services.ts';
import { isOf } from './session/measuring.ts';
import { lutSpecOf } from './session/lutShelf.ts';
import type { OpenFrame } from './session/state.ts';

const THUMBNAIL_WIDTH = 240;

/** What a take is made from: the card, and what was measured if a frame was open. */
export type TakeSource = {
  readonly selection: Selection;
  readonly numbers: SetCardNumbers;
  readonly profiles: ReadonlyMap<string, { readonly name: string }>;
  readonly frame?: Pick<OpenFrame, 'name' | 'kind' | 'info'>;
  readonly measurement?: FrameMeasurement;
  readonly distribution?: Distribution;
  readonly verdicts: readonly Verdict[];
  /** Frame of a clip, from 1, or seconds of a feed. */
  readonly at?: number;
};

const glassNamesOf = ({ glass }: PlanRecord): Pick<CardSnapshot, 'glass'> => {
  const names = knownGlass(glass).map((id) => GLASS_LOSS[id].name);
  return names.length > 0 ? { glass: names.join(', ') } : {};
};

const rawOf = ({ selection: { plan, camera }, profiles }: TakeSource): Pick<CardSnapshot, 'raw'> => {
  const raw = developedAs({ plan, camera, profiles });
  return raw === undefined ? {} : { raw };
};

const snapshot = (source: TakeSource): CardSnapshot => {
  const { selection, numbers } = source;
  const { plan, setup, camera, profile, monitors } = selection;
  return {
    setupName: setup.name,
    cameraName: camera.name,
    profileName: profile.name,
    profile: profile.data,
    coding: camera.coding,
    placement: plan.placement,
    iso: plan.iso,
    kelvin: plan.kelvin,
    tint: plan.tint,
    shutter: plan.shutter,
    fps: setup.fps,
    iris: plan.iris,
    ndStops: plan.ndStops,
    ...glassNamesOf(plan),
    ...rawOf(source),
    zebraScale: camera.zebra.scale,
    cardZebra: printZebraOrInstead(numbers.card),
    skinZebras: numbers.skin.map(({ subject, zebra }) => ({
      subject: subject.name,
      zebra: printZebraOrInstead(zebra),
    })),
    warningZebra: printZebraOrInstead(numbers.warning),
    pullStops: numbers.pullStops,
    ...(monitors[0] ? { monitorLut: monitors[0].lut.name } : {}),
  };
};

/** A take keeps the distribution in half stops: enough for its glyph. */
export const halfStops = ({ bins, perStop }: Distribution): number[] => {
  const each = perStop / 2;
  return Array.from({ length: bins.length / each }, (_, i) =>
    Number(
      bins
        .slice(i * each, (i + 1) * each)
        .reduce((sum, bin) => sum + bin.share, 0)
        .toFixed(5),
    ),
  );
};

const measuredOf = ({
  frame,
  measurement,
  numbers,
  distribution,
  verdicts,
  selection,
  at,
}: TakeSource): TakeMeasurement | undefined => {
  if (!frame || !measurement || !distribution) return undefined;
  const card = cardReading({ measurement, numbers, placement: selection.plan.placement });
  return {
    file: frame.name,
    size: [frame.info.width, frame.info.height],
    source: {
      kind: frame.kind,
      container: frame.info.container.slice(0, 120),
      exact: frame.info.exactness.exact,
      ...(at === undefined ? {} : { at }),
    },
    patches: measurement.patches.map(({ patch, r, g, b, light }) => ({
      name: patchName(patch, selection.subjects),
      kind: patch.kind,
      r: Number(r.toFixed(2)),
      g: Number(g.toFixed(2)),
      b: Number(b.toFixed(2)),
      stops: Math.max(
        -20,
        Number(patchStops({ r, g, b, light }, measurement.coding, numbers.profile).toFixed(3)),
      ),
    })),
    cardStops: card?.stops,
    cardOffset: card?.offset,
    clippedAll: measurement.clipping.all,
    clippedSome: measurement.clipping.some,
    underFloor: measurement.shadows.share,
    distribution: halfStops(distribution),
    verdicts: verdicts.map(({ id, state, title, figure, advice }) => ({ id, state, title, figure, advice })),
  };
};

/** The take as a record, but for its number: the card as it stands and what was measured. */
export const takeOf = (source: TakeSource, now: Date, id: string): TakeDraft => ({
  id,
  shootId: source.selection.shoot.id,
  setupId: source.selection.setup.id,
  cameraId: source.selection.camera.id,
  loggedAt: now.toISOString(),
  card: snapshot(source),
  measured: measuredOf(source),
  notes: '',
  circled: false,
});

/** What stands on the page when a take is logged. */
export type Moment = {
  readonly selection: Selection;
  readonly card: Card;
  readonly muted: readonly string[];
  readonly now: Date;
  readonly id: string;
};

const CHANGED = failure('picture', 'It changed while the take was logged: log the take again.');

/** Where in a clip or a feed a picture was taken, as a take says it. */
const momentOf = (kind: OpenFrame['kind'], at: number | undefined): number | undefined => {
  if (at === undefined) return undefined;
  return kind === 'clip' ? at + 1 : kind === 'feed' ? Number(at.toFixed(2)) : undefined;
};

/**
 * Picture, measurement and verdicts of one moment: what the worker holds when it is asked, and the card of
 * the press.
 */
const lookNow = async ({ session, luts, book }: Services, { selection, card, muted }: Moment) => {
  if (!session.getState().frame) return success(undefined);
  const lut = selection.monitors[0]?.lut;
  const brought = lut && (await luts.bring(lut));
  const { numbers, target, light } = card;
  const captured = await session.frame.capture(target, {
    profile: target.profile,
    pullStops: numbers.pullStops,
    ...(lut && brought?.ok ? { through: { spec: lutSpecOf(lut), output: lut.output } } : {}),
    width: THUMBNAIL_WIDTH,
  });
  if (!captured) return success(undefined);
  const { frame, samples } = session.getState();
  if (!frame || !isOf(frame.info, captured)) return CHANGED;
  const { measurement, png, info, marks } = captured;
  const distribution = distributionOf(measurement, numbers);
  const { plan, camera } = selection;
  const asked = {
    numbers,
    placement: plan.placement,
    light,
    coding: camera.coding,
    kind: frame.kind,
    kit: {
      profileIds: camera.profileIds,
      setId: selection.profile.id,
      profiles: book.getState().profiles,
    },
    samples,
    muted,
  };
  const verdicts = judgementOf(measurement, distribution, asked);
  const at = momentOf(frame.kind, captured.at);
  return success({ frame: { ...frame, info }, measurement, distribution, verdicts, at, png, marks });
};

/**
 * Logs the take: card, picture, what was measured and its thumbnail, all of one moment; its number is given
 * as it is written.
 * @returns the take, or undefined when it could not be logged (book or session then say why).
 */
export const logTake = async (services: Services, moment: Moment): Promise<TakeRecord | undefined> => {
  const { selection, card, now, id } = moment;
  const looked = await lookNow(services, moment);
  if (!looked.ok) {
    services.session.notice.say('The picture', looked);
    return undefined;
  }
  const { png, marks, ...found } = looked.value ?? { verdicts: [] };
  const { profiles } = services.book.getState();
  const draft = takeOf({ selection, numbers: card.numbers, profiles, ...found }, now, id);
  return services.book.logTake(draft, png, marks && takeMarksOf(draft, marks));
};
