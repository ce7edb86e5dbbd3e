import type { Frame } from '#core/frame/frame.ts';
import type { SceneTruth } from '#core/scene/truth.ts';
import type { Patch } from '#core/scopes/measure.ts';
import type { StageSceneId } from '#store/demo/scenes.ts';
import type { Automatics, Knobs } from './stageModel.ts';

// What a scene begins with. Apart from the camera's own working, which nobody needs before a scene stands.

/** Everything set by hand. */
export const PLAIN_AUTOMATICS: Automatics = {
  iris: false,
  iso: false,
  balance: false,
  mode: 'whole',
  spot: [0.5, 0.5],
};

/** How a scene was first found, where it differs from the card: the demo has something to judge. */
export const FIRST_LOOK: Partial<Record<StageSceneId, Partial<Knobs>>> = {
  'bench-interview': { iris: 5 },
};

/** Card and faces of a scene as marks on its picture; of faces those of people who are in the set-up. */
export const patchesOfTruth = (
  { objects }: SceneTruth,
  { width, height }: Pick<Frame, 'width' | 'height'>,
  people: readonly string[],
): Patch[] =>
  objects
    .filter(
      ({ kind, subjectId }) =>
        kind === 'card' || (kind === 'skin' && subjectId !== undefined && people.includes(subjectId)),
    )
    .toSorted((a, b) => Number(b.kind === 'card') - Number(a.kind === 'card'))
    .map(({ kind, subjectId, rect }) => ({
      id: kind === 'card' ? 'card' : `skin-${subjectId}`,
      kind: kind === 'card' ? 'card' : 'skin',
      subjectId: kind === 'skin' ? subjectId : undefined,
      rect: {
        x: Math.round(rect.x * width),
        y: Math.round(rect.y * height),
        width: Math.max(2, Math.round(rect.width * width)),
        height: Math.max(2, Math.round(rect.height * height)),
      },
    }));
