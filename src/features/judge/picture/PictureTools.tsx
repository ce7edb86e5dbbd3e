'use client';

import { VIEWS } from '#core/kernels/picture.ts';
import { Segmented } from '#ui/parts/Segmented.tsx';
import { Toggle } from '#ui/parts/Toggle.tsx';
import { VIEW_IDS, type JudgeLook, type SetJudgeLook } from '../useJudgeView.ts';
import { LookMenu } from './LookMenu.tsx';

const views = VIEW_IDS.map((id) => ({ id, name: VIEWS[id].name, says: VIEWS[id].says }));

/** What lies on the picture, each switched on and off. A further one is a row, and a field of the view. */
const OVERLAYS = [
  { id: 'contours', name: 'Contours', says: 'A line at each stop, heavier at grey (C)' },
  { id: 'range', name: 'Card', says: 'Range zebra of the card: fine white stripes (Z)' },
  { id: 'warning', name: 'Warn', says: 'Warning zebra: broad flame stripes (Z)' },
  {
    id: 'clips',
    name: 'Clip',
    says: 'What clips, by channel: red upright, green level, blue leaning, all white (X)',
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
    <Segmented label="View" options={views} value={look.view} onPick={(view) => void setLook({ view })} />
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
