import type { LightOfSpots } from '#core/scene/ofSpots.ts';
import { isoStanding } from '#core/exposure/iso.ts';
import { luminanceFor } from '#core/exposure/meter.ts';
import { failure, type Result } from '#core/result.ts';
import { surveyOf, type Survey } from '#core/exposure/survey.ts';
import { OF_SPOTS, sceneFits, standingOf, type StandingId } from '#store/demo/scenes.ts';
import type { BookRecords } from '#store/book.ts';
import type { Selection } from '#store/selection.ts';
import { setupLight } from '../bench/benchModel.ts';
import { FIRST_LOOK } from './stageStart.ts';
import { knobsOfCard, settingsOfKnobs, type Knobs } from './stageModel.ts';
import { words } from '#ui/wording/stage.ts';

/** What stands before the simulated camera, and for whom. */
export type Standing = {
  readonly id: StandingId;
  readonly setupId: string;
  /** People of the set-up: a scene's faces are marked where they are theirs. */
  readonly people: readonly string[];
  /** The light that was read, where the scene is made of it. */
  readonly light?: LightOfSpots;
};

type Surveyed = Pick<Selection, 'setup' | 'subjects'>;

/** The survey that a scene can be made of. */
const surveyed = ({ setup, subjects }: Surveyed): Result<Survey> =>
  setup.spots.length === 0
    ? failure('spots', 'Read a spot in Plan first.')
    : surveyOf(setup.spots, subjects, { k: setup.meterK, c: setup.meterC });

/** Why no scene can be made of the survey; undefined where one can. */
export const whyNoSpots = (selection: Surveyed): string | undefined => {
  const survey = surveyed(selection);
  return survey.ok ? undefined : survey.reason;
};

/** Luminance at which the card's settings put a grey card where it is planned, cd/m2. */
const cardAsPlanned = (selection: Selection, records: BookRecords): number | undefined => {
  const settings = settingsOfKnobs(selection, knobsOfCard(selection), records);
  if (!settings) return undefined;
  const { baseIsos, sensitivity } = selection.camera;
  // An exposure index is the placement already: the sensor exposes at its base.
  const iso = sensitivity === 'ei' ? isoStanding(settings.iso, baseIsos, sensitivity).base : settings.iso;
  return luminanceFor({ ...settings, iso }, selection.plan.placement);
};

const KIND_OF_ROLE = { card: 'card', skin: 'skin', light: 'light', keep: 'thing', mayLose: 'thing' } as const;

/** The survey's readings as fields of light; a card is added where none was read. */
const lightOf = (selection: Selection, survey: Survey, records: BookRecords): LightOfSpots | undefined => {
  // Read in stops alone, the light lies where the settings of the card want it.
  const card = survey.grey ?? cardAsPlanned(selection, records);
  if (card === undefined) return undefined;
  const fields = survey.spots.map(({ spot: { name, role, subjectId }, stops }) => ({
    name,
    kind: KIND_OF_ROLE[role],
    luminance: card * 2 ** stops,
    ...(role === 'skin' && subjectId !== undefined ? { subjectId } : {}),
  }));
  const hasCard = fields.some(({ kind }) => kind === 'card');
  return {
    card,
    light: setupLight(selection, records),
    fields: hasCard ? fields : [...fields, { name: words.greyCard, kind: 'card', luminance: card }],
  };
};

/** The light of a set-up as it was read; undefined where nothing was, or nothing that makes a scene. */
export const surveyedLight = (selection: Selection, records: BookRecords): LightOfSpots | undefined => {
  const survey = surveyed(selection);
  return survey.ok ? lightOf(selection, survey.value, records) : undefined;
};

/** What the set-up's camera stands before; undefined where nothing is chosen, or the survey makes no scene. */
export const standingOfSelection = (selection: Selection, records: BookRecords): Standing | undefined => {
  const { setup, camera } = selection;
  const id = standingOf(setup, camera.id);
  if (!id) return undefined;
  const whose = { id, setupId: setup.id, people: setup.subjectIds };
  if (id !== OF_SPOTS) return whose;
  const light = surveyedLight(selection, records);
  return light && { ...whose, light };
};

/** Knobs a scene is first found with: the demo's own scene has something to judge, any other stands as the card. */
export const firstLook = (
  { setup, camera }: Pick<Selection, 'setup' | 'camera'>,
  id: StandingId,
): Partial<Knobs> => (id !== OF_SPOTS && sceneFits(id, setup.id, camera.id) ? (FIRST_LOOK[id] ?? {}) : {});
