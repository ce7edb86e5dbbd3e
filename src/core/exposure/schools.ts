import { usualCompensation } from './compensation.ts';
import { kindOf, type Profile } from '../profile/index.ts';
import { snrAt, type SensorModel } from '../noise/sensorNoise.ts';
import { printStops, printStopsDecimal, toThird } from '../units.ts';
import {
  heldInstead,
  keptUnderClip,
  leftAtGrey,
  meteredFace,
  meteredFrame,
  nothingSpeaks,
  samePullForAll,
  sameNumbers,
  setByFace,
} from './schoolWords.ts';
import { frameMean } from './meterTarget.ts';
import type { Survey, SurveySubject } from './survey.ts';

/** What a school places by. */
export type SchoolInput = {
  readonly survey: Survey;
  readonly profile: Profile;
  /** Clip and usable floor in the recording at the plan's ISO, stops over grey. */
  readonly clipStops: number;
  readonly floorStops: number;
  readonly bitDepth: number;
  readonly sensor: SensorModel;
  readonly subjects: readonly SurveySubject[];
  /** Stops the brightest kept tone stays under clip. */
  readonly backOff: number;
  /** The camera's meter shows so much more than it should. */
  readonly meterBias: number;
};

type Placed = { readonly placement: number; readonly why: string };
type Unplaced = { readonly why: string; readonly placement?: undefined };

type School = {
  readonly name: string;
  readonly rule: string;
  /** What is done on set, as the end of a sentence. */
  readonly doing: string;
  readonly place: (input: SchoolInput) => Placed | Unplaced;
};

/** Common practice: more than this where there is skin, and hues shift. */
export const MOST_WITH_SKIN = 2.5;

const isLog = ({ profile }: SchoolInput) => kindOf(profile) === 'log';
const hasSkin = ({ survey, subjects }: SchoolInput) =>
  subjects.length > 0 || survey.spots.some(({ spot }) => spot.role === 'skin');
const lightsOver = ({ survey, clipStops }: SchoolInput, placement: number) =>
  survey.spots.filter(({ spot, stops }) => spot.role === 'light' && stops + placement > clipStops);

/** The placement held to what skin allows, with the words for it. */
const heldForSkin = (input: SchoolInput, placement: number, why: string): Placed => {
  if (!hasSkin(input) || placement <= MOST_WITH_SKIN) return { placement, why };
  const held = Math.floor(3 * MOST_WITH_SKIN) / 3;
  return {
    placement: held,
    why: `${why} Held at ${printStops(held)}: over ${printStopsDecimal(MOST_WITH_SKIN)} skin shifts hue.`,
  };
};

const brightest = ({ survey }: SchoolInput) =>
  survey.spots
    .filter(({ spot }) => spot.role !== 'light' && spot.role !== 'mayLose')
    .reduce<(typeof survey.spots)[number] | undefined>(
      (top, one) => (!top || one.stops > top.stops ? one : top),
      undefined,
    );

/** Common practice, by bit depth and room: 8-bit log +1 to +2, 10-bit log 0 to +1, a finished picture at 0. */
const fixedFor = (input: SchoolInput): Placed => {
  if (!isLog(input))
    return {
      placement: 0,
      why:
        kindOf(input.profile) === 'finished'
          ? 'A finished picture is placed at 0.'
          : 'Too little room over grey to spend any: placed at 0.',
    };
  return input.bitDepth <= 8
    ? { placement: 4 / 3, why: '8-bit log, +1 to +2: cleans the shadows.' }
    : { placement: 2 / 3, why: '10-bit log, 0 to +1: a little cleaner, little room spent.' };
};

