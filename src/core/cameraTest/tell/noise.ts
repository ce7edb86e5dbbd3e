import { floorAt, sensorFromBracket, type NoiseReading, type SensorModel } from '../../noise/sensorNoise.ts';
import { said } from '../../said.ts';
import { codeToSignal } from '../../signal/scale.ts';
import { reflectanceToStops } from '../../units.ts';
import { firstBase } from '../shots/ground.ts';
import { isCutInMiddle, noiseIn } from './steps.ts';
import { cutOff } from './cutOff.ts';
import { toeUnder, type Toe } from './toe.ts';
import type { Figure, FilmedShot, TestBasis, TestCurve, Told } from './types.ts';

// Photon transfer (EMVA Standard 1288 release 4.0, clause 2.3): variance in linear light is what reading makes of no
// light, and what grows with the light. From luma of a filmed card: what the camera made of the pixels before it, such
// as noise reduction and demosaicing, is in it.

/** Noise under so many codes is lost in rounding. */
const TOLD_CODES = 0.55;
/** Near clip noise is cut off, stops under it. */
const UNDER_CLIP = 0.5;

/**
 * How exactly these are known, 95 %: stops of floor and range, share of read noise. Not worked out for each test: what
 * tests of simulated cameras came to, with some to spare.
 */
const WITHIN = { floor: 0.3, range: 0.35, read: 0.1, cut: 0.25, rough: 1 } as const;

/** Dark noise of an ISO, in linear light. */
export type DarkNoise = {
  readonly iso: number;
  readonly light: number;
  readonly isRough: boolean;
  /** Black lies on the lowest code: half of the noise is missing. */
  readonly isCut: boolean;
  readonly shot: string;
};

/** Signal a unit of linear light makes at a place. */
const slopeAt = ({ signalOf }: { signalOf: (light: number) => number }, light: number): number => {
  const h = Math.max(2e-4, light * 0.02);
  return (signalOf(light + h) - signalOf(light - h)) / (2 * h);
};

const coderOf = (curve: TestCurve) => {
  const toe = toeUnder(curve.toe, curve.blackSignal);
  return {
    signalOf: (light: number) =>
      light < toe.light
        ? curve.blackSignal + toe.scale * Math.max(0, light) ** toe.power
        : curve.signalAt(reflectanceToStops(light)),
  };
};

/** Sum of the squares of luma's weights (BT.709-6): noise of three channels of equal noise, as luma has it. */
const LUMA_SQUARES = 0.2126 ** 2 + 0.7152 ** 2 + 0.0722 ** 2;

/** Mean of |n|^q of normal deviates, by midpoints. */
const absMoment = (q: number): number => {
  const [steps, to] = [600, 7];
  let sum = 0;
  for (let i = 0; i < steps; i += 1) {
    const z = ((i + 0.5) * to) / steps;
    sum += z ** q * Math.exp(-0.5 * z * z);
  }
  return (sum * to * Math.sqrt(2 / Math.PI)) / steps;
};

/**
 * Linear light that a deviation about black stands for, as luma of three channels has it: each goes through the toe by
 * itself, under black as over it, or ends at black where the file holds nothing lower.
 */
const darkLight = (deviation: number, { scale, power }: Toe, isCut: boolean): number => {
  const square = absMoment(2 * power);
  const variance = isCut ? square / 2 - absMoment(power) ** 2 / 4 : square;
  const each = (deviation ** 2 / (scale ** 2 * LUMA_SQUARES * variance)) ** (1 / (2 * power));
  return each * Math.sqrt(LUMA_SQUARES);
};

/** Dark noise by ISO, from frames with the cap on. */
const darkNoise = ({ filmed, coding }: TestBasis, curve: TestCurve): readonly DarkNoise[] => {
  const perCode = codeToSignal(1, coding) - codeToSignal(0, coding);
  const toe = toeUnder(curve.toe, curve.blackSignal);
  return filmed
    .filter(({ shot, hold }) => shot.kind === 'cap' && hold.signs.dark)
    .map((one) => {
      const isCut = isCutInMiddle(one, coding);
      const cut = cutOff(one.hold.card.atBottom);
      const deviation = isCut ? noiseIn(one) : noiseIn(one) / cut.deviation;
      const least = TOLD_CODES * perCode;
      const isRough = noiseIn(one) < least || (cut.isRough && !isCut);
      return {
        iso: one.shot.settings.iso,
        light: darkLight(isRough ? Math.max(deviation, least) : deviation, toe, isCut),
        isRough,
        isCut,
        shot: one.shot.id,
      };
    });
};

const readingsOf = (
  filmed: readonly FilmedShot[],
  curve: TestCurve,
  coding: TestBasis['coding'],
): readonly (NoiseReading & { readonly shot: string })[] => {
  const perCode = codeToSignal(1, coding) - codeToSignal(0, coding);
  const coder = coderOf(curve);
  return filmed.flatMap((one) => {
    const { signal } = one.hold.card;
    const deviation = noiseIn(one);
    const stops = curve.stopsAt(signal);
    if (!Number.isFinite(stops) || deviation < TOLD_CODES * perCode) return [];
    if (stops > curve.profile.clipStops - UNDER_CLIP) return [];
    const reflectance = curve.lightAt(signal);
    if (!(reflectance > 0)) return [];
    return [{ reflectance, deviation: deviation / slopeAt(coder, reflectance), shot: one.shot.id }];
  });
};

