'use client';

import { useEffect, useMemo, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { useDropzone } from 'react-dropzone';
import { useStore } from 'zustand';
import { camerasOf, setupsOf } from '#store/selection.ts';
import { useCardSurvey } from '#ui/bench/clips/useCardSurvey.ts';
import { useClips } from '#ui/bench/clips/useClips.ts';
import { useRecords, useSelection } from '#ui/bench/hooks.ts';
import { useTakeIndex } from '#ui/bench/useTakeIndex.ts';
import { Empty } from '#ui/parts/Empty.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { SetAsideNotice } from '#ui/shell/SetAsideNotice.tsx';
import { words } from '#ui/wording/clips.ts';
import { CameraClock } from './CameraClock.tsx';
import { ClipDrag } from './ClipDrag.tsx';
import { ClipFilter } from './ClipFilter.tsx';
import { clipLines, grouped, narrowed } from '#ui/bench/clips/clipLines.ts';
import { ClipTable } from './ClipTable.tsx';
import { clipsNote } from './clipWords.ts';
import { ContactSheet } from './ContactSheet.tsx';
import { FindMarks } from './FindMarks.tsx';
import { SurveyProgress } from './SurveyProgress.tsx';
import { TakeInClips } from './TakeInClips.tsx';
import { useFolder } from './useFolder.ts';
import { useClipFilter } from './useClipFilter.ts';

/** Cameras that some set-up of the shoot has. */
const useCamerasOfShoot = () => {
  const { shoot } = useSelection();
  const records = useRecords();
  return useMemo(() => {
    const all = setupsOf(records, shoot.id).flatMap((setup) => camerasOf(records, setup));
    return [...new Map(all.map((camera) => [camera.id, camera])).values()];
  }, [records, shoot.id]);
};

/** Clips: what the cards hold, each with its take and what was found in it. */
export const ClipsView = () => {
  const { shoot, setup, camera } = useSelection();
  const cameras = useCamerasOfShoot();
  const [chosen, setChosen] = useState(camera.id);
  const cameraId = cameras.some(({ id }) => id === chosen) ? chosen : camera.id;
  const survey = useCardSurvey();
  const { clips, setAside, isRead } = useClips();
  const { facts } = useTakeIndex();
  const filter = useClipFilter();
  const { find, state, group, as } = filter.values;
  const lines = useMemo(
    () => clipLines(clips, facts, (id) => cameras.find((one) => one.id === id)?.name),
    [clips, facts, cameras],
  );
  const shown = useMemo(
    () => grouped(narrowed(lines, { find: find ?? undefined, state: state ?? undefined }), group),
    [lines, find, state, group],
  );
  const withClips = cameras.filter(({ id }) => clips.some((clip) => clip.cameraId === id));
  const pairedIds = withClips.map(({ id }) => id).join(' ');
  useEffect(() => {
    for (const id of pairedIds.split(' ').filter(Boolean))
      void survey.pair({ shootId: shoot.id, cameraId: id });
  }, [survey, shoot.id, pairedIds]);
  const take = (files: readonly File[]) =>
    void survey.take(files, { shootId: shoot.id, setupId: setup.id, cameraId });
  const files = useStore(survey, (state) => state.files);
  const folder = useFolder({ shootId: shoot.id, cameraId }, take);
  const isFileGone = clips.some((clip) => clip.cameraId === cameraId && !files.has(clip.id));
  const { open, getRootProps, getInputProps, isDragActive } = useDropzone({
    noClick: true,
    noKeyboard: true,
    multiple: true,
    onDrop: take,
  });
  const isNothing = isRead && clips.length === 0 && setAside.length === 0;
  const count = shown.reduce((sum, { lines: own }) => sum + own.length, 0);
  return (
    <div className={`log clips-view${isDragActive ? ' dropping' : ''}`} {...getRootProps()}>
      <input {...getInputProps()} aria-label={words.clipFiles} />
      <Panel
        title={words.clipsOf(shoot.name)}
        note={clipsNote(lines)}
        tools={
          <TakeInClips
            {...{ cameras, cameraId, open }}
            chooseFolder={folder.choose}
            onCamera={setChosen}
            onFiles={take}
          />
        }
      >
        <SurveyProgress />
        <SetAsideNotice items={setAside} />
        {folder.problem && <p className="field-error">{folder.problem}</p>}
        {folder.before !== undefined && isFileGone && (
          <Button size="sm" variant="outline-secondary" className="clip-again" onClick={folder.readBefore}>
            {words.readAgain(folder.before)}
          </Button>
        )}
        {isNothing && (
          <Empty title={words.noClipYet}>
            <p>{words.dropHere}</p>
            <p className="quiet">{words.filesStay}</p>
          </Empty>
        )}
        {withClips.length > 0 && (
          <div className="clip-clocks">
            {withClips.map((one) => (
              <CameraClock key={one.id} camera={one} />
            ))}
          </div>
        )}
        <FindMarks lines={lines} />
        {clips.length > 0 && <ClipFilter {...filter} />}
        {clips.length > 0 && count === 0 && (
          <Empty title={words.noClipFits}>
            <Button variant="outline-secondary" onClick={filter.clear}>
              {words.showAll}
            </Button>
          </Empty>
        )}
        <ClipDrag takes={facts}>
          {shown.map(({ name, lines: own }) =>
            own.length === 0 ? null : (
              <section key={name} className="clip-group">
                {group !== 'none' && (
                  <h3>
                    {name || words.noTake} <span className="quiet num">{own.length}</span>
                  </h3>
                )}
                {as === 'lines' ? (
                  <ClipTable lines={own} takes={facts} label={name || words.clips} />
                ) : (
                  <ContactSheet
                    key={as}
                    lines={own}
                    label={name || words.clips}
                    isCorrected={as === 'corrected'}
                  />
                )}
              </section>
            ),
          )}
        </ClipDrag>
      </Panel>
      {isDragActive && <div className="drop-hint">Drop to look at them</div>}
    </div>
  );
};
