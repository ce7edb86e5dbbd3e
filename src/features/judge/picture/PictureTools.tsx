'use client';

import { VIEWS } from '#core/kernels/picture.ts';
import { Segmented } from '#ui/parts/Segmented.tsx';
import { Toggle } from '#ui/parts/Toggle.tsx';
import { VIEW_IDS, type JudgeLook, type SetJudgeLook } from '../useJudgeView.ts';
import { LookMenu } from './LookMenu.tsx';
import { words } from '#ui/wording/judgePicture.ts';

const views = VIEW_IDS.map((id) => ({ id, name: VIEWS[id].name, says: VIEWS[id].says }));

/** What lies on the picture, each switched on and off. A further one is a row, and a field of the view. */
const OVERLAYS = [
  { id: 'contours', name: words.contours, says: words.aLineAtEachKey },
  { id: 'range', name: words.card, says: words.rangeZebraOfTheKey },
  { id: 'warning', name: words.warn, says: words.warningZebraBroadFlameKey },
  {
    id: 'clips',
    name: words.clip,
    says: words.whatClipsByChannelKey,
  },
] as const;

/** How the picture is looked at. */
export const PictureTools = ({
  look,
  setLook,
  onHero,
}: {
  look: JudgeLook;
  setLook: SetJudgeLook;
  onHero: () => void;
}) => (
  <div className="panel-tools">
    <Segmented
      label={words.view}
      options={views}
      value={look.view}
      onPick={(view) => void setLook({ view })}
    />
    <div className="toggles">
      {OVERLAYS.map(({ id, name, says }) => (
        <Toggle
          key={id}
          on={look[id]}
          name={name}
          says={says}
          onFlip={() => void setLook({ [id]: !look[id] })}
        />
      ))}
      <LookMenu look={look} setLook={setLook} onHero={onHero} />
    </div>
  </div>
);
