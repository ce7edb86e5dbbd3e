import { stopsBefore } from '#core/exposure/glassLoss.ts';
import { dialFor } from '#core/colour/lean.ts';
import { DISPLAY_GREY } from '#core/lut/monitoring.ts';
import { isFlickerSafe } from '#core/exposure/shutter.ts';
import { exactFNumber } from '#core/exposure/aperture.ts';
import { CARD_TOLERANCE } from '#core/exposure/zebraLevels.ts';
import { printMeter } from '#core/exposure/cameraMeter.ts';
import { METER_C, METER_K } from '#core/exposure/meter.ts';
import { incidentAgainstSpot, luxOfGrey } from '#core/exposure/survey.ts';
import { printStops, printStopsExact, printStopsDecimal } from '#core/units.ts';
import { printLight, THIN } from '../format.ts';
import type { CellInput, Reason } from './reason.ts';
import { metersOf } from './meterLines.ts';
import { zebraReasons } from './zebraReasons.ts';
import {
  dialSum,
  isoAgainstBase,
  leanAgainstDial,
  lutOnMonitor,
  incidentWords,
  meterSum,
  spotSum,
  sumOf,
  toneOnGrey,
} from './reasonWords.ts';
import { words } from '#ui/wording/setCardOpened.ts';

const lightLines = ({ selection, numbers }: CellInput) => {
  const { plan, camera } = selection;
  const n = exactFNumber(plan.iris);
  return [
    { label: words.exactFNumber, value: `f/${n.toFixed(2)}` },
    { label: words.exposureTime, value: `1/${(1 / numbers.seconds).toFixed(0)}${THIN}s` },
    {
      label: words.spotOnTheCard(METER_K),
      value: spotSum(
        {
          k: METER_K,
          fNumber: n,
          seconds: numbers.seconds,
          iso: camera.sensitivity === 'ei' ? numbers.iso.base : plan.iso,
          ndStops: stopsBefore(plan),
          placement: plan.placement,
        },
        numbers.luminance,
      ),
    },
    { label: words.fallingOnItL, value: `${printLight(luxOfGrey(numbers.luminance))}${THIN}lx` },
    {
      // K and C put middle grey on different reflectances (ISO 2720), so that the two meters differ.
      label: words.incidentMeterAtThese(METER_C),
      value: incidentWords(numbers.illuminance, -incidentAgainstSpot({ k: METER_K, c: METER_C })),
    },
  ];
};

/** As the survey says it: the same light, the same two numbers. */
const wants = ({ numbers: { luminance } }: CellInput) =>
  `The card wants ${printLight(luminance)}${THIN}cd/m² (${printLight(luxOfGrey(luminance))}${THIN}lx).`;

/** With an exposure index the dial moves metering and monitoring; the recording stays at its base. */
const indexReason = ({ selection, numbers }: CellInput): Reason => {
  const { iso } = selection.plan;
  const { base, overBase } = numbers.iso;
  return {
    why: `EI ${iso} on base ${base}: places the card at ${printStops(-overBase)}; file and clip do not move.`,
    lines: [
      { label: words.placementTerm, value: `log2(${base} / ${iso}) = ${printStopsDecimal(-overBase, 2)}` },
      { label: words.clip, value: `${printStopsDecimal(numbers.clipStops)}, as at base` },
    ],
  };
};

/** Kelvin to dial, with the body's own lean taken out. */
const balanceReason = ({ selection }: CellInput): Reason => {
  const { camera, plan, setup } = selection;
  const mired = { label: words.mired, value: `10⁶ / ${plan.kelvin} = ${(1e6 / plan.kelvin).toFixed(0)}` };
  const { lean } = camera;
  if (!lean) return { why: setup.light || 'No light noted for this set-up yet.', lines: [mired] };
  const dial = dialFor(plan.kelvin, lean.mired, camera.kelvinStep);
  return {
    why: leanAgainstDial(camera.name, lean.mired, { light: plan.kelvin, dial }),
    lines: [
      mired,
      {
        label: words.toCounterTheLean,
        value: dialSum(plan.kelvin, lean.mired, dial),
      },
      {
        label: words.tintOfTheBody,
        value: `${printStopsDecimal(lean.tint, 1)} thousandths of Duv; measured ${lean.measuredOn}`,
      },
    ],
  };
};

