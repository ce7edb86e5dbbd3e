import type { CardSubject } from '../exposure/setCard.ts';
import type { Shutter } from '../exposure/shutter.ts';
import type { Random } from '../random.ts';
import type { PracticeCamera, PracticeScene, PracticeWorld } from './world.ts';

/** 1 with more room and fewer traps, 3 as tight as it is on a job. */
export type Level = 1 | 2 | 3;
export const LEVELS = [1, 2, 3] as const satisfies readonly Level[];

/** What a miss is measured in. Kelvin is judged in mired, an f-number in stops. */
export type MissUnit = 'stops' | 'mired' | 'percent' | 'choices';

/** What is written beside an answer. */
export type AnswerUnit = 'stops' | 'kelvin' | 'mired' | 'percent' | 'f-number';

type Asked = { readonly id: string; readonly label: string };

/** A number: typed, dragged on the ladder, read off the knobs of the camera or by the spot on the picture (`by`). */
export type NumberAsk = Asked & {
  readonly kind: 'number';
  readonly unit: AnswerUnit;
  readonly by: 'typing' | 'ladder' | 'camera' | 'spot';
  /** What is right, in `unit`: one value, or anything between two. */
  readonly truth: readonly [low: number, high: number];
  /** A miss up to this is full marks; in the unit misses are measured in. */
  readonly tolerance: number;
  /** What can be answered at all. */
  readonly within: readonly [low: number, high: number];
  readonly step: number;
};

export type Option = { readonly id: string; readonly says: string };

/** One of several; more than one may be right. */
export type ChoiceAsk = Asked & {
  readonly kind: 'choice';
  readonly options: readonly Option[];
  readonly right: readonly string[];
};

/** Things to be put in order. */
export type OrderAsk = Asked & {
  readonly kind: 'order';
  readonly options: readonly Option[];
  readonly right: readonly string[];
  /** Pairs that may stand either way. */
  readonly either?: readonly (readonly [string, string])[];
};

export type Ask = NumberAsk | ChoiceAsk | OrderAsk;
/** A number, the id of an option, or ids in order. */
export type Answer = number | string | readonly string[];
export type Answers = Readonly<Record<string, Answer>>;

/** What can be looked at while a picture is judged. */
export type Aid =
  | 'picture'
  | 'zebraCard'
  | 'zebraSkin'
  | 'zebraWarning'
  | 'falseColour'
  | 'waveform'
  | 'vectorscope'
  | 'spotMeter'
  | 'wholeMeter';

/** How the simulated camera stands when the task begins. */
export type Standing = {
  readonly iris: number;
  readonly shutter: Shutter;
  readonly iso: number;
  readonly ndStops: number;
  readonly kelvin: number;
  readonly tint: number;
};
export type Knob = keyof Standing;

/** A scene before a camera. */
type TaskStage = {
  readonly scene: PracticeScene;
  readonly aids: readonly Aid[];
  readonly start: Standing;
  /** Knobs that may be turned; none: the picture is only read. */
  readonly free: readonly Knob[];
  /** Brightness of the screen that the picture is looked at on, stops; 0 as it should be. */
  readonly screenStops: number;
  /** The LUT is off: the picture is shown as it is recorded. */
  readonly isFlat?: true;
  readonly fps: number;
};

/** A table of figures that belongs to the task. */
type TaskTable = {
  readonly head: readonly string[];
  readonly rows: readonly (readonly string[])[];
};

/** One task, all of it plain data: the same drill, level, seed and world make the same. */
export type Task = {
  readonly drill: string;
  readonly level: Level;
  readonly seed: number;
  readonly camera: PracticeCamera;
  readonly profileId: string;
  readonly placement: number;
  /** What is to be done, in a sentence or two. */
  readonly text: string;
  /** What is known. */
  readonly facts: readonly { readonly name: string; readonly value: string }[];
  readonly table?: TaskTable;
  readonly stage?: TaskStage;
  readonly asks: readonly Ask[];
  /** The take whose picture it is about. */
  readonly takeId?: string;
  /** What must be kept of the scene, stops over its card: drawn on the ladder. */
  readonly keep?: readonly [low: number, high: number];
  /** What made it harder: misses are looked at by it. */
  readonly when?: string;
  /** Whose face it is about. */
  readonly subject?: CardSubject;
};

/** What a task is made from. */
export type Making = {
  readonly random: Random;
  readonly level: Level;
  readonly world: PracticeWorld;
  /** The camera that is practised with, its profile, and what the card comes to with it. */
  readonly camera: PracticeCamera;
  readonly profileId: string;
};

type OwnParts =
  'text' | 'facts' | 'table' | 'stage' | 'asks' | 'subject' | 'when' | 'keep' | 'takeId' | 'placement';
/** What a drill says of its task; camera and profile where it takes others than it was given. */
export type Made = Pick<Task, OwnParts> & Partial<Pick<Task, 'camera' | 'profileId'>>;

/** What is said of an answer afterwards. */
type Explanation = {
  /** How the right answer comes about, with the values put in. */
  readonly because: string;
  /** What a careful operator does. */
  readonly careful: string;
  /** Where practitioners would differ. */
  readonly schools?: string;
};

/** What there must be for a drill: takes of one's own with marks, a filmed bracket, a face before the camera. */
export type Need = 'takes' | 'bracket' | 'faces';

export type Drill = {
  readonly id: string;
  readonly name: string;
  /** What it trains, in a few words. */
  readonly says: string;
  readonly skill: SkillId;
  readonly needs?: Need;
  readonly make: (making: Making) => Made;
  readonly explain: (task: Task) => Explanation;
  /** What the answers come to in the picture, in a sentence of figures. */
  readonly comesTo?: (task: Task, answers: Answers) => string | undefined;
};

/** What is trained. Schedules and progress go by these. */
export const SKILLS = {
  expose: { name: 'Exposing by the camera’s tools' },
  meter: { name: 'What meters mean' },
  zebra: { name: 'Zebra levels' },
  reading: { name: 'Reading scopes and pictures' },
  range: { name: 'Range, clip and profile' },
  light: { name: 'ND, iris and shutter' },
  balance: { name: 'White balance' },
  post: { name: 'LUTs, matching and post' },
} as const;
export type SkillId = keyof typeof SKILLS;
export const SKILL_IDS = Object.keys(SKILLS) as SkillId[];
