'use client';

import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { useCardSurvey } from '#ui/bench/clips/useCardSurvey.ts';
import { useBench, useSelection, useSession } from '#ui/bench/hooks.ts';
import { words } from '#ui/wording/clips.ts';
import type { ClipLine } from '#ui/bench/clips/clipLines.ts';

/** The clips that the marks of the open picture may be in: of its own set-up and camera, else of what is chosen. */
const alike = (
  lines: readonly ClipLine[],
  open: string,
  chosen: { readonly setup: string; readonly cameraId: string },
): readonly ClipLine[] => {
  const own = lines.find(({ clip }) => clip.file.name === open);
  const setup = own?.take ? own.setup : chosen.setup;
  const cameraId = own?.clip.cameraId ?? chosen.cameraId;
  return lines.filter((line) => line.setup === setup && line.clip.cameraId === cameraId);
};

/** Takes the marks of the picture on the bench to the clips of its set-up. */
export const FindMarks = ({ lines }: { lines: readonly ClipLine[] }) => {
  const { session } = useBench();
  const survey = useCardSurvey();
  const { setup, camera } = useSelection();
  const { name, count } = useSession(({ frame, patches }) => ({ name: frame?.name, count: patches.length }));
  const [isGone, setGone] = useState(false);
  if (name === undefined || count === 0) return null;
  const same = alike(lines, name, { setup: setup.name, cameraId: camera.id });
  if (same.length === 0) return null;
  const missing = same.filter(({ clip }) => clip.found?.cardStops === undefined);
  const wanted = missing.length > 0 ? missing : same;
  const find = async () => {
    const remembered = await session.tray.marksNow();
    const begun = remembered
      ? survey.findMarks(
          remembered,
          wanted.map(({ clip }) => clip),
          setup.id,
        )
      : 0;
    setGone(begun === 0);
  };
  return (
    <p className="clip-marks">
      <span className="quiet">{words.marksOn(name, count)}</span>
      <Button size="sm" variant="outline-secondary" onClick={() => void find()}>
        {words.findMarks(wanted.length)}
      </Button>
      {isGone && <span className="field-error">{words.filesGone}</span>}
    </p>
  );
};
