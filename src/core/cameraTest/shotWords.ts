import { printShutter } from '../exposure/shutter.ts';
import { printStops, printStopsLength, stopsWord } from '../units.ts';
import { SHOT_KINDS } from './shotKinds.ts';
import type { Shot } from './types.ts';

const PROCESSING = { lowest: 'lowest', default: 'from new' } as const;
const SUBJECT: Partial<Record<Shot['view'], string>> = {
  card: 'card',
  white: 'white paper',
  black: 'black cloth',
};

const tinted = (tint: number): string => `${tint > 0 ? '+' : '−'}${Math.abs(tint)}`;

/** What a shot is within its kind: `1/250`, `ISO 800`, `spot, white paper`. */
export const shotName = ({ kind, view, settings }: Shot): string => {
  const { shutter, iso, kelvin, tint, processing, stops, meterMode } = settings;
  switch (kind) {
    case 'cap':
      return `ISO ${iso}`;
    case 'iso':
      return `ISO ${iso} at ${printShutter(shutter)}`;
    case 'bracket':
    case 'back':
      return `${printShutter(shutter)} (${printStops(stops)})`;
    case 'balance':
      return `${kelvin} K`;
    case 'tint':
      return `tint ${tinted(tint)}`;
    case 'meter':
      return `${meterMode}, ${SUBJECT[view] ?? view}`;
    case 'sheets':
    case 'edge':
    case 'wall':
      return PROCESSING[processing];
    default:
      return printShutter(shutter);
  }
};

/** A shot by its kind and what it is within it. */
export const shotTitle = (shot: Shot): string => `${SHOT_KINDS[shot.kind].name}: ${shotName(shot)}`;

const VIEWS: Readonly<Record<Shot['view'], string>> = {
  cap: 'lens cap on',
  card: 'the card in the middle third',
  white: 'white paper fills the picture',
  black: 'black cloth fills the picture',
  sheets: 'three sheets of colour',
  edge: 'white paper on black, the edge upright in the middle',
  wall: 'a plain wall, out of focus',
};

type Settings = Shot['settings'];

/** What a setting asks for where it is not as it was; before the first shot nothing is set. A further one is a row. */
const CHANGES: readonly ((
  now: Settings,
  was: Settings | undefined,
  has: { readonly ring: boolean },
) => string | undefined)[] = [
  ({ moreLight }, was, { ring }) => {
    const stops = moreLight - (was?.moreLight ?? 0);
    if (stops === 0) return undefined;
    const by = `by ${printStopsLength(stops)} ${stopsWord(stops)}`;
    if (ring) return `${stops > 0 ? 'open' : 'close'} the iris ${by}`;
    return `${stops > 0 ? 'raise' : 'lower'} the light on the card ${by}: lamp nearer or farther, ND off or on`;
  },
  ({ shutter }, was) =>
    was && printShutter(was.shutter) === printShutter(shutter)
      ? undefined
      : `shutter ${printShutter(shutter)}`,
  ({ iso }, was) => (was?.iso === iso ? undefined : `ISO ${iso}`),
  ({ kelvin }, was) => (was?.kelvin === kelvin ? undefined : `${kelvin} K`),
  ({ tint }, was) => ((was?.tint ?? 0) === tint ? undefined : tint === 0 ? 'tint 0' : `tint ${tinted(tint)}`),
  ({ processing }, was) =>
    (was?.processing ?? 'lowest') === processing
      ? undefined
      : `detail, noise reduction, colour ${PROCESSING[processing]}`,
];

/** What has to be done between the shot before and this one: only what changes. */
export const shotChange = (shot: Shot, before: Shot | undefined, has: { readonly ring: boolean }): string => {
  const changes = [
    before?.view === shot.view ? undefined : VIEWS[shot.view],
    ...CHANGES.map((change) => change(shot.settings, before?.settings, has)),
    shot.kind === 'meter' ? `${shot.settings.meterMode} meter at 0 by shutter or iris` : undefined,
  ].filter((change) => change !== undefined);
  return changes.length > 0 ? changes.join(', ') : 'change nothing';
};

/** The list as plain text, a line a shot: for a phone, or on paper. */
export const listText = (camera: string, list: readonly Shot[], has: { readonly ring: boolean }): string =>
  [
    `Test of ${camera}`,
    ...list.map((shot, i) => `${i + 1} ${SHOT_KINDS[shot.kind].name}: ${shotChange(shot, list[i - 1], has)}`),
  ].join('\n');
