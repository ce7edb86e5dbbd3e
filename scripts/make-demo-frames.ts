// Writes the demo frames to public/demo. Deterministic: same code, same bytes.
import { mkdirSync, writeFileSync } from 'node:fs';
import { writePng } from '#core/formats/png.ts';
import { ARCHETYPES } from '#core/profile/index.ts';
import { DEMO_FRAME_IDS, DEMO_FRAMES, DEMO_SIZE } from '#core/scene/demoFrames.ts';
import { BRACKET_STOPS_FILMED, bracketFile, bracketFrame } from '#core/scene/demoBracket.ts';
import { encodePicture, TEST_PICTURES } from '#core/scene/testPictures.ts';

mkdirSync('public/demo', { recursive: true });
for (const id of DEMO_FRAME_IDS) {
  const demo = DEMO_FRAMES[id];
  const frame = encodePicture(TEST_PICTURES[demo.picture](), {
    ...DEMO_SIZE,
    ...demo,
    profile: ARCHETYPES[demo.profile],
  });
  const bytes = writePng(frame);
  writeFileSync(`public/demo/${demo.file}`, bytes);
  console.log(`${demo.file} ${(bytes.length / 1e6).toFixed(2)} MB`);
}

mkdirSync('public/demo/bracket', { recursive: true });
for (const stops of BRACKET_STOPS_FILMED) {
  const bytes = writePng(bracketFrame(stops));
  writeFileSync(`public/demo/bracket/${bracketFile(stops)}`, bytes);
  console.log(`bracket/${bracketFile(stops)} ${(bytes.length / 1e3).toFixed(0)} kB`);
}
