/** Frames that are looked at when a whole clip is judged. */
const LOOKS = 48;

/** Frames spread evenly over a clip, its first and last among them. */
export const framesToLookAt = (frames: number, looks = LOOKS): number[] => {
  const n = Math.min(frames, looks);
  return Array.from({ length: n }, (_, i) => (n === 1 ? 0 : Math.round((i * (frames - 1)) / (n - 1))));
};

const pad = (n: number) => String(n).padStart(2, '0');

/** `0:07.32`: minutes, seconds and hundredths. */
export const printTime = (seconds: number): string => {
  const s = Math.max(0, seconds);
  return `${Math.floor(s / 60)}:${pad(Math.floor(s % 60))}.${pad(Math.floor((s * 100) % 100))}`;
};
