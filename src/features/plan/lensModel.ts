import { F_NUMBERS } from '#core/exposure/aperture.ts';
import { depthAnswer, type DepthAnswer, type LensUse } from '#core/lens/depthWishes.ts';
import type { CameraRecord } from '#store/records/camera.ts';
import { imagerOf, lensUseOf } from '#store/records/lens.ts';
import type { PlanRecord } from '#store/records/plan.ts';

/** Where a lens starts from while nobody has said: our own choice. */
export const USUAL_LENS: LensUse = { focal: 35, distance: 2, wish: 'none', confusion: 'seen' };

/** Irises of a camera's lens, by its marks. */
const lensIrises = ({ fixedIris, irises }: CameraRecord): readonly number[] =>
  fixedIris !== undefined ? [fixedIris] : irises.length > 0 ? irises : F_NUMBERS;

/** The depth of every iris; undefined where the sensor was not described. */
export const depthOf = (
  camera: CameraRecord,
  plan: Pick<PlanRecord, 'lens'>,
): { readonly use: LensUse; readonly answer: DepthAnswer } | undefined => {
  const imager = imagerOf(camera);
  const use = lensUseOf(plan) ?? USUAL_LENS;
  return imager && { use, answer: depthAnswer(use, lensIrises(camera), imager) };
};

/** Irises that the wish of depth leaves to the solver; undefined where nothing is wished, or none gives it. */
export const depthIrises = ({
  camera,
  plan,
}: {
  readonly camera: CameraRecord;
  readonly plan: PlanRecord;
}): readonly number[] | undefined => {
  const found = depthOf(camera, plan);
  return found && found.use.wish !== 'none' && found.answer.irises.length > 0
    ? found.answer.irises
    : undefined;
};
