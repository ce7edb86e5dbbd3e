import { printFNumber } from '#core/exposure/aperture.ts';
import { printShutter } from '#core/exposure/shutter.ts';
import { meterOn, printMeter } from '#core/exposure/cameraMeter.ts';
import { printInstead, printZebra } from '#core/exposure/zebra.ts';
import { printStops } from '#core/units.ts';
import type { PlanRecord } from '#store/records/plan.ts';
import { printKelvin, printNd, printPull, printTint } from '../format.ts';
import type { CellInput } from './reason.ts';
import type { CellId } from './reasons.ts';
import { words } from '#ui/wording/setCard.ts';

export type Cell = {
  readonly id: CellId;
  readonly label: string;
  /** A name that stands in the label's place where there is one. */
  readonly named?: (input: CellInput) => string | undefined;
  readonly print: (input: CellInput) => string;
  /** A second, smaller line. */
  readonly note?: (input: CellInput) => string;
  /** What to use instead, where there is no such level. */
  readonly instead?: (input: CellInput) => string | undefined;
  /** Plan fields that, differing from the default, show the notch. */
  readonly owns: readonly (keyof PlanRecord)[];
  readonly aim?: boolean;
};

/** The set card, left to right. A further cell is a row here and in `cellEditors.ts`, which comes when asked for. */
export const CELLS: readonly Cell[] = [
  {
    id: 'profile',
    label: words.profile,
    print: ({ selection, draftName }) => (draftName === undefined ? selection.profile.name : `${draftName}…`),
    owns: ['profileId'],
  },
  {
    id: 'iso',
    label: words.iso,
    print: ({ selection }) => String(selection.plan.iso),
    owns: ['iso'],
  },
  {
    id: 'kelvin',
    label: words.whiteBal,
    print: ({ selection: { plan } }) => `${printKelvin(plan.kelvin)}${printTint(plan.tint)}`,
    owns: ['kelvin', 'tint'],
  },
  {
    id: 'shutter',
    label: words.shutter,
    print: ({ selection }) => printShutter(selection.plan.shutter),
    owns: ['shutter'],
  },
  {
    id: 'iris',
    label: words.iris,
    print: ({ selection }) => printFNumber(selection.plan.iris),
    owns: ['iris'],
  },
  {
    id: 'nd',
    label: words.nd,
    print: ({ selection }) => printNd(selection.plan.ndStops),
    owns: ['ndStops', 'ndSetId'],
  },
  {
    id: 'placement',
    label: words.placement,
    print: ({ selection }) => printStops(selection.plan.placement),
    note: ({ selection: { camera, plan } }) =>
      `meter ${printMeter(meterOn(camera.meter, 'card', plan.placement), camera.meter)}`,
    owns: ['placement'],
    aim: true,
  },
  {
    id: 'card',
    label: words.cardZebra,
    print: ({ numbers: { card } }) => printZebra(card),
    instead: ({ numbers: { card } }) => printInstead(card),
    owns: [],
    aim: true,
  },
  {
    id: 'skin',
    label: words.skinZebra,
    print: ({ numbers: { skin } }) =>
      skin.length === 0
        ? 'none'
        : skin.length === 1
          ? printZebra(skin[0].zebra)
          : skin.map(({ zebra }) => (zebra.reach === 'within' ? zebra.level : 'out of reach')).join(' / '),
    instead: ({ numbers: { skin } }) =>
      skin.map(({ zebra }) => printInstead(zebra)).find((instead) => instead !== undefined),
    owns: [],
    aim: true,
  },
  {
    id: 'warning',
    label: words.warning,
    print: ({ numbers: { warning } }) => printZebra(warning),
    instead: ({ numbers: { warning } }) => printInstead(warning),
    owns: ['warningMargin'],
    aim: true,
  },
  {
    id: 'monitor',
    label: words.monitorLut,
    named: ({ selection: { monitors } }) => monitors[0]?.lut.name,
    print: ({ numbers: { pullStops } }) => printPull(pullStops),
    owns: ['monitorLuts'],
  },
];
