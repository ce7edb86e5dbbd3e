import { exactFNumber } from '../exposure/aperture.ts';

// Depth of field by the thin lens, as handbooks of photographic optics have it (Ray, Applied Photographic Optics):
// hyperfocal distance, near and far limit, blur of a point out of focus, the Airy disc of diffraction.

/** What the picture is recorded from: millimetres across, and photosites across. */
export type Imager = { readonly width: number; readonly photosites: number };

/** Focal length in millimetres, and the distance focused on in metres. */
export type Focus = { readonly focal: number; readonly distance: number };

/** Wavelength that diffraction is counted at, millimetres: green, where the eye is most sensitive. */
const GREEN = 550e-6;
/** Diameter of the first dark ring of the Airy disc, in wavelengths times f-number. */
const FIRST_RING = 2.44;
/** Diffraction counts as soft once its disc covers so many photosites. Our own choice. */
const SOFT_PHOTOSITES = 2;
/** Height of the recorded picture against its width. */
const SHAPE = 9 / 16;

/** How large a blur may be and still pass for sharp, millimetres on the sensor. Both schools stand side by side. */
export const CONFUSIONS = {
  seen: {
    name: 'seen as a whole',
    says: 'the diagonal over 1500: a picture looked at from where all of it is seen',
    of: ({ width }: Imager) => Math.hypot(width, width * SHAPE) / 1500,
  },
  pixels: {
    name: 'to the pixel',
    says: 'two photosites: a picture that is cropped, or seen large from near by',
    of: ({ width, photosites }: Imager) => (2 * width) / photosites,
  },
} as const;
export type ConfusionId = keyof typeof CONFUSIONS;
export const CONFUSION_IDS = Object.keys(CONFUSIONS) as ConfusionId[];

const checked = ({ focal, distance }: Focus) => {
  const s = 1000 * distance;
  if (!(focal > 0 && s > 2 * focal))
    throw new RangeError(`depth of field: focal above 0 and focus beyond twice of it, got ${focal}, ${s} mm`);
  return { f: focal, s };
};

/** Whether a lens can be focused there by these formulae: farther than twice its focal length. */
export const isFocusable = ({ focal, distance }: Focus): boolean => focal > 0 && 1000 * distance > 2 * focal;

/**
 * Distance from which on all is sharp when it is focused on, metres: f²/(N c) + f.
 * @param iris marked f-number @param confusion millimetres
 */
export const hyperfocal = (focal: number, iris: number, confusion: number): number =>
  ((focal * focal) / (exactFNumber(iris) * confusion) + focal) / 1000;

export type Depth = {
  /** Metres; the far limit is Infinity from the hyperfocal distance on. */
  readonly near: number;
  readonly far: number;
};

/**
 * What is sharp, metres: near s(H - f)/(H + s - 2f), far s(H - f)/(H - s).
 * @throws RangeError for a focus within twice the focal length
 */
export const depthOfField = (focus: Focus, iris: number, confusion: number): Depth => {
  const { f, s } = checked(focus);
  const h = 1000 * hyperfocal(f, iris, confusion);
  return {
    near: (s * (h - f)) / (h + s - 2 * f) / 1000,
    far: h > s ? (s * (h - f)) / (h - s) / 1000 : Infinity,
  };
};

/**
 * Diameter of a point's blur on the sensor, millimetres: f²/(N (s - f)) · |d - s|/d.
 * @param at distance of the point, metres; Infinity for a horizon
 */
export const blurDisc = (focus: Focus, iris: number, at: number): number => {
  const { f, s } = checked(focus);
  const apart = at === Infinity ? 1 : Math.abs(1000 * at - s) / (1000 * at);
  return ((f * f) / (exactFNumber(iris) * (s - f))) * apart;
};

/** Diameter of the Airy disc, millimetres: 2.44 λ N at 550 nm. */
export const airyDisc = (iris: number): number => FIRST_RING * GREEN * exactFNumber(iris);

/** Airy disc in photosites, and whether it takes sharpness. */
export const diffraction = (iris: number, { width, photosites }: Imager) => {
  const across = (airyDisc(iris) * photosites) / width;
  return { photosites: across, isSoft: across > SOFT_PHOTOSITES };
};

/** Exact f-number at which diffraction begins to take sharpness. */
export const softFrom = ({ width, photosites }: Imager): number =>
  (SOFT_PHOTOSITES * width) / (photosites * FIRST_RING * GREEN);

/** Exact f-number whose hyperfocal distance is `h` millimetres. */
const fNumberOf = (h: number, focal: number, confusion: number) =>
  (focal * focal) / (confusion * (h - focal));

/**
 * Exact f-number from which on a near limit is sharp; the inverse of `depthOfField`.
 * @param near metres, nearer than the focus
 */
export const fNumberForNear = (focus: Focus, near: number, confusion: number): number => {
  const { f, s } = checked(focus);
  const n = 1000 * near;
  if (!(n > f && n < s)) throw new RangeError(`fNumberForNear: near between lens and focus, got ${near}`);
  return fNumberOf((s * f + n * s - 2 * n * f) / (s - n), f, confusion);
};

/** Exact f-number from which on a far limit is sharp. @param far metres, beyond the focus; Infinity for a horizon */
export const fNumberForFar = (focus: Focus, far: number, confusion: number): number => {
  const { f, s } = checked(focus);
  const d = 1000 * far;
  if (!(d > s)) throw new RangeError(`fNumberForFar: far beyond the focus, got ${far}`);
  return fNumberOf(far === Infinity ? s : (s * (d - f)) / (d - s), f, confusion);
};

/** Exact f-number up to which a point at `at` is blurred by a share of the picture's width at least. */
export const fNumberForBlur = (focus: Focus, at: number, share: number, { width }: Imager): number =>
  blurDisc(focus, 1, at) / (share * width);
