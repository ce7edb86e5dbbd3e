import type { ServedClip } from '#core/frame/servedClip.ts';
import type { ProxyClip, ProxyCodecId } from '#core/formats/proxyScript.ts';
import { failure, success, type Result } from '#core/result.ts';
import { words } from '#ui/wording/proxies.ts';

/** A clip on this machine that belongs to the shoot. */
export type ProxyJob = { readonly file: File; readonly clip: ProxyClip };

/** Files that are clips of the shoot, by name and length, and the names of those that are not. */
export const jobsOf = (
  files: readonly File[],
  clips: readonly ProxyClip[],
): { readonly jobs: readonly ProxyJob[]; readonly strangers: readonly string[] } => {
  const jobs: ProxyJob[] = [];
  const strangers: string[] = [];
  for (const file of files) {
    const name = file.name.toLowerCase();
    const clip = clips.find((one) => one.file.toLowerCase() === name && one.bytes === file.size);
    if (!clip) strangers.push(file.name);
    else if (!jobs.some((job) => job.clip === clip)) jobs.push({ file, clip });
  }
  return { jobs, strangers };
};

/** Lines of JSON as they come. */
async function* linesOf(body: ReadableStream<Uint8Array>): AsyncGenerator<unknown> {
  const decoder = new TextDecoder();
  let rest = '';
  const reader = body.getReader();
  try {
    for (;;) {
      const { done, value } = await reader.read();
      rest += decoder.decode(value, { stream: !done });
      const lines = rest.split('\n');
      rest = done ? '' : (lines.pop() ?? '');
      for (const line of lines) if (line !== '') yield JSON.parse(line);
      if (done) return;
    }
  } finally {
    reader.releaseLock();
  }
}

type Said = { readonly share: number } | Result<{ readonly bytes: number }>;

/** Whether this machine has what makes proxies. */
export const canMakeProxies = async (): Promise<boolean> => {
  const answer = await fetch('/api/clips').catch(() => undefined);
  return answer?.ok === true && ((await answer.json()) as { readonly ffmpeg?: unknown }).ffmpeg === true;
};

const ordered = async (
  id: string,
  order: object,
  signal: AbortSignal,
  tell: (share: number) => void,
): Promise<Result<Blob>> => {
  const path = `/api/clips/${id}/proxy`;
  const headers = { 'Content-Type': 'application/json' };
  const answer = await fetch(path, { method: 'POST', headers, body: JSON.stringify(order), signal });
  if (!answer.ok || !answer.body) return failure('helper', words.refuses(answer.status));
  let last: Said | undefined;
  for await (const line of linesOf(answer.body)) {
    last = line as Said;
    if ('share' in last) tell(last.share);
  }
  if (!last || 'share' in last) return failure('helper', words.noAnswer);
  if (!last.ok) return last;
  const made = await fetch(path, { signal });
  return made.ok ? success(await made.blob()) : failure('helper', words.refuses(made.status));
};

/**
 * A proxy of a clip by this machine's ffmpeg. The copy of the clip that is made for it goes with it.
 * @param cube Text of the cube that is burned in
 * @param tell Share that is made, 0..1; nothing is told while the clip is copied
 */
export const proxyOfClip = async (
  { file, clip }: ProxyJob,
  { cube, codec }: { readonly cube: string; readonly codec: ProxyCodecId },
  { signal, tell }: { readonly signal: AbortSignal; readonly tell: (share: number) => void },
): Promise<Result<Blob>> => {
  let id: string | undefined;
  try {
    const answer = await fetch('/api/clips', { method: 'POST', body: file, signal });
    if (!answer.ok) return failure('helper', words.refuses(answer.status));
    const taken = (await answer.json()) as Result<ServedClip>;
    if (!taken.ok) return taken;
    ({ id } = taken.value);
    const { range, matrix, timecode } = clip;
    return await ordered(id, { cube, range, matrix, timecode, codec }, signal, tell);
  } catch {
    return failure('helper', signal.aborted ? words.stopped : words.noAnswer);
  } finally {
    if (id !== undefined)
      void fetch(`/api/clips/${id}`, { method: 'DELETE', keepalive: true }).catch(() => undefined);
  }
};
