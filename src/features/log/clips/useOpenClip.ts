'use client';

import { useRouter } from 'next/navigation';
import { useCardSurvey } from '#ui/bench/clips/useClips.ts';
import { useBench, useHrefTo, useSelection } from '#ui/bench/hooks.ts';

/** Opens a clip in Judge, as long as its file is known to this window. */
export const useOpenClip = () => {
  const survey = useCardSurvey();
  const { session } = useBench();
  const { camera, setup } = useSelection();
  const router = useRouter();
  const hrefTo = useHrefTo();
  return {
    canOpen: (id: string) => survey.fileOf(id) !== undefined,
    open: async (id: string): Promise<void> => {
      const file = survey.fileOf(id);
      if (!file) return;
      router.push(hrefTo('/judge'));
      await session.tray.add([file], { range: camera.coding.range, setupId: setup.id });
    },
  };
};
