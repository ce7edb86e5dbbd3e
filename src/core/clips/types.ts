/** What pairing needs of a clip. Seconds since 1970 by the camera's own clock, seconds long. */
export type ClipOnCard = {
  readonly id: string;
  /** File name with or without its ending. */
  readonly name: string;
  readonly startedAt?: number;
  readonly seconds: number;
};

/** What pairing needs of a logged take; seconds since 1970 by our clock. */
export type TakeInLog = {
  readonly id: string;
  readonly loggedAt: number;
  /** Name of the file it was judged on, where there was one. */
  readonly file?: string;
};

/** How the camera's clock stands against ours. */
export type ClockReading = {
  /** Camera's clock less ours, seconds. */
  readonly offset: number;
  /** How likely it is against the other readings of the same day; all of them together are 1. */
  readonly probability: number;
};
