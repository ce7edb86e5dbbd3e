import { movesOf, type Response } from '#core/match/turns.ts';
import { NO_PAINT, type Paint } from '#core/sensor/paint.ts';
import { seededRandom } from '#core/random.ts';
import { printSigned } from '#core/units.ts';
import type { CameraRecord } from '#store/records/camera.ts';
import type { PanelControl } from '#store/records/panel.ts';
import type { Edit } from '#store/edits.ts';
import { words } from '#ui/wording/match.ts';

/** Controls that panels mostly have, as a start; ranges are the user's. The simulated camera has them all. */
export const COMMON_CONTROLS: readonly Omit<PanelControl, 'at' | 'response'>[] = [
  { id: 'red', name: 'R gain', low: -50, high: 50 },
  { id: 'blue', name: 'B gain', low: -50, high: 50 },
  { id: 'gain', name: 'Iris, sixths', low: -12, high: 12 },
  { id: 'black', name: 'Black level', low: -40, high: 40 },
  { id: 'saturation', name: 'Saturation', low: -20, high: 20 },
  { id: 'gamma', name: 'Gamma', low: -20, high: 20 },
  { id: 'hue', name: 'Hue', low: -30, high: 30 },
];

const PAINT_KEYS = Object.keys(NO_PAINT) as (keyof Paint)[];

/** How the simulated camera is painted: as it was found, and as its panel stands. */
export const paintOf = (found: Paint, panel: readonly PanelControl[] = []): Paint =>
  Object.fromEntries(
    PAINT_KEYS.map((key) => [key, found[key] + (panel.find(({ id }) => id === key)?.at ?? 0)]),
  ) as Paint;

/** A camera as somebody might have left it: drawn, the same for a seed. */
export const foundPaint = (seed: number): Paint => {
  const random = seededRandom(seed);
  const draw = (most: number) => Math.round(most * (2 * random() - 1));
  return { ...NO_PAINT, red: draw(20), blue: draw(20), gain: draw(4), black: draw(12), saturation: draw(6) };
};

/** By how much a control is turned to be learnt: an eighth of its range, where it has room. */
export const learnBy = ({ low, high, at }: Pick<PanelControl, 'low' | 'high' | 'at'>): number => {
  const by = Math.max(1, Math.round((high - low) / 8));
  return at + by <= high ? by : -by;
};

/** Controls that a panel holds. */
export const MOST_CONTROLS = 12;

/** By how much it is turned once more, on as before or back where there is no more room. */
export const nextTurn = ({ low, high, at }: Pick<PanelControl, 'low' | 'high' | 'at'>, by: number): number =>
  at + by >= low && at + by <= high ? by : -by;

/** A control of the user's own; what it does is learnt as of any other. */
export const ownControl = (
  name: string,
  taken: readonly { readonly id: string }[],
): Omit<PanelControl, 'at'> => {
  let n = 1;
  while (taken.some(({ id }) => id === `own-${n}`)) n += 1;
  return { id: `own-${n}`, name, low: -50, high: 50 };
};

/** Stops under this are none. */
const NOTHING = 0.002;

/** What a step does, in the units of the trade: `R +0.02 stop`. */
export const responseWords = ({ gain, black, saturation, gamma = 0, hue = 0 }: Response): string => {
  const [r, g, b] = gain;
  const alike = Math.max(r, g, b) - Math.min(r, g, b) < NOTHING;
  const stops = (v: number) => printSigned(v, 2);
  const gains = alike
    ? Math.abs(g) < NOTHING
      ? []
      : [words.allStops(stops(g))]
    : [words.red, words.green, words.blue].flatMap((name, c) =>
        Math.abs(gain[c]) < NOTHING ? [] : [words.stopsOf(name, stops(gain[c]))],
      );
  const lift = (black[0] + black[1] + black[2]) / 3;
  return [
    ...gains,
    ...(Math.abs(lift) < 5e-5 ? [] : [words.blackOf(printSigned(100 * lift, 2))]),
    ...(Math.abs(saturation) < 0.002 ? [] : [words.colourOf(printSigned(100 * saturation, 1))]),
    ...(Math.abs(gamma) < 0.001 ? [] : [words.gammaOf(printSigned(100 * gamma, 1))]),
    ...(Math.abs(hue) < 0.05 ? [] : [words.hueOf(printSigned(hue, 1))]),
  ].join(', ');
};

/** Of a straight control a second turn does as much as the first, within this. Our own: a whole step is left over. */
const STRAIGHT = 0.1;

/** What else a control moves, and whether it is straight. */
export const characterWords = (response: Response): string => {
  const [, ...along] = movesOf(response);
  const { gain, straight } = response;
  const most = gain.reduce((a, b) => (Math.abs(b) > Math.abs(a) ? b : a));
  // One channel's gain that pulls another along; all three alike are exposure.
  const pulled = gain.filter((v) => Math.abs(v) > STRAIGHT * Math.abs(most)).length;
  return [
    ...(pulled === 2 ? [words.pullsChannel] : []),
    ...(along.length > 0 ? [words.movesAlong(along.map((moved) => words.moved[moved]).join(', '))] : []),
    ...(straight === undefined
      ? []
      : [
          Math.abs(straight - 1) <= STRAIGHT
            ? words.isStraight
            : words.notStraight((100 * straight).toFixed(0)),
        ]),
  ].join(' · ');
};

/** A camera with another panel, as one step of undo. */
export const panelEdit = (camera: CameraRecord, panel: readonly PanelControl[], label: string): Edit => ({
  label,
  changes: [{ table: 'cameras', id: camera.id, before: camera, after: { ...camera, panel: [...panel] } }],
});
