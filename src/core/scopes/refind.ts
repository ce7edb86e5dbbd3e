import type { Patch } from './measure.ts';
import { clampRect, type Frame, type Rect } from '../frame/frame.ts';

// Marks found again in another picture of the same set-up, by normalised cross-correlation (J. P. Lewis, Fast
// Normalized Cross-Correlation, 1995): blind to how bright either picture is and to how much contrast it has.

/** A grey picture of floats, made small. */
type Small = { readonly width: number; readonly height: number; readonly luma: Float32Array };

/** A mark with what stands round it, at two sizes. */
export type Remembered = {
  readonly patch: Patch;
  readonly aspect: number;
  /** Pixels that the frame was wide. */
  readonly wide: number;
  readonly looks: readonly { readonly small: Small; readonly left: number; readonly top: number }[];
};

/** Widths the pictures are searched at: all over the first, near what was found there in the second. */
const WIDTHS = [160, 480] as const;
/** How much of its surroundings is taken with a mark, in its own sides each way. */
const AROUND = 0.75;
/** Places of the coarse search that are looked at closely. */
const CANDIDATES = 6;
/** Pixels of the fine picture searched about each. */
const NEAR = 5;
/** Correlation that counts as found; a second place as good, apart from the first, makes it a guess. */
const FOUND = 0.8;
const AHEAD = 0.03;
/** Largest difference in shape between the pictures that still are of one set-up. */
const SAME_ASPECT = 0.02;

/** The luma of a frame, averaged down to a width; a smaller frame stays as it is. */
const smallOf = ({ r, g, b, width, height }: Frame, to: number): Small => {
  const scale = Math.min(1, to / width);
  const [w, h] = [Math.max(1, Math.round(width * scale)), Math.max(1, Math.round(height * scale))];
  const luma = new Float32Array(w * h);
  for (let y = 0; y < h; y += 1) {
    const [y0, y1] = [Math.floor((y * height) / h), Math.max(1, Math.floor(((y + 1) * height) / h))];
    for (let x = 0; x < w; x += 1) {
      const [x0, x1] = [Math.floor((x * width) / w), Math.max(1, Math.floor(((x + 1) * width) / w))];
      let sum = 0;
      for (let v = y0; v < y1; v += 1)
        for (let i = v * width + x0; i < v * width + x1; i += 1) sum += r[i] + 2 * g[i] + b[i];
      luma[y * w + x] = sum / (4 * (y1 - y0) * (x1 - x0));
    }
  }
  return { width: w, height: h, luma };
};

const cut = ({ width, luma }: Small, { x, y, width: w, height: h }: Rect): Small => {
  const out = new Float32Array(w * h);
  for (let v = 0; v < h; v += 1) out.set(luma.subarray((y + v) * width + x, (y + v) * width + x + w), v * w);
  return { width: w, height: h, luma: out };
};

/** Correlation of a template with the picture at a place, -1..1; 0 where either is even. */
const correlation = (picture: Small, template: Small, left: number, top: number): number => {
  const count = template.luma.length;
  let [a, b, aa, bb, ab] = [0, 0, 0, 0, 0];
  for (let v = 0, t = 0; v < template.height; v += 1) {
    let i = (top + v) * picture.width + left;
    for (let u = 0; u < template.width; u += 1, i += 1, t += 1) {
      const [p, q] = [picture.luma[i], template.luma[t]];
      a += p;
      b += q;
      aa += p * p;
      bb += q * q;
      ab += p * q;
    }
  }
  const [va, vb] = [aa - (a * a) / count, bb - (b * b) / count];
  // Flatter than a code of deviation there is nothing to know it by.
  return va <= count || vb <= count ? 0 : (ab - (a * b) / count) / Math.sqrt(va * vb);
};

