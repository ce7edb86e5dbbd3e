/** Something that redraws itself when a new picture is on the bench. */
export type Redraw = () => Promise<void>;

/**
 * Tells those who draw that a new picture is there, without the page being drawn anew: a live picture comes twenty-five
 * times a second.
 */
export const createPulse = () => {
  const listeners = new Set<Redraw>();
  return {
    /** @returns a function that ends it. */
    listen: (redraw: Redraw): (() => void) => {
      listeners.add(redraw);
      return () => listeners.delete(redraw);
    },
    /** Resolves when everyone has drawn, or given up. */
    beat: async (): Promise<void> => {
      await Promise.allSettled([...listeners].map((redraw) => redraw()));
    },
  };
};

export type Pulse = ReturnType<typeof createPulse>;
