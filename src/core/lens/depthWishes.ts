import { exactFNumber } from '../exposure/aperture.ts';
import {
  blurDisc,
  CONFUSIONS,
  depthOfField,
  diffraction,
  fNumberForBlur,
  fNumberForFar,
  fNumberForNear,
  hyperfocal,
  type ConfusionId,
  type Depth,
  type Focus,
  type Imager,
} from './depth.ts';

// What is wanted of the depth of field, and the irises that give it. Measures of a head are our own, off the eyes.

/** How a lens is used in a set-up, as it is kept. */
export type LensUse = Focus & {
  readonly wish: DepthWishId;
  readonly confusion: ConfusionId;
  /** Metres from the lens to the background. */
  readonly behind?: number;
  /** Nearest and farthest that should be sharp, metres. */
  readonly near?: number;
  readonly far?: number;
  /** Blur of the background, share of the picture's width. */
  readonly soft?: number;
  /** How fast something moves across the picture, m/s. */
  readonly speed?: number;
};

/** Exact f-numbers that a wish allows: from, to; a side that is left out is open. */
export type IrisRange = { readonly from?: number; readonly to?: number };

type Asked = { readonly use: LensUse; readonly confusion: number; readonly imager: Imager };
type DepthWish = {
  readonly name: string;
  readonly says: string;
  /** Undefined where a measure is missing that it needs. */
  readonly range: (asked: Asked) => IrisRange | undefined;
};

/** Metres before and behind the eyes: of what has to be sharp, and from where on it should not be. */
const [LID, LASH, EAR] = [0.015, 0.02, 0.1];
const [NOSE, NECK] = [0.05, 0.15];
/** A background that is soft: share of the picture's width where none was said. Our own choice. */
export const USUAL_SOFT = 0.02;

const covering = ({ use, confusion }: Asked, near: number, far: number): IrisRange => ({
  from: Math.max(fNumberForNear(use, near, confusion), fNumberForFar(use, far, confusion)),
});

const around = (asked: Asked, before: number, beyond: number): IrisRange =>
  covering(asked, asked.use.distance - before, asked.use.distance + beyond);

/** A further wish is a row. */
export const DEPTH_WISHES = {
  none: { name: 'the iris stays as it is', says: 'nothing is asked of the depth', range: () => ({}) },
  eyes: {
    name: 'eyes only',
    says: 'both lids sharp, the ears 10 cm behind no longer',
    range: (asked) => ({
      ...around(asked, LID, LASH),
      to: fNumberForFar(asked.use, asked.use.distance + EAR, asked.confusion),
    }),
  },
  face: {
    name: 'the whole face',
    says: 'sharp from 5 cm before the eyes to 15 cm behind',
    range: (asked) => around(asked, NOSE, NECK),
  },
  zone: {
    name: 'from front to back',
    says: 'sharp over the zone that is typed: a product, a table',
    range: (asked) => {
      const { near, far, distance } = asked.use;
      if (near === undefined || far === undefined || !(near < distance && far > distance)) return undefined;
      return covering(asked, near, far);
    },
  },
  soft: {
    name: 'a soft background',
    says: 'the background’s points as large as asked, in the picture’s width',
    range: ({ use, imager }) =>
      use.behind === undefined || !(use.behind > use.distance)
        ? undefined
        : { to: fNumberForBlur(use, use.behind, use.soft ?? USUAL_SOFT, imager) },
  },
  horizon: {
    name: 'sharp to the horizon',
    says: 'the focus is the hyperfocal distance: sharp from half of it on',
    range: (asked) => ({ from: fNumberForFar(asked.use, Infinity, asked.confusion) }),
  },
} as const satisfies Record<string, DepthWish>;
export type DepthWishId = keyof typeof DEPTH_WISHES;
export const DEPTH_WISH_IDS = Object.keys(DEPTH_WISHES) as DepthWishId[];

/** Two marks are one within this, in f-number: rounding of marks. */
const SLACK = 1.005;

export const isWithin = (iris: number, { from, to }: IrisRange): boolean => {
  const exact = exactFNumber(iris);
  return (from === undefined || exact * SLACK >= from) && (to === undefined || exact <= to * SLACK);
};

/** An iris of the lens, and what it makes of the depth. */
export type IrisDepth = Depth & {
  readonly iris: number;
  readonly hyperfocal: number;
  /** Blur of the background, share of the picture's width. */
  readonly blur?: number;
  /** Airy disc in photosites. */
  readonly airy: number;
  readonly isSoft: boolean;
  readonly isWithin: boolean;
};

export type DepthAnswer = {
  readonly rows: readonly IrisDepth[];
  /** Undefined where a measure is missing. */
  readonly range?: IrisRange;
  /** Marks that the wish allows; empty where none does. */
  readonly irises: readonly number[];
};

/**
 * Every iris of a lens with its depth, and those that a wish allows.
 * @param irises marked f-numbers
 */
export const depthAnswer = (use: LensUse, irises: readonly number[], imager: Imager): DepthAnswer => {
  const confusion = CONFUSIONS[use.confusion].of(imager);
  const wish: DepthWish = DEPTH_WISHES[use.wish];
  const range = wish.range({ use, confusion, imager });
  const rows = irises.map((iris): IrisDepth => {
    const { photosites, isSoft } = diffraction(iris, imager);
    return {
      iris,
      ...depthOfField(use, iris, confusion),
      hyperfocal: hyperfocal(use.focal, iris, confusion),
      ...(use.behind === undefined ? {} : { blur: blurDisc(use, iris, use.behind) / imager.width }),
      airy: photosites,
      isSoft,
      isWithin: range !== undefined && isWithin(iris, range),
    };
  });
  return {
    rows,
    ...(range === undefined ? {} : { range }),
    irises: rows.filter((row) => row.isWithin).map(({ iris }) => iris),
  };
};