const floorFigures = (
  iso: number,
  sensor: SensorModel,
  clipStops: number,
  from: readonly string[],
  isRough = false,
): Figure[] =>
  [1, 2].flatMap((snr): Figure[] => {
    const floor = floorAt(sensor, snr);
    return [
      {
        id: `floor.${snr}.${iso}`,
        name: `floor at ISO ${iso}, signal over noise ${snr}${isRough ? ', roughly' : ''}`,
        value: floor,
        unit: 'stops',
        plusMinus: isRough ? WITHIN.rough : WITHIN.floor,
        from,
      },
      {
        id: `range.${snr}.${iso}`,
        name: `dynamic range at ISO ${iso}, signal over noise ${snr}`,
        value: clipStops - floor,
        unit: 'stops',
        plusMinus: isRough ? WITHIN.rough : WITHIN.range,
        from,
      },
    ];
  });

/** The same sensor at another ISO: a gain leaves it so many electrons fewer at grey, with that ISO's own dark noise. */
const sensorAtIso = (dark: DarkNoise, base: SensorModel, gain: number): SensorModel => {
  const k = (0.18 / base.electronsAtGrey) * gain;
  return { electronsAtGrey: 0.18 / k, readElectrons: dark.light / k };
};

/** Noise against light, read noise, floor and range by ISO. */
export const noiseOf = (
  basis: TestBasis,
  curve: TestCurve,
): Told & { readonly sensor?: SensorModel; readonly dark: readonly DarkNoise[] } => {
  const base = firstBase(basis.camera);
  const dark = darkNoise(basis, curve);
  const bracket = basis.filmed.filter(({ shot }) => shot.kind === 'bracket' || shot.kind === 'back');
  const readings = readingsOf(bracket, curve, basis.coding);
  const capAtBase = dark.find(({ iso }) => iso === base);
  const told =
    capAtBase && !capAtBase.isRough
      ? [{ reflectance: 0, deviation: capAtBase.light, shot: capAtBase.shot }]
      : [];
  const fitted = sensorFromBracket([...told, ...readings]);
  // The cap tells read noise better than a line drawn down to no light.
  const sensor =
    fitted && capAtBase && !capAtBase.isRough
      ? { ...fitted, readElectrons: (capAtBase.light * fitted.electronsAtGrey) / 0.18 }
      : fitted;
  if (!sensor)
    return {
      dark,
      figures: [],
      warnings:
        readings.length > 0
          ? [
              said(
                'Noise does not grow with light as a sensor’s does:',
                'noise reduction was on, or the clip is compressed too hard.',
              ),
            ]
          : [
              said(
                'Noise is under half a code step everywhere: it cannot be told from rounding.',
                'Film with noise reduction off.',
              ),
            ],
      missing: [{ what: 'noise and the usable floor', shot: 'bracket' }],
    };
  const from = [...told, ...readings].map(({ shot }) => shot);
  const byIso = dark.flatMap((one) => {
    const own = basis.filmed.filter(
      ({ shot }) =>
        shot.settings.iso === one.iso && (shot.kind === 'iso' || (one.iso === base && shot.kind === 'first')),
    );
    // An exposure index leaves the file alone.
    const gain = basis.camera.sensitivity === 'gain' ? one.iso / base : 1;
    const atIso = one.iso === base ? sensor : sensorAtIso(one, sensor, gain);
    return [{ ...one, sensor: atIso, from: [one.shot, ...own.map(({ shot }) => shot.id)] }];
  });
  const clip = curve.profile.clipStops;
  const line = Array.from({ length: 40 }, (_, i) => 2 ** (-9 + (i * (clip + 9)) / 39) * 0.18);
  return {
    sensor,
    dark,
    figures: [
      {
        id: 'electrons',
        name: 'electrons at grey, base ISO, as luma shows them',
        value: sensor.electronsAtGrey,
        unit: 'electrons',
        plusMinus: (2 * sensor.electronsAtGrey) / Math.sqrt(Math.max(4, 20 * readings.length)),
        from,
      },
      ...byIso.map(({ iso, sensor: own, isRough, isCut, from: shots }): Figure => ({
        id: `read.${iso}`,
        name: `read noise at ISO ${iso}${isRough ? ', roughly' : isCut ? ', half of it cut off at black' : ''}`,
        value: own.readElectrons,
        unit: 'electrons',
        plusMinus: WITHIN[isRough ? 'rough' : isCut ? 'cut' : 'read'] * own.readElectrons,
        from: shots,
      })),
      ...byIso.flatMap(({ iso, sensor: own, from: shots, isRough }) =>
        floorFigures(iso, own, clip, shots, isRough),
      ),
      ...(byIso.some(({ iso }) => iso === base) ? [] : floorFigures(base, sensor, clip, from)),
    ],
    plots: [
      {
        id: 'noise',
        name: 'noise against light',
        x: 'stops over grey',
        y: 'signal over noise, stops',
        points: readings.map(
          ({ reflectance, deviation }) =>
            [reflectanceToStops(reflectance), Math.log2(reflectance / deviation)] as const,
        ),
        line: line.map((light) => {
          const electrons = (light / 0.18) * sensor.electronsAtGrey;
          return [
            reflectanceToStops(light),
            Math.log2(electrons / Math.sqrt(electrons + sensor.readElectrons ** 2)),
          ] as const;
        }),
      },
    ],
    warnings: dark
      .filter(({ isRough }) => isRough)
      .slice(0, 1)
      .map(({ iso }) =>
        said(
          `At ISO ${iso} dark noise is under half a code step or cut off at black:`,
          'its read noise is a rough figure.',
        ),
      ),
    missing: dark.length === 0 ? [{ what: 'read noise and the usable floor', shot: 'cap' }] : [],
  };
};
