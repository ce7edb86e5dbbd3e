import type { ClipRecord } from '#store/records/clip.ts';
import type { TakeFacts } from '#store/takeFacts.ts';

/**
 * Takes of a clip's camera, those that were logged nearest to it first.
 * @param offset Camera's clock less ours, seconds
 */
export const takesNear = (
  { facts, file }: Pick<ClipRecord, 'facts' | 'file'>,
  takes: readonly TakeFacts[],
  { camera, offset, most }: { readonly camera: string; readonly offset: number; readonly most: number },
): readonly TakeFacts[] => {
  const start = Date.parse(facts?.startedAt ?? file.writtenAt) - 1000 * offset;
  const away = ({ loggedAt }: TakeFacts) => Math.abs(Date.parse(loggedAt) - start);
  return takes
    .filter((one) => one.camera === camera)
    .toSorted((a, b) => away(a) - away(b))
    .slice(0, most);
};
