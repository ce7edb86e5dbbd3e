'use client';

import Button from 'react-bootstrap/Button';
import { SceneChoice } from '#ui/stage/SceneChoice.tsx';
import { DevicePicker } from '../moving/DevicePicker.tsx';

/** Where the picture comes from: a file, a device, a scene. */
export const SourceControls = ({ onOpen }: { onOpen: () => void }) => (
  <>
    <Button
      variant="outline-secondary"
      size="sm"
      title="Open a frame or a clip from disk (O)"
      onClick={onOpen}
    >
      Open
    </Button>
    <DevicePicker />
    <SceneChoice />
  </>
);
