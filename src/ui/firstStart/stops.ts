/** A stop of the walk: where it is, what it points at, what it says. */
type Stop = {
  readonly title: string;
  readonly path: string;
  readonly part?: string;
  /** What is outlined. */
  readonly target: string;
  readonly says: string;
};

/** The walk round the demo, in the order of the work. A further stop is a row. */
export const STOPS: readonly Stop[] = [
  {
    title: 'The set card',
    path: '/plan',
    target: '.set-card',
    says:
      'What to dial in, along the top of every screen. The amber cells are worked out: the zebra that puts the ' +
      'grey card where you want it, the one for a face, the warning under clip. Press one to see why.',
  },
  {
    title: 'The ladder',
    path: '/plan',
    target: '.ladder',
    says:
      'Every stop from grey: what the camera records there at the right, where it clips at the top, where noise ' +
      'takes over at the bottom. Drag the card up a third and watch the zebras follow; Undo takes it back.',
  },
  {
    title: 'Kit: the camera’s own numbers',
    path: '/kit',
    part: 'camera',
    target: '.chart',
    says:
      'The curve of the profile. Yours can be typed off its paper, read from a filmed bracket or taken from a ' +
      'file; what is inferred is drawn as a band.',
  },
  {
    title: 'Plan: light against room',
    path: '/plan',
    target: '.schools',
    says:
      'The light as it was read on the set, and what each school of exposure would do with it, side by side: ' +
      'what clips, what sinks, what the grade must undo.',
  },
  {
    title: 'Judge: what the picture holds',
    path: '/judge',
    target: '.picture',
    says:
      'A simulated camera stands before this scene; a still, a clip or a capture device can stand there instead. ' +
      'Each verdict beside it carries its figure and what to do.',
  },
  {
    title: 'Log: what was really shot',
    path: '/log',
    target: '.log',
    says: 'Press L on any screen: the card, the frame and what was measured on it are kept as a take.',
  },
  {
    title: 'LUTs: what the monitor shows',
    path: '/luts',
    target: '.chart',
    says:
      'A monitoring LUT that takes the placement off again, so that the director sees the picture as it will be. ' +
      'Foreign LUTs are looked through here before anybody trusts them.',
  },
  {
    title: 'Hand-off: what the colourist gets',
    path: '/handoff',
    target: '.panel',
    says: 'For each take what to undo, in a table, in files for the edit, and on a card for the pocket.',
  },
];
