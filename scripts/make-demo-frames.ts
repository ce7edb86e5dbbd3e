// Writes the step wedge and the filmed bracket to public/demo. Deterministic: same code, same bytes.
import { mkdirSync, writeFileSync } from 'node:fs';
import { writePng } from '#core/formats/png.ts';
import { BRACKET_STOPS_FILMED, bracketFile } from '#store/demo/bracket.ts';
import { bracketFrame } from '../scenes/bracket.ts';
import { encodePicture, TEST_PICTURES, WEDGE } from '#core/fixtures/testPictures.ts';

mkdirSync('public/demo/bracket', { recursive: true });
writeFileSync('public/demo/step-wedge.png', writePng(encodePicture(TEST_PICTURES.stepWedge(), WEDGE)));
for (const stops of BRACKET_STOPS_FILMED) {
  const bytes = writePng(bracketFrame(stops));
  writeFileSync(`public/demo/bracket/${bracketFile(stops)}`, bytes);
  console.log(`bracket/${bracketFile(stops)} ${(bytes.length / 1e3).toFixed(0)} kB`);
}
