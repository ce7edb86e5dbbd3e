/** How an input does as a thing that gives pictures. A further state is a row with its words. */
export const INPUT_STATES = {
  waiting: 'Waiting for its first picture.',
  running: 'Gives pictures.',
  still: 'The same picture for some seconds: frozen, or a still from a player.',
  black: 'Its picture is black: is the lens covered, the camera asleep, the input the right one?',
  gone: 'Gives no pictures: look at its cable and its power. It is picked up again when it returns.',
  resized: 'Its picture has another size now: its marks were put on the other one. Look where they lie.',
} as const;
export type InputState = keyof typeof INPUT_STATES;

/** What is known of a picture that came. */
export type CameIn = {
  /** Seconds on the clock of its input. */
  readonly at: number;
  /** Of its codes: two pictures with noise never have the same. */
  readonly hash: number;
  /** Signal that all but a hundredth of its pixels lie under. */
  readonly top: number;
  readonly width: number;
  readonly height: number;
};

/** Seconds of the same picture that count as standing still, and of another size that are told. Our own. */
const STILL_SECONDS = 2;
const TOLD_SECONDS = 20;
/** Signal under which a picture is black. */
const BLACK = 0.04;

/** Follows the pictures of one input. */
export const createLiveness = () => {
  let last: CameIn | undefined;
  let sameSince = 0;
  let resizedAt: number | undefined;
  return {
    came: (now: CameIn): InputState => {
      if (last && (last.width !== now.width || last.height !== now.height)) resizedAt = now.at;
      const isAnew = !last || last.hash !== now.hash || resizedAt === now.at || now.at < sameSince;
      if (isAnew) sameSince = now.at;
      last = now;
      if (now.top < BLACK) return 'black';
      if (now.at - sameSince >= STILL_SECONDS) return 'still';
      return resizedAt !== undefined && now.at - resizedAt < TOLD_SECONDS ? 'resized' : 'running';
    },
  };
};
