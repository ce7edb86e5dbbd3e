'use client';

import { Circle, Film, Square } from 'lucide-react';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { useBench, useSelection } from '../bench/hooks.ts';
import type { StageState } from '../bench/session/state.ts';
import { download, slug } from '../download.ts';
import type { Shot } from './useStage.ts';
import { words } from '#ui/wording/stage.ts';

const CLIP_SECONDS = 2;

/** What the simulated camera records: a still of its codes, or some seconds of it. */
const useRecorder = (stage: StageState, shot: Shot | undefined) => {
  const { session } = useBench();
  const { camera, setup } = useSelection();
  const [recording, setRecording] = useState<AbortController>();
  const [said, setSaid] = useState<string>();
  const save = (bytes: Uint8Array<ArrayBuffer>, extension: string, type: string) => {
    const name = `${slug(`${setup.name} ${camera.name}`)}.${extension}`;
    download(name, bytes, type);
    setSaid(`${name} saved`);
  };
  const saveStill = async () => {
    const codes = await session.frame.codesAsPng();
    if (codes.ok) save(codes.value, 'png', 'image/png');
    else setSaid(codes.reason);
  };
  const saveClip = async () => {
    if (!shot) return;
    const mine = new AbortController();
    setRecording(mine);
    const fps = Math.round(setup.fps);
    const length = { seed: 1, seconds: 0, width: stage.truth.width, frames: CLIP_SECONDS * fps } as const;
    try {
      const clip = await session.stage.record(
        { ...shot, ...length, rate: [fps, 1] },
        { signal: mine.signal, onProgress: ({ phase }) => setSaid(phase) },
      );
      if (mine.signal.aborted) setSaid('Clip stopped');
      else if (clip.ok) save(clip.value, 'y4m', 'video/x-yuv4mpeg');
      else setSaid(clip.reason);
    } finally {
      setRecording(undefined);
    }
  };
  return { recording, said, saveStill, saveClip };
};

/** Still and clip, and what became of them. */
export const Recorder = ({ stage, shot }: { stage: StageState; shot?: Shot }) => {
  const { recording, said, saveStill, saveClip } = useRecorder(stage, shot);
  return (
    <>
      <Button
        variant="outline-secondary"
        size="sm"
        aria-label={words.still}
        title={words.stillThePictureAs}
        onClick={() => void saveStill()}
      >
        <Circle size={14} aria-hidden />
      </Button>
      <Button
        variant="outline-secondary"
        size="sm"
        aria-label={recording ? words.stopTheClip : words.clip}
        title={words.clipSecondsAsY(CLIP_SECONDS)}
        onClick={() => (recording ? recording.abort() : void saveClip())}
      >
        {recording ? <Square size={14} aria-hidden /> : <Film size={14} aria-hidden />}
      </Button>
      {said && (
        <span className="quiet camera-said" role="status">
          {said}
        </span>
      )}
    </>
  );
};
