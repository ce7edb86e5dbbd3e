'use client';

import Button from 'react-bootstrap/Button';
import { Progress } from '#ui/parts/Progress.tsx';
import { words } from '#ui/wording/gradeLight.ts';
import type { LutSpec } from '#workers/luts/lutSpec.ts';
import { useContentLight } from './useContentLight.ts';

/** Light levels of the clip on the bench, as its metadata wants them. */
export const ContentLightLine = ({ spec }: { spec: LutSpec }) => {
  const { found, share, measure, stop } = useContentLight(spec);
  return (
    <div className="exports grade-light" role="status">
      {share === undefined ? (
        <Button size="sm" variant="outline-secondary" onClick={measure}>
          {words.measureLight}
        </Button>
      ) : (
        <>
          <Progress className="bundle-progress" now={100 * share} label={words.measureLight} />
          <Button size="sm" variant="outline-secondary" onClick={stop}>
            {words.stop}
          </Button>
        </>
      )}
      {found?.ok && (
        <span>
          {words.contentLight(found.value.maxCll.toFixed(0), found.value.maxFall.toFixed(0))}{' '}
          <span className="quiet">
            {found.value.frames < found.value.of
              ? words.ofSpread(found.value.frames, found.value.of)
              : words.ofAll(found.value.frames)}
          </span>
        </span>
      )}
      {found?.ok === false && <span className="field-error">{found.reason}</span>}
    </div>
  );
};
