import { median } from '../../maths/quantile.ts';
import type { EvidenceItem } from '../../profile/index.ts';
import { PRINTED_SIGMA } from '../../profile/making.ts';
import { codeToSignal } from '../../signal/scale.ts';
import { stopsToReflectance } from '../../units.ts';
import { firstBase } from '../shots/ground.ts';
import { cutOff } from './cutOff.ts';
import {
  isCutInMiddle,
  bentOff,
  FRAME_SIGMA,
  noiseIn,
  sigmaOf,
  trueBlack,
  type EdgeReading,
  type Step,
} from './steps.ts';
import type { TestBasis } from './types.ts';

// What a test says of the curve as evidence: bracket, cap, chip, the grey of the profile on file.

/** A dark frame's mean: a body may set its black by the frame. Our own choice. */
export const BLACK_SIGMA = 0.001;
/** Steps at which a chip was read, at least. */
const FEWEST_CHIPS = 4;
/** Where a chip is read: the card within these stops, the chip under clip. */
const CHIP_FROM = -1;
const CHIP_TO = 4;
const NEAR_CLIP = 0.015;

/** What is known before: the curve of the round before, and how far all steps are shifted so that grey is at 0. */
export type Round = { readonly encode?: (light: number) => number; readonly shift: number };

const bracketItems = (
  steps: readonly Step[],
  perCode: number,
  { encode, shift }: Round,
  hangTogether: boolean,
): readonly EvidenceItem[] => {
  // Once real shutter times and lights are known all of it is one bracket; without them each light is one.
  const lights = hangTogether ? [undefined] : [...new Set(steps.map(({ light }) => light))];
  return lights.map((light, i) => ({
    id: `bracket ${light ?? ''}`.trim(),
    kind: 'bracket',
    source: i === 0 ? 'Test: bracket' : `Test: bracket, ${light} stops more light`,
    readings: steps
      .filter((step) => light === undefined || step.light === light)
      .map(({ stops, signal, deviation }) => {
        const reflectance = stopsToReflectance(stops + shift);
        return {
          reflectance,
          signal: signal - (encode ? bentOff(encode, reflectance, deviation) : 0),
          sigma: sigmaOf(deviation, perCode),
          series: 'bracket',
        };
      }),
  }));
};

/** Black of a frame with the cap on, at the first base. */
const capItem = ({ filmed, camera, coding }: TestBasis, perCode: number): readonly EvidenceItem[] => {
  const base = firstBase(camera);
  const dark = filmed.find(
    ({ shot, hold }) => shot.kind === 'cap' && shot.settings.iso === base && hold.signs.dark,
  );
  if (!dark || (cutOff(dark.hold.card.atBottom).isRough && !isCutInMiddle(dark, coding))) return [];
  const sigma = Math.max(BLACK_SIGMA, sigmaOf(noiseIn(dark), perCode));
  return [
    {
      id: 'cap',
      kind: 'card',
      source: 'Test: lens cap on',
      readings: [{ reflectance: 0, signal: trueBlack(dark, coding), sigma }],
    },
  ];
};

const greyItem = (greySignal: number | undefined): readonly EvidenceItem[] =>
  greySignal === undefined
    ? []
    : [
        {
          id: 'grey',
          kind: 'anchors',
          source: 'The profile’s grey',
          readings: [{ reflectance: stopsToReflectance(0), signal: greySignal, sigma: PRINTED_SIGMA }],
        },
      ];

/**
 * A chip beside the card as a series of its own: how much darker it is than the card is found on the way.
 * @param places Where a shot of the bracket really puts the card, stops over grey, by its id
 */
export const chipItem = (
  { filmed }: TestBasis,
  stopsAt: (signal: number) => number,
  places: ReadonlyMap<string, number>,
  clipSignal: number,
): readonly EvidenceItem[] => {
  const read = filmed.flatMap(({ shot, hold }) => {
    const stops = places.get(shot.id);
    const chips = hold.glances.flatMap(({ chip }) => chip ?? []);
    return stops === undefined || chips.length === 0 ? [] : [{ stops, chip: median(chips) }];
  });
  const inside = read.filter(
    ({ chip, stops }) => chip < clipSignal - NEAR_CLIP && stops > CHIP_FROM && stops < CHIP_TO,
  );
  if (inside.length < FEWEST_CHIPS) return [];
  const darker = median(inside.map(({ stops, chip }) => stopsAt(chip) - stops));
  if (!Number.isFinite(darker)) return [];
  return [
    {
      id: 'chip',
      kind: 'bracket',
      source: 'Test: dark chip',
      readings: inside.map(({ stops, chip }) => ({
        reflectance: stopsToReflectance(stops + darker),
        signal: chip,
        sigma: 2 * FRAME_SIGMA,
        series: 'chip',
      })),
    },
  ];
};

/** Luma of a step whose channels fill one after the other, signal fraction. */
const ROUGHLY = 0.006;
/** Where a channel is held against luma: stops over grey. */
const HELD_FROM = -1;

/**
 * Channels that are not full yet at the edge of clip, each as far beside luma as it lies at the steps under it.
 * @param rising Steps under clip, in their real places
 */
export const edgeEvidence = (
  edges: readonly EdgeReading[],
  rising: readonly Step[],
  placeOf: (step: Step) => number,
  stopsAt: (signal: number) => number,
): EvidenceItem['readings'] => {
  const beside = [0, 1, 2].map((c) =>
    median(
      rising
        .filter(({ signal }) => stopsAt(signal) > HELD_FROM)
        .map(({ channels, signal }) => stopsAt(channels[c]) - stopsAt(signal))
        .filter(Number.isFinite),
    ),
  );
  return edges.flatMap(({ step, channel, signal }) => {
    const off = channel === undefined ? 0 : beside[channel];
    if (!Number.isFinite(off)) return [];
    const sigma = channel === undefined ? ROUGHLY : 2 * FRAME_SIGMA;
    return [{ reflectance: stopsToReflectance(placeOf(step) + off), signal, sigma, series: 'bracket' }];
  });
};

/** Everything but the chip and the edge of clip. */
export const evidenceOf = (
  basis: TestBasis,
  steps: readonly Step[],
  round: Round,
  hangTogether: boolean,
): readonly EvidenceItem[] => {
  const perCode = codeToSignal(1, basis.coding) - codeToSignal(0, basis.coding);
  return [
    ...bracketItems(steps, perCode, round, hangTogether),
    ...capItem(basis, perCode),
    ...greyItem(basis.greySignal),
  ];
};
