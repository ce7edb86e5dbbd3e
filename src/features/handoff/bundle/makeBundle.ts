import { failure, success, type Result } from '#core/result.ts';
import type { Outcome } from '#workers/rpc/protocol.ts';
import type { ArchiveJobs, Content, Sealed } from '#workers/archive/protocol.ts';
import { failureWords } from '#store/words.ts';
import type { PaperTools } from '#ui/paper/sheet.ts';
import type { Client } from '#workers/rpc/client.ts';
import { bundleFiles } from './bundleFiles.ts';
import type { BundleFile, BundleOf, LutToBake } from './parts.ts';

type Tell = (path: string, at: number, of: number) => void;

export type MadeBundle = {
  readonly parts: readonly Uint8Array<ArrayBuffer>[];
  readonly files: number;
  readonly leftOut: readonly string[];
};

const STOPPED = failure('bundle', 'It was stopped.');

const unwrapped = <T>(outcome: Outcome<Result<T>>): Result<T> => {
  if (outcome.state === 'cancelled') return STOPPED;
  return outcome.state === 'failed' ? failure('bundle', outcome.reason) : outcome.output;
};

/** The manifest: what lies in the bundle, with checksums, so that a copy can be told from a damaged one. */
const manifestOf = (
  { shoot, part }: BundleOf,
  files: readonly (Sealed & Pick<BundleFile, 'path' | 'says'>)[],
  leftOut: readonly string[],
): string =>
  `${JSON.stringify(
    { format: 'candelum-bundle', version: 1, shoot: shoot.name, part: part?.name, leftOut, files },
    null,
    1,
  )}\n`;

/**
 * Makes the bundle of a shoot, file by file. A LUT that cannot be baked is left out and told; the rest is whole.
 * @param bake Writes a LUT as the text of its file
 * @param tools What the page can do for paper
 */
export const makeBundle = async (
  of: BundleOf,
  {
    archive,
    bake,
    tools = {},
    tell,
    signal,
  }: {
    readonly archive: Client<ArchiveJobs>;
    readonly bake: (lut: LutToBake) => Promise<Result<string>>;
    readonly tools?: PaperTools;
    readonly tell: Tell;
    readonly signal: AbortSignal;
  },
): Promise<Result<MadeBundle>> => {
  const { files, leftOut } = bundleFiles(of);
  const lost = [...leftOut];
  const parts: Uint8Array<ArrayBuffer>[] = [];
  const sealed: (Sealed & Pick<BundleFile, 'path' | 'says'>)[] = [];
  await archive.call('begin', {}, { signal });
  const add = async (path: string, content: Content): Promise<Result<Sealed>> => {
    const added = unwrapped(await archive.call('add', { path, content }, { signal }));
    if (!added.ok) return added;
    parts.push(...added.value.parts);
    return success({ bytes: added.value.bytes, sha256: added.value.sha256 });
  };
  const contentOf = async (file: BundleFile): Promise<Result<Content>> => {
    if ('lut' in file) return bake(file.lut);
    if ('text' in file) return success(file.text);
    try {
      return success(await file.bytes(tools));
    } catch (error) {
      return failure('bundle', failureWords(error));
    }
  };
  for (const [i, file] of files.entries()) {
    if (signal.aborted) return STOPPED;
    tell(file.path, i + 1, files.length + 1);
    const content = await contentOf(file);
    if (!content.ok) {
      lost.push(`${file.path}: ${content.reason}`);
      continue;
    }
    const added = await add(file.path, content.value);
    if (!added.ok) return added;
    sealed.push({ path: file.path, says: file.says, ...added.value });
  }
  const last = await add('manifest.json', manifestOf(of, sealed, lost));
  if (!last.ok) return last;
  const end = unwrapped(await archive.call('end', {}, { signal }));
  if (!end.ok) return end;
  return success({ parts: [...parts, ...end.value], files: sealed.length + 1, leftOut: lost });
};
