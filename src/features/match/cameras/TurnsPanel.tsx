'use client';

import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { straightness, type Response } from '#core/match/turns.ts';
import type { Paint } from '#core/sensor/paint.ts';
import { panelOf, type PanelControl } from '#store/records/panel.ts';
import { useBench } from '#ui/bench/hooks.ts';
import { useMatchBench } from '#ui/bench/match/useMatchBench.ts';
import { printSigned } from '#core/units.ts';
import { Panel } from '#ui/parts/Panel.tsx';
import { words } from '#ui/wording/match.ts';
import type { Look } from '#workers/match/protocol.ts';
import { ControlList } from './ControlList.tsx';
import { AddControl } from './AddControl.tsx';
import {
  COMMON_CONTROLS,
  foundPaint,
  learnBy,
  MOST_CONTROLS,
  nextTurn,
  ownControl,
  panelEdit,
} from './panelModel.ts';
import { TurnsAnswer } from './TurnsAnswer.tsx';
import type { MatchPair } from './useMatchPair.ts';

/** A control that is being learnt: the pictures before, whether it was turned since, what a first turn did. */
type Learning = {
  readonly id: string;
  readonly by: number;
  readonly before: Look;
  readonly turned: boolean;
  readonly first?: Response;
};

/** What to do to learn a control, a step after the other. */
const LearnStep = ({
  control,
  learning,
  isBusy,
  onTurn,
  onMeasure,
  onLeave,
}: {
  control: PanelControl;
  learning: Learning;
  isBusy: boolean;
  onTurn: () => void;
  onMeasure: () => void;
  onLeave: () => void;
}) => {
  const by = printSigned(learning.by, 0);
  return (
    <div className="panel-learn" role="status">
      <p>{(learning.first ? words.turnAgain : words.turnBy)(control.name, by)}</p>
      <div className="exports">
        {learning.turned ? (
          <Button size="sm" disabled={isBusy} onClick={onMeasure}>
            {words.measureIt}
          </Button>
        ) : (
          <Button size="sm" onClick={onTurn}>
            {words.turnIt(by)}
          </Button>
        )}
        <Button size="sm" variant="outline-secondary" onClick={onLeave}>
          {words.leaveIt}
        </Button>
      </div>
    </div>
  );
};

/** The camera's own panel: its controls are learnt by turning them, and then said in their steps. */
export const TurnsPanel = ({
  pair,
  look,
  isBusy,
  onFound,
  live,
}: {
  pair: MatchPair;
  /** The marked things on both pictures; undefined until they are solved. */
  look: Look | undefined;
  isBusy: boolean;
  /** Puts the simulated camera off; undefined before pictures of one's own. */
  onFound?: (paint: Paint) => void;
  /** Its pictures come by themselves: of a camera that is turned by hand, or of a simulated one. */
  live?: 'device' | 'simulated';
}) => {
  const { book } = useBench();
  const bench = useMatchBench();
  const [learning, setLearning] = useState<Learning>();
  const [problem, setProblem] = useState<string>();
  const { camera } = pair.selections.camera;
  const panel = panelOf(camera);
  const left = COMMON_CONTROLS.filter(({ id }) => panel.every((one) => one.id !== id));
  const keep = (next: readonly PanelControl[], label: string) =>
    void book.edit(panelEdit(camera, next, label));
  const change = (id: string, fields: Partial<PanelControl>, label = words.panelEdit(camera.name)) =>
    keep(
      panel.map((one) => (one.id === id ? { ...one, ...fields } : one)),
      label,
    );
  const control = panel.find(({ id }) => id === learning?.id);
  const measure = async (of: PanelControl, { by, before, first }: Learning) => {
    if (!look) return;
    setProblem(undefined);
    const learnt = await bench.learn({
      before: before.camera,
      after: look.camera,
      steps: by,
      primaries: look.primaries,
    });
    if (learnt.state === 'failed') setProblem(learnt.reason);
    if (learnt.state !== 'done') return;
    // As the panel is by now: the fit took a moment.
    const now = book.getState().cameras.get(camera.id);
    const stands = now && panelOf(now).find(({ id }) => id === of.id);
    const again = first || !stands ? undefined : nextTurn(stands, by);
    setLearning(
      again === undefined
        ? undefined
        : { id: of.id, by: again, before: look, turned: false, first: learnt.output },
    );
    if (!now) return;
    const response = first ? { ...first, straight: straightness(first, learnt.output) } : learnt.output;
    const next = panelOf(now).map((one) => (one.id === of.id ? { ...one, response } : one));
    void book.edit(panelEdit(now, next, words.learnEdit(of.name, camera.name)));
  };
  return (
    <Panel
      title={words.ownPanel}
      note={words.panelNote}
      className="match-panel"
      tools={
        panel.length < MOST_CONTROLS && (
          <AddControl
            left={left}
            ownAs={(name) => ownControl(name, panel)}
            onAdd={(wanted) => keep([...panel, { ...wanted, at: 0 }], words.panelEdit(camera.name))}
          />
        )
      }
    >
      {panel.length === 0 && <p className="quiet">{words.noControls}</p>}
      {panel.length > 0 && (
        <ControlList
          panel={panel}
          canLearn={look !== undefined}
          onChange={change}
          onRemove={(id) =>
            keep(
              panel.filter((one) => one.id !== id),
              words.panelEdit(camera.name),
            )
          }
          onLearn={(of) => {
            setProblem(undefined);
            if (look) setLearning({ id: of.id, by: learnBy(of), before: look, turned: false });
          }}
        />
      )}
      {control && learning && (
        <LearnStep
          control={control}
          learning={learning}
          // The picture from before says nothing of the turn.
          isBusy={isBusy || !look || look === learning.before}
          onTurn={() => {
            change(control.id, { at: control.at + learning.by }, words.turnEdit(camera.name));
            setLearning({ ...learning, turned: true });
          }}
          onMeasure={() => void measure(control, learning)}
          onLeave={() => setLearning(undefined)}
        />
      )}
      {problem !== undefined && <p className="field-error">{problem}</p>}
      <TurnsAnswer
        look={look}
        panel={panel}
        isBusy={isBusy}
        isOwn={live ? live === 'device' : onFound === undefined}
        isLive={live !== undefined}
        onTurn={(next) => keep(next, words.turnEdit(camera.name))}
      />
      {onFound && (
        <Button
          size="sm"
          variant="outline-secondary"
          disabled={isBusy}
          onClick={() => onFound(foundPaint(Date.now()))}
        >
          {words.paintIt}
        </Button>
      )}
    </Panel>
  );
};
