'use client';

import { useEffect } from 'react';
import { useBench } from '#ui/bench/hooks.ts';
import { ScreenParts } from '#ui/parts/ScreenParts.tsx';
import { useStage } from '#ui/stage/useStage.ts';
import { useSceneOfSetup } from '#ui/stage/useSceneOfSetup.ts';
import { later } from '#ui/later.tsx';
import { words } from '#ui/wording/luts.ts';

const BuildView = later(() => import('./build/BuildView.tsx').then((part) => part.BuildView));
const SetView = later(() => import('./set/SetView.tsx').then((part) => part.SetView));
const InspectView = later(() => import('./inspect/InspectView.tsx').then((part) => part.InspectView));
const CombineView = later(() => import('./combine/CombineView.tsx').then((part) => part.CombineView));
const CompareView = later(() => import('./compare/CompareView.tsx').then((part) => part.CompareView));
const OrderView = later(() => import('./order/OrderView.tsx').then((part) => part.OrderView));

/** Parts of the screen, in the order they are needed. A further one is a row. */
const PARTS = {
  build: { name: words.build, View: BuildView },
  set: { name: words.set, View: SetView },
  inspect: { name: words.inspect, View: InspectView },
  combine: { name: words.combineAndBake, View: CombineView },
  compare: { name: words.compare, View: CompareView },
  order: { name: words.orderMatters, View: OrderView },
} as const;
/** LUTs: the same picture on the monitor as in post. */
export const LutsView = () => {
  useSceneOfSetup();
  useStage();
  const { session } = useBench();
  // What was moved and not put into the plan does not outlive the screen.
  useEffect(() => session.luts.settleBuild, [session]);
  return (
    <>
      <ScreenParts of="LUTs" parts={PARTS} first="build" />
    </>
  );
};
