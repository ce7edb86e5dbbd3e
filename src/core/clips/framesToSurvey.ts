const [LEAST, MOST] = [5, 48] as const;

/**
 * Frames of a clip to look at, from 0, rising: 5 for the shortest, 48 from eight minutes on; each stands for an equal
 * part of the clip. A clip of fewer frames is looked at whole.
 */
export const framesToSurvey = (frames: number, seconds: number): readonly number[] => {
  const wanted = Math.round(LEAST - 1 + 2 * Math.sqrt(Math.max(0, seconds)));
  const count = Math.min(frames, MOST, Math.max(LEAST, wanted));
  return Array.from({ length: count }, (_, n) => Math.floor(((n + 0.5) * frames) / count));
};
