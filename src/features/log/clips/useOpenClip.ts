'use client';

import { useRouter } from 'next/navigation';
import { useStore } from 'zustand';
import type { ClipRecord } from '#store/records/clip.ts';
import { useCardSurvey } from '#ui/bench/clips/useCardSurvey.ts';
import { useBench, useHrefTo, useRecords, useSelection } from '#ui/bench/hooks.ts';

/** Opens a clip in Judge before its own camera, as long as its file is known to this window. */
export const useOpenClip = () => {
  const files = useStore(useCardSurvey(), (state) => state.files);
  const { session } = useBench();
  const { setup } = useSelection();
  const cameras = useRecords((records) => records.cameras);
  const router = useRouter();
  const hrefTo = useHrefTo();
  return {
    canOpen: (id: string) => files.has(id),
    open: async ({ id, cameraId }: ClipRecord): Promise<void> => {
      const file = files.get(id);
      if (!file) return;
      const href = new URL(hrefTo('/judge'), window.location.href);
      if (setup.cameraIds.includes(cameraId)) href.searchParams.set('camera', cameraId);
      router.push(`${href.pathname}${href.search}`);
      const range = cameras.get(cameraId)?.coding.range ?? 'legal';
      await session.tray.add([file], { range, setupId: setup.id });
    },
  };
};
