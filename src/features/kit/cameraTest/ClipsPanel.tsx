'use client';

import Alert from 'react-bootstrap/Alert';
import Button from 'react-bootstrap/Button';
import { useState } from 'react';
import { SURE } from '#core/cameraTest/find/recognise.ts';
import { Empty } from '#ui/parts/Empty.tsx';
import { Folded } from '#ui/parts/Folded.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { Progress } from '#ui/parts/Progress.tsx';
import { words } from '#ui/wording/kitTest.ts';
import { ChartEditor } from './ChartEditor.tsx';
import { ClipStrip } from './ClipStrip.tsx';
import { HoldEditor } from './HoldEditor.tsx';
import { StageFilms } from './StageFilms.tsx';
import { ZebraNotes } from './ZebraNotes.tsx';
import type { CameraTest } from './useTest.ts';

/** The shot whose frame shows where the card stands. */
const FIRST = 'first';

/** Shots that may show a chart. */
const SHEETS = 'sheets';

const clipsNote = ({ clips, found, seconds }: CameraTest['state']) =>
  clips.length === 0
    ? undefined
    : words.clipsNote(
        clips.length,
        found.filter(({ shotId }) => shotId !== undefined).length,
        seconds === undefined ? undefined : seconds.toFixed(0),
      );

/** The clips of the test in time, and what does not add up. */
export const ClipsPanel = ({ test, open }: { test: CameraTest; open: () => void }) => {
  const { bench, state } = test;
  const { clips, found, problems, busy, failure } = state;
  const [chosen, setChosen] = useState<string>();
  const leftOut = clips.filter(({ state: is }) => is === 'leftOut');
  const variable = clips.find(({ looked }) => looked?.isVariable);
  const doubtful = found.find(({ sure, shotId }) => shotId !== undefined && sure < SURE);
  const card = found.find(({ shotId }) => shotId === FIRST);
  const one = found.find(({ id }) => id === chosen) ?? doubtful ?? card ?? found[0];
  const sheets = found.find(({ shotId }) => shotId?.startsWith(SHEETS));
  return (
    <Panel
      title={words.clips}
      note={clipsNote(state)}
      className="test-clips"
      tools={
        <>
          <Button variant="primary" size="sm" onClick={open}>
            {words.chooseClips}
          </Button>
          {clips.length > 0 && (
            <Button variant="outline-secondary" size="sm" onClick={() => bench.clear()}>
              {words.clear}
            </Button>
          )}
        </>
      }
    >
      {busy && (
        <div className="test-busy">
          <Progress label={words.working} now={Math.round(100 * busy.share)} />
          <span className="quiet">{busy.what}</span>
          <Button variant="outline-secondary" size="sm" onClick={() => bench.stop()}>
            {words.stop}
          </Button>
        </div>
      )}
      {clips.length === 0 && !busy && (
        <Empty title={words.noClips}>
          <p>{words.dropHere}</p>
        </Empty>
      )}
      {failure && (
        <Alert variant="danger" role="alert">
          {failure}
        </Alert>
      )}
      {found.length > 0 && <ClipStrip test={test} chosen={one?.id} onChoose={setChosen} />}
      {one && <HoldEditor key={one.id} test={test} hold={one} />}
      {sheets && (
        <Folded title={words.chartTitle}>
          <ChartEditor key={sheets.id} test={test} hold={sheets} />
        </Folded>
      )}
      {(problems.length > 0 || leftOut.length > 0 || variable) && (
        <ul className="test-problems">
          {leftOut.map(({ id, file, problem }) => (
            <li key={id}>{words.leftOut(file.name, problem ?? '')}</li>
          ))}
          {variable && <li>{words.variableRate(variable.file.name)}</li>}
          {problems.map(({ id, text }) => (
            <li key={id}>{text}</li>
          ))}
        </ul>
      )}
      <ZebraNotes test={test} />
      <StageFilms test={test} />
    </Panel>
  );
};