/** What the camera's own meter shows on a card placed so. */
/** What the camera’s own meter must show, its bias taken in. */
const meterLines = ({ selection }: CellInput) => {
  const { meter } = selection.camera;
  const spot = meter.modes.some((mode) => mode.includes('spot')) ? 'spot on' : 'filled with';
  return metersOf(selection).map((target) => ({
    label: target.on === 'whole frame' ? words.meterWholeFrame : words.meter(spot, target.on),
    value: meterSum(target.shows - meter.bias, meter.bias, printMeter(target, meter)),
  }));
};

const isoReason = (input: CellInput): Reason => {
  const { iso, clipStops, floorStops } = input.numbers;
  const set = input.selection.plan.iso;
  if (input.selection.camera.sensitivity === 'ei') return indexReason(input);
  const why =
    iso.overBase === 0
      ? `${set} is a base: clip ${printStopsDecimal(clipStops)}, usable to ${printStopsExact(floorStops)}.`
      : isoAgainstBase(iso, input.numbers);
  return {
    why,
    lines: [
      {
        label: words.stopsOverBase,
        value: `log2(${set} / ${iso.base}) = ${printStopsDecimal(iso.overBase, 2)}`,
      },
      {
        label: words.clip,
        value: sumOf(input.numbers.profile.clipStops, '−', iso.clipLoss, clipStops),
      },
      {
        label: words.usableFloor,
        value: sumOf(input.selection.camera.floorStops, '+', iso.floorRise, floorStops),
      },
    ],
  };
};

const shutterReason = (input: CellInput): Reason => {
  const { seconds } = input.numbers;
  const safe = ([50, 60] as const).filter((hz) => isFlickerSafe(seconds, hz));
  const flicker =
    safe.length === 2
      ? 'safe at 50 and 60 Hz'
      : safe.length === 1
        ? `safe at ${safe[0]} Hz only`
        : 'may flicker under mains light';
  return {
    why: `1/${(1 / seconds).toFixed(0)}${THIN}s at ${input.selection.setup.fps} fps: ${flicker}.`,
    lines: [50, 60].map((hz) => ({ label: words.halfCyclesAtHz(hz), value: (seconds * 2 * hz).toFixed(2) })),
  };
};

const signalShare = (signal: number) => `${(100 * signal).toFixed(1)} % of signal`;

/** One row a cell of the set card. */
export const REASONS = {
  profile: ({ selection, numbers }) => ({
    why: selection.profile.says,
    lines: [
      { label: words.grey, value: signalShare(numbers.profile.signalAt(0)) },
      {
        label: words.clip,
        value: `${printStopsDecimal(numbers.clipStops)} stops, ${signalShare(numbers.profile.clipSignal)}`,
      },
    ],
  }),
  iso: isoReason,
  kelvin: balanceReason,
  shutter: shutterReason,
  iris: (input) => ({ why: wants(input), lines: lightLines(input) }),
  nd: (input) => ({ why: wants(input), lines: lightLines(input) }),
  placement: (input) => {
    const { placement } = input.selection.plan;
    const above = printStopsDecimal(input.numbers.clipStops - placement).replace('+', '');
    const below = printStopsDecimal(placement - input.numbers.floorStops).replace('+', '');
    return {
      why: `Room above the card ${above}, usable ${below} below it.`,
      lines: [...meterLines(input), ...lightLines(input)],
    };
  },
  ...zebraReasons,
  monitor: ({ numbers, selection: { monitors, plan } }) => {
    const [first] = monitors;
    const computed = {
      why: 'The monitor takes off what the placement put on, so you light to the finished picture.',
      lines: [
        { label: words.pull, value: `${printStops(-numbers.pullStops)} stops before the tone scale` },
        { label: words.greyLandsAt, value: `${100 * DISPLAY_GREY} % of the display signal` },
      ],
    };
    if (!first) return computed;
    const off = numbers.pullStops - plan.placement;
    return {
      why:
        Math.abs(off) <= CARD_TOLERANCE
          ? `${first.lut.name} on ${first.monitor.name} takes off what the placement put on.`
          : lutOnMonitor(first.lut.name, first.monitor.name, numbers.pullStops, plan.placement),
      lines: [
        ...monitors.map(({ monitor, lut }) => ({ label: monitor.name, value: `${lut.name}: ${lut.says}` })),
        {
          label: words.itsPullOnThis,
          value: toneOnGrey(numbers.pullStops),
        },
        { label: words.placementTerm, value: `${printStopsDecimal(plan.placement, 2)} stops` },
      ],
    };
  },
} as const satisfies Record<string, (input: CellInput) => Reason>;

export type CellId = keyof typeof REASONS;
