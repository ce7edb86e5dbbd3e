/** Something that redraws itself when a new picture is on the bench. */
export type Redraw = () => Promise<void>;

/**
 * Tells those who draw that a new picture is there, without the page being drawn anew: a live picture comes twenty-five
 * times a second.
 */
export const createPulse = () => {
  const listeners = { picture: new Set<Redraw>(), rest: new Set<Redraw>() };
  const ask = (part: keyof typeof listeners) =>
    Promise.allSettled([...listeners[part]].map((redraw) => redraw()));
  return {
    /**
     * The picture itself asks before scopes and numbers: it must not wait for them.
     * @returns a function that ends it.
     */
    listen: (redraw: Redraw, part: keyof typeof listeners = 'rest'): (() => void) => {
      listeners[part].add(redraw);
      return () => listeners[part].delete(redraw);
    },
    /** Resolves when everyone has drawn, or given up; `pictureDrawn` is called as soon as the picture has. */
    beat: async (pictureDrawn?: () => void): Promise<void> => {
      const picture = ask('picture').then(pictureDrawn);
      await Promise.all([picture, ask('rest')]);
    },
  };
};

export type Pulse = ReturnType<typeof createPulse>;
