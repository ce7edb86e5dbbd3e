'use client';

import { useEffect, useRef, useState } from 'react';
import { failureWords } from '#store/words.ts';
import { useBench, useRecords, useSelection } from '#ui/bench/hooks.ts';
import { downloadParts } from '#ui/download.ts';
import { PAGE_TOOLS } from '#ui/paper/tools.ts';
import { startArchive } from '#workers/archive/client.ts';
import { stillBox } from '../stills/stillBox.ts';
import { fileName, narrowed, type Extent } from './extent.ts';
import { useBaker } from './useBaker.ts';

/** What making the bundle has come to. */
export type BundleState =
  | { readonly is: 'idle' }
  | { readonly is: 'making'; readonly path: string; readonly at: number; readonly of: number }
  | {
      readonly is: 'made';
      readonly name: string;
      readonly files: number;
      readonly bytes: number;
      readonly leftOut: readonly string[];
    }
  | { readonly is: 'refused'; readonly reason: string };

/** The bundle of the shoot: making it, how far it is, what came of it. */
export const useBundle = () => {
  const { database } = useBench();
  const { shoot } = useSelection();
  const records = useRecords();
  const bake = useBaker();
  const [state, setState] = useState<BundleState>({ is: 'idle' });
  const running = useRef<AbortController>(undefined);
  useEffect(() => () => running.current?.abort(), []);
  const make = async (extent: Extent) => {
    running.current?.abort();
    const mine = new AbortController();
    running.current = mine;
    setState({ is: 'making', path: '', at: 0, of: 1 });
    const archive = startArchive();
    const isMine = () => running.current === mine && !mine.signal.aborted;
    try {
      const [{ makeBundle }, { gather }] = await Promise.all([
        import('./makeBundle.ts'),
        import('./gather.ts'),
      ]);
      const stills = await stillBox(database).ofShoot(shoot.id);
      const made = await makeBundle(
        narrowed({ ...(await gather(database, records, shoot)), stills }, extent),
        {
          archive,
          bake,
          tools: PAGE_TOOLS,
          signal: mine.signal,
          tell: (path, at, of) => isMine() && setState({ is: 'making', path, at, of }),
        },
      );
      if (!isMine()) return;
      if (!made.ok) {
        setState({ is: 'refused', reason: made.reason });
        return;
      }
      const { parts, files, leftOut } = made.value;
      const name = `${fileName(shoot.name, extent)}-for-post.zip`;
      downloadParts(name, parts, 'application/zip');
      setState({
        is: 'made',
        name,
        files,
        bytes: parts.reduce((sum, part) => sum + part.length, 0),
        leftOut,
      });
    } catch (error) {
      if (isMine()) setState({ is: 'refused', reason: failureWords(error) });
    } finally {
      archive.end();
    }
  };
  return {
    state,
    make: (extent: Extent) => void make(extent),
    stop: () => {
      running.current?.abort();
      setState({ is: 'idle' });
    },
  };
};
