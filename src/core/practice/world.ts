import type { Lean } from '../colour/lean.ts';
import {
  setCardNumbers,
  type CardCamera,
  type CardSubject,
  type SetCardNumbers,
} from '../exposure/setCard.ts';
import { luminanceFor } from '../exposure/meter.ts';
import { exactFNumber } from '../exposure/aperture.ts';
import { shutterSeconds, type Shutter } from '../exposure/shutter.ts';
import type { ProfileData } from '../profile/index.ts';
import type { LightOfSpots } from '../scene/ofSpots.ts';
import type { SceneTruth, TruthObject } from '../scene/truth.ts';

export type PracticeProfile = { readonly id: string; readonly name: string; readonly data: ProfileData };

/** A camera to practise with. */
export type PracticeCamera = CardCamera & {
  readonly id: string;
  readonly name: string;
  readonly isos: readonly number[];
  /** One where the lens has none to set. */
  readonly irises: readonly number[];
  readonly shutter: Shutter;
  readonly kelvinStep: number;
  readonly kelvinRange: readonly [number, number];
  readonly lean?: Lean;
  readonly meterBias: number;
  readonly profiles: readonly PracticeProfile[];
};

/** A scene of the stage, with what is known of it. */
export type PracticeScene = {
  readonly id: string;
  readonly name: string;
  readonly setupId: string;
  readonly truth: Pick<SceneTruth, 'card' | 'objects'>;
  /** What it is made of where it is no rendered one: the light of a set-up as it was read. */
  readonly light?: LightOfSpots;
};

/** A take with marks, as it was logged. */
export type PracticeTake = {
  readonly id: string;
  readonly number: number;
  readonly setupName: string;
  readonly cameraName: string;
  readonly profileName: string;
  readonly placement: number;
  readonly marks: readonly {
    readonly name: string;
    readonly kind: 'card' | 'skin';
    readonly stops: number;
  }[];
};

/** A bracket that was filmed for a profile: what the card read, step by step, dark to bright. */
export type PracticeBracket = {
  readonly profileId: string;
  readonly profileName: string;
  readonly steps: readonly { readonly stops: number; readonly signal: number }[];
};

/** What tasks are drawn from. */
export type PracticeWorld = {
  readonly cameras: readonly PracticeCamera[];
  readonly scenes: readonly PracticeScene[];
  readonly subjects: readonly CardSubject[];
  /** Takes of one's own that have marks. */
  readonly takes?: readonly PracticeTake[];
  readonly brackets?: readonly PracticeBracket[];
  /** Frame rate of all of it. */
  readonly fps: number;
};

export const profileOf = (camera: PracticeCamera, id: string): PracticeProfile =>
  camera.profiles.find((profile) => profile.id === id) ?? camera.profiles[0];

/** What the set card says of a camera in a profile at a placement, with its first base ISO. */
export const cardOf = (
  { fps }: Pick<PracticeWorld, 'fps'>,
  camera: PracticeCamera,
  profileId: string,
  placement: number,
  subjects: readonly CardSubject[] = [],
): SetCardNumbers =>
  setCardNumbers(
    profileOf(camera, profileId).data,
    camera,
    {
      placement,
      iso: camera.baseIsos[0],
      shutter: camera.shutter,
      iris: camera.irises[0],
      ndStops: 0,
      warningMargin: 1 / 3,
    },
    subjects,
    fps,
  );

export const cardIn = ({ truth }: PracticeScene): TruthObject | undefined =>
  truth.objects.find(({ kind }) => kind === 'card');
export const faceIn = ({ truth }: PracticeScene, subjectId: string): TruthObject | undefined =>
  truth.objects.find((thing) => thing.kind === 'skin' && thing.subjectId === subjectId);

/** Exposure as it stands on the knobs. */
export type Exposed = {
  readonly iris: number;
  readonly shutter: Shutter;
  readonly iso: number;
  readonly ndStops: number;
};

/** Stops over grey in the recording of a luminance, cd/m2. */
export const recordedAt = (
  luminance: number,
  { iris, shutter, iso, ndStops }: Exposed,
  fps: number,
): number =>
  Math.log2(
    luminance /
      luminanceFor({ fNumber: exactFNumber(iris), seconds: shutterSeconds(shutter, fps), iso, ndStops }),
  );
