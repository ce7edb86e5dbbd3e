import { compileProfile } from '#core/profile/index.ts';
import type { SetCardNumbers } from '#core/exposure/setCard.ts';
import type { CubeScale } from '#core/lut/cubeScale.ts';
import { fittedBands, type MarkBand, type Marks } from '#core/lut/marks.ts';
import { plannedBands, stopBands } from '#core/scopes/markBands.ts';
import { printStopsDecimal } from '#core/units.ts';
import type { Selection } from '#store/selection.ts';
import { bareProfile, cardRecipe, PLAIN, type LutSource } from '#ui/luts/lutSource.ts';
import { words } from '#ui/wording/lutsSet.ts';

/** What a LUT for the set shows. A further one is a row. */
export const SHOWS = {
  bands: {
    name: words.bands,
    says: words.plannedSays,
    marks: (selection, numbers): Omit<Marks, 'profile'> => ({
      bands: plannedBands({
        placement: selection.plan.placement,
        faces: numbers.skin.map(({ subject, stops }) => ({ name: subject.name, stops })),
        clipStops: numbers.clipStops,
        floorStops: numbers.floorStops,
      }),
      picture: cardRecipe(selection),
    }),
  },
  stops: {
    name: words.stops,
    says: words.everyStopSays,
    marks: (_selection, numbers): Omit<Marks, 'profile'> => ({ bands: stopBands(numbers.clipStops) }),
  },
} as const satisfies Record<
  string,
  {
    readonly name: string;
    readonly says: string;
    readonly marks: (selection: Selection, numbers: SetCardNumbers) => Omit<Marks, 'profile'>;
  }
>;
export type ShowId = keyof typeof SHOWS;
export const SHOW_IDS = Object.keys(SHOWS) as ShowId[];

/** The bands of a set-up, on its profile as it clips at this ISO. */
export const marksOf = (show: ShowId, selection: Selection, numbers: SetCardNumbers): Marks => ({
  profile: { ...bareProfile(selection.profile.data), clipStops: numbers.clipStops },
  ...SHOWS[show].marks(selection, numbers),
});

/** As a LUT of so many points shows it, to be looked at or written. */
export const markSource = (
  name: string,
  marks: Marks,
  {
    size,
    scale,
    selection,
  }: { readonly size: number; readonly scale: CubeScale; readonly selection: Selection },
): LutSource => ({
  ...PLAIN,
  id: 'set',
  name,
  output: 'bt1886',
  spec: {
    kind: 'chain',
    steps: [{ kind: 'marks', marks: fittedBands(marks, size, scale, selection.camera.coding) }],
  },
});

/** Where a band lies, stops over grey: `+0.83 to +1.17`, `from +5.98`, `under −6.00`. */
export const rangeOf = ({ from, to }: MarkBand): string => {
  const print = (stops: number) => printStopsDecimal(stops, 2);
  if (from === undefined) return `under ${print(to ?? 0)}`;
  return to === undefined ? `from ${print(from)}` : `${print(from)} to ${print(to)}`;
};

/** Lines in the file: what each colour means, and by what it is judged. */
export const markNotes = (marks: Marks, profileName: string): string[] => [
  `Profile ${profileName}, clip ${printStopsDecimal(marks.profile.clipStops)} stops over grey`,
  ...marks.bands.map((band) => {
    const [r, g, b] = band.colour.map((v) => Math.round(255 * v));
    return `${band.name}: ${rangeOf(band)} stops, colour ${r} ${g} ${b}${band.anyChannel ? ', any channel' : ''}`;
  }),
  'Bands are judged on luma (BT.709 weights on the recorded signal): exact for neutrals, near for colours',
];

export const cssOf = (colour: MarkBand['colour']): string =>
  `rgb(${colour.map((v) => Math.round(255 * v)).join(' ')})`;

/** % of signal that a band begins and ends at, for who checks it on a waveform. */
export const percentOf = (marks: Marks, stops: number | undefined): string =>
  stops === undefined ? '' : `${(100 * compileProfile(marks.profile).signalAt(stops)).toFixed(1)} %`;
