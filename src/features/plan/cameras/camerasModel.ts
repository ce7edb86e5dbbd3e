import { alikeRows, type AlikeRow } from '#core/match/alike.ts';
import { dialFor, neutralOf } from '#core/colour/lean.ts';
import { printShutter, shutterSeconds, type Shutter } from '#core/exposure/shutter.ts';
import { printZebraOrInstead } from '#core/exposure/zebra.ts';
import { printStops } from '#core/units.ts';
import type { BookRecords } from '#store/book.ts';
import { shuttersOf, type CameraRecord } from '#store/records/camera.ts';
import { planChange, type PlanRecord } from '#store/records/plan.ts';
import { resolveSelection, type Selection } from '#store/selection.ts';
import { clamp, onStep } from '#ui/bench/corrections.ts';
import { roomCamera } from '#ui/bench/roomCamera.ts';
import { dayCardOf } from '#ui/cards/dayCards.ts';
import { printKelvin, printTint } from '#ui/format.ts';
import { words } from '#ui/wording/planCameras.ts';

/** Every camera of a set-up as it is planned, the one at hand first. */
export const camerasBeside = (records: BookRecords, selection: Selection): readonly Selection[] => {
  const { shoot, setup, camera } = selection;
  const others = setup.cameraIds
    .filter((id) => id !== camera.id)
    .flatMap((id) => resolveSelection(records, { shoot: shoot.id, setup: setup.id, camera: id }) ?? []);
  return [selection, ...others];
};

export type BesideRow = {
  readonly id: string;
  readonly name: string;
  /** Of each camera, in their order; what it is held to, of all but the first. */
  readonly values: readonly { readonly text: string; readonly state?: AlikeRow['state'] }[];
  readonly says?: string;
};

const WORST = ['differs', 'look', 'may', 'same'] as const;

/** Settings of all cameras, each held against the first; then what their own tools read. */
export const besideRows = (cameras: readonly Selection[]): readonly BesideRow[] => {
  const [first, ...others] = cameras;
  const held = others.map((one) => alikeRows(roomCamera(one), roomCamera(first), first.setup.fps));
  const settings = (held[0] ?? []).map(({ id, name, hero }, i): BesideRow => {
    const rows = held.map((list) => list[i]);
    const worst = WORST.map((state) => rows.find((row) => row.state === state)).find(Boolean);
    return {
      id,
      name,
      values: [{ text: hero }, ...rows.map(({ camera, state }) => ({ text: camera, state }))],
      ...(worst ? { says: worst.says } : {}),
    };
  });
  const cards = cameras.map((one) => dayCardOf(one, 1));
  const readings = cards[0].zebras.map(([name], i) => ({
    id: `zebra ${name}`,
    name: `${name} ${words.zebra}`,
    values: cards.map(({ zebras }) => ({ text: zebras[i] ? printZebraOrInstead(zebras[i][1]) : '–' })),
  }));
  const lineOf = (label: string): BesideRow => ({
    id: label,
    name: label,
    values: cards.map(({ lines }) => ({ text: lines.find(([name]) => name === label)?.[1] ?? '–' })),
  });
  return [...settings, ...readings, lineOf(words.meter), lineOf(words.monitor)];
};

const nearestShutter = (camera: CameraRecord, wanted: Shutter, fps: number): Shutter => {
  const seconds = shutterSeconds(wanted, fps);
  const off = (one: Shutter) => Math.abs(Math.log2(shutterSeconds(one, fps) / seconds));
  return shuttersOf(camera).reduce((a, b) => (off(b) < off(a) ? b : a));
};

type ForAll = {
  readonly name: string;
  readonly print: (plan: PlanRecord) => string;
  /** What another camera is set to so that it does as the first. */
  readonly fields: (other: Selection, first: Selection) => Partial<PlanRecord>;
};

/** What can be made one for all cameras. A further one is a row. */
export const FOR_ALL = {
  placement: {
    name: 'Placement',
    print: ({ placement }) => printStops(placement),
    fields: (_other, { plan: { placement } }) => ({ placement }),
  },
  balance: {
    name: 'White balance',
    print: ({ kelvin, tint }) => `${printKelvin(kelvin)}${printTint(tint)}`,
    // The same light is white in both: what each body leans is taken out of its dial.
    fields: ({ camera }, { plan, camera: leading }) => ({
      kelvin: clamp(
        dialFor(neutralOf(plan.kelvin, leading.lean?.mired ?? 0), camera.lean?.mired ?? 0, camera.kelvinStep),
        camera.kelvinRange,
      ),
      tint: clamp(
        onStep(plan.tint + (leading.lean?.tint ?? 0) - (camera.lean?.tint ?? 0), camera.tintStep),
        camera.tintRange,
      ),
    }),
  },
  shutter: {
    name: 'Shutter',
    print: ({ shutter }) => printShutter(shutter),
    fields: ({ camera }, { plan, setup }) => ({ shutter: nearestShutter(camera, plan.shutter, setup.fps) }),
  },
} as const satisfies Record<string, ForAll>;
export type ForAllId = keyof typeof FOR_ALL;
export const FOR_ALL_IDS = Object.keys(FOR_ALL) as ForAllId[];

/** Changes of the other cameras' plans; none where all are so already. */
export const changesForAll = (id: ForAllId, [first, ...others]: readonly Selection[]) =>
  others.flatMap((other) => {
    const fields = (FOR_ALL[id] as ForAll).fields(other, first);
    const change = planChange(other.plan, fields);
    return JSON.stringify(change.before) === JSON.stringify(change.after) ? [] : [change];
  });
