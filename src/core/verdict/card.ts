import { CARD_TOLERANCE, SKIN_TOLERANCE } from '../exposure/zebraLevels.ts';
import { doubtAt, TOLD_DOUBT, type Doubt } from '../profile/doubt.ts';
import { codeToSignal } from '../signal/scale.ts';
import { printStops, printStopsDecimal, stopsWord, toThird } from '../units.ts';
import { patchStops } from './patchStops.ts';
import type { VerdictInput, VerdictRule } from './types.ts';
import { openOrClose, where } from './wording.ts';
import { ownOffset, withinDoubt } from './verdictWords.ts';

/** How far off, in thirds; decimals where a third would read as nothing. */
const printOffset = (offset: number): string =>
  toThird(offset) === 0 ? printStopsDecimal(offset) : printStops(offset);

/** Whether a reading is off by more than is allowed, and by no more than the inferred curve itself may be. */
const isInDoubt = (offset: number, allowed: number, doubt: Doubt | undefined): doubt is Doubt =>
  doubt !== undefined && Math.abs(offset) > allowed && Math.abs(offset) <= doubt.stops;

/** Where the marked card lies, in stops over grey, and how far from the plan; undefined without a card patch. */
export const cardReading = ({
  measurement,
  numbers,
  placement,
}: Pick<VerdictInput, 'measurement' | 'numbers' | 'placement'>) => {
  const reading = measurement.patches.find(({ patch }) => patch.kind === 'card');
  if (!reading) return undefined;
  const signal = codeToSignal(reading.luma, measurement.coding);
  const stops = patchStops(reading, measurement.coding, numbers.profile);
  const slope = numbers.profile.signalAt(stops + 0.05) - numbers.profile.signalAt(stops - 0.05);
  const codes = codeToSignal(reading.sd, measurement.coding) - codeToSignal(0, measurement.coding);
  return { reading, signal, stops, offset: stops - placement, spread: codes / (slope / 0.1) };
};

export const cardPlacement = {
  id: 'card',
  name: 'Card placement',
  threshold: 'Within 1/6 stop of the plan.',
  judge: (input) => {
    const card = cardReading(input);
    if (!card) return undefined;
    const { reading, signal, stops, offset } = card;
    const clipped = stops >= input.numbers.clipStops - 0.05;
    const holds = Math.abs(offset) <= CARD_TOLERANCE;
    const doubt = doubtAt(input.numbers.profile.band, stops);
    const inDoubt = !clipped && isInDoubt(offset, CARD_TOLERANCE, doubt);
    const percent = `${(100 * signal).toFixed(1)} % of signal`;
    const planned = `planned ${printStops(input.placement)}`;
    return {
      state: clipped ? 'lost' : holds ? 'holds' : 'watch',
      title: clipped
        ? 'Card is clipped'
        : holds
          ? 'Card where planned'
          : inDoubt
            ? 'Card: cannot be told apart'
            : offset < 0
              ? 'Card under the plan'
              : 'Card over the plan',
      figure: clipped || holds ? printStopsDecimal(stops) : printOffset(offset),
      advice: clipped
        ? 'It reads at clip: close until it moves, then measure again.'
        : holds
          ? `Reads ${percent}, ${planned}. Leave it.`
          : inDoubt
            ? `${percent}, ${planned}. ${withinDoubt(doubt.stops)}`
            : `${percent}, ${planned}. ${openOrClose(offset)} ${stopsWord(offset)}.`,
      place: reading.patch.rect,
      ...(holds || clipped || inDoubt
        ? {}
        : { correction: { kind: 'exposure', stops: -toThird(offset) } as const }),
      arithmetic: [
        {
          label: 'mean luma of the patch',
          value: `code ${reading.luma.toFixed(1)} (σ ${reading.sd.toFixed(1)}, ${reading.pixels} px)`,
        },
        { label: 'as signal', value: percent },
        {
          label: 'luminance of R′G′B′ through the profile',
          value: `${printStopsDecimal(stops, 2)} stops over grey`,
        },
        {
          label: 'minus the plan',
          value: `${printStopsDecimal(input.placement, 2)} → off by ${printStopsDecimal(offset, 2)}`,
        },
        ...(doubt && doubt.stops >= TOLD_DOUBT
          ? [{ label: 'the curve is inferred, 95 %', value: `±${doubt.stops.toFixed(2)} stop here` }]
          : []),
        { label: 'place', value: where(reading.patch.rect, input.measurement) },
      ],
    };
  },
} as const satisfies VerdictRule;

/** Every marked face against its own plan. */
const skinReadings = ({ measurement, numbers }: VerdictInput) =>
  measurement.patches.flatMap((reading) => {
    const planned = numbers.skin.find(({ subject }) => subject.id === reading.patch.subjectId);
    if (reading.patch.kind !== 'skin' || !planned) return [];
    const stops = patchStops(reading, measurement.coding, numbers.profile);
    return [{ reading, planned, stops, offset: stops - planned.stops }];
  });

export const skinPlacement = {
  id: 'skin',
  name: 'Skin placement',
  threshold: 'Within 1/3 stop of the subject’s own offset; the face that is furthest off is named.',
  judge: (input) => {
    const faces = skinReadings(input);
    if (faces.length === 0) return undefined;
    const { reading, planned, stops, offset } = faces.reduce((worst, face) =>
      Math.abs(face.offset) > Math.abs(worst.offset) ? face : worst,
    );
    const holds = Math.abs(offset) <= SKIN_TOLERANCE;
    const doubt = doubtAt(input.numbers.profile.band, stops);
    const inDoubt = isInDoubt(offset, SKIN_TOLERANCE, doubt);
    const move = `${openOrClose(offset)}, or move the light.`;
    const remedy = holds ? 'Leave it.' : inDoubt ? withinDoubt(doubt.stops) : move;
    const words = `${planned.subject.name}: ${printStopsDecimal(stops)}, planned ${printStopsDecimal(planned.stops)}.`;
    return {
      state: holds ? 'holds' : 'watch',
      title: holds
        ? 'Skin where planned'
        : inDoubt
          ? 'Skin: cannot be told apart'
          : offset < 0
            ? 'Skin a little under'
            : 'Skin a little over',
      figure: holds ? printStopsDecimal(stops) : printOffset(offset),
      advice: `${words} ${remedy}`,
      place: reading.patch.rect,
      arithmetic: faces.flatMap((face) => {
        const { name, skinOffset } = face.planned.subject;
        return [
          {
            label: `${name}, mean luma`,
            value: `code ${face.reading.luma.toFixed(1)} (σ ${face.reading.sd.toFixed(1)})`,
          },
          {
            label: `${name}, through the profile minus plan`,
            value: ownOffset(face.stops, input.placement, skinOffset, face.offset),
          },
        ];
      }),
    };
  },
} as const satisfies VerdictRule;
