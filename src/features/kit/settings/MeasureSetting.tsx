'use client';

import { useEffect, useRef, useState } from 'react';
import Button from 'react-bootstrap/Button';
import Table from 'react-bootstrap/Table';
import { IN_CAMERA, type InCameraId } from '#core/inCamera/settings.ts';
import { shownFigures, shownWords } from '#core/inCamera/shown.ts';
import { codeToSignal } from '#core/signal/scale.ts';
import { inCameraOf, noteOf, withNote } from '#store/records/inCamera.ts';
import type { MeasuredPair } from '#workers/bracket/protocol.ts';
import type { Result } from '#core/result.ts';
import { useBench, useCard, useSelection } from '#ui/bench/hooks.ts';
import { useBracket } from '#ui/bench/useBracket.ts';
import { FileButton } from '#ui/parts/FileButton.tsx';
import { Folded } from '#ui/parts/Folded.tsx';
import { words } from '#ui/wording/kitSettings.ts';
import { stageCamera } from '../cameraTest/testModel.ts';
import { inCameraEdit, todayAt } from './settingsModel.ts';

/** Files that hold one frame. */
const FRAME_ACCEPT = '.png,.tif,.tiff,.dpx,.jpg,.jpeg,.y4m';
/** The first body of the stage, and the seed of its noise. */
const BODY = 1;

type Files = { readonly without?: File; readonly with?: File };

/** What was measured of a setting: one sentence, its figures. */
const Figures = ({ id }: { id: InCameraId }) => {
  const { book } = useBench();
  const { camera, profile } = useSelection();
  const { numbers } = useCard();
  const own = inCameraOf(camera);
  const measured = noteOf(own, profile.id, id)?.measured;
  if (!measured) return null;
  const { frames, coding, on, isStaged } = measured;
  const [first, ...others] = shownWords(id, frames, (code) =>
    numbers.profile.stopsAt(codeToSignal(code, coding)),
  );
  return (
    <>
      <p className="mt-3">
        <strong>{first}</strong> {others.join(' ')}
      </p>
      <Table size="sm" className="figures words">
        <tbody>
          {shownFigures(frames).map(({ id: figure, name, value, isChange }) => (
            <tr key={figure} className={isChange ? undefined : 'quiet'}>
              <th scope="row">{name}</th>
              <td className="num">{value}</td>
            </tr>
          ))}
        </tbody>
      </Table>
      <p className="quiet">
        {words.on(on, `${coding.bitDepth}-bit ${coding.range}`)} {isStaged && words.staged}
      </p>
      <Folded title={words.howMeasured}>
        <p className="quiet">{words.arithmetic}</p>
      </Folded>
      <Button
        variant="outline-secondary"
        size="sm"
        onClick={() =>
          void book.edit(inCameraEdit(camera, withNote(own, profile.id, id, { measured: undefined })))
        }
      >
        {words.forget}
      </Button>
    </>
  );
};

/** Two frames of the same thing, with a setting and without it: dropped, or filmed by the stage. */
export const MeasureSetting = ({ id }: { id: InCameraId }) => {
  const { book } = useBench();
  const { camera, profile, setup, shoot } = useSelection();
  const bracket = useBracket();
  const [files, setFiles] = useState<Files>({});
  const [refused, setRefused] = useState<string>();
  const [busy, setBusy] = useState(false);
  const asking = useRef<AbortController>(undefined);
  useEffect(() => () => asking.current?.abort(), []);

  const ask = async (
    question: (signal: AbortSignal) => Promise<Result<MeasuredPair> | undefined>,
    isStaged: boolean,
  ) => {
    asking.current?.abort();
    const mine = new AbortController();
    asking.current = mine;
    setBusy(true);
    setRefused(undefined);
    const answer = await question(mine.signal);
    if (mine.signal.aborted || !answer) return;
    setBusy(false);
    if (!answer.ok) {
      setRefused(answer.reason);
      return;
    }
    // As the camera stands by now: measuring took a moment.
    const now = book.getState().cameras.get(camera.id);
    if (!now) return;
    const measured = {
      ...answer.value,
      on: todayAt(shoot),
      ...(isStaged ? { isStaged: true as const } : {}),
    };
    void book.edit(inCameraEdit(now, withNote(inCameraOf(now), profile.id, id, { measured })));
  };
  const take = (part: Files) => {
    const next = { ...files, ...part };
    setFiles(next);
    setRefused(undefined);
    const { without, with: withIt } = next;
    if (!without || !withIt) return;
    void ask((signal) => bracket.pair({ without, with: withIt }, camera.coding.range, signal), false);
    setFiles({});
  };
  return (
    <section aria-label={words.measure}>
      <h3 className="h6 mt-3">{words.measure}</h3>
      <p className="quiet">{words.how}</p>
      <div className="setting-buttons">
        <FileButton
          size="sm"
          label={words.without}
          accept={FRAME_ACCEPT}
          disabled={busy}
          onFile={(file) => take({ without: file })}
        >
          {words.without}
        </FileButton>
        <FileButton
          size="sm"
          label={words.withIt}
          accept={FRAME_ACCEPT}
          disabled={busy}
          onFile={(file) => take({ with: file })}
        >
          {words.withIt}
        </FileButton>
        <Button
          variant="outline-secondary"
          size="sm"
          disabled={busy}
          onClick={() =>
            void ask(
              (signal) => bracket.stagePair(stageCamera(camera, profile, setup.fps, BODY), id, BODY, signal),
              true,
            )
          }
        >
          {words.stage}
        </Button>
      </div>
      <p role="status" className="mb-0">
        {busy
          ? words.measuring
          : [files.without, files.with].map((file) => file && words.chosen(file.name)).join(' ')}
      </p>
      {refused && <p className="text-warn">{refused}</p>}
      {IN_CAMERA[id].movesCurve && <p className="quiet">{words.movesCurve}</p>}
      <Figures id={id} />
    </section>
  );
};
