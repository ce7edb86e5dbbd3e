import { whiteXy, type Temperature } from '../colour/temperature.ts';
import { xyToXyz } from '../colour/chromaticity.ts';
import { gamutOf, rgbToXyz } from '../colour/gamut.ts';
import { apply, invert, type Triple } from '../maths/matrix.ts';
import { lightToCode, luminance } from './light.ts';
import type { Scene } from './scene.ts';
import type { TruthObject } from './truth.ts';

/** One reading of a survey as a field of light; luminance in cd/m2. */
export type LightField = {
  readonly name: string;
  readonly kind: 'card' | 'skin' | 'light' | 'thing';
  readonly luminance: number;
  readonly subjectId?: string;
};

/** A light as it was read: its fields, the card's luminance in cd/m2, and the colour of the light. */
export type LightOfSpots = {
  readonly fields: readonly LightField[];
  readonly card: number;
  readonly light: Temperature;
};

const SIZE = { width: 960, height: 540 } as const;
/** What stands behind the fields, stops under the card: a plain grey wall. */
const WALL_STOPS = -1;
/** Share of its cell that a field takes, across and down. */
const FIELD = { width: 0.7, height: 0.74 } as const;
/** Skin against a grey as bright, linear BT.2020: the mean of the two faces of the rendered scenes. */
export const SKIN_HUE: Triple = [1.27, 0.925, 0.667];

const scaled = (rgb: Triple, to: number): Triple => {
  const share = to / luminance(...rgb);
  return [rgb[0] * share, rgb[1] * share, rgb[2] * share];
};

/** Rows that make cells about as high as they are wide, on a picture of 16:9. */
const rowsFor = (count: number): number => Math.max(1, Math.round(Math.sqrt((count * 9) / 16)));

/** Whether a place in a field, both ways -1..1, belongs to it: faces and lamps are round. */
const isInside = (kind: LightField['kind'], u: number, v: number): boolean =>
  kind === 'skin' || kind === 'light' ? u * u + v * v <= 1 : Math.abs(u) <= 1 && Math.abs(v) <= 1;

/**
 * A scene out of nothing but readings: one even field for each, dark to bright, before a grey wall one stop under
 * the card. Every field has the luminance that was read, within the step of the scene's code (0.1 %).
 */
export const sceneOfSpots = ({ fields, card, light }: LightOfSpots): Scene => {
  const { width, height } = SIZE;
  const gamut = gamutOf('bt2020');
  const white = apply(invert(rgbToXyz(gamut)), xyToXyz(whiteXy(light)));
  const colourOf = ({ kind, luminance: level }: Pick<LightField, 'kind' | 'luminance'>): Triple =>
    scaled(
      kind === 'skin' ? [white[0] * SKIN_HUE[0], white[1] * SKIN_HUE[1], white[2] * SKIN_HUE[2]] : white,
      level,
    );
  const codesOf = (rgb: Triple) => rgb.map((part) => lightToCode(part, card)) as unknown as Triple;

  const sorted = fields.toSorted((a, b) => a.luminance - b.luminance);
  const rows = rowsFor(sorted.length);
  const columns = Math.ceil(sorted.length / rows);
  const [cellWidth, cellHeight] = [width / columns, height / rows];
  /** Middle of a field's cell; a row that is not full stands in the middle. */
  const middleOf = (n: number): readonly [number, number] => {
    const row = Math.floor(n / columns);
    const left = columns - Math.min(columns, sorted.length - row * columns);
    return [((n % columns) + left / 2 + 0.5) * cellWidth, (row + 0.5) * cellHeight];
  };
  const layer = new Uint16Array(3 * width * height);
  const mask = new Uint8Array(width * height);
  const wall = codesOf(colourOf({ kind: 'thing', luminance: card * 2 ** WALL_STOPS }));
  for (let i = 0; i < mask.length; i += 1) layer.set(wall, 3 * i);

  const objects = sorted.map((field, n): TruthObject => {
    const middle = middleOf(n);
    const side = Math.min(cellWidth * FIELD.width, cellHeight * FIELD.height) / 2;
    const [across, down] =
      field.kind === 'thing'
        ? [(cellWidth * FIELD.width) / 2, (cellHeight * FIELD.height) / 2]
        : [field.kind === 'skin' ? side * 0.8 : side, side];
    const rgb = colourOf(field);
    const codes = codesOf(rgb);
    let pixels = 0;
    for (let y = Math.floor(middle[1] - down); y <= middle[1] + down; y += 1)
      for (let x = Math.floor(middle[0] - across); x <= middle[0] + across; x += 1) {
        const inside = isInside(field.kind, (x + 0.5 - middle[0]) / across, (y + 0.5 - middle[1]) / down);
        if (!inside || x < 0 || y < 0 || x >= width || y >= height) continue;
        mask[y * width + x] = n + 1;
        layer.set(codes, 3 * (y * width + x));
        pixels += 1;
      }
    return {
      mask: n + 1,
      name: field.name,
      kind: field.kind,
      ...(field.subjectId === undefined ? {} : { subjectId: field.subjectId }),
      light: rgb,
      luminance: field.luminance,
      keyLuminance: field.luminance,
      ...(field.kind === 'light' ? {} : { illuminant: light }),
      pixels,
      // Half the field about its middle: nothing of its edge.
      rect: {
        x: (middle[0] - across / 2) / width,
        y: (middle[1] - down / 2) / height,
        width: across / width,
        height: down / height,
      },
    };
  });
  return { truth: { id: 'of-spots', width, height, card, layers: ['all'], objects }, layers: [layer], mask };
};
