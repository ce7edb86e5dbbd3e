import { seededRandom } from '../../random.ts';
import type { SceneLight } from '../../scene/scene.ts';
import type { Shot } from '../types.ts';

/** What goes wrong when an owner films a list. A further one is a row. */
export const SLIPS = {
  forgotten: { name: 'a step is forgotten' },
  twice: { name: 'a shot is filmed twice' },
  drift: { name: 'the lamp drifts', /** Stops in ten minutes. */ stops: -0.15 },
  hand: { name: 'a hand goes through the picture' },
  autoBalance: { name: 'automatic balance is left on' },
  autoExposure: { name: 'automatic exposure is left on for the ISO steps' },
  mixed: { name: 'a window lights one side of the desk' },
  early: { name: 'the last shots are not filmed' },
} as const;
export type SlipId = keyof typeof SLIPS;
export const SLIP_IDS = Object.keys(SLIPS) as SlipId[];

/** A shot as it comes off the card: which of the list, in the order filmed. */
export type Filmed = { readonly shot: Shot; readonly index: number };

const NEVER_FORGOTTEN = new Set<Shot['kind']>(['first']);
/** Shots missing at the end where somebody stopped early. */
const EARLY = 4;

/** The list as it was really filmed. */
export const slippedList = (
  list: readonly Shot[],
  slips: readonly SlipId[],
  seed: number,
): readonly Filmed[] => {
  const random = seededRandom(seed + 77);
  const any = () => Math.floor(random() * list.length);
  let filmed: readonly Filmed[] = list.map((shot, index) => ({ shot, index }));
  if (slips.includes('forgotten')) {
    const gone = new Set([any(), any()]);
    filmed = filmed.filter(({ shot, index }) => NEVER_FORGOTTEN.has(shot.kind) || !gone.has(index));
  }
  if (slips.includes('twice')) {
    const twice = any();
    filmed = filmed.flatMap((one) => (one.index === twice ? [one, one] : [one]));
  }
  return slips.includes('early') ? filmed.slice(0, -EARLY) : filmed;
};

/** Light of the window at the left edge, against the lamp's, and its colour in linear BT.2020. */
const WINDOW = { share: 0.9, colour: [0.75, 1, 1.45] } as const;

/** A window beside the desk: its light falls off to the right. */
export const windowLit = (light: SceneLight): SceneLight => {
  const { width, height } = light;
  const rgb = light.rgb.slice();
  const pixels = width * height;
  // The card in the middle is metered in both.
  const metered = 1 + WINDOW.share / 2;
  for (let i = 0; i < pixels; i += 1) {
    const share = WINDOW.share * (1 - (i % width) / width);
    for (let c = 0; c < 3; c += 1) rgb[c * pixels + i] *= (1 + share * WINDOW.colour[c]) / metered;
  }
  return { width, height, rgb };
};

/** How dark a hand is against the light on the desk. */
const HAND = 0.15;

/** A hand in some frames of some shots, over a third of the picture, the card with it. */
export const covered = (light: SceneLight, index: number, frame: number, seed: number): SceneLight => {
  const random = seededRandom(seed * 7 + index);
  const isHere = random() < 0.15;
  if (!isHere || frame < 1 || frame > 2) return light;
  const { width, height } = light;
  const rgb = light.rgb.slice();
  const from = Math.floor((0.2 + 0.3 * random()) * width);
  for (let row = 0; row < height; row += 1)
    for (let x = from; x < from + width / 3; x += 1)
      for (let c = 0; c < 3; c += 1) rgb[c * width * height + row * width + x] *= HAND;
  return { width, height, rgb };
};
