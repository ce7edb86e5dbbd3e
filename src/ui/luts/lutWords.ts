import { gamutOf, UNKNOWN_GAMUT } from '#core/colour/gamut.ts';
import type { LutWords } from '#core/formats/writeLut.ts';
import { CUBE_SCALES, type CubeScale } from '#core/lut/cubeScale.ts';
import { outputOf } from '#core/lut/outputs.ts';
import type { LutRecipe } from '#core/lut/recipe.ts';
import { doubtSays, type UncertaintyBand } from '#core/profile/index.ts';
import type { Coding } from '#core/signal/scale.ts';
import { printStops } from '#core/units.ts';
import type { Selection } from '#store/selection.ts';
import { slug } from '../download.ts';

/** Words of a file: profile, pull, gamut, range, tone, set-up. */
export const wordsFor = (
  name: string,
  {
    selection,
    input,
    output,
    scale,
    coding,
    notes,
  }: {
    readonly selection: Selection;
    readonly input: string;
    readonly output: string;
    readonly scale: CubeScale;
    readonly coding: Coding;
    readonly notes: readonly string[];
  },
): LutWords => ({
  id: slug(name),
  title: plain(name),
  comments: [
    ...notes,
    `Set-up ${selection.setup.name}, ${selection.camera.name}, ${coding.bitDepth}-bit ${coding.range}`,
    `Scale: ${CUBE_SCALES[scale].says}`,
  ].map(plain),
  input: plain(input),
  output: plain(output),
});

/** Files keep to ASCII where programs may not read more. */
const plain = (text: string) =>
  text
    .replaceAll('−', '-')
    .replaceAll('²', '2')
    .replaceAll('’', "'")
    .replaceAll('±', '+/-')
    .replaceAll(' ', ' ');

const tenths = (v: number) => (100 * v).toFixed(1);

const gamutLine = ({ profile: { gamut } }: LutRecipe, name: string, to: string): string =>
  gamut === UNKNOWN_GAMUT
    ? `Profile ${name}, gamut unknown: neutrals are exact, colours are the camera's own, no matrix to ${to}`
    : `Profile ${name}, gamut ${gamutOf(gamut).name} to ${to}`;

/** Lines that say what a recipe does. */
export const recipeNotes = (recipe: LutRecipe, profileName: string, band?: UncertaintyBand): string[] => {
  const { tone, saturation, pullStops } = recipe;
  const doubt = doubtSays(band);
  const { name, primaries, grey } = outputOf(recipe.output);
  const baked = `${(-pullStops).toFixed(3)} stops baked in (${printStops(-pullStops)})`;
  const peak = recipe.output === 'pq' ? `, peak ${recipe.peak} cd/m2` : '';
  const white = tone.white === undefined ? '' : `, white at ${tenths(tone.white)} %`;
  const curve = `contrast ${tone.contrast}, toe ${tone.toe}, shoulder ${tone.shoulder}${white}`;
  return [
    ...(doubt === undefined ? [] : [`Profile ${profileName}: ${doubt}`]),
    gamutLine(recipe, profileName, gamutOf(primaries).name),
    ...(recipe.gamutMap
      ? [
          `Colours outside: towards grey from ${recipe.gamutMap.from.toFixed(2)} of the edge, lightness and hue kept`,
        ]
      : []),
    ...(recipe.match
      ? ['Match: what brings this camera to the hero camera in its light is done before the pull']
      : []),
    `Pull: ${pullStops === 0 ? 'not baked in' : baked}`,
    `Output ${name}${peak}, grey at ${tenths(tone.grey ?? grey)} %`,
    `Tone: ${curve}; saturation ${saturation}`,
  ];
};

/** A pull in a file's name: `pull -1 1/3`, `no pull`. */
export const pullInFile = (stops: number): string =>
  stops === 0 ? 'no pull' : `pull ${printStops(-stops).replace('\u2212', '-')}`;