/** Schools of placement, side by side. A further one is a row. */
export const SCHOOLS = {
  card: {
    name: 'By card',
    rule: 'The card at the profile’s grey: repeatable, one pull for all.',
    doing: 'the zebra covers a card',
    place: () => ({ placement: 0, why: 'The zebra covers the card at the profile’s own grey.' }),
  },
  bright: {
    name: 'As bright as it holds',
    rule: 'Raise until what must be kept is just under clip.',
    doing: 'you watch the brightest thing that must hold',
    place: (input) => {
      const top = brightest(input);
      if (!top) return { why: 'Nothing is marked to be kept: name the brightest thing that must hold.' };
      const placement = Math.floor(3 * (input.clipStops - input.backOff - top.stops) + 1e-9) / 3;
      const gone = lightsOver(input, placement).map(({ spot }) => spot.name);
      return heldForSkin(input, placement, keptUnderClip(top.spot.name, top.stops, input.backOff, gone));
    },
  },
  fixed: {
    name: 'Fixed placement',
    rule: 'One number for every shot, by bit depth and profile.',
    doing: 'you set the same offset on every shot, whatever is in it',
    place: (input) => heldForSkin(input, fixedFor(input).placement, fixedFor(input).why),
  },
  skin: {
    name: 'By skin',
    rule: 'The zebra on the key side of the face, by its own offset; no card needed.',
    doing: 'the zebra covers the lit side of the face, and no card is needed',
    place: (input) => {
      const faces = input.survey.spots.filter(({ spot }) => spot.role === 'skin');
      const subject = input.subjects[0];
      if (faces.length === 0 && !subject)
        return { why: 'Nobody is in front of the camera: measure a face beside the card first.' };
      const name = faces[0]?.spot.name ?? subject.name;
      const offset = faces[0]?.stops ?? subject.skinOffset;
      // The placement is the fixed school's; what differs is that the face is measured, not a card.
      const { placement } = fixedFor(input);
      return { placement, why: setByFace(name, offset, placement) };
    },
  },
  spot: {
    name: 'Meter, spot on the face',
    rule: 'The face to 0.0 on the camera’s spot meter.',
    doing: 'the spot meter shows 0 on the face',
    place: (input) => {
      const face = input.survey.spots.find(({ spot }) => spot.role === 'skin');
      const offset = face?.stops ?? input.subjects[0]?.skinOffset;
      if (offset === undefined)
        return { why: 'No face to meter: meter the card instead, as the first school does.' };
      const placement = toThird(-offset - input.meterBias);
      return { placement, why: meteredFace(placement, input.meterBias) };
    },
  },
  frame: {
    name: 'Meter, whole frame',
    rule: 'The camera’s average at a compensation that suits the profile.',
    doing: 'the camera averages, and you dial a compensation',
    place: (input) => {
      const frame = frameMean(input.survey);
      if (!frame) return { why: 'No spots: survey the scene, and the mean is known.' };
      // Common practice: +0.7..+1.3 for 8-bit wide log, +1.7..+2 for classic log, -0.5 for bodies that over-expose.
      const compensation = usualCompensation(input.profile, isLog(input));
      const placement = toThird(compensation - frame.mean - input.meterBias);
      return { placement, why: meteredFrame(frame, compensation) };
    },
  },
} as const satisfies Record<string, School>;

export type SchoolId = keyof typeof SCHOOLS;
export const SCHOOL_IDS = Object.keys(SCHOOLS) as SchoolId[];

/** What one school comes to on this scene and camera. */
export type SchoolAnswer = {
  readonly id: SchoolId;
  readonly why: string;
  /** Thirds of a stop; undefined where the school cannot speak, `why` says what it lacks. */
  readonly placement?: number;
  /** Stops from the brightest kept tone to clip; under 0 it is lost. */
  readonly roomAbove: number;
  /** Stops from the darkest kept tone to the usable floor; under 0 it is noise. */
  readonly cleanBelow: number;
  /** Noise at grey after the pull, against placement 0: 0.7 is less. */
  readonly noise: number;
};

export const schoolAnswers = (input: SchoolInput): SchoolAnswer[] => {
  const { survey, clipStops, floorStops, sensor } = input;
  const [low, high] = survey.keep;
  const placedBy = new Map<number, SchoolId>();
  return SCHOOL_IDS.map((id) => {
    const { placement: exact, why } = (SCHOOLS[id] as School).place(input);
    const placement = exact === undefined ? undefined : toThird(exact);
    const at = placement ?? 0;
    const thirds = Math.round(3 * at);
    const before = placement === undefined ? undefined : placedBy.get(thirds);
    if (placement !== undefined && before === undefined) placedBy.set(thirds, id);
    return {
      id,
      why: before === undefined ? why : `${why} ${sameNumbers(SCHOOLS[before].name, SCHOOLS[id].doing)}`,
      placement,
      roomAbove: clipStops - (at + high),
      cleanBelow: at + low - floorStops,
      noise: snrAt(sensor, 0) / snrAt(sensor, at),
    };
  });
};

export type Recommendation = { readonly id: SchoolId; readonly placement: number; readonly why: string };

/**
 * One school for this scene: the fixed number where it holds the highlights, as bright as it holds where it does not,
 * grey where the picture is finished in camera. Never over what skin allows.
 */
export const recommend = (input: SchoolInput, answers: readonly SchoolAnswer[]): Recommendation => {
  const of = (id: SchoolId) => answers.find((answer) => answer.id === id);
  const [fixed, bright] = [of('fixed'), of('bright')];
  const gone = lightsOver(input, fixed?.placement ?? 0).map(({ spot }) => spot.name);
  if (!isLog(input))
    return { id: 'card', placement: 0, why: leftAtGrey(kindOf(input.profile) === 'finished', gone) };
  if (fixed?.placement !== undefined && fixed.roomAbove >= input.backOff - 1e-9)
    return {
      id: 'fixed',
      placement: fixed.placement,
      why: samePullForAll(fixed.placement, fixed.roomAbove, gone),
    };
  if (bright?.placement !== undefined)
    return {
      id: 'bright',
      placement: bright.placement,
      why: heldInstead(fixed?.placement ?? 0, bright.placement, gone),
    };
  return { id: 'card', placement: 0, why: nothingSpeaks(gone) };
};
