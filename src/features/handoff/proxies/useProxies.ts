'use client';

import { useEffect, useRef, useState } from 'react';
import type { ProxyCodecId } from '#core/formats/proxyScript.ts';
import { failure, type Result } from '#core/result.ts';
import { failureWords } from '#store/words.ts';
import { useBench, useRecords, useSelection } from '#ui/bench/hooks.ts';
import { downloadBlob } from '#ui/download.ts';
import { useBaker } from '../bundle/useBaker.ts';
import type { LutToBake } from '../bundle/parts.ts';
import { proxyOfClip, type ProxyJob } from './proxyOfClip.ts';

/** Made at once: the helper takes no more. */
const AT_ONCE = 2;

/** How far the proxy of a clip is. */
export type ProxyState =
  | { readonly is: 'waiting' }
  | { readonly is: 'copying' }
  | { readonly is: 'making'; readonly share: number }
  | { readonly is: 'made' }
  | { readonly is: 'failed'; readonly reason: string };

export type ProxyLine = { readonly name: string; readonly state: ProxyState };

type Listed = {
  readonly jobs: readonly ProxyJob[];
  readonly strangers: readonly string[];
  readonly cubeOf: (job: ProxyJob) => LutToBake | undefined;
};

/** Proxies of the clips of the shoot, two at a time: begun with files, told line by line, stopped. */
export const useProxies = () => {
  const { database } = useBench();
  const { shoot } = useSelection();
  const records = useRecords();
  const bake = useBaker();
  const [lines, setLines] = useState<readonly ProxyLine[]>([]);
  const [strangers, setStrangers] = useState<readonly string[]>([]);
  const [problem, setProblem] = useState<string>();
  const [isRunning, setRunning] = useState(false);
  const running = useRef<AbortController>(undefined);
  useEffect(() => () => running.current?.abort(), []);

  const listed = async (files: readonly File[]): Promise<Listed> => {
    const [{ clipsOf }, { bundledClips }, { proxiesOf }, { jobsOf }] = await Promise.all([
      import('../bundle/gather.ts'),
      import('../bundle/clipFacts.ts'),
      import('../bundle/proxyFiles.ts'),
      import('./proxyOfClip.ts'),
    ]);
    const of = { ...(await clipsOf(database, records, shoot)), shoot };
    const { listed: clips, cubes } = proxiesOf(of, bundledClips(of));
    const byName = new Map(cubes.map(({ path, lut }) => [path.split('/').at(-1), lut]));
    return { ...jobsOf(files, clips), cubeOf: ({ clip }) => byName.get(clip.cube) };
  };

  const make = async (files: readonly File[], codec: ProxyCodecId) => {
    running.current?.abort();
    const mine = new AbortController();
    running.current = mine;
    setProblem(undefined);
    setRunning(true);
    try {
      const { jobs, strangers: others, cubeOf } = await listed(files);
      if (mine.signal.aborted) return;
      setStrangers(others);
      setLines(jobs.map(({ clip }) => ({ name: clip.name, state: { is: 'waiting' } })));
      const tell = (i: number, state: ProxyState) =>
        running.current === mine &&
        setLines((all) => all.map((line, n) => (n === i ? { ...line, state } : line)));
      const baked = new Map<LutToBake, Promise<Result<string>>>();
      const one = async (job: ProxyJob, i: number): Promise<void> => {
        tell(i, { is: 'copying' });
        const lut = cubeOf(job);
        const text = lut && (baked.get(lut) ?? bake(lut));
        if (lut && text) baked.set(lut, text);
        const cube = (await text) ?? failure('LUT', job.clip.cube);
        const made = cube.ok
          ? await proxyOfClip(
              job,
              { cube: cube.value, codec },
              { signal: mine.signal, tell: (share) => tell(i, { is: 'making', share }) },
            )
          : cube;
        if (made.ok) downloadBlob(`${job.clip.name}.mov`, made.value);
        tell(i, made.ok ? { is: 'made' } : { is: 'failed', reason: made.reason });
      };
      let next = 0;
      const worker = async () => {
        while (next < jobs.length && !mine.signal.aborted) {
          const i = next;
          next += 1;
          await one(jobs[i], i);
        }
      };
      await Promise.all(Array.from({ length: AT_ONCE }, worker));
    } catch (error) {
      if (running.current === mine) setProblem(failureWords(error));
    } finally {
      if (running.current === mine) setRunning(false);
    }
  };
  return {
    lines,
    strangers,
    problem,
    isRunning,
    make: (files: readonly File[], codec: ProxyCodecId) => void make(files, codec),
    stop: () => running.current?.abort(),
  };
};
