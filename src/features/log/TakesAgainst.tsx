'use client';

import Link from 'next/link';
import { useHrefTo } from '#ui/bench/hooks.ts';
import { useTakesAgainst } from '#ui/bench/useTakesAgainst.ts';
import { words } from '#ui/wording/log.ts';

/** Said where takes read the card elsewhere than the inferred profile in use has it. */
export const TakesAgainst = () => {
  const { said } = useTakesAgainst();
  const hrefTo = useHrefTo();
  return said === undefined ? null : (
    <p className="text-warn" role="status">
      {said} <Link href={`${hrefTo('/kit', 'camera')}&figures=evidence`}>{words.lookAtTheEvidence}</Link>
    </p>
  );
};
