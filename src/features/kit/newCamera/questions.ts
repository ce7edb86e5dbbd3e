import type { CameraFieldId } from '../camera/fields.ts';

/** What the owner of a new camera answers, by question; '' is “don't know”. */
export type Answers = Readonly<Record<QuestionId, string>>;

type Question = {
  readonly label: string;
  /** How to find it out, on the camera or its paper. */
  readonly find: string;
  /** What is assumed where it is not known. */
  readonly assumed: string;
  /** One of a few; without them it is typed. */
  readonly options?: readonly (readonly [string, string])[];
  readonly hint?: string;
  readonly isWords?: boolean;
  /** Asked only where another answer calls for it. */
  readonly isAsked?: (answers: Readonly<Record<string, string>>) => boolean;
  /** Fields of a camera that the answer fills. */
  readonly fills?: (answer: string) => Readonly<Partial<Record<CameraFieldId, string>>>;
};

const fills = (field: CameraFieldId) => (answer: string) => ({ [field]: answer });
const hasPaper = ({ picture }: Readonly<Record<string, string>>) => picture === 'printed';

/** What a new camera is asked, in order. A further question is a row. */
const QUESTIONS = {
  name: {
    label: 'What you call it',
    find: 'The word you shout on set: its job, its mark, its owner.',
    assumed: 'called “New camera”',
    hint: 'A-cam',
    isWords: true,
    fills: (name) => ({ name: name.trim() }),
  },
  bitDepth: {
    label: 'It records',
    find: 'In the table of recording formats in its manual, or in the properties of a clip: 4:2:0 8-bit, 4:2:2 10-bit.',
    assumed: '8-bit: nothing finer is promised',
    options: [
      ['8', '8-bit'],
      ['10', '10-bit'],
      ['12', '12-bit'],
    ],
    fills: fills('bitDepth'),
  },
  range: {
    label: 'Its levels are',
    find:
      'Called video range, 16–235 or legal; or full, data or PC range. ' +
      'Overexpose a white card in a standard picture: a clip that never passes 235 of 255 is legal.',
    assumed: 'legal, as most cameras record',
    options: [
      ['legal', 'legal (16 to 235)'],
      ['full', 'full (0 to 255)'],
    ],
    fills: fills('range'),
  },
  picture: {
    label: 'Its picture profile',
    find:
      'The profile you will shoot. With the figures of its paper, every level follows from them; ' +
      'without, a stand-in is used: levels may be off by half a stop until you film a bracket in Kit.',
    assumed: 'the standard picture, which every camera has',
    options: [
      ['printed', 'log or flat, figures at hand'],
      ['mildLog', 'log, figures not known'],
      ['flat', 'flat, figures not known'],
      ['hlg', 'hybrid log-gamma (BT.2100)'],
      ['standard', 'a standard picture'],
    ],
  },
  scale: {
    label: 'Its paper prints',
    find:
      'Figures like 41 % are percent, of signal (0 to 109) or of full code (0 to 100); ' +
      'figures like 420 are 10-bit codes, like 105 8-bit codes.',
    assumed: '% of signal',
    isAsked: hasPaper,
  },
  grey: {
    label: '18 % grey reads',
    find: 'In the table beside 18 %, middle grey or 0 stops.',
    assumed: 'left out',
    hint: '40.6',
    isAsked: hasPaper,
  },
  white: {
    label: '90 % white reads',
    find: 'In the table beside 90 %, white or +2 1/3.',
    assumed: 'left out',
    hint: '58.5',
    isAsked: hasPaper,
  },
  black: {
    label: '0 % reads',
    find: 'In the table beside 0 % or black.',
    assumed: 'left out',
    hint: '3.2',
    isAsked: hasPaper,
  },
  clip: {
    label: 'Clip reads',
    find: 'The highest figure of the table. Or point the camera at a lamp and read the waveform.',
    assumed: 'left out: the top of the range',
    hint: '94',
    isAsked: hasPaper,
  },
  clipStops: {
    label: 'Clip lies at stop',
    find: 'Stops over grey in the table, or open the shutter on a grey card until it clips.',
    assumed: 'left out: solved from the rest',
    hint: '6',
    isAsked: hasPaper,
  },
  baseIsos: {
    label: 'Base ISO',
    find: 'Called native or base; else the lowest ISO that the profile lets you set.',
    assumed: 'ISO 800 for a log, 100 for a flat or a standard picture',
    hint: '800',
    fills: fills('baseIsos'),
  },
  zebraScale: {
    label: 'Its zebra is set in',
    find: 'Turn the zebra menu up to its end: 109 is % of signal, 100 may be either, over 200 is a code value.',
    assumed: '% of signal',
    options: [
      ['signalPercent', '% of signal'],
      ['fullCodePercent', '% of full code'],
      ['codeValue', 'code values'],
    ],
    fills: fills('zebraScale'),
  },
  zebraRange: {
    label: 'Its zebra runs from, to',
    find: 'Turn the menu from end to end.',
    assumed: '30 to 100: nothing beyond is advised',
    hint: '0 to 109',
    fills: (answer) => ({ zebraRange: answer, warningRange: answer }),
  },
  zebraStep: {
    label: 'in steps of',
    find: 'One click of the dial.',
    assumed: '5',
    hint: '1',
    fills: (answer) => ({ zebraStep: answer, warningStep: answer }),
  },
  zebraReads: {
    label: 'Its zebra reads',
    find: 'Switch the view assist on and off: stripes that move read the picture of the assist.',
    assumed: 'the recording; check it before you trust a level',
    options: [
      ['log', 'the recording'],
      ['lut', 'the picture of the view assist'],
    ],
    fills: fills('zebraReads'),
  },
  zebraSlots: {
    label: 'Levels kept at once',
    find: 'Zebra 1 and zebra 2 in the menu are two.',
    assumed: 'one',
    options: [
      ['1', 'one'],
      ['2', 'two'],
      ['4', 'four'],
    ],
    fills: fills('zebraSlots'),
  },
  meter: {
    label: 'Its light meter',
    find: 'The scale from −2 to +2, and what part of the picture it can be told to read.',
    assumed: 'none: no meter reading is given',
    options: [
      ['spot', 'spot'],
      ['whole frame', 'whole frame'],
      ['spot, whole frame', 'spot and whole frame'],
      ['none', 'it has none'],
    ],
    fills: (answer) => ({ meterModes: answer === 'none' ? '' : answer }),
  },
  shutterBy: {
    label: 'Its shutter is set by',
    find: 'The menu shows 180° or 1/50.',
    assumed: 'time',
    options: [
      ['angle', 'angle, 180°'],
      ['time', 'time, 1/50'],
    ],
    fills: (answer) =>
      answer === 'angle' ? { shutterBy: 'angle', shutters: '45 90 144 172.8 180 216 270 360' } : {},
  },
  irises: {
    label: 'Iris from, to',
    find: 'On the lens you take; one number for a lens that is fixed.',
    assumed: 'f/2.8 to f/22',
    hint: '1.4 to 22',
    fills: fills('irises'),
  },
} as const satisfies Readonly<Record<string, Question>>;

export type QuestionId = keyof typeof QUESTIONS;
export const QUESTION_IDS = Object.keys(QUESTIONS) as QuestionId[];
export const questionOf = (id: QuestionId): Question => QUESTIONS[id];

/** Nothing answered yet. */
export const NO_ANSWERS = Object.fromEntries(QUESTION_IDS.map((id) => [id, ''])) as Record<
  QuestionId,
  string
>;

/** The questions that the answers so far call for. */
export const askedIds = (answers: Readonly<Record<string, string>>): QuestionId[] =>
  QUESTION_IDS.filter((id) => questionOf(id).isAsked?.(answers) ?? true);

/** The questions that were asked and not answered: their answers are assumed. */
export const assumedIds = (answers: Readonly<Record<string, string>>): QuestionId[] =>
  askedIds(answers).filter((id) => answers[id].trim() === '');
