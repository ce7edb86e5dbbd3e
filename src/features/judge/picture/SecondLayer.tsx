'use client';

import { useMemo } from 'react';
import type { PictureRequest, Pixels } from '#workers/judge/protocol.ts';
import type { Outcome } from '#workers/rpc/protocol.ts';
import { useBench, useSession } from '#ui/bench/hooks.ts';
import { WipeOver } from '#ui/parts/WipeOver.tsx';
import { useCanvas } from '#ui/bench/useAnswer.ts';

export type Against = 'recorded' | 'stops' | 'hero';

const NAMES: { readonly [K in Against]: string } = { recorded: 'as recorded', stops: 'stops', hero: 'hero' };

/** The picture that the first one is held against, as the worker draws it. */
const useAgainst = (against: Against | undefined, request: PictureRequest | undefined, serial?: number) => {
  const { session } = useBench();
  const hero = useSession((state) => state.hero?.hero);
  const ask = useMemo(() => {
    if (!against || !request || serial === undefined) return undefined;
    return async (signal: AbortSignal): Promise<Outcome<Pixels>> => {
      // Only the picture: zebras and clip codes are those of the frame on the bench, whose depth the hero may
      // not share.
      const bare = {
        ...request,
        contours: false,
        rangeZebras: [],
        warningZebra: undefined,
        clipCode: undefined,
      };
      if (against !== 'hero') return session.look.picture({ ...bare, view: against }, { signal });
      if (hero === undefined) return { state: 'cancelled' };
      const outcome = await session.look.reference({ ...bare, hero }, { signal });
      if (outcome.state !== 'done') return outcome;
      return outcome.output.ok
        ? { state: 'done', output: outcome.output.value }
        : { state: 'failed', reason: outcome.output.reason };
    };
  }, [session, against, request, serial, hero]);
  return useCanvas(ask);
};

/** A second picture over the first, from a line on. */
export const Wipe = ({
  against,
  request,
  serial,
}: {
  against: Against;
  request: PictureRequest;
  serial: number;
}) => {
  const { canvas } = useAgainst(against, request, serial);
  return <WipeOver name={NAMES[against]} canvas={canvas} />;
};

/** The second picture beside the first. */
export const Beside = ({
  against,
  request,
  serial,
  width,
  height,
}: {
  against: Against;
  request: PictureRequest;
  serial: number;
  width: number;
  height: number;
}) => {
  const { canvas } = useAgainst(against, request, serial);
  return (
    <div className="picture-sheet" style={{ width, height }}>
      <canvas ref={canvas} role="img" aria-label={NAMES[against]} />
      <span className="wipe-name">{NAMES[against]}</span>
    </div>
  );
};
