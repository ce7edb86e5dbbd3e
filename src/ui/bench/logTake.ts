import { printZebra } from '#core/exposure/zebra.ts';
import type { Distribution } from '#core/scopes/distribution.ts';
import { patchStops } from '#core/verdict/patchStops.ts';
import { patchName } from '../patchName.ts';
import { cardReading } from '#core/verdict/index.ts';
import type { Change } from '#store/edits.ts';
import type { CardSnapshot, Measured, TakeRecord } from '#store/records/take.ts';
import { nextTakeNumber } from '#store/takes.ts';
import type { Bench } from './BenchProvider.tsx';
import { wishOf } from './lutShelf.ts';
import type { SessionState } from './session.ts';

const THUMBNAIL_WIDTH = 240;

/** What the step is called in undo. */
export const logLabel = (number: number): string => `Log take ${number}`;

/** What a take is made from: the card, and what was measured if a frame was open. */
export type TakeSource = Pick<Bench, 'selection' | 'numbers' | 'distribution' | 'verdicts'> & {
  readonly bench: Pick<SessionState, 'frame' | 'measurement'>;
  /** Frame of a clip, from 1, or seconds of a feed. */
  readonly at?: number;
};

const snapshot = ({ selection, numbers }: TakeSource): CardSnapshot => {
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
    zebraScale: camera.zebra.scale,
    cardZebra: printZebra(numbers.card),
    skinZebras: numbers.skin.map(({ subject, zebra }) => ({
      subject: subject.name,
      zebra: printZebra(zebra),
    })),
    warningZebra: printZebra(numbers.warning),
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
  bench,
  numbers,
  distribution,
  verdicts,
  selection,
  at,
}: TakeSource): Measured | undefined => {
  const { frame, measurement } = bench;
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

/** The picture as the monitor showed it. */
const thumbnailOf = async ({ bench, selection, numbers, session, luts }: Bench) => {
  if (!bench.frame) return undefined;
  const lut = selection.monitors[0]?.lut;
  const brought = lut && (await luts.bring(lut));
  const outcome = await session.judge.call('thumbnail', {
    profile: selection.profile.data,
    pullStops: numbers.pullStops,
    ...(lut && brought?.ok ? { through: { wish: wishOf(lut), output: lut.output } } : {}),
    width: THUMBNAIL_WIDTH,
  });
  return outcome.state === 'done' ? outcome.output.png : undefined;
};

/** The take as a record: the card as it stands and what was measured. */
export const takeOf = (source: TakeSource, now: Date, id: string, number: number): TakeRecord => ({
  id,
  shootId: source.selection.shoot.id,
  setupId: source.selection.setup.id,
  cameraId: source.selection.camera.id,
  number,
  loggedAt: now.toISOString(),
  card: snapshot(source),
  measured: measuredOf(source),
  notes: '',
  circled: false,
});

/**
 * Logs the take: the card as it stands, what was measured and a thumbnail, as one edit.
 * @returns the take, or undefined when it could not be written (the book then says why).
 */
export const logTake = async (bench: Bench, now: Date, newId: string): Promise<TakeRecord | undefined> => {
  const { book, database, selection } = bench;
  const [number, png] = await Promise.all([
    nextTakeNumber(database, selection.setup.id, selection.camera.id),
    thumbnailOf(bench).catch(() => undefined),
  ]);
  const { kind } = bench.bench.frame ?? {};
  const moved = bench.session.moving.getState().at;
  const at = kind === 'clip' ? moved + 1 : kind === 'feed' ? Number(moved.toFixed(2)) : undefined;
  const take = takeOf({ ...bench, at }, now, newId, number);
  const changes: Change[] = [{ table: 'takes', id: take.id, after: take }];
  if (png) changes.push({ table: 'thumbnails', id: take.id, after: { id: take.id, png } });
  return (await book.edit({ label: logLabel(number), changes })) ? take : undefined;
};
