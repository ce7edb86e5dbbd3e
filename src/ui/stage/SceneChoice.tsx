'use client';

import Form from 'react-bootstrap/Form';
import {
  OF_SPOTS,
  sceneFor,
  STAGE_SCENE_IDS,
  stageScene,
  standingName,
  type StandingId,
} from '#store/demo/scenes.ts';
import { useBench, useRecords, useSelection, useSession } from '../bench/hooks.ts';
import { useEditSetup } from '../bench/useEditSetup.ts';
import { firstLook, standingOfSelection, whyNoSpots } from './standing.ts';
import { words } from '#ui/wording/stage.ts';

const WEDGE = 'wedge';

/** What the simulated camera stands before: any scene, the light of the survey, or the wedge that checks the bench. */
export const SceneChoice = () => {
  const { session } = useBench();
  const records = useRecords();
  const selection = useSelection();
  const editSetup = useEditSetup();
  const { setup, camera } = selection;
  const shown = useSession(({ frame, stage }) => (frame?.scene || !frame ? stage?.standing.id : undefined));
  const noSpots = whyNoSpots(selection);
  const pick = (id: StandingId) => {
    const scene = id === sceneFor(setup.id, camera.id) ? undefined : id;
    const standing = standingOfSelection({ ...selection, setup: { ...setup, scene } }, records);
    if (!standing) return;
    void session.stage.stand(standing, firstLook(selection, id), () => {
      if (scene !== setup.scene) editSetup(`Stand before ${standingName(id)}`, { scene });
    });
  };
  const option = (id: StandingId) => (
    <option key={id} value={id}>
      {standingName(id)}
    </option>
  );
  const own = STAGE_SCENE_IDS.filter((id) => stageScene(id).setupId === setup.id);
  const others = STAGE_SCENE_IDS.filter((id) => !own.includes(id));
  return (
    <Form.Select
      size="sm"
      className="demo-pick"
      aria-label={words.standBeforeAScene}
      value={shown ?? ''}
      onChange={(event) =>
        event.target.value === WEDGE ? void session.frame.openWedge() : pick(event.target.value as StandingId)
      }
    >
      <option value="" disabled>
        {words.scene}
      </option>
      <optgroup label={words.thisSetUp}>
        {own.map(option)}
        <option value={OF_SPOTS} disabled={noSpots !== undefined}>
          {standingName(OF_SPOTS)}
          {noSpots !== undefined && `: ${setup.spots.length === 0 ? 'no spots yet' : noSpots}`}
        </option>
      </optgroup>
      <optgroup label={words.otherScenesWithThis}>{others.map(option)}</optgroup>
      <optgroup label={words.toCheckTheBench}>
        <option value={WEDGE}>{words.stepWedge8To}</option>
      </optgroup>
    </Form.Select>
  );
};
