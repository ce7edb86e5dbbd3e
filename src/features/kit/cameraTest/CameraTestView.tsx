'use client';

import { useDropzone } from 'react-dropzone';
import { later } from '#ui/later.tsx';
import { words } from '#ui/wording/kitTest.ts';
import { ClipsPanel } from './ClipsPanel.tsx';
import { ListPanel } from './ListPanel.tsx';
import { useTest } from './useTest.ts';

const MeaningPanel = later(() => import('./MeaningPanel.tsx').then((part) => part.MeaningPanel));
const FiguresPanel = later(() => import('./FiguresPanel.tsx').then((part) => part.FiguresPanel));
const KeptPanel = later(() => import('./KeptPanel.tsx').then((part) => part.KeptPanel));

/** Know your camera: what to film, what was found in the clips, what it means. */
export const CameraTestView = () => {
  const test = useTest();
  const { bench, state, asked, range } = test;
  const { open, getRootProps, getInputProps, isDragActive } = useDropzone({
    noClick: true,
    noKeyboard: true,
    multiple: true,
    onDrop: (files) => void bench.drop(files, asked, range),
  });
  return (
    <div className={`camera-test${isDragActive ? ' dropping' : ''}`} {...getRootProps()}>
      <input {...getInputProps()} aria-label={words.clipFiles} />
      {state.told && <MeaningPanel test={test} told={state.told} />}
      <div className="camera-test-work">
        <ListPanel test={test} />
        <ClipsPanel test={test} open={open} />
      </div>
      {state.told && <FiguresPanel told={state.told} list={test.list} />}
      <KeptPanel test={test} />
    </div>
  );
};
