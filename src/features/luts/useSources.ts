'use client';

import { useEffect, useMemo, useState } from 'react';
import { compileGreyAxis } from '#core/lut/greyAxis.ts';
import type { Through } from '#workers/judge/protocol.ts';
import { useBench } from '#ui/bench/BenchProvider.tsx';
import type { LutWork } from '#ui/bench/lutWork.ts';
import { chainSource } from './combine/combineModel.ts';
import { useAsked } from '#ui/bench/useAsked.ts';
import { axisOf, sourceChoices, sourceOf, type LutSource } from './lutModel.ts';

/** What is at hand on this screen, and the way to change it. */
export const useWork = () => {
  const { bench, session } = useBench();
  return [bench.lutWork, (fields: Partial<LutWork>) => session.setLutWork(fields)] as const;
};

/** Everything that a LUT is found by. */
export const usePlace = () => {
  const { bench, records, selection } = useBench();
  const { lutWork: work, opened } = bench;
  const kit = records.luts;
  return useMemo(() => ({ selection, work, kit, opened }), [selection, work, kit, opened]);
};

/** A LUT by its id, once its file is on the workers; undefined until then, or when it is none. */
export const useSource = (id: string): LutSource | undefined => {
  const place = usePlace();
  const { luts, session } = useBench();
  const source = useMemo(() => (id === 'chain' ? chainSource(place) : sourceOf(place, id)), [place, id]);
  // A chain may hold files of the kit too.
  const [ready, setReady] = useState<ReadonlySet<string>>(new Set());
  const { chain } = place.work;
  const files = useMemo(
    () =>
      (id === 'chain' ? [chain.conversion, chain.look] : [id.split(':')[0]]).flatMap((one) => {
        const record = place.kit.get(one);
        return record && !record.recipe ? [record] : [];
      }),
    [id, chain.conversion, chain.look, place.kit],
  );
  useEffect(() => {
    let stale = false;
    for (const record of files)
      void luts.bring(record).then((brought) => {
        if (stale) return;
        if (brought.ok) setReady((known) => new Set([...known, record.id]));
        else session.say(record.name, brought);
      });
    return () => {
      stale = true;
    };
  }, [files, luts, session]);
  return files.every((record) => ready.has(record.id)) ? source : undefined;
};

export const useChoices = () => {
  const place = usePlace();
  return useMemo(() => sourceChoices(place), [place]);
};

/** What the picture goes through. */
export const throughOf = (source: LutSource | undefined): Through | undefined =>
  source && { wish: source.wish, output: source.output };

/** What a LUT makes of neutrals: at once where it is computed, from the worker where it is a file. */
export const useNeutral = (source: LutSource | undefined): ((signal: number) => number) | undefined => {
  const { luts } = useBench();
  const wish = source?.wish;
  const recipe = wish?.kind === 'recipe' ? wish.recipe : undefined;
  const own = useMemo(() => recipe && axisOf(recipe), [recipe]);
  const { answer, old } = useAsked(wish && !recipe ? JSON.stringify(wish) : undefined, async () => {
    if (!wish) return { state: 'cancelled' };
    return luts.client().call('axis', { wish });
  });
  const axis = own ?? (old ? undefined : answer);
  return useMemo(() => axis && compileGreyAxis(axis), [axis]);
};
