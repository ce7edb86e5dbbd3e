import { outputOf, type OutputId } from '#core/lut/outputs.ts';
import type { CompiledRecipe, LutRecipe } from '#core/lut/recipe.ts';
import type { Profile } from '#core/profile/index.ts';
import { reflectanceToStops } from '#core/units.ts';
import { TONE_LIMITS, TONE_PRESETS, type ToneScale } from '#core/lut/toneScale.ts';
import { toneOf } from '#ui/bench/session/lutWork.ts';
import type { LutBuild } from '#store/records/lut.ts';
import { words } from '#ui/wording/lutsBuild.ts';

export type ToneField = {
  readonly id: keyof ToneScale | 'saturation';
  readonly label: string;
  readonly says: string;
  readonly min: number;
  readonly max: number;
  readonly step: number;
  readonly value: number;
  readonly shown: string;
  readonly moved: boolean;
};

const percent = (v: number) => `${(100 * v).toFixed(0)} %`;
const signed = (v: number) => (v === 0 ? '0' : `${v > 0 ? '+' : '−'}${Math.abs(v).toFixed(2)}`);

/** Where diffuse white lands when nobody says: shown on the slider, not held. */
export type Lands = { readonly white: number };

type Row = Pick<ToneField, 'label' | 'says' | 'step'> & { readonly print: (v: number) => string };
const ROWS: { readonly [K in keyof Required<ToneScale>]: Row } = {
  grey: { label: words.greyOut, says: words.whereTheCardLands, step: 0.005, print: percent },
  white: {
    label: words.whiteOut,
    says: words.whereDiffuseWhiteLands,
    step: 0.005,
    print: percent,
  },
  contrast: {
    label: words.contrast,
    says: words.contrastOfTheLight,
    step: 0.01,
    print: (v) => v.toFixed(2),
  },
  toe: { label: words.toe, says: words.shadowsOpenedOrHeld, step: 0.02, print: signed },
  shoulder: {
    label: words.shoulder,
    says: words.howEarlyHighlightsBegin,
    step: 0.02,
    print: (v) => v.toFixed(2),
  },
};
const ORDER = Object.keys(ROWS) as (keyof ToneScale)[];

/** Where diffuse white lands, after the pull: signal of the output. */
export const whiteOut = (
  { pullStops }: LutRecipe,
  { neutral }: Pick<CompiledRecipe, 'neutral'>,
  { signalAt }: Profile,
): number => neutral(signalAt(pullStops + reflectanceToStops(1)));

const start = (id: keyof ToneScale, output: OutputId, lands: Lands): number => {
  if (id === 'grey') return outputOf(output).grey;
  return id === 'white' ? lands.white : 0;
};

/** The sliders of a tone scale, with where each stands. */
export const toneFields = (build: LutBuild, lands: Lands): ToneField[] => {
  const tone = toneOf(build);
  const preset: ToneScale = TONE_PRESETS[build.preset].tone;
  const tones = ORDER.map((id): ToneField => {
    const value = tone[id] ?? start(id, build.output, lands);
    const { print, ...row } = ROWS[id];
    return { id, ...row, ...TONE_LIMITS[id], value, shown: print(value), moved: tone[id] !== preset[id] };
  });
  return [
    ...tones,
    {
      id: 'saturation',
      label: words.saturation,
      says: words.strengthOfColourOn,
      min: 0,
      max: 2,
      step: 0.02,
      value: build.saturation,
      shown: build.saturation.toFixed(2),
      moved: build.saturation !== 1,
    },
  ];
};

/** The fields with one slider moved, or put back where it was. */
export const withTone = (build: LutBuild, id: ToneField['id'], value: number | undefined): LutBuild => {
  if (id === 'saturation') return { ...build, saturation: value ?? 1 };
  const { [id]: _old, ...others } = build.moved;
  return { ...build, moved: value === undefined ? others : { ...others, [id]: value } };
};
