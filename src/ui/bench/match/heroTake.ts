import { compileProfile } from '#core/profile/index.ts';
import type { Triple } from '#core/maths/matrix.ts';
import { codeToSignal } from '#core/signal/scale.ts';
import type { ClipFound, ClipRecord } from '#store/records/clip.ts';
import type { TakeRecord } from '#store/records/take.ts';
import type { ClipLine } from '../clips/clipLines.ts';

type Named = { readonly id: string; readonly name: string };
type MarkLight = NonNullable<ClipFound['lights']>[number];

/** Marks of a take as a survey would give them: their mean codes as light, unsure by half a code. */
const lightsOf = ({ card, measured }: TakeRecord, subjects: readonly Named[]): readonly MarkLight[] => {
  const { transfer } = compileProfile(card.profile);
  const lightOf = (code: number) => transfer.decode(codeToSignal(code, card.coding));
  return (measured?.patches ?? []).map(({ name, kind, r, g, b }) => ({
    // Marks of people are called by who they are on.
    name: kind === 'skin' ? `skin-${subjects.find((one) => one.name === name)?.id ?? name}` : kind,
    kind,
    light: [r, g, b].map(lightOf) as unknown as Triple,
    error: [r, g, b].map((code) => Math.abs(lightOf(code + 0.5) - lightOf(code))) as unknown as Triple,
    clipped: 0,
    underFloor: 0,
  }));
};

/** Stops over grey where half of the picture lies: bins of half a stop from -10 up. */
const middleOf = (distribution: readonly number[]): number => {
  let sum = 0;
  const at = distribution.findIndex((share) => (sum += share) >= 0.5);
  return at < 0 ? 0 : -10 + at / 2 + 0.25;
};

/** A take without a clip as the hero of its set-up: what was marked on its picture; undefined where nothing was. */
export const lineOfHeroTake = (take: TakeRecord, subjects: readonly Named[]): ClipLine | undefined => {
  const { measured, card } = take;
  if (!measured?.patches?.length) return undefined;
  const meanStops = middleOf(measured.distribution);
  const { cardStops, clippedAll, clippedSome, underFloor, distribution } = measured;
  const clip: ClipRecord = {
    id: take.id,
    shootId: take.shootId,
    cameraId: take.cameraId,
    file: { name: measured.file, bytes: 0, writtenAt: take.loggedAt },
    state: 'surveyed',
    circled: take.circled,
    notes: '',
    pictures: 0,
    found: {
      samples: [{ frame: 0, at: 0, meanStops, clippedAll }],
      distribution: [...distribution],
      meanStops,
      ...(cardStops === undefined ? {} : { cardStops }),
      clippedAll,
      clippedSome,
      underFloor,
      driftStops: 0,
      lights: [...lightsOf(take, subjects)],
      tones: [],
    },
  };
  return {
    clip,
    setup: card.setupName,
    camera: card.cameraName,
    day: take.loggedAt.slice(0, 10),
    planned: card.placement,
    ...(measured.cardOffset === undefined
      ? {}
      : { off: { stops: measured.cardOffset, by: 'card' as const } }),
    isHero: true,
    unusual: 0,
    state: 'fine',
  };
};
