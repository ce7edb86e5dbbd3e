import { LEAST_SIDE, type Look, type Place } from './looks.ts';
import {
  correlation,
  resampled,
  templateOf,
  type Small,
  type Summed,
  type Template,
} from './smallPicture.ts';

// Places of a picture where a look fits.

/** Half a step, tried about each size in the fine picture. */
const HALF_STEP = 2 ** (1 / 20);
/** Pixels of the fine picture searched about each. */
const NEAR = 6;

type Sized = { readonly small: Template; readonly size: number };

/** Best places in a window of the picture, best first; places that overlap one that is better are left out. */
export const bestPlaces = (
  picture: Summed,
  { small: template, size }: Sized,
  [x0, y0, x1, y1]: readonly number[],
  { most, every }: { readonly most: number; readonly every: number },
): Place[] => {
  const best: Place[] = [];
  const [lastX, lastY] = [picture.width - template.width, picture.height - template.height];
  for (let y = Math.max(0, y0); y <= Math.min(lastY, y1); y += every)
    for (let x = Math.max(0, x0); x <= Math.min(lastX, x1); x += every) {
      const score = correlation(picture, template, x, y);
      if (score > 0 && (best.length < most || score > best[best.length - 1].score))
        put(best, { x, y, size, score }, template, most);
    }
  return best;
};

/** Puts a place among the best; of places that overlap the better one stays. */
const put = (best: Place[], place: Place, template: Small, most: number): void => {
  if (best.some((other) => other.score >= place.score && !isApart(other, place, template))) return;
  for (let i = best.length - 1; i >= 0; i -= 1) if (!isApart(best[i], place, template)) best.splice(i, 1);
  const at = best.findIndex(({ score }) => score < place.score);
  best.splice(at < 0 ? best.length : at, 0, place);
  if (best.length > most) best.length = most;
};

export const isApart = (a: Place, b: Place, { width, height }: Small): boolean =>
  Math.abs(a.x - b.x) > width / 2 || Math.abs(a.y - b.y) > height / 2;

/** The look in the size it has in a picture `wide` pixels wide, at a size against the remembered one. */
export const lookAt = ({ look, smallWide }: Look, wide: number, size: number): Sized | undefined => {
  const scale = (size * wide) / smallWide;
  const [width, height] = [Math.round(look.width * scale), Math.round(look.height * scale)];
  if (Math.min(width, height) < LEAST_SIDE) return undefined;
  const isSame = width === look.width && height === look.height;
  const small = templateOf(isSame ? look : resampled(look, width, height));
  return small && { small, size };
};

/** Where between pixels a score has its peak, from it and its two neighbours: -0.5 to 0.5. */
const peakOf = (before: number, here: number, after: number): number => {
  const bend = before - 2 * here + after;
  return bend < 0 ? Math.max(-0.5, Math.min(0.5, (before - after) / (2 * bend))) : 0;
};

/** A place to parts of a pixel. */
const between = (picture: Summed, { small }: Sized, place: Place): Place => {
  const { x, y, score } = place;
  const [lastX, lastY] = [picture.width - small.width, picture.height - small.height];
  const at = (u: number, v: number) => correlation(picture, small, u, v);
  const isInside = x > 0 && y > 0 && x < lastX && y < lastY;
  if (!isInside) return place;
  return {
    ...place,
    x: x + peakOf(at(x - 1, y), score, at(x + 1, y)),
    y: y + peakOf(at(x, y - 1), score, at(x, y + 1)),
  };
};

/** The best place near a coarse one, in the fine picture. */
export const closer = (mark: Look, large: Summed, step: number, coarse: Place, near = NEAR): Place[] => {
  const [u, v] = [Math.round(coarse.x * step), Math.round(coarse.y * step)];
  const places = [coarse.size / HALF_STEP, coarse.size, coarse.size * HALF_STEP].flatMap((size) => {
    const look = lookAt(mark, large.width, size);
    if (!look) return [];
    const window = [u - near, v - near, u + near, v + near];
    return bestPlaces(large, look, window, { most: 1, every: 1 }).map((place) => between(large, look, place));
  });
  return places.toSorted((a, b) => b.score - a.score).slice(0, 1);
};
