import { F_NUMBERS, printFNumber } from '#core/exposure/aperture.ts';
import { printShutter, type Shutter } from '#core/exposure/shutter.ts';
import { ndChoices } from '#core/exposure/nd.ts';
import { printStops, printStopsLength, stopsWord } from '#core/units.ts';
import { fitting, type NdSetRecord } from '#store/records/bag.ts';
import type { PlanRecord } from '#store/records/plan.ts';
import type { BookRecords } from '#store/book.ts';
import { printNd } from '../format.ts';
import { PLACEMENT_RANGE } from '../ladder/ladderModel.ts';
import type { CellInput } from './reason.ts';
import type { CellId } from './reasons.ts';
import { words } from '#ui/wording/setCardOpened.ts';

type Choice = { readonly value: string; readonly name: string };

/** How a cell is set: picked from what the camera has, typed as a number, or computed. */
type CellEditor =
  | {
      readonly kind: 'pick';
      readonly choices: (input: CellInput, records: BookRecords) => readonly Choice[];
      readonly current: (plan: PlanRecord) => string;
      readonly fields: (value: string, input: CellInput, records: BookRecords) => Partial<PlanRecord>;
    }
  | {
      readonly kind: 'number';
      readonly unit: string;
      readonly limits: (input: CellInput) => {
        readonly min: number;
        readonly max: number;
        readonly step: number;
      };
      readonly current: (plan: PlanRecord) => number;
      readonly fields: (value: number) => Partial<PlanRecord>;
    }
  | { readonly kind: 'computed' };

type Editing = {
  readonly editor: CellEditor;
  /** A second number that belongs to the same cell. */
  readonly also?: Extract<CellEditor, { kind: 'number' }> & { readonly label: string };
};

const numbers = (values: readonly number[], name: (v: number) => string): Choice[] =>
  values.map((v) => ({ value: String(v), name: name(v) }));

const parseShutter = (value: string): Shutter =>
  value.endsWith('°')
    ? { kind: 'angle', degrees: Number(value.slice(0, -1)) }
    : { kind: 'time', denominator: Number(value.slice(2)) };

const ndKey = ({ ndSetId, ndStops }: PlanRecord) => `${ndSetId ?? ''}|${ndStops}`;
const WHOLE_STOPS = Array.from({ length: 10 }, (_, i) => i + 1);

/** None, what the glass in the bag gives, and what the plan holds if it is none of these. */
const ndList = (plan: PlanRecord, sets: readonly NdSetRecord[]): Choice[] => {
  const glass = sets.flatMap((set) =>
    ndChoices(set).map(({ setId, stops, name }) => ({ value: `${setId}|${stops}`, name })),
  );
  const plain = (stops: number) => ({
    value: `|${stops}`,
    name: `${printNd(stops)}  ${printStopsLength(stops)} ${stopsWord(stops)}`,
  });
  const choices = [{ value: '|0', name: 'none' }, ...(glass.length > 0 ? glass : WHOLE_STOPS.map(plain))];
  const held = choices.some(({ value }) => value === ndKey(plan));
  return held ? choices : [...choices, { ...plain(plan.ndStops), value: ndKey(plan) }];
};

/** A LUT on every monitor that loads one. */
const onEveryMonitor = (monitors: BookRecords['monitors'], lutId: string): Record<string, string> =>
  Object.fromEntries(
    [...monitors.values()].filter(({ lutPoints }) => lutPoints > 0).map(({ id }) => [id, lutId]),
  );

const thirds = (from: number, to: number): number[] =>
  Array.from({ length: (to - from) * 3 + 1 }, (_, i) => to - i / 3);

const settingName = (value: number, marks: readonly number[], mark: string, name: string) =>
  marks.includes(value) ? `${name}  ${mark}` : name;

