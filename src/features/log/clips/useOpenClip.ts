'use client';

import { useRouter } from 'next/navigation';
import { useStore } from 'zustand';
import { useCardSurvey } from '#ui/bench/clips/useCardSurvey.ts';
import { useBench, useHrefTo, useSelection } from '#ui/bench/hooks.ts';

/** Opens a clip in Judge, as long as its file is known to this window. */
export const useOpenClip = () => {
  const survey = useCardSurvey();
  const files = useStore(survey, (state) => state.files);
  const { session } = useBench();
  const { camera, setup } = useSelection();
  const router = useRouter();
  const hrefTo = useHrefTo();
  return {
    canOpen: (id: string) => files.has(id),
    open: async (id: string): Promise<void> => {
      const file = files.get(id);
      if (!file) return;
      router.push(hrefTo('/judge'));
      await session.tray.add([file], { range: camera.coding.range, setupId: setup.id });
    },
  };
};
