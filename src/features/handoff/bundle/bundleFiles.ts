import { uniqueNames } from '#core/formats/safeName.ts';
import { takesCsv } from '#store/exports/takesCsv.ts';
import { words } from '#ui/wording/bundle.ts';
import { bundledClips } from './clipFacts.ts';
import { clipsCsv } from './clipsCsv.ts';
import { correctionFiles } from './correctionFiles.ts';
import { edlFiles } from './edlFiles.ts';
import { lutFiles } from './lutFiles.ts';
import type { BundleFile, BundleOf, BundlePart } from './parts.ts';
import { proxyFiles } from './proxyFiles.ts';
import { stillFiles } from './stillFiles.ts';
import { recipeFiles } from './recipeFiles.ts';
import { reportFiles } from './reportFiles.ts';

/** What a shoot is handed over as; a further part is a file and a row. */
const partsOf = (of: BundleOf): readonly BundlePart[] => {
  const clips = bundledClips(of);
  const waiting = of.clips.filter(({ state }) => state !== 'surveyed');
  return [
    reportFiles(of),
    recipeFiles(of, clips),
    {
      files: [
        { path: 'takes.csv', says: words.takesCsvSays(of.takes.length), text: takesCsv(of.takes) },
        { path: 'clips.csv', says: words.clipsCsvSays(clips.length), text: clipsCsv(clips) },
      ],
      leftOut: waiting.length > 0 ? [words.notSurveyed(waiting.map(({ file }) => file.name).join(', '))] : [],
    },
    correctionFiles(clips),
    edlFiles(clips, of.shoot.name),
    lutFiles(of),
    stillFiles(of),
    proxyFiles(of, clips),
    { files: [{ path: 'shoot.json', says: words.shootJsonSays, text: of.shootJson }], leftOut: [] },
  ];
};

const readme = (of: BundleOf, files: readonly BundleFile[], leftOut: readonly string[]): string =>
  `${[
    words.readmeHead(of.part ? `${of.shoot.name}, ${of.part.name}` : of.shoot.name),
    ...words.readmeOrder,
    '',
    ...files.map(({ path, says }) => `${path}\n    ${says}`),
    '',
    ...(leftOut.length > 0 ? [words.readmeLeftOut, ...leftOut.map((one) => `- ${one}`), ''] : []),
    words.readmeRange,
  ].join('\n')}\n`;

/** All files of a bundle but the manifest, the README first; no two share a path, whatever their capitals. */
export const bundleFiles = (
  of: BundleOf,
): { readonly files: readonly BundleFile[]; readonly leftOut: readonly string[] } => {
  const parts = partsOf(of);
  const unique = uniqueNames();
  const files = parts.flatMap((part) => part.files).map((file) => ({ ...file, path: unique(file.path) }));
  const leftOut = parts.flatMap((part) => part.leftOut);
  const first: BundleFile = { path: 'README.txt', says: '', text: readme(of, files, leftOut) };
  return { files: [first, ...files], leftOut };
};
