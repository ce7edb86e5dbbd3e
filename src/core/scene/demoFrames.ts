import type { ArchetypeId } from '../profile/index.ts';
import type { Coding } from '../signal/scale.ts';
import type { TestPictureId } from './testPictures.ts';

/** A frame that ships with the app: which picture, recorded how. */
export type DemoFrame = {
  readonly file: string;
  readonly picture: TestPictureId;
  readonly name: string;
  readonly says: string;
  readonly setupId: string;
  readonly cameraId: string;
  readonly profile: ArchetypeId;
  readonly coding: Coding;
  /** Where the card really lies. */
  readonly placement: number;
  readonly seed: number;
  readonly greyElectrons: number;
};

const TEN = { bitDepth: 10, range: 'legal' } as const;
const EIGHT = { bitDepth: 8, range: 'legal' } as const;

export const DEMO_SIZE = { width: 960, height: 540 } as const;

export const DEMO_FRAMES = {
  furnace: {
    file: 'furnace-mouth.png',
    picture: 'furnace',
    name: 'Furnace mouth, gather',
    says: 'Card at +1, the gather clips, the door is cold.',
    setupId: 'furnace-mouth',
    cameraId: 'a-cam',
    profile: 'wideLog',
    coding: TEN,
    placement: 1,
    seed: 11,
    greyElectrons: 900,
  },
  bench: {
    file: 'bench-interview.png',
    picture: 'bench',
    name: 'Bench interview, first look',
    says: 'Two thirds of a stop short of the plan.',
    setupId: 'bench-interview',
    cameraId: 'a-cam',
    profile: 'wideLog',
    coding: TEN,
    placement: 0,
    seed: 12,
    greyElectrons: 900,
  },
  yardTen: {
    file: 'packing-yard-a.png',
    picture: 'yard',
    name: 'Packing yard, A-cam',
    says: 'The same light in 10-bit wide log, card at +2/3.',
    setupId: 'packing-yard',
    cameraId: 'a-cam',
    profile: 'wideLog',
    coding: TEN,
    placement: 2 / 3,
    seed: 15,
    greyElectrons: 1400,
  },
  yard: {
    file: 'packing-yard.png',
    picture: 'yard',
    name: 'Packing yard, B-cam',
    says: 'Card where planned; only the sun clips.',
    setupId: 'packing-yard',
    cameraId: 'b-cam',
    profile: 'classicLog',
    coding: EIGHT,
    placement: 1,
    seed: 13,
    greyElectrons: 2400,
  },
  wedge: {
    file: 'step-wedge.png',
    picture: 'stepWedge',
    name: 'Step wedge, −8 to +7',
    says: 'Sixteen neutral steps, no noise: a check of the bench itself.',
    setupId: 'furnace-mouth',
    cameraId: 'a-cam',
    profile: 'wideLog',
    coding: TEN,
    placement: 0,
    seed: 14,
    greyElectrons: 0,
  },
} as const satisfies Record<string, DemoFrame>;

export type DemoFrameId = keyof typeof DEMO_FRAMES;
export const DEMO_FRAME_IDS = Object.keys(DEMO_FRAMES) as DemoFrameId[];
