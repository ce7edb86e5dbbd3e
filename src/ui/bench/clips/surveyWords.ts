import { MOST_CLIPS } from '#store/clips.ts';

const counted = (n: number, word: string) => `${n} ${word}${n === 1 ? '' : 's'}`;

/** What became of the files that were chosen; undefined where all of them are looked at. */
export const takenWords = (n: {
  readonly others: number;
  readonly there: number;
  readonly over: number;
  readonly wanted: number;
}): string | undefined => {
  const parts = [
    ...(n.there > 0 ? [`${counted(n.there, 'clip')} known already`] : []),
    ...(n.others > 0 ? [`${counted(n.others, 'other file')} left out`] : []),
    ...(n.over > 0 ? [`${counted(n.over, 'clip')} over the ${MOST_CLIPS} of a shoot left out`] : []),
    ...(n.wanted + n.there + n.others + n.over === 0 ? ['No file was chosen'] : []),
  ];
  return parts.length > 0 ? `${parts.join(', ')}.` : undefined;
};
