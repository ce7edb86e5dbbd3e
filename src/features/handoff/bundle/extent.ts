import { dateIn, printDay, zoneOf } from '#core/day/clock.ts';
import type { BookRecords } from '#store/book.ts';
import type { ClipRecord } from '#store/records/clip.ts';
import type { ShootRecord } from '#store/records/shoot.ts';
import { setupsOf } from '#store/selection.ts';
import type { TakeRecord } from '#store/records/take.ts';
import type { TakeFacts } from '#store/takeFacts.ts';
import { slug } from '#ui/download.ts';
import { words } from '#ui/wording/bundle.ts';
import type { BundleOf } from './parts.ts';

/** What of a shoot is handed over: `shoot`, `circled`, `day:2026-04-14`, `setup:<id>`. */
type ExtentId = 'shoot' | 'circled' | `day:${string}` | `setup:${string}`;
export type Extent = { readonly id: ExtentId; readonly name: string };

export const WHOLE: Extent = { id: 'shoot', name: words.wholeShoot };

/** What there is to choose from, by the takes that are there. */
export const extentsOf = (
  records: BookRecords,
  shoot: ShootRecord,
  facts: readonly Pick<TakeFacts, 'day' | 'circled' | 'setupId'>[],
): readonly Extent[] => {
  const days = [...new Set(facts.map(({ day }) => day))].sort();
  const shot = new Set(facts.map(({ setupId }) => setupId));
  return [
    WHOLE,
    ...(facts.some(({ circled }) => circled) ? [{ id: 'circled', name: words.circledTakes } as const] : []),
    ...days.map((day): Extent => ({ id: `day:${day}`, name: printDay(day) })),
    ...setupsOf(records, shoot.id)
      .filter(({ id }) => shot.has(id))
      .map(({ id, name }): Extent => ({ id: `setup:${id}`, name })),
  ];
};

/** `salt-and-fire`, `salt-and-fire-14-apr-2026`: what a file of a part is called after. */
export const fileName = (shoot: string, { id, name }: Extent): string =>
  slug(id === 'shoot' ? shoot : `${shoot} ${name}`);

/** When a clip was made: by its own clock, else as its file was written. */
const madeAt = ({ facts, file }: ClipRecord) => new Date(facts?.startedAt ?? file.writtenAt);

/**
 * A bundle's records narrowed to a part of the shoot. A clip goes with its take; one without a take is of its day, and
 * of no set-up. The shoot itself stays whole, so that it is read back whole.
 */
export const narrowed = (of: BundleOf, { id, name }: Extent): BundleOf => {
  if (id === 'shoot') return of;
  const zone = of.shoot.sun && zoneOf(of.shoot.sun.clock);
  const [kind, which] = [id.split(':')[0], id.slice(id.indexOf(':') + 1)];
  const isIn: Readonly<Record<string, (take: TakeRecord) => boolean>> = {
    circled: ({ circled }) => circled,
    day: ({ loggedAt }) => dateIn(new Date(loggedAt), zone) === which,
    setup: ({ setupId }) => setupId === which,
  };
  const takes = of.takes.filter(isIn[kind]);
  const ids = new Set(takes.map((take) => take.id));
  const clips = of.clips.filter((clip) =>
    clip.take?.id !== undefined
      ? ids.has(clip.take.id)
      : kind === 'day' && dateIn(madeAt(clip), zone) === which,
  );
  const plays = new Set(takes.map(({ setupId, cameraId }) => `${setupId}:${cameraId}`));
  return { ...of, takes, clips, part: { name, plays } };
};
