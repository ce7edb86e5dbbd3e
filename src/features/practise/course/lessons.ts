import type { TermId } from '#ui/help/glossary.ts';

/** A lesson: one idea, one thing to do at the camera, and one sentence of why. */
export type Lesson = {
  readonly id: string;
  readonly title: string;
  readonly minutes: number;
  /** The idea, in some short sentences. */
  readonly idea: readonly string[];
  /** Words of the glossary that it rests on. */
  readonly terms: readonly TermId[];
  /** What is done: a drill at the first level, always the same task. */
  readonly drill: string;
  readonly seed: number;
  readonly why: string;
};

/** Seeds of lessons lie apart from those of rounds. */
const SEED = 9_000_000;

const rows: readonly Omit<Lesson, 'seed'>[] = [
  {
    id: 'stops',
    title: 'Stops and the ladder',
    minutes: 4,
    idea: [
      'A stop is twice the light, or half of it.',
      'Middle grey is 0: the ladder at the right counts stops up and down from it.',
      'Everything in a picture has its stop: the card 0, a white shirt some +2 1/3, a face between 0 and +2.',
    ],
    terms: ['stop', 'ladder'],
    drill: 'read-stops',
    why: 'Once everything is said in stops, light, lens, meter and profile can be added up.',
  },
  {
    id: 'flat',
    title: 'Why flat?',
    minutes: 4,
    idea: [
      'A log profile gives every stop about as many codes, so the picture looks grey and flat.',
      'It has more room over grey than a finished picture, and it wants somebody who grades it.',
      'Where nobody does, a flatter or a finished profile is the better one.',
    ],
    terms: ['profile', 'clip'],
    drill: 'choose-profile',
    why: 'Flat is no look. It is room that somebody has to use.',
  },
  {
    id: 'card',
    title: 'Grey card and zebra',
    minutes: 5,
    idea: [
      'Hold the card in the light of the face, turned to the camera.',
      'The zebra stripes one level of the signal. Set it to the level at which the card is to lie.',
      'Open or close until the stripes lie on the card.',
    ],
    terms: ['zebra', 'grey'],
    drill: 'expose-zebra',
    why: 'The card is the same every day, faces and rooms are not.',
  },
  {
    id: 'zebra-levels',
    title: 'What the zebra reads',
    minutes: 5,
    idea: [
      'One stop is another per cent in each profile: look it up on the ladder.',
      'Some zebras read the recording, some the picture behind the LUT. The kit says which.',
      'A level in between goes to the nearest that the camera has.',
    ],
    terms: ['zebra', 'lut'],
    drill: 'set-zebras',
    why: 'A per cent that was right in another profile is wrong in this one.',
  },
  {
    id: 'meter',
    title: 'The meter’s lies',
    minutes: 5,
    idea: [
      'A meter takes the mean of what it sees for grey.',
      'Sky, a white wall or the sun in the frame make it ask for less light, a black stage for more.',
      'A spot on a card tells the truth.',
    ],
    terms: ['meter', 'spot'],
    drill: 'meter-whole',
    why: 'The picture is not grey on the whole. The card is.',
  },
  {
    id: 'placement',
    title: 'Placement and noise',
    minutes: 5,
    idea: [
      'Putting the card over 0 on purpose is a placement: more light, cleaner shadows, less room over grey.',
      'In post it is taken down by as much.',
      'How far you can go is said by the brightest thing that must be kept.',
    ],
    terms: ['placement', 'floor'],
    drill: 'place-contrast',
    why: 'Light is the only thing that makes shadows clean.',
  },
  {
    id: 'clip',
    title: 'Clip, and the one channel',
    minutes: 5,
    idea: [
      'Over clip there is no tone any more, and nothing brings it back.',
      'Each channel clips by itself: glowing glass is over in red long before its brightness says so.',
      'A lamp may clip. A face may not.',
    ],
    terms: ['clip'],
    drill: 'what-clips',
    why: 'Ask what it is before you close down for it.',
  },
  {
    id: 'balance',
    title: 'White balance and mixed light',
    minutes: 5,
    idea: [
      'Light is warm or cold; the dial says which light is to look white.',
      'Kelvin are no even steps, mired are: a million over kelvin.',
      'Between two lights, half-way is half-way in mired.',
    ],
    terms: ['mired', 'k'],
    drill: 'mixed-light',
    why: 'What is dialled for one lamp is a cast under the other: choose which.',
  },
  {
    id: 'nd',
    title: 'ND, shutter and iris in the right order',
    minutes: 6,
    idea: [
      'Iris for how deep it is sharp, shutter for how things move, ISO at a base.',
      'What is too much of light then goes into the ND.',
      'Each stop of ND halves the light.',
    ],
    terms: ['nd', 'base'],
    drill: 'nd-iris',
    why: 'Decide for the picture first, and let the glass take the rest.',
  },
  {
    id: 'skin',
    title: 'Skin of different tones',
    minutes: 5,
    idea: [
      'Faces lie at different stops in the same light, and that is right so.',
      'Measure each beside the card once: its skin offset holds for the whole job.',
      'Placement plus offset is where its key side belongs.',
    ],
    terms: ['skin', 'placement'],
    drill: 'expose-skin',
    why: 'One level for every face makes somebody look wrong.',
  },
  {
    id: 'lut',
    title: 'The monitoring LUT and its pull',
    minutes: 5,
    idea: [
      'A LUT on the monitor turns log into a picture. It is not recorded.',
      'When the card is placed over 0, the LUT has to pull by as much, or all looks too bright.',
      'The pull is the stop that the LUT shows as grey.',
    ],
    terms: ['lut', 'pull'],
    drill: 'find-pull',
    why: 'Who looks through a LUT with the wrong pull undoes the placement by eye.',
  },
  {
    id: 'post',
    title: 'To post: what placement costs and saves',
    minutes: 6,
    idea: [
      'Post has to know what to undo: profile, placement, balance.',
      'All of it is done on the light, before the conversion to the display.',
      'The look comes last.',
    ],
    terms: ['placement', 'pull'],
    drill: 'correction-order',
    why: 'The same gain after the conversion bends highlights and skin.',
  },
];

/** The course, in the order in which it is best done; nothing is locked. A further lesson is a row. */
export const LESSONS: readonly Lesson[] = rows.map((lesson, i) => ({ ...lesson, seed: SEED + i }));

/** Whether a task is the one of a lesson. */
export const isOfLesson = (
  { drill, seed }: Pick<Lesson, 'drill' | 'seed'>,
  done: { readonly drill: string; readonly seed: number },
): boolean => done.drill === drill && done.seed === seed;