/** Marks of a frame with what stands round them; rectangles in pixels of the frame. */
export const rememberMarks = (frame: Frame, patches: readonly Patch[]): readonly Remembered[] => {
  const smalls = WIDTHS.map((width) => smallOf(frame, width));
  return patches.map((patch) => {
    const { rect } = patch;
    const looks = smalls.map((small) => {
      const scale = small.width / frame.width;
      const [w, h] = [rect.width * scale, rect.height * scale];
      const [x, y] = [rect.x * scale - AROUND * w, rect.y * scale - AROUND * h];
      const [more, less] = [1 + 2 * AROUND, Math.max(0, -Math.min(x, y))];
      const box = clampRect(
        { x, y, width: Math.max(5, w * more - less), height: Math.max(5, h * more - less) },
        small,
      );
      return { small: cut(small, box), left: box.x, top: box.y };
    });
    return { patch, aspect: frame.width / frame.height, wide: frame.width, looks };
  });
};

type Place = { readonly x: number; readonly y: number; readonly score: number };

/** Best places in a window of the picture, best first; places that overlap one that is better are left out. */
const bestPlaces = (
  picture: Small,
  template: Small,
  [x0, y0, x1, y1]: readonly number[],
  most: number,
): Place[] => {
  const places: Place[] = [];
  const [lastX, lastY] = [picture.width - template.width, picture.height - template.height];
  for (let y = Math.max(0, y0); y <= Math.min(lastY, y1); y += 1)
    for (let x = Math.max(0, x0); x <= Math.min(lastX, x1); x += 1)
      places.push({ x, y, score: correlation(picture, template, x, y) });
  const best: Place[] = [];
  for (const place of places.toSorted((a, b) => b.score - a.score)) {
    if (best.length === most) break;
    const isApart = best.every(
      ({ x, y }) => Math.abs(x - place.x) > template.width / 2 || Math.abs(y - place.y) > template.height / 2,
    );
    if (isApart) best.push(place);
  }
  return best;
};

const findOne = (pictures: readonly Small[], { looks: [coarse, fine] }: Remembered): Place | undefined => {
  const [small, large] = pictures;
  const step = large.width / small.width;
  const found = bestPlaces(small, coarse.small, [0, 0, small.width, small.height], CANDIDATES)
    .flatMap(({ x, y }) => {
      const [u, v] = [Math.round(x * step), Math.round(y * step)];
      return bestPlaces(large, fine.small, [u - NEAR, v - NEAR, u + NEAR, v + NEAR], 1);
    })
    .toSorted((a, b) => b.score - a.score);
  const [first, second] = found;
  if (!first || first.score < FOUND) return undefined;
  return second && first.score - second.score < AHEAD ? undefined : first;
};

/**
 * Marks of one frame in another of the same set-up; of any size, if both are as wide as the fine search.
 * @returns The marks that were found, in pixels of this frame, and the ids of those that were not.
 */
export const refindMarks = (
  frame: Frame,
  remembered: readonly Remembered[],
): { readonly found: readonly Patch[]; readonly lost: readonly string[] } => {
  const pictures = WIDTHS.map((width) => smallOf(frame, width));
  const found: Patch[] = [];
  const lost: string[] = [];
  for (const mark of remembered) {
    const { patch, aspect, wide, looks } = mark;
    const isSameShape = Math.abs(frame.width / frame.height / aspect - 1) < SAME_ASPECT;
    // Pictures narrower than the fine search are searched as they are: then their sizes must agree.
    const isSameScale = Math.min(wide, WIDTHS[1]) === Math.min(frame.width, WIDTHS[1]);
    const place = isSameShape && isSameScale && findOne(pictures, mark);
    if (!place) {
      lost.push(patch.id);
      continue;
    }
    const scale = frame.width / wide;
    const perFine = frame.width / pictures[1].width;
    const { x, y, width, height } = patch.rect;
    const rect = {
      x: x * scale + (place.x - looks[1].left) * perFine,
      y: y * scale + (place.y - looks[1].top) * perFine,
      width: width * scale,
      height: height * scale,
    };
    found.push({ ...patch, rect: clampRect(rect, frame) });
  }
  return { found, lost };
};
