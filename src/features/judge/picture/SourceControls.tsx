'use client';

import Button from 'react-bootstrap/Button';
import { SceneChoice } from '#ui/stage/SceneChoice.tsx';
import { DevicePicker } from '../moving/DevicePicker.tsx';
import { words } from '#ui/wording/judgePicture.ts';

/** Where the picture comes from: a file, a device, a scene. */
export const SourceControls = ({ onOpen }: { onOpen: () => void }) => (
  <>
    <Button variant="outline-secondary" size="sm" title={words.openAFrameOrKey} onClick={onOpen}>
      {words.open}
    </Button>
    <DevicePicker />
    <SceneChoice />
  </>
);
