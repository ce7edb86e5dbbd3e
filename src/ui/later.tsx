'use client';

import { useEffect, useState, type ComponentType } from 'react';

/**
 * A component whose script is fetched when it is first drawn: until then its own place is empty, and what stands
 * around it stays as it is. (What suspends without a boundary of its own hides the whole page for a third of a
 * second and takes the focus; with one, React holds back what came for as long.)
 *
 * @param load Called again after it failed, when the component is drawn anew; what it throws is thrown to the
 *   nearest error boundary.
 * @returns The component, with `fetch` to have its script there before it is needed.
 */
export const later = <Props extends object>(load: () => Promise<ComponentType<Props>>) => {
  let part: ComponentType<Props> | undefined;
  let coming: Promise<void> | undefined;
  const fetch = (): Promise<void> => {
    coming ??= load().then(
      (found) => {
        part = found;
      },
      (error: unknown) => {
        coming = undefined;
        throw error;
      },
    );
    return coming;
  };

  const Later = (props: Props) => {
    const [Part, setPart] = useState(() => part);
    const [failed, setFailed] = useState<{ readonly error: unknown }>();
    useEffect(() => {
      if (Part) return undefined;
      let gone = false;
      fetch().then(
        () => gone || setPart(() => part),
        (error: unknown) => gone || setFailed({ error }),
      );
      return () => {
        gone = true;
      };
    }, [Part]);
    if (failed) throw failed.error;
    return Part ? <Part {...props} /> : null;
  };
  return Object.assign(Later, { fetch });
};
