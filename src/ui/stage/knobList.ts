import { exactFNumber, printFNumber } from '#core/exposure/aperture.ts';
import { printShutter, shutterSeconds } from '#core/exposure/shutter.ts';
import { shuttersOf, type CameraRecord } from '#store/records/camera.ts';
import type { ProfileRecord } from '#store/records/profile.ts';
import { printKelvin, printTint } from '../format.ts';
import { DIFFUSIONS, irisesOf, stepIn, stepKelvin, type Automatics, type Knobs } from './stageModel.ts';
import { words } from '#ui/wording/stage.ts';

/** ND turns by thirds on the simulated camera: whatever glass is there. */
const ND_STEP = 1 / 3;
const MOST_ND = 12;

/** What a knob turns on: the camera, its frame rate, the kit's profiles, what it does by itself. */
export type KnobContext = {
  readonly camera: CameraRecord;
  readonly fps: number;
  /** Every profile of the kit; the knob turns among the camera's own. */
  readonly kit: ReadonlyMap<string, ProfileRecord>;
  readonly auto: Automatics;
};

type KnobRow = {
  readonly key: keyof Knobs;
  readonly label: string | ((camera: CameraRecord) => string);
  /** Unit and sign, for the tooltip. */
  readonly says?: string;
  readonly print: (knobs: Knobs, context: KnobContext) => string;
  /** Where the camera has no such knob, or turns it by itself. */
  readonly isFixed?: (context: KnobContext) => boolean;
  /** So many clicks further, up is brighter or more. */
  readonly turn: (knobs: Knobs, clicks: number, context: KnobContext) => Partial<Knobs>;
};

const apart = (a: number, b: number) => Math.abs(Math.log2(a / b));
const clamp = (value: number, low: number, high: number) => Math.min(high, Math.max(low, value));

/** The knobs of the simulated camera, in the order in which they stand. A further one is a row. */
export const KNOBS: readonly KnobRow[] = [
  {
    key: 'iris',
    label: words.iris,
    print: ({ iris }) => printFNumber(iris),
    isFixed: ({ camera, auto }) => camera.fixedIris !== undefined || auto.iris,
    turn: ({ iris }, clicks, { camera }) => ({
      iris: stepIn(irisesOf(camera), (f) => apart(exactFNumber(f), exactFNumber(iris)), -clicks),
    }),
  },
  {
    key: 'shutter',
    label: words.shutter,
    print: ({ shutter }) => printShutter(shutter),
    turn: ({ shutter }, clicks, { camera, fps }) => {
      const seconds = (one: Knobs['shutter']) => shutterSeconds(one, fps);
      const rising = shuttersOf(camera).toSorted((a, b) => seconds(a) - seconds(b));
      return { shutter: stepIn(rising, (one) => apart(seconds(one), seconds(shutter)), clicks) };
    },
  },
  {
    key: 'iso',
    label: ({ sensitivity }) => (sensitivity === 'ei' ? 'EI' : 'ISO'),
    print: ({ iso }) => String(iso),
    isFixed: ({ auto }) => auto.iso,
    turn: ({ iso }, clicks, { camera }) => ({ iso: stepIn(camera.isos, (one) => apart(one, iso), clicks) }),
  },
  {
    key: 'ndStops',
    label: words.ndStops,
    print: ({ ndStops }) => (ndStops === 0 ? 'none' : ndStops.toFixed(ndStops % 1 === 0 ? 0 : 1)),
    turn: ({ ndStops }, clicks) => ({ ndStops: clamp(ndStops + clicks * ND_STEP, 0, MOST_ND) }),
  },
  {
    key: 'kelvin',
    label: words.whiteBal,
    print: ({ kelvin }) => printKelvin(kelvin),
    isFixed: ({ auto }) => auto.balance,
    turn: ({ kelvin }, clicks, { camera }) => ({ kelvin: stepKelvin(kelvin, clicks, camera) }),
  },
  {
    key: 'tint',
    label: words.tint,
    says: words.thousandthsOfDuvTurns,
    print: ({ tint }) => (tint === 0 ? '0' : printTint(tint).trim()),
    isFixed: ({ camera, auto }) => auto.balance || camera.tintRange[0] === camera.tintRange[1],
    turn: ({ tint }, clicks, { camera: { tintRange, tintStep } }) => ({
      tint: clamp(tint + clicks * tintStep, ...tintRange),
    }),
  },
  {
    key: 'profileId',
    label: words.profile,
    print: ({ profileId }, { kit }) => kit.get(profileId)?.name ?? '–',
    turn: ({ profileId }, clicks, { camera, kit }) => {
      const own = camera.profileIds.filter((id) => kit.has(id));
      return own.length === 0 ? {} : { profileId: stepIn(own, (id) => (id === profileId ? 0 : 1), clicks) };
    },
  },
  {
    key: 'diffusion',
    label: words.diffusion,
    print: ({ diffusion }) => DIFFUSIONS.find(({ share }) => share === diffusion)?.name ?? 'none',
    turn: ({ diffusion }, clicks) => ({
      diffusion: stepIn(DIFFUSIONS, ({ share }) => Math.abs(share - diffusion), clicks).share,
    }),
  },
];
