'use client';

import { useRef } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import type { CameraRecord } from '#store/records/camera.ts';
import { words } from '#ui/wording/clips.ts';

/** Whose card, and the ways to choose its clips. */
export const TakeInClips = ({
  cameras,
  cameraId,
  onCamera,
  onFiles,
  chooseFolder,
  open,
}: {
  cameras: readonly CameraRecord[];
  cameraId: string;
  onCamera: (id: string) => void;
  onFiles: (files: readonly File[]) => void;
  /** Asks for a folder that is kept; false where the browser cannot. */
  chooseFolder: () => boolean;
  /** Opens the browser's way to choose files. */
  open: () => void;
}) => {
  const folder = useRef<HTMLInputElement>(null);
  return (
    <>
      <Form.Select
        size="sm"
        className="clip-camera"
        aria-label={words.cardOf}
        value={cameraId}
        onChange={({ target }) => onCamera(target.value)}
      >
        {cameras.map(({ id, name }) => (
          <option key={id} value={id}>
            {words.cardOf} {name}
          </option>
        ))}
      </Form.Select>
      <Button size="sm" variant="primary" onClick={() => chooseFolder() || folder.current?.click()}>
        {words.chooseFolder}
      </Button>
      <Button size="sm" variant="outline-secondary" onClick={open}>
        {words.chooseFiles}
      </Button>
      <Form.Control
        ref={(input: HTMLInputElement | null) => {
          folder.current = input;
          // React knows no attribute for choosing a folder.
          if (input) input.webkitdirectory = true;
        }}
        type="file"
        multiple
        hidden
        aria-label={words.folderOfClips}
        onChange={({ target }) => {
          const { files } = target as HTMLInputElement;
          onFiles([...(files ?? [])]);
          // The same folder chosen again is a change, too.
          target.value = '';
        }}
      />
    </>
  );
};
