import { correctionCdl, onCodes } from '#core/match/asCdl.ts';
import { writeCc } from '#core/formats/cdl.ts';
import { writeCube } from '#core/formats/cube.ts';
import { sampleLattice } from '#core/lut/lattice.ts';
import { onScale } from '#core/lut/cubeScale.ts';
import { correctionWords } from '#ui/bench/match/correctionWords.ts';
import { download, slug } from '#ui/download.ts';
import { words } from '#ui/wording/match.ts';
import type { ClipRow } from './useClipEdits.ts';

const SIZE = 33;

/** What a correction is saved as, made from the one that is previewed. A further one is a row. */
export const SAVES = {
  cdl: {
    name: words.saveCdl,
    file: (row: ClipRow) => {
      const { correction, coding, name } = partsOf(row);
      const { cdl, worstCodes } = correctionCdl(correction, row.profile.data, 'code', coding);
      const codes = worstCodes.toFixed(1);
      const says = worstCodes <= 1.5 ? words.cdlCarries(codes) : words.cdlMisses(codes);
      const note = `${correctionWords(correction).join(', ')}. ${says}`;
      return {
        ending: 'cc',
        type: 'application/xml',
        text: writeCc({ id: name, cdl, descriptions: [note] }),
      };
    },
  },
  lut: {
    name: words.saveLut,
    file: (row: ClipRow) => {
      const { correction, coding, name } = partsOf(row);
      const lattice = sampleLattice(SIZE, onScale(onCodes(correction, row.profile.data), 'code', coding));
      const comments = [
        `${row.profile.name} in and out, 0..1 is code 0 to the top code.`,
        `${correctionWords(correction).join(', ')}.`,
      ];
      return { ending: 'cube', type: 'text/plain', text: writeCube(lattice, { title: name, comments }) };
    },
  },
} as const;
export type SaveId = keyof typeof SAVES;

const partsOf = ({ line, standing, selection }: ClipRow) => ({
  correction: standing!.correction!,
  coding: selection.camera.coding,
  name: line.clip.file.name.replace(/\.[^.]+$/, ''),
});

/** Saves a clip's correction as a file. */
export const saveAs = (id: SaveId, row: ClipRow): void => {
  const { ending, type, text } = SAVES[id].file(row);
  download(`${slug(partsOf(row).name)}.${ending}`, text, type);
};
