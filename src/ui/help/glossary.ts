/** A word of the trade as this app uses it. */
type Entry = {
  readonly name: string;
  /** Two or three short sentences: what it is, and what it is for. */
  readonly says: readonly string[];
  /** Other names it goes by; they are found by a search. */
  readonly also?: readonly string[];
};

/** Every term that stands on a screen without its meaning beside it, by the alphabet. A further one is a row. */
const GLOSSARY = {
  base: {
    name: 'Base ISO',
    says: [
      'The ISO at which the sensor itself works; everything above it is gain.',
      'Some cameras have two.',
      'At its base a camera holds the most stops over grey.',
    ],
    also: ['native ISO', 'dual base'],
  },
  c: {
    name: 'C',
    says: [
      'The constant of an incident meter (ISO 2720): 250 for a flat receptor, 320 to 340 for a dome.',
      'It says how a meter turns lux into an exposure.',
    ],
  },
  clip: {
    name: 'Clip',
    says: [
      'The brightest light the camera can tell from brighter light.',
      'Over it there is no picture, in any grade.',
    ],
    also: ['clipping', 'saturation'],
  },
  code: {
    name: 'Code value',
    says: [
      'The number a pixel is stored as: 0 to 255 in 8 bits, 0 to 1023 in 10.',
      'The waveform of a grading program shows it.',
    ],
    also: ['CV', 'code'],
  },
  diffuse: {
    name: 'White patch',
    says: ['A matt white surface of 90 % reflectance, 2.3 stops over the 18 % card in the same light.'],
    also: ['90 %', 'white card'],
  },
  ei: {
    name: 'Exposure index',
    says: [
      'A dial that does not change what is recorded, only where the meter and the monitor look put grey.',
      'Turning it down records brighter.',
    ],
    also: ['EI'],
  },
  falsecolour: {
    name: 'Stops view',
    says: [
      'The picture painted by how many stops each place lies over or under grey, on one scale from dark to bright.',
      'The ladder at the side is its key.',
    ],
    also: ['false colour'],
  },
  floor: {
    name: 'Floor',
    says: [
      'The darkest light that still grades cleanly: under it noise is as strong as half the picture.',
      'It is stated in stops under grey and moves with the ISO.',
    ],
    also: ['usable floor', 'noise floor'],
  },
  found: {
    name: 'Found',
    says: [
      'Where the grey card was measured in the picture, in stops.',
      'Planned less found is what the exposure missed.',
    ],
  },
  grey: {
    name: 'Grey card',
    says: [
      'A matt card that reflects 18 % of the light.',
      'All stops here count from it: 0 is the card where the profile wants it.',
    ],
    also: ['18 %', 'card', 'middle grey'],
  },
  hero: {
    name: 'Hero',
    says: [
      'The frame all others are held against: the same card, the same face, seen side by side or across a wipe.',
    ],
    also: ['reference frame'],
  },
  k: {
    name: 'K',
    says: [
      'The constant of a reflected-light meter (ISO 2720): 12.5 or 14.',
      'It says which luminance a meter turns into middle grey.',
    ],
  },
  ladder: {
    name: 'Stop ladder',
    says: [
      'The scale at the right of every screen: what this camera holds, from floor to clip.',
      'Card, faces and warning stand on it.',
      'Drag the card to move the placement.',
    ],
  },
  lean: {
    name: 'Lean',
    says: [
      'How far a camera body’s neutral is off what its dial says, in mired and tint.',
      'It is measured once on a filmed grey card and then taken off every number.',
    ],
  },
  legal: {
    name: 'Legal and full',
    says: [
      'Two ways to store a picture.',
      'Legal keeps black at code 64 and white at 940 of 1023; full uses 0 to 1023.',
      'A file read the wrong way looks flat or crushed.',
    ],
    also: ['video range', 'data range', 'full range'],
  },
  lut: {
    name: 'LUT',
    says: [
      'A table that turns the recorded picture into one to look at.',
      'On set it only changes the monitor; the recording stays.',
    ],
    also: ['look', 'view assist', 'cube'],
  },
  match: {
    name: 'Match',
    says: [
      'Bringing the picture of one camera or clip to that of another, in scene light.',
      'Exposure and balance first; contrast, black and colours only where they gain on patches not yet seen.',
      'In the live room while cameras run: drift is told once, as the light’s or one camera’s.',
    ],
    also: ['camera matching', 'ΔE', 'CDL', 'hero camera', 'live room', 'drift', 'multicam'],
  },
  meter: {
    name: 'Meter shows',
    says: [
      'What this camera’s own meter has to read for the card to lie where it is planned.',
      'The meter’s own error is in it.',
    ],
  },
  mired: {
    name: 'Mired',
    says: [
      'A million divided by the Kelvin.',
      'Steps of it look alike in any light: 8 mired is about the least that is seen.',
      'Filters are made in mired.',
    ],
  },
  nd: {
    name: 'ND',
    says: ['A grey filter in front of the lens.', 'ND 0.3 takes one stop, 0.6 two, 1.8 six.'],
    also: ['neutral density'],
  },
  noise: {
    name: 'Noise',
    says: [
      'Here against placement 0, after the pull.',
      '−0.5 means that grey comes out half a stop cleaner than if it had been exposed plainly.',
    ],
  },
  placement: {
    name: 'Placement',
    says: [
      'How many stops over the profile’s own grey you put the card.',
      '+1 records a stop brighter, which is cleaner in the shadows and has a stop less room over it.',
    ],
    also: ['ETTR', 'exposing to the right', 'rating'],
  },
  profile: {
    name: 'Profile',
    says: [
      'The curve by which the camera turns light into signal: log, flat or standard.',
      'Each puts grey, white and clip at its own percent.',
    ],
    also: ['picture profile', 'gamma'],
  },
  pull: {
    name: 'Pull',
    says: [
      'What the monitor, and later the grade, takes off again so that the card looks as it should.',
      'A card placed at +1 is pulled by −1.',
    ],
  },
  room: {
    name: 'Room',
    says: [
      'Stops from the brightest tone you want to keep up to clip.',
      'Less than a third of a stop is a risk.',
    ],
    also: ['headroom'],
  },
  school: {
    name: 'School',
    says: [
      'One of the ways people decide on exposure: by the card, by skin, as bright as it holds, by the meter.',
      'None is wrong; each costs something else.',
    ],
  },
  shutter: {
    name: 'Shutter',
    says: [
      'How long each frame gathers light: an angle of the frame’s time, or a fraction of a second.',
      '180° is half the frame: 1/50 s at 25 fps, the motion people are used to.',
    ],
    also: ['angle', 'exposure time'],
  },
  signal: {
    name: '% of signal',
    says: [
      'Where 0 is black and 100 is white of the video signal.',
      'Most zebras and waveforms on cameras are set in it; 109 is the top that full cameras reach.',
    ],
    also: ['IRE', 'percent'],
  },
  skin: {
    name: 'Skin offset',
    says: [
      'How many stops the key side of this person’s face lies over the card in the same light.',
      'Measured once, it turns a face into a card.',
    ],
  },
  split: {
    name: 'Split',
    says: [
      'How far the lights of one set are apart in colour, in mired.',
      'A wide one is seen as two colours of light.',
    ],
  },
  spot: {
    name: 'Spot',
    says: [
      'A reading of one place of the set, in whatever unit your meter shows.',
      'Spots together say what range the camera has to hold.',
    ],
  },
  squares: {
    name: 'Squares',
    says: [
      'Filters of glass or resin that slide into a holder before the lens, in full stops.',
      'They add up.',
    ],
  },
  stop: {
    name: 'Stop',
    says: ['Twice, or half, the light.', 'All exposure here counts in stops from the grey card.'],
    also: ['EV', 'f-stop'],
  },
  tint: {
    name: 'Tint',
    says: [
      'The colour across the Kelvin scale: green to magenta.',
      'Tubes and some lamps need it, the sun does not.',
    ],
    also: ['Duv', 'green', 'magenta'],
  },
  warning: {
    name: 'Warning',
    says: ['A zebra that shows from its level up: set just under clip, it shows what is about to be lost.'],
    also: ['highlight zebra'],
  },
  zebra: {
    name: 'Zebra',
    says: [
      'Stripes the camera draws where the picture has a certain level.',
      '49±2 covers 47 to 51; 90+ covers 90 and over.',
      'It reads the recorded signal or the monitor picture, according to the camera.',
    ],
  },
} as const satisfies Record<string, Entry>;
export type TermId = keyof typeof GLOSSARY;
export const TERM_IDS = Object.keys(GLOSSARY) as TermId[];
export const termOf = (id: TermId): Entry => GLOSSARY[id];

/** Terms that a text is part of, by name, other name or meaning; those whose name begins with it first. */
export const termsLike = (text: string): readonly TermId[] => {
  const wanted = text.trim().toLowerCase();
  const has = (part: string) => part.toLowerCase().includes(wanted);
  const rank = (id: TermId) => {
    const { name, also = [], says } = termOf(id);
    if (name.toLowerCase().startsWith(wanted)) return 0;
    if ([name, ...also].some(has)) return 1;
    return has(says.join(' ')) ? 2 : 3;
  };
  return TERM_IDS.map((id) => [id, rank(id)] as const)
    .filter(([, at]) => at < 3)
    .toSorted(([a, x], [b, y]) => x - y || termOf(a).name.localeCompare(termOf(b).name))
    .map(([id]) => id);
};
