'use client';

import { useKey } from '#ui/shell/useKey.ts';
import { VIEW_IDS, type JudgeLook, type SetJudgeLook } from '../useJudgeView.ts';

/** Keys of the picture. */
export const usePictureKeys = (
  look: JudgeLook,
  setLook: SetJudgeLook,
  does: { readonly open: () => void; readonly holdHero: () => void },
) => {
  useKey('open', does.open);
  useKey('hero', does.holdHero);
  useKey('glass', () => void setLook({ glass: !look.glass }));
  useKey('clips', () => void setLook({ clips: !look.clips }));
  useKey('view', () => {
    void setLook({ view: VIEW_IDS[(VIEW_IDS.indexOf(look.view) + 1) % VIEW_IDS.length] });
  });
  useKey('contours', () => void setLook({ contours: !look.contours }));
  useKey('zebra', () => {
    const on = look.range || look.warning;
    void setLook({ range: !on, warning: !on });
  });
};
