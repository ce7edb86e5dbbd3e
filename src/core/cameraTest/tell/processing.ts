import type { Figure, FilmedShot, Missing, Plot, TestGround, Told } from './types.ts';
import { FREQUENCIES } from '../find/noiseSpectrum.ts';
import { noiseIn } from './steps.ts';
import type { Hold } from '../find/holds.ts';

// What the camera does to the picture before it writes it: sharpening, noise reduction, colour; lowest, and from new.

const SETTINGS = { lowest: 'lowest', default: 'from new' } as const;
type Setting = keyof typeof SETTINGS;
const SETTING_IDS = Object.keys(SETTINGS) as Setting[];

const pairOf = (filmed: readonly FilmedShot[], kind: string): Partial<Record<Setting, FilmedShot>> =>
  Object.fromEntries(
    SETTING_IDS.flatMap((setting) => {
      const shot = filmed.find((one) => one.shot.kind === kind && one.shot.settings.processing === setting);
      return shot ? [[setting, shot]] : [];
    }),
  );

const mean = (values: readonly number[]) => values.reduce((a, b) => a + b, 0) / values.length;

const edgeFigures = (filmed: readonly FilmedShot[]): Figure[] =>
  SETTING_IDS.flatMap((setting): Figure[] => {
    const one = pairOf(filmed, 'edge')[setting];
    const edges = one?.hold.glances.flatMap(({ edge }) => edge ?? []) ?? [];
    if (!one || edges.length === 0) return [];
    const over = edges.map((edge) => Math.max(edge.over, edge.under));
    return [
      {
        id: `edge.${setting}`,
        name: `edge overshoots, detail ${SETTINGS[setting]}, of the step`,
        value: mean(over),
        unit: 'share',
        plusMinus: 0.02,
        from: [one.shot.id],
      },
    ];
  });

const wallFigures = (filmed: readonly FilmedShot[]): Figure[] => {
  const { lowest, default: fromNew } = pairOf(filmed, 'wall');
  const alike = [lowest, fromNew].flatMap((one): Figure[] =>
    one
      ? [
          {
            id: `smear.${one.shot.settings.processing}`,
            name: `neighbouring pixels alike in noise, noise reduction ${SETTINGS[one.shot.settings.processing]}`,
            value: one.hold.card.neighbours,
            unit: 'share',
            plusMinus: 2 / Math.sqrt(one.hold.card.pixels),
            from: [one.shot.id],
          },
        ]
      : [],
  );
  if (!lowest || !fromNew || noiseIn(lowest) === 0) return alike;
  return [
    ...alike,
    {
      id: 'smear.left',
      name: 'noise left from new, of the lowest setting’s',
      value: fromNew.hold.card.spatial / Math.max(1e-9, lowest.hold.card.spatial),
      unit: 'times',
      plusMinus: 0.05,
      from: [lowest.shot.id, fromNew.shot.id],
    },
  ];
};

/** Frequencies that are the finest, cycles a pixel. */
const FINE = 0.375;

const fineLeft = ({ spectrum }: Hold['card']): number | undefined => {
  const fine = spectrum.filter((_, k) => FREQUENCIES[k] >= FINE);
  return fine.length > 0 ? mean(fine) : undefined;
};

/** Noise by how fine it is, against white noise: figures, and both settings in one drawing. */
const spectrumTold = (
  filmed: readonly FilmedShot[],
): { figures: readonly Figure[]; plots: readonly Plot[] } => {
  const walls = pairOf(filmed, 'wall');
  const figures = SETTING_IDS.flatMap((setting): Figure[] => {
    const one = walls[setting];
    const left = one && fineLeft(one.hold.card);
    return one && left !== undefined
      ? [
          {
            id: `spectrum.${setting}`,
            name: `finest noise, of white noise’s, noise reduction ${SETTINGS[setting]}`,
            value: left,
            unit: 'share',
            plusMinus: 0.08,
            from: [one.shot.id],
          },
        ]
      : [];
  });
  const drawn = (setting: Setting) =>
    (walls[setting]?.hold.card.spectrum ?? []).map((power, k) => [FREQUENCIES[k], power] as const);
  const [lowest, fromNew] = [drawn('lowest'), drawn('default')];
  return {
    figures,
    plots:
      lowest.length > 0 || fromNew.length > 0
        ? [
            {
              id: 'spectrum',
              name: 'noise by how fine it is: dots from new, line lowest',
              x: 'cycles a pixel',
              y: 'of white noise',
              points: fromNew,
              line: lowest,
            },
          ]
        : [],
  };
};

/** Chroma of a cell as a plane of light: red less green, blue less green, over the light of all three. */
const chromaOf = (cells: readonly number[], k: number, lightAt: (signal: number) => number) => {
  const [r, g, b] = [lightAt(cells[k]), lightAt(cells[k + 1]), lightAt(cells[k + 2])];
  const sum = Math.max(1e-6, 0.2126 * r + 0.7152 * g + 0.0722 * b);
  return [(b - g) / sum, (r - g) / sum] as const;
};

/** Least chroma of a cell that tells a hue. Our own choice. */
const COLOURED = 0.6;

const sheetFigures = (filmed: readonly FilmedShot[], lightAt: (signal: number) => number): Figure[] => {
  const { lowest, default: fromNew } = pairOf(filmed, 'sheets');
  if (!lowest || !fromNew) return [];
  const cellsOf = ({ glances }: Hold) => glances[Math.floor(glances.length / 2)].cells;
  const [a, b] = [cellsOf(lowest.hold), cellsOf(fromNew.hold)];
  const gains: number[] = [];
  const turns: number[] = [];
  for (let k = 0; k < a.length; k += 3) {
    const [p, q] = [chromaOf(a, k, lightAt), chromaOf(b, k, lightAt)];
    const size = Math.hypot(...p);
    if (size < COLOURED) continue;
    gains.push(Math.hypot(...q) / size);
    const turn = Math.atan2(q[1], q[0]) - Math.atan2(p[1], p[0]);
    turns.push((Math.atan2(Math.sin(turn), Math.cos(turn)) * 180) / Math.PI);
  }
  if (gains.length === 0) return [];
  const from = [lowest.shot.id, fromNew.shot.id];
  return [
    {
      id: 'colour.saturation',
      name: 'colour from new, against the lowest setting’s',
      value: mean(gains),
      unit: 'times',
      plusMinus: 0.04,
      from,
    },
    {
      id: 'colour.hue',
      name: 'hues turned from new',
      value: mean(turns),
      unit: 'degrees',
      plusMinus: 2,
      from,
    },
  ];
};

/** Sharpening, noise reduction and colour, lowest and from new. */
export const processingOf = ({ filmed, curve, have }: TestGround): Told => {
  const spectrum = spectrumTold(filmed);
  const figures = [
    ...edgeFigures(filmed),
    ...wallFigures(filmed),
    ...spectrum.figures,
    ...sheetFigures(filmed, curve.lightAt),
  ];
  const has = (start: string) => figures.some(({ id }) => id.startsWith(start));
  const missing: Missing[] = [
    ...(has('edge') ? [] : [{ what: 'how far sharpening overshoots', shot: 'edge' as const }]),
    ...(has('smear') ? [] : [{ what: 'what noise reduction smears', shot: 'wall' as const }]),
    ...(has('colour') || !have.colours
      ? []
      : [{ what: 'what the settings do to colour', shot: 'sheets' as const }]),
  ];
  return { figures, plots: spectrum.plots, missing };
};
