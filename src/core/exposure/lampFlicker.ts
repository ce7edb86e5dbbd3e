import { isFlickerSafe } from './shutter.ts';

// What a lamp's swing does at a frame rate and a shutter: a light 1 + m cos(2 π F t) exposed for T swings by
// m |sinc(F T)| from frame to frame, and beats at the rate by which F misses a whole number of cycles a frame.

type Lamp = {
  readonly name: string;
  /** Swings a second by the mains; undefined where a dimmer sets it. */
  readonly hertz?: (mains: 50 | 60) => number;
  /** A dimmer's range, Hz. */
  readonly dims?: readonly [number, number];
  /** Depth of the swing, of 1. */
  readonly depth: number;
  readonly says: string;
};

const twice = (mains: 50 | 60) => 2 * mains;

/** Lamps by kind; depths are of usual pieces. Common practice, from memory. A further one is a row. */
export const LAMPS = {
  halogen: {
    name: 'halogen, filament',
    hertz: twice,
    depth: 0.08,
    says: 'its filament stays hot between half cycles',
  },
  tube: {
    name: 'old tubes, discharge on a choke',
    hertz: twice,
    depth: 0.5,
    says: 'goes nearly dark a hundred times a second',
  },
  electronic: {
    name: 'electronic ballast, square wave',
    hertz: twice,
    depth: 0.03,
    says: 'steady as far as most cameras see',
  },
  mains: { name: 'LED straight on the mains', hertz: twice, depth: 0.7, says: 'cheap bulbs and shop signs' },
  dimmed: {
    name: 'LED dimmed by pulses',
    dims: [240, 4000],
    depth: 1,
    says: 'on and off faster than one sees: nobody knows how fast without a test',
  },
  steady: {
    name: 'film light, steady driver',
    depth: 0,
    says: 'sold as free of flicker; dimmed low it may not be',
  },
} as const satisfies Record<string, Lamp>;
export type LampId = keyof typeof LAMPS;
export const LAMP_IDS = Object.keys(LAMPS) as LampId[];

/** Swings over this are seen, of the light: three hundredths of a stop, and a tenth. Our own choice. */
const [SEEN, PLAIN] = [0.02, 0.07];

const sinc = (x: number) => (x < 1e-9 ? 1 : Math.abs(Math.sin(Math.PI * x) / (Math.PI * x)));

/** Swing that is left of a depth when a time is exposed, of 1: |sinc(F T)|. */
export const swingLeft = (depth: number, hertz: number, seconds: number): number =>
  depth * sinc(hertz * seconds);

/** How often a second the picture beats at a frame rate; 0 stands still. */
export const beat = (hertz: number, fps: number): number => Math.abs(hertz - Math.round(hertz / fps) * fps);

type FlickerState = 'holds' | 'watch' | 'lost';
export type LampFlicker = {
  readonly id: LampId;
  /** Swing in the picture, of the light: what it is at most where the lamp's rate is not known. */
  readonly swing: number;
  /** Beats a second; undefined where the rate is not known. */
  readonly beats?: number;
  readonly state: FlickerState;
};

const stateOf = (swing: number): FlickerState => (swing < SEEN ? 'holds' : swing < PLAIN ? 'watch' : 'lost');

/** The largest swing that a dimmer's range can leave: the envelope of sinc, 1/(π F T), at its slow end. */
const worstOf = (depth: number, [slowest]: readonly [number, number], seconds: number) =>
  depth * Math.min(1, 1 / (Math.PI * slowest * seconds));

/** Every kind of lamp at a frame rate and a shutter. */
export const lampFlicker = (fps: number, seconds: number, mains: 50 | 60): readonly LampFlicker[] =>
  LAMP_IDS.map((id) => {
    const lamp: Lamp = LAMPS[id];
    if (lamp.dims) {
      const swing = worstOf(lamp.depth, lamp.dims, seconds);
      // Whether it holds only a test says.
      return { id, swing, state: swing < SEEN ? 'watch' : stateOf(swing) };
    }
    if (!lamp.hertz) return { id, swing: 0, state: 'holds' };
    const hertz = lamp.hertz(mains);
    const swing = isFlickerSafe(seconds, mains) ? 0 : swingLeft(lamp.depth, hertz, seconds);
    return { id, swing, beats: beat(hertz, fps), state: stateOf(swing) };
  });

const percent = (swing: number) => `${(100 * swing).toFixed(swing < 0.1 ? 1 : 0)} %`;

/** A lamp's swing as it reads: `12 %`, or `up to 64 %` where its rate is not known. */
export const printSwing = ({ id, swing }: LampFlicker): string => {
  const { dims }: Lamp = LAMPS[id];
  return dims ? `up to ${percent(swing)}` : percent(swing);
};

/** The lamps of a set in one sentence, the worst first; undefined where none was said. */
export const lampsSay = (
  flickers: readonly LampFlicker[],
  here: readonly LampId[],
): { readonly state: FlickerState; readonly says: string } | undefined => {
  const own = flickers.filter(({ id }) => here.includes(id)).toSorted((a, b) => b.swing - a.swing);
  if (own.length === 0) return undefined;
  const named = (state: FlickerState, isTested: boolean) =>
    own
      .filter((one) => one.state === state && 'dims' in LAMPS[one.id] === isTested)
      .map((one) => `${LAMPS[one.id].name} (${printSwing(one)})`);
  const seen = [...named('lost', false), ...named('watch', false)];
  const toTest = [...named('lost', true), ...named('watch', true)];
  const parts = [
    ...(seen.length > 0 ? [`flickers: ${seen.join(', ')}`] : []),
    ...(toTest.length > 0 ? [`film a test: ${toTest.join(', ')}`] : []),
  ];
  const state = own.some((one) => one.state === 'lost') ? 'lost' : parts.length > 0 ? 'watch' : 'holds';
  return { state, says: parts.join('; ') || 'steady at this rate and shutter' };
};

/** What a frame rate costs against another at the same angle: stops of light, and noise where gain makes it up. */
export const slowMotionCost = (fps: number, normal: number) => {
  const stops = Math.max(0, Math.log2(fps / normal));
  return { stops, noise: Math.sqrt(2 ** stops) };
};
