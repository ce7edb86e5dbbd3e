// npm run sheet: all scenes at right exposure through the monitoring transform, in one picture: docs/scenes.png.
import { encode } from 'fast-png';
import { writeFileSync } from 'node:fs';
import { luminanceFor } from '#core/exposure/meter.ts';
import { compileMonitoring } from '#core/lut/monitoring.ts';
import { lightAt, resized } from '#core/scene/scene.ts';
import { STAGE_SCENE_IDS, stageScene, type StageSceneId } from '#store/demo/scenes.ts';
import { openedScene } from '#store/fixtures/openedScene.ts';
import { PLAIN } from '#core/kernels/plain.ts';
import { drawMonitor } from '#core/kernels/picture.ts';
import { demoSelection } from '#store/fixtures/demoBook.ts';
import { demoBook } from '#store/fixtures/demoBook.ts';
import { expose } from '#core/sensor/camera.ts';
import { bodyOf, knobsOfCard, settingsOfKnobs } from '#ui/stage/stageModel.ts';

const TILE = { width: 480, height: 270 } as const;
const COLUMNS = 3;
const GAP = 6;

const book = demoBook();

/** A scene through the camera that the demo puts before it, as its card says. */
const tileOf = (id: StageSceneId): Uint8ClampedArray => {
  const scene = openedScene(id);
  const { setupId, cameraIds } = stageScene(id);
  const cameraId = cameraIds?.[0] ?? book.setups.get(setupId)?.cameraIds[0] ?? '';
  const selection = demoSelection(setupId, cameraId);
  const settings = settingsOfKnobs(selection, knobsOfCard(selection), book);
  if (!settings) throw new Error(id);
  const light = resized(lightAt(scene, 1.4), TILE.width, TILE.height);
  const frame = expose(light, bodyOf(selection.camera, book), settings, 1);
  const rgba = new Uint8ClampedArray(TILE.width * TILE.height * 4);
  const monitoring = compileMonitoring({ profile: settings.profile, pullStops: selection.plan.placement });
  drawMonitor(PLAIN, new Uint32Array(rgba.buffer), frame, monitoring);
  const card = Math.log2(scene.truth.card / luminanceFor(settings));
  console.log(`${id}: card at ${card.toFixed(2)}, planned ${selection.plan.placement.toFixed(2)}`);
  return rgba;
};

const rows = Math.ceil(STAGE_SCENE_IDS.length / COLUMNS);
const width = COLUMNS * TILE.width + (COLUMNS + 1) * GAP;
const height = rows * TILE.height + (rows + 1) * GAP;
const data = new Uint8Array(3 * width * height).fill(20);
STAGE_SCENE_IDS.forEach((id, n) => {
  const rgba = tileOf(id);
  const left = GAP + (n % COLUMNS) * (TILE.width + GAP);
  const top = GAP + Math.floor(n / COLUMNS) * (TILE.height + GAP);
  for (let y = 0; y < TILE.height; y += 1)
    for (let x = 0; x < TILE.width; x += 1)
      for (let c = 0; c < 3; c += 1)
        data[3 * ((top + y) * width + left + x) + c] = rgba[4 * (y * TILE.width + x) + c];
});
writeFileSync('docs/scenes.png', encode({ width, height, data, depth: 8, channels: 3 }));
