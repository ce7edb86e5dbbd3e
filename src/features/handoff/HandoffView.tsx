'use client';

import { Download } from 'lucide-react';
import { useMemo, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { LOG_EXPORTS } from '#store/exports/index.ts';
import { undoStops, type TakeFacts } from '#store/takeFacts.ts';
import { takesOfShoot } from '#store/takes.ts';
import { failureWords } from '#store/words.ts';
import { setupsOf } from '#store/selection.ts';
import { rawNotes } from '#store/records/raw.ts';
import { useBench, useRecords, useSelection } from '#ui/bench/hooks.ts';
import { useTakeIndex } from '#ui/bench/useTakeIndex.ts';
import { CardTools } from '#ui/cards/CardTools.tsx';
import { cardHeadOf, cardText } from '#ui/cards/cardText.ts';
import { dayCardOf } from '#ui/cards/dayCards.ts';
import { download, slug } from '#ui/download.ts';
import { printPull } from '#ui/format.ts';
import type { Column } from '#ui/parts/column.ts';
import { DataTable } from '#ui/parts/DataTable.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { Segmented } from '#ui/parts/Segmented.tsx';
import { SetAsideNotice } from '#ui/shell/SetAsideNotice.tsx';
import { cardRecipe, recipeSource } from '#ui/luts/lutSource.ts';
import { pullInFile, recipeNotes } from '#ui/luts/lutWords.ts';
import { WriteFile } from '#ui/luts/WriteFile.tsx';
import { printStopsDecimal } from '#core/units.ts';
import { BackPanel } from './BackPanel.tsx';
import { BundlePanel } from './BundlePanel.tsx';
import { MatchPanel } from './MatchPanel.tsx';
import { PocketCard } from './PocketCard.tsx';
import { ProxyPanel } from './ProxyPanel.tsx';
import { ReportPanel } from './ReportPanel.tsx';
import { later } from '#ui/later.tsx';
import { ScreenParts } from '#ui/parts/ScreenParts.tsx';
import { words } from '#ui/wording/handoff.ts';

const TAKE_COLUMNS: readonly Column<TakeFacts>[] = [
  {
    id: 'take',
    header: words.take,
    cell: ({ setup, number, file }) => (
      <>
        {setup} {number}
        <small className="take-source">{file}</small>
      </>
    ),
    sortBy: ({ setup, number }) => `${setup} ${String(number).padStart(6, '0')}`,
  },
  { id: 'camera', header: words.camera, cell: ({ camera }) => camera, sortBy: ({ camera }) => camera },
  {
    id: 'planned',
    header: words.planned,
    cell: ({ planned }) => printStopsDecimal(planned),
    sortBy: ({ planned }) => planned,
  },
  {
    id: 'found',
    header: words.found,
    cell: ({ found }) => (found === undefined ? 'not marked' : printStopsDecimal(found)),
    sortBy: ({ found }) => found,
  },
  {
    id: 'undo',
    header: words.undoInPost,
    cell: (take) => printStopsDecimal(undoStops(take)),
    sortBy: undoStops,
  },
];

const LogFiles = () => {
  const selection = useSelection();
  const { database } = useBench();
  const { facts, count, isComplete, setAside, problem } = useTakeIndex();
  const [refused, setRefused] = useState<string>();
  const name = `${slug(selection.shoot.name)}-log`;
  const none = facts.length === 0;
  const save = async (log: (typeof LOG_EXPORTS)[number]) => {
    const { takes } = await takesOfShoot(database, selection.shoot.id);
    setRefused(undefined);
    const text = await log.write(selection.shoot, takes, new Date());
    download(`${name}.${log.extension}`, text, log.type);
  };
  return (
    <Panel
      title={words.theLog}
      note={
        count === undefined
          ? undefined
          : count === 0
            ? words.noTakeYet
            : words.takesOfStopsFrom(count, selection.shoot.name)
      }
    >
      <SetAsideNotice items={setAside} />
      {(problem ?? refused) && (
        <p className="field-error">The log cannot be read: {problem ?? refused}. Open the page again.</p>
      )}
      {count === 0 && (
        <p className="quiet">Log a take with L on any screen; then its corrections stand here.</p>
      )}
      {!none && (
        <DataTable label={words.theLog} columns={TAKE_COLUMNS} rows={facts} rowKey={({ id }) => id} />
      )}
      <div className="exports">
        {LOG_EXPORTS.map((log) => (
          <Button
            key={log.name}
            variant="outline-secondary"
            disabled={none || !isComplete}
            onClick={() => void save(log).catch((error: unknown) => setRefused(failureWords(error)))}
          >
            <Download size={16} aria-hidden="true" /> {log.name}
          </Button>
        ))}
        <span className="quiet">{LOG_EXPORTS.map(({ says }) => says).join(', ')}.</span>
      </div>
    </Panel>
  );
};

/** The monitoring LUT of the card as a file, by the same road as every LUT. */
const MonitoringLutPanel = () => {
  const selection = useSelection();
  const { setup, camera, profile, plan } = selection;
  const { profiles } = useRecords();
  const [baked, setBaked] = useState(true);
  const pull = baked ? plan.placement : 0;
  const recipe = useMemo(() => cardRecipe(selection, pull), [selection, pull]);
  const source = useMemo(() => recipeSource('card', 'computed by the card', recipe), [recipe]);
  return (
    <Panel title={words.monitoringLut} note={words.toBt1886For(profile.name)}>
      <div className="choices">
        <Segmented
          label={words.pull}
          options={[
            { id: 'baked', name: `${printPull(plan.placement)} baked in` },
            { id: 'plain', name: words.noPull },
          ]}
          value={baked ? 'baked' : 'plain'}
          onPick={(id) => setBaked(id === 'baked')}
        />
      </div>
      <WriteFile
        source={source}
        name={`${setup.name} ${camera.name} ${profile.name} ${pullInFile(pull)}`}
        notes={[
          ...rawNotes({ plan, camera, profiles }),
          ...recipeNotes(recipe, profile.name, profile.data.band),
        ]}
      />
    </Panel>
  );
};

/** The card on paper, and its ways into other pockets. */
const PocketPanel = () => {
  const selection = useSelection();
  const records = useRecords();
  const { shoot, setup } = selection;
  const card = useMemo(() => {
    const order = setupsOf(records, shoot.id).findIndex(({ id }) => id === setup.id);
    return dayCardOf(selection, order + 1);
  }, [records, selection, shoot, setup]);
  const head = cardHeadOf(selection);
  return (
    <Panel
      title={words.setCard}
      note={words.forThePocketA}
      className="pocket-panel"
      tools={<CardTools card={card} head={head} />}
    >
      <PocketCard text={cardText(card, head)} />
    </Panel>
  );
};

/** Files for post, and the card on paper. */
const FilesView = () => (
  <div className="handoff">
    <div className="handoff-files">
      <BundlePanel />
      <ReportPanel />
      <ProxyPanel />
      <LogFiles />
      <MonitoringLutPanel />
      <MatchPanel />
      <BackPanel />
    </div>
    <PocketPanel />
  </div>
);

const GradeView = later(() => import('./grade/GradeView.tsx').then((part) => part.GradeView));

/** Halves of the hand-off. A further one is a row. */
const PARTS = {
  files: { name: words.files, View: FilesView },
  grade: { name: words.trialGrade, View: GradeView },
} as const;

/** Hand-off: what post needs, and the trial grade. */
export const HandoffView = () => <ScreenParts of="the hand-off" parts={PARTS} first="files" />;
