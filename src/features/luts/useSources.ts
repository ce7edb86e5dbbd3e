'use client';

import { useMemo } from 'react';
import { compileGreyAxis } from '#core/lut/greyAxis.ts';
import type { Through } from '#workers/judge/protocol.ts';
import { useBench, useRecords, useSelection, useSession } from '#ui/bench/hooks.ts';
import { buildFor } from '#ui/bench/session/lutWork.ts';
import { useAnswer } from '#ui/bench/useAnswer.ts';
import { useBrought } from '#ui/bench/useThrough.ts';
import { chainSource } from './combine/combineModel.ts';
import { type LutSource } from '#ui/luts/lutSource.ts';
import { axisOf, sourceChoices, sourceOf, type LutContext, type Work } from './lutModel.ts';

/** What is at hand on this screen, the LUT being built among it. */
const useWork = (): Work => {
  const { plan } = useSelection();
  const { lutWork, movingBuild } = useSession((state) => ({
    lutWork: state.lutWork,
    movingBuild: state.movingBuild,
  }));
  return useMemo(() => ({ ...lutWork, build: buildFor(plan, movingBuild) }), [lutWork, plan, movingBuild]);
};

/** Everything that a LUT is found by. */
export const usePlace = (): LutContext => {
  const selection = useSelection();
  const kit = useRecords(({ luts }) => luts);
  const opened = useSession((state) => state.openedLut);
  const work = useWork();
  return useMemo(() => ({ selection, work, kit, opened }), [selection, work, kit, opened]);
};

/** A LUT by its id, once its file is on the workers; undefined until then, or when it is none. */
export const useSource = (id: string): LutSource | undefined => {
  const place = usePlace();
  const source = useMemo(() => (id === 'chain' ? chainSource(place) : sourceOf(place, id)), [place, id]);
  // A chain may hold files of the kit too.
  const { chain } = place.work;
  const named = id === 'chain' ? [chain.conversion, chain.look] : [id.split(':')[0]];
  const { ready } = useBrought(named.flatMap((one) => place.kit.get(one) ?? []));
  return ready ? source : undefined;
};

export const useChoices = () => {
  const place = usePlace();
  return useMemo(() => sourceChoices(place), [place]);
};

/** What the picture goes through. */
export const throughOf = (source: LutSource | undefined): Through | undefined =>
  source && { spec: source.spec, output: source.output };

/** What a LUT makes of neutrals: at once where it is computed, from the worker where it is a file. */
export const useNeutral = (source: LutSource | undefined): ((signal: number) => number) | undefined => {
  const { luts } = useBench();
  const spec = source?.spec;
  const recipe = spec?.kind === 'recipe' ? spec.recipe : undefined;
  const own = useMemo(() => recipe && axisOf(recipe), [recipe]);
  const { answer, old } = useAnswer({
    key: recipe ? undefined : spec,
    ask: async (signal) => (spec ? luts.axis({ spec }, { signal }) : { state: 'cancelled' }),
  });
  const axis = own ?? (old ? undefined : answer);
  return useMemo(() => axis && compileGreyAxis(axis), [axis]);
};
