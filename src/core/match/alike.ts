import { SEEN_MIRED } from '../colour/balance.ts';
import { neutralOf, type Dial, type Lean } from '../colour/lean.ts';
import { printFNumber } from '../exposure/aperture.ts';
import { isFlickerSafe, printShutter, shutterSeconds, type Shutter } from '../exposure/shutter.ts';
import { kindOf } from '../profile/kind.ts';
import type { ProfileData } from '../profile/index.ts';
import { printStops } from '../units.ts';

/** How a camera of a room is set. */
export type RoomCamera = {
  readonly profile: { readonly name: string; readonly data: ProfileData };
  readonly placement: number;
  readonly shutter: Shutter;
  readonly iso: number;
  readonly iris: number;
  readonly ndStops: number;
  readonly dial: Dial;
  readonly lean: Lean;
};
/** `same`; `differs` where it must not; `may` where the seats ask for it; `look` where only the camera's menu tells. */
export type AlikeState = 'same' | 'differs' | 'may' | 'look';
export type AlikeRow = {
  readonly id: string;
  readonly name: string;
  readonly camera: string;
  readonly hero: string;
  readonly state: AlikeState;
  /** What it does to the cut, and what is done about it. */
  readonly says: string;
};

type Rule = {
  readonly id: string;
  readonly name: string;
  readonly print: (camera: RoomCamera) => string;
  readonly judge: (camera: RoomCamera, hero: RoomCamera, fps: number) => Pick<AlikeRow, 'state' | 'says'>;
};

/** Half of a sixth of a stop: what a dial in thirds cannot be off by. Our own. */
const SAME_STOPS = 1 / 12;
/** A stop of gain between two inputs is seen in the shadows. Our own. */
const SEEN_GAIN = 1;
/** Tint that is seen between two inputs, thousandths of Duv. Our own. */
const SEEN_TINT = 3;

const size = (stops: number) => printStops(Math.abs(stops)).replace('+', '');
const stopWords = (stops: number) => `${size(stops)} ${Math.abs(stops) > 1 ? 'stops' : 'stop'}`;

const profile: Rule = {
  id: 'profile',
  name: 'Profile',
  print: ({ profile: { name } }) => name,
  judge: (camera, hero) => {
    if (camera.profile.name === hero.profile.name)
      return { state: 'same', says: 'One level means one stop in both.' };
    const finished = [camera, hero].filter((one) => kindOf(one.profile.data) === 'finished').length;
    return {
      state: 'differs',
      says:
        finished === 1
          ? 'One is a finished picture and the other is not. Set both alike before anything else.'
          : 'A level means another stop in each. Set both alike, or compare stops, never per cent.',
    };
  },
};

const placement: Rule = {
  id: 'placement',
  name: 'Grey card at',
  print: ({ placement: stops }) => printStops(stops),
  judge: (camera, hero) => {
    const apart = camera.placement - hero.placement;
    return Math.abs(apart) < SAME_STOPS
      ? { state: 'same', says: 'The same light lands on the same stop.' }
      : {
          state: 'differs',
          says: `${stopWords(apart)} apart: ${apart > 0 ? 'close' : 'open'} the iris until both cards agree.`,
        };
  },
};

const shutter: Rule = {
  id: 'shutter',
  name: 'Shutter',
  print: ({ shutter: set }) => printShutter(set),
  judge: (camera, hero, fps) => {
    const [own, other] = [shutterSeconds(camera.shutter, fps), shutterSeconds(hero.shutter, fps)];
    if (Math.abs(Math.log2(own / other)) > SAME_STOPS)
      return { state: 'differs', says: 'Motion looks different in each. Set both to one time.' };
    const safe = ([50, 60] as const).filter((mains) => isFlickerSafe(own, mains));
    return safe.length === 0
      ? {
          state: 'differs',
          says: 'The same in both, but lamps on the mains may beat: 1/50 or 1/60 s does not.',
        }
      : { state: 'same', says: `One time; lamps on ${safe.join(' and ')} Hz mains stand still.` };
  },
};

const balance: Rule = {
  id: 'balance',
  name: 'White balance',
  print: ({ dial: { kelvin, tint } }) => (tint === 0 ? `${kelvin} K` : `${kelvin} K, tint ${tint}`),
  judge: (camera, hero) => {
    const white = ({ dial, lean }: RoomCamera) => 1e6 / neutralOf(dial.kelvin, lean.mired);
    const apart = white(camera) - white(hero);
    const dials = camera.dial.kelvin === hero.dial.kelvin;
    if (Math.abs(apart) > SEEN_MIRED)
      return {
        state: 'differs',
        says: `${Math.abs(apart).toFixed(0)} mired apart, leans counted: the same light is not white in both.`,
      };
    const tint = camera.dial.tint + camera.lean.tint - hero.dial.tint - hero.lean.tint;
    if (Math.abs(tint) > SEEN_TINT)
      return {
        state: 'differs',
        says: `${Math.abs(tint).toFixed(0)} of tint apart, leans counted: one is greener than the other.`,
      };
    return {
      state: 'same',
      says: dials
        ? 'The same light is white in both.'
        : 'Other numbers, the same white: each dial has what its body leans in it.',
    };
  },
};

const gain: Rule = {
  id: 'iso',
  name: 'ISO',
  print: ({ iso }) => String(iso),
  judge: (camera, hero) => {
    const apart = Math.log2(camera.iso / hero.iso);
    if (Math.abs(apart) < SAME_STOPS)
      return { state: 'same', says: 'The same noise, as far as the bodies have it.' };
    const says = `${stopWords(apart)} ${apart > 0 ? 'more' : 'less'} gain than the hero.`;
    return Math.abs(apart) < SEEN_GAIN
      ? { state: 'may', says: `${says} The seat may ask for it.` }
      : { state: 'may', says: `${says} Its shadows will show it: open the iris first where there is room.` };
  },
};

const seat: Rule = {
  id: 'iris',
  name: 'Iris and ND',
  print: ({ iris, ndStops }) =>
    ndStops > 0 ? `${printFNumber(iris)}, ND ${ndStops} stops` : printFNumber(iris),
  judge: (camera, hero) =>
    camera.iris === hero.iris && camera.ndStops === hero.ndStops
      ? { state: 'same', says: 'The same depth of field at the same distance and focal length.' }
      : { state: 'may', says: 'Angle and distance of the seat decide; the card’s level counts.' },
};

const automatics: Rule = {
  id: 'automatics',
  name: 'Automatics',
  print: () => 'off?',
  judge: () => ({
    state: 'look',
    says: 'Look in both menus: iris, gain, shutter, balance, focus, and anything that “helps” with contrast.',
  }),
};

/** What two cameras of a room must have in common, in the order in which it is set. A further one is a row. */
const RULES: readonly Rule[] = [profile, automatics, shutter, gain, seat, placement, balance];

/** Both cameras held against each other: what is alike, what must be and is not, what may differ. */
export const alikeRows = (camera: RoomCamera, hero: RoomCamera, fps: number): readonly AlikeRow[] =>
  RULES.map(({ id, name, print, judge }) => ({
    id,
    name,
    camera: print(camera),
    hero: print(hero),
    ...judge(camera, hero, fps),
  }));