export const CELL_EDITORS: Readonly<Record<CellId, Editing>> = {
  profile: {
    editor: {
      kind: 'pick',
      choices: ({ selection }, records) =>
        selection.camera.profileIds.flatMap((id) => {
          const profile = records.profiles.get(id);
          return profile ? [{ value: id, name: profile.name }] : [];
        }),
      current: (plan) => plan.profileId,
      fields: (profileId) => ({ profileId }),
    },
  },
  iso: {
    editor: {
      kind: 'pick',
      choices: ({ selection: { camera } }) =>
        numbers(camera.isos, (iso) =>
          iso < (camera.extendedUnder ?? 0)
            ? `${iso}  extended low`
            : settingName(iso, camera.baseIsos, 'base', String(iso)),
        ),
      current: (plan) => String(plan.iso),
      fields: (value) => ({ iso: Number(value) }),
    },
  },
  kelvin: {
    editor: {
      kind: 'number',
      unit: 'K',
      limits: ({ selection: { camera } }) => ({
        min: camera.kelvinRange[0],
        max: camera.kelvinRange[1],
        step: camera.kelvinStep,
      }),
      current: (plan) => plan.kelvin,
      fields: (kelvin) => ({ kelvin }),
    },
    also: {
      kind: 'number',
      label: words.tint,
      unit: 'green +, magenta −',
      limits: ({ selection: { camera } }) => ({
        min: camera.tintRange[0],
        max: camera.tintRange[1],
        step: camera.tintStep,
      }),
      current: (plan) => plan.tint,
      fields: (tint) => ({ tint }),
    },
  },
  shutter: {
    editor: {
      kind: 'pick',
      choices: ({ selection: { camera, setup } }) =>
        camera.shutterBy === 'angle'
          ? camera.shutters.map((degrees) => ({
              value: `${degrees}°`,
              name: `${degrees}°  1/${((360 * setup.fps) / degrees).toFixed(0)} s`,
            }))
          : camera.shutters.filter((t) => t >= setup.fps).map((t) => ({ value: `1/${t}`, name: `1/${t} s` })),
      current: (plan) => printShutter(plan.shutter),
      fields: (value) => ({ shutter: parseShutter(value) }),
    },
  },
  iris: {
    editor: {
      kind: 'pick',
      choices: ({ selection: { camera } }) =>
        numbers(
          camera.fixedIris === undefined
            ? camera.irises.length > 0
              ? camera.irises
              : F_NUMBERS
            : [camera.fixedIris],
          (f) => `${printFNumber(f)}${camera.fixedIris === undefined ? '' : '  fixed'}`,
        ),
      current: (plan) => String(plan.iris),
      fields: (value) => ({ iris: Number(value) }),
    },
  },
  nd: {
    editor: {
      kind: 'pick',
      choices: ({ selection }, records) =>
        ndList(selection.plan, fitting([...records.ndSets.values()], selection.camera)),
      current: ndKey,
      fields: (value) => {
        const [set, stops] = value.split('|');
        return { ndStops: Number(stops), ndSetId: set === '' ? undefined : set };
      },
    },
  },
  placement: {
    editor: {
      kind: 'pick',
      choices: () => thirds(...PLACEMENT_RANGE).map((p) => ({ value: p.toFixed(4), name: printStops(p) })),
      current: (plan) => plan.placement.toFixed(4),
      fields: (value) => ({ placement: Math.round(Number(value) * 3) / 3 || 0 }),
    },
  },
  card: {
    editor: { kind: 'computed' },
  },
  skin: {
    editor: { kind: 'computed' },
  },
  warning: {
    editor: {
      kind: 'pick',
      choices: () =>
        [0, 1, 2, 3].map((n) => ({
          value: String(n),
          name: n === 0 ? 'at clip' : `${printStops(n / 3).slice(1)} ${stopsWord(n / 3)} under clip`,
        })),
      current: (plan) => String(Math.round(plan.warningMargin * 3)),
      fields: (value) => ({ warningMargin: Number(value) / 3 }),
    },
  },
  monitor: {
    editor: {
      kind: 'pick',
      choices: (_input, { luts }) => [
        { value: '', name: words.computedPullOfThe },
        ...[...luts.values()].map(({ id, name }) => ({ value: id, name })),
      ],
      current: ({ monitorLuts = {} }) => Object.values(monitorLuts)[0] ?? '',
      fields: (id, _input, { monitors }) => ({
        monitorLuts: id === '' ? undefined : onEveryMonitor(monitors, id),
      }),
    },
  },
};
