'use client';

import { useState } from 'react';
import type { BreakId } from '#core/grade/gradeForecast.ts';
import { useSelection, useSession } from '#ui/bench/hooks.ts';
import { Empty } from '#ui/parts/Empty.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { Segmented } from '#ui/parts/Segmented.tsx';
import { useSceneOfSetup } from '#ui/stage/useSceneOfSetup.ts';
import { useStage } from '#ui/stage/useStage.ts';
import { outputOf } from '#core/lut/outputs.ts';
import { words } from '#ui/wording/grade.ts';
import { GradeBeside } from './GradeBeside.tsx';
import { GradeBreaks } from './GradeBreaks.tsx';
import { usePicking } from './usePicking.ts';
import { figuresLine } from './effectWords.ts';
import { GradeClips } from './GradeClips.tsx';
import { GradeFiles } from './GradeFiles.tsx';
import { GradeLight } from './GradeLight.tsx';
import { GradePicture } from './GradePicture.tsx';
import { GradeRows } from './GradeRows.tsx';
import { GradeScopes } from './GradeScopes.tsx';
import { useAutomatic } from './useAutomatic.ts';
import { useGrade } from './useGrade.ts';
import { chosen, useGradePictures, type Shows } from './useGradePictures.ts';
import { useGradeRead } from './useGradeRead.ts';

/** The trial grade: what is done in which order and why, the picture before and after, and the files of it. */
export const GradeView = () => {
  useSceneOfSetup();
  useStage();
  const selection = useSelection();
  const { frame, busy } = useSession((state) => ({ frame: state.frame, busy: state.busy }));
  const hand = useGrade();
  const { answer: read, problem } = useGradeRead(hand);
  const { tools, take } = usePicking(hand);
  const [show, setShow] = useState<Shows>('wipe');
  const [marked, setMarked] = useState<BreakId>();
  const automatic = useAutomatic(hand, read);
  const { output } = hand.grade.recipe;
  const matte = hand.rows.some(({ id }) => id === tools.matte) ? tools.matte : undefined;
  const pictures = useGradePictures(hand, automatic, matte);
  if (!frame)
    return (
      <Panel title={words.trialGrade}>
        <Empty title={busy ? busy.phase : words.noPicture}>
          <p className="quiet">{words.noPictureSays}</p>
        </Empty>
      </Panel>
    );
  const { shown, wiped } = chosen(pictures, show);
  const picked = tools.picking;
  return (
    <div className="grade">
      <div className="grade-seen">
        <Panel
          title={words.trialGrade}
          note={words.gradedFor(selection.profile.name, outputOf(output).name)}
          tools={
            <Segmented
              label={words.pictureOf}
              options={[
                { id: 'wipe' as Shows, name: words.wipe },
                { id: 'graded' as Shows, name: words.graded },
                { id: 'onSet' as Shows, name: words.onSet },
                ...(automatic ? [{ id: 'automatic' as Shows, name: words.automatic }] : []),
              ]}
              value={show}
              onPick={setShow}
            />
          }
        >
          <GradePicture
            {...shown}
            over={wiped}
            marked={marked && read ? { id: marked, cells: read.forecast[marked].cells } : undefined}
            onPick={picked === undefined ? undefined : (rect) => void take(picked, rect)}
          />
          {read && (
            <p className="grade-figures" title={words.figuresSay}>
              {figuresLine(read)}
            </p>
          )}
          <GradeLight
            light={read?.light}
            face={read?.figures.face}
            output={output}
            bitDepth={selection.camera.coding.bitDepth}
            isHdrWanted={selection.setup.brief.hdr}
          />
          {read && <GradeBreaks read={read} marked={marked} onMark={setMarked} />}
          {(hand.problem ?? problem) && <p className="field-error">{hand.problem ?? problem}</p>}
        </Panel>
        <Panel title={words.scopes}>
          <GradeScopes
            pairs={[
              {
                id: 'before',
                name: words.onSet,
                spec: pictures.onSet.through.spec,
                output: pictures.onSet.through.output,
              },
              { id: 'after', name: words.graded, spec: hand.spec, output },
            ]}
          />
        </Panel>
        <GradeBeside hand={hand} />
        <GradeFiles hand={hand} />
        <GradeClips hand={hand} />
      </div>
      <GradeRows hand={hand} read={read} tools={tools} />
    </div>
  );
};
