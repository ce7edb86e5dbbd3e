'use client';

import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { STAGE_SCENE_IDS, STAGE_SCENES, stageScene, type StageSceneId } from '#store/demo/scenes.ts';
import { useBench, useRecords, useSelect, useSession } from '#ui/bench/hooks.ts';
import { DevicePicker } from '../moving/DevicePicker.tsx';

const WEDGE = 'wedge';

/** Scenes to stand before, and the wedge that checks the bench. */
const SceneList = () => {
  const { session } = useBench();
  const records = useRecords();
  const select = useSelect();
  const sceneId = useSession(({ stage }) => stage?.sceneId);
  const open = (id: StageSceneId | typeof WEDGE) => {
    if (id === WEDGE) {
      void session.frame.openWedge();
      return;
    }
    const { setupId, cameraIds } = stageScene(id);
    const setup = records.setups.get(setupId);
    void session.stage.openScene(id, () => {
      if (setup) select({ shoot: setup.shootId, setup: setupId, camera: cameraIds?.[0] });
    });
  };
  return (
    <Form.Select
      size="sm"
      className="demo-pick"
      aria-label="Stand before a scene"
      value={sceneId ?? ''}
      onChange={(event) => open(event.target.value as StageSceneId | typeof WEDGE)}
    >
      <option value="" disabled>
        Scenes
      </option>
      {STAGE_SCENE_IDS.map((id) => (
        <option key={id} value={id}>
          {STAGE_SCENES[id].name}
        </option>
      ))}
      <option value={WEDGE}>Step wedge, −8 to +7</option>
    </Form.Select>
  );
};

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
    <SceneList />
  </>
);
