'use client';

import { parseAsStringLiteral, useQueryState } from 'nuqs';
import { Segmented } from '#ui/parts/Segmented.tsx';
import { useStage } from '#ui/stage/useStage.ts';
import { useSceneOfSetup } from '#ui/stage/useSceneOfSetup.ts';
import { useBuildOfPlan } from './build/useBuild.ts';
import { BuildView } from './build/BuildView.tsx';
import { CombineView } from './combine/CombineView.tsx';
import { CompareView } from './compare/CompareView.tsx';
import { InspectView } from './inspect/InspectView.tsx';
import { OrderView } from './order/OrderView.tsx';

/** Parts of the screen, in the order they are needed. A further one is a row. */
const PARTS = {
  build: { name: 'Build', View: BuildView },
  inspect: { name: 'Inspect', View: InspectView },
  combine: { name: 'Combine and bake', View: CombineView },
  compare: { name: 'Compare', View: CompareView },
  order: { name: 'Order matters', View: OrderView },
} as const;
type PartId = keyof typeof PARTS;
const PART_IDS = Object.keys(PARTS) as PartId[];

/** LUTs: the same picture on the monitor as in post. */
export const LutsView = () => {
  const [part, setPart] = useQueryState('part', parseAsStringLiteral(PART_IDS).withDefault('build'));
  useSceneOfSetup();
  useStage();
  useBuildOfPlan();
  const { View } = PARTS[part];
  return (
    <>
      <h1 className="visually-hidden">LUTs</h1>
      <nav className="kit-parts" aria-label="Parts of LUTs">
        <Segmented
          label="Part of LUTs"
          options={PART_IDS.map((id) => ({ id, name: PARTS[id].name }))}
          value={part}
          onPick={(id) => void setPart(id)}
        />
      </nav>
      <View />
    </>
  );
};
