import { printMeter } from '#core/exposure/cameraMeter.ts';
import { CARD_TOLERANCE, SKIN_TOLERANCE } from '#core/exposure/zebraLevels.ts';
import { printZebra, type ZebraSetting } from '#core/exposure/zebra.ts';
import { nearestShown } from '#core/exposure/zebraSheet.ts';
import { whyOutOfReach, zebraTurns } from '#core/exposure/zebraWords.ts';
import { doubtAt, TOLD_DOUBT, type UncertaintyBand } from '#core/profile/index.ts';
import { SCALES } from '#core/signal/scale.ts';
import { printStops, printStopsDecimal } from '#core/units.ts';
import type { CellInput, Reason } from './reason.ts';
import { metersOf } from './meterLines.ts';
import { faceTone } from './reasonWords.ts';
import { words } from '#ui/wording/setCardOpened.ts';

/** How far the recorded level may lie off where the curve was inferred; nothing where it was not. */
const inferredLine = (band: UncertaintyBand | undefined, stops: number) => {
  const doubt = doubtAt(band, stops);
  return doubt && doubt.stops >= TOLD_DOUBT
    ? [
        {
          label: words.curveIsInferred,
          value: `±${(100 * doubt.signal).toFixed(1)} % of signal, ±${doubt.stops.toFixed(2)} stop here`,
        },
      ]
    : [];
};

const zebraLines = ({ selection, numbers }: CellInput, setting: ZebraSetting, stops: number) => {
  const { scale, reads, follows } = selection.camera.zebra;
  const pull = follows === 'no' && !numbers.monitor ? 'no pull' : `pull ${printStops(numbers.pullStops)}`;
  return [
    { label: words.tone, value: `${printStopsDecimal(stops, 2)} stops over grey in the recording` },
    {
      label: words.zebraReads,
      value: reads === 'log' ? 'the recorded signal' : `the display LUT’s output (${pull})`,
    },
    { label: words.exactLevel, value: `${setting.exact.toFixed(2)} ${SCALES[scale].name}` },
    ...inferredLine(numbers.profile.band, stops),
    {
      label: setting.reach === 'within' ? words.roundedToTheCamera : words.nearestTheCameraHas,
      value: `${setting.level} (${printStopsDecimal(setting.costStops, 2)} stop)`,
    },
  ];
};

/** What to set or read where the camera’s zebra cannot show a tone. */
const setInstead = ({ selection: { camera } }: CellInput, { instead, exact }: ZebraSetting): string[] => [
  ...(instead ? [`set it by ${instead.name}: ${printZebra(instead.zebra)}`] : []),
  `read ${exact.toFixed(1)} ${SCALES[camera.zebra.scale].name} on the waveform`,
];

/** The placement nearest to the plan’s at which the camera shows the card. */
const placeInstead = ({ selection: { camera, plan }, numbers }: CellInput): string => {
  const shown = nearestShown(numbers.profile, camera, plan.placement, numbers.monitor);
  if (!shown) return 'no placement from −1 to +3 brings the card into reach';
  const end = numbers.card.reach === 'under' ? 'lowest' : 'highest';
  return `place the card at ${printStops(shown.placement)}, the ${end} it can show: ${printZebra(shown.zebra)}`;
};

/** The camera’s meter on the card, as long as its scale goes so far. */
const meterInstead = ({ selection }: CellInput): string[] => {
  const [card] = metersOf(selection);
  return card.isPast
    ? []
    : [`read ${printMeter(card, selection.camera.meter)} on the camera’s meter, on the card`];
};

const capital = (words: string) => `${words[0].toUpperCase()}${words.slice(1)}`;

const zebraWhy = (setting: ZebraSetting, what: string, instead: readonly string[]) =>
  setting.reach === 'within'
    ? `${what} reads ${setting.exact.toFixed(1)}; rounding costs ${printStopsDecimal(setting.costStops, 2)} stop.`
    : `${whyOutOfReach(setting, what)} ${capital(instead.join('; or '))}.`;

/** Which zebras to dial at once, where the camera stores fewer than the plan wants; empty where it stores enough. */
export const turnsOf = ({ selection: { camera }, numbers: { card, skin, warning } }: CellInput): string =>
  zebraTurns(camera.zebra.slots, {
    card,
    faces: skin.map(({ subject, zebra }) => ({ name: subject.name, zebra })),
    warning,
  });

/** Said where the level hangs on what nobody has looked at: whether the camera’s view assist takes the pull off. */
const taken = ({ selection: { camera, plan }, numbers }: CellInput): string =>
  camera.zebra.reads === 'lut' && !camera.zebra.follows && !numbers.monitor && plan.placement !== 0
    ? 'Assumed that the camera’s view assist takes the pull off: film the card once at +1 and look, then say it in Kit.'
    : '';

/** Why the zebra cells hold what they hold. */
export const zebraReasons = {
  card: (input) => {
    const { card } = input.numbers;
    const instead = [...setInstead(input, card), ...meterInstead(input), placeInstead(input)];
    return {
      why: [zebraWhy(card, 'the card', instead), taken(input), turnsOf(input)].filter(Boolean).join(' '),
      lines: [
        ...zebraLines(input, card, input.selection.plan.placement),
        { label: words.tolerance, value: `smallest that takes in ±${CARD_TOLERANCE.toFixed(2)} stop` },
      ],
    };
  },
  skin: (input) => {
    const { skin } = input.numbers;
    if (skin.length === 0)
      return {
        why: 'No subject in this set-up: skin is measured beside the card, never guessed.',
        lines: [],
      };
    const { subject, zebra } = skin.find((one) => one.zebra.reach !== 'within') ?? skin[0];
    return {
      why: zebraWhy(zebra, `${subject.name}’s key side`, setInstead(input, zebra)),
      lines: skin.flatMap((one) => [
        {
          label: one.subject.name,
          value: faceTone(input.selection.plan.placement, one.subject.skinOffset, SKIN_TOLERANCE),
        },
        ...zebraLines(input, one.zebra, one.stops)
          .slice(2)
          .map((line) => ({ ...line, label: `${one.subject.name}: ${line.label}` })),
      ]),
    };
  },
  warning: (input) => {
    const { plan } = input.selection;
    const { warning, clipStops } = input.numbers;
    const margin = `${printStops(plan.warningMargin).replace('+', '')} stop under clip`;
    const why =
      warning.reach === 'within'
        ? `${margin}, rounded down: it warns early.`
        : zebraWhy(warning, margin, setInstead(input, warning));
    return {
      why: [why, turnsOf(input)].filter(Boolean).join(' '),
      lines: zebraLines(input, warning, clipStops - plan.warningMargin),
    };
  },
} as const satisfies Record<string, (input: CellInput) => Reason>;
