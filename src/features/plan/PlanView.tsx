'use client';

import { useMemo } from 'react';
import { CAUTION_CLOSE, CAUTIONS } from '#core/cautions.ts';
import { useCard, useRecords, useSelection } from '#ui/bench/hooks.ts';
import { Panel } from '#ui/parts/Panel.tsx';
import { ScreenParts } from '#ui/parts/ScreenParts.tsx';
import { StateMark } from '#ui/parts/StateMark.tsx';
import { later } from '#ui/later.tsx';
import { schoolsOf } from './planModel.ts';
import { SolverPanel } from './SolverPanel.tsx';
import { SurveyPanel } from './SurveyPanel.tsx';
import { useSurvey } from './useSurvey.ts';
import { words } from '#ui/wording/plan.ts';

const SchoolsPanel = later(() => import('./SchoolsPanel.tsx').then((part) => part.SchoolsPanel));
const FiguresView = later(() => import('./FiguresView.tsx').then((part) => part.FiguresView));
const AdvicePanel = later(() => import('./AdvicePanel.tsx').then((part) => part.AdvicePanel));
const BalancePanel = later(() => import('./BalancePanel.tsx').then((part) => part.BalancePanel));
const LensView = later(() => import('./lens/LensView.tsx').then((part) => part.LensView));
const ColoursView = later(() => import('./colours/ColoursView.tsx').then((part) => part.ColoursView));
const DayPanel = later(() => import('./DayPanel.tsx').then((part) => part.DayPanel));
const ChecklistPanel = later(() => import('./ChecklistPanel.tsx').then((part) => part.ChecklistPanel));
const CamerasView = later(() => import('./cameras/CamerasView.tsx').then((part) => part.CamerasView));
const TwoCardsPanel = later(() => import('./TwoCardsPanel.tsx').then((part) => part.TwoCardsPanel));
const DayCardsView = later(() => import('./DayCardsView.tsx').then((part) => part.DayCardsView));

const Cautions = () => {
  const selection = useSelection();
  const { cautions } = selection.setup;
  if (cautions.length === 0) return null;
  return (
    <p className="caution">
      <StateMark state="watch" />
      <span>
        {cautions.map((id) => CAUTIONS[id]).join(' ')} <span className="quiet">{CAUTION_CLOSE}</span>
      </span>
    </p>
  );
};

/** The light surveyed, every school's placement, and the settings that give it. */
const LightAndPlacement = () => {
  const selection = useSelection();
  const survey = useSurvey();
  const records = useRecords();
  const { numbers } = useCard();
  const sets = useMemo(() => [...records.ndSets.values()], [records.ndSets]);
  const found = survey.ok ? survey.value : undefined;
  const schools = useMemo(
    () => found && schoolsOf(selection, numbers, found, sets),
    [selection, numbers, found, sets],
  );
  return (
    <div className="kit-side">
      <div className="plan-light">
        <SurveyPanel survey={survey} />
        {found && <SolverPanel survey={found} />}
      </div>
      {schools ? (
        <SchoolsPanel schools={schools} />
      ) : (
        <Panel title={words.placementSchoolBySchool}>
          <p className="quiet mb-0">With a card or a face read, every school says where it would place.</p>
        </Panel>
      )}
      <TwoCardsPanel />
    </div>
  );
};

const PARTS = {
  light: { name: words.lightAndPlacement, View: LightAndPlacement },
  figures: { name: words.byThirds, View: FiguresView },
  profile: { name: words.profile, View: AdvicePanel },
  balance: { name: words.whiteBalance, View: BalancePanel },
  lens: { name: words.lensAndGlass, View: LensView },
  colours: { name: words.colours, View: ColoursView },
  day: { name: words.dayAndMedia, View: DayPanel },
  cameras: { name: words.cameras, View: CamerasView },
  checklist: { name: words.checklist, View: ChecklistPanel },
  cards: { name: words.pocketCards, View: DayCardsView },
} as const;

/** Plan: from the light on the set to what to dial in, and why. */
export const PlanView = () => {
  const { setup } = useSelection();
  return (
    <div className="plan">
      <header className="page-head">
        <h2>{setup.name}</h2>
        <p className="quiet">{setup.light || 'No light noted yet.'}</p>
      </header>
      <Cautions />
      <ScreenParts of="the plan" parts={PARTS} first="light" />
    </div>
  );
};
