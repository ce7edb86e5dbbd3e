'use client';

import { PackageOpen } from 'lucide-react';
import Button from 'react-bootstrap/Button';
import { useSelection } from '#ui/bench/hooks.ts';
import { Progress } from '#ui/parts/Progress.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { words } from '#ui/wording/bundle.ts';
import { useBundle } from './bundle/useBundle.ts';

/** Everything for post in one zip. */
export const BundlePanel = () => {
  const { shoot } = useSelection();
  const { state, make, stop } = useBundle();
  return (
    <Panel title={words.bundle} note={words.bundleSays(shoot.name)}>
      <div className="exports">
        {state.is === 'making' ? (
          <>
            <Progress
              className="bundle-progress"
              now={(100 * state.at) / state.of}
              label={words.makeBundle}
            />
            <Button variant="outline-secondary" onClick={stop}>
              {words.stopBundle}
            </Button>
            <span className="quiet bundle-file">{words.bundling(state.path, state.at, state.of)}</span>
          </>
        ) : (
          <Button onClick={make}>
            <PackageOpen size={16} aria-hidden="true" /> {words.makeBundle}
          </Button>
        )}
        {state.is === 'idle' && <span className="quiet">{words.holds}</span>}
      </div>
      <div role="status">
        {state.is === 'made' && (
          <p className="bundle-made">
            {words.bundled(state.name, state.files, (state.bytes / 1e6).toFixed(1))}
          </p>
        )}
        {state.is === 'made' && state.leftOut.length > 0 && (
          <>
            <p className="quiet bundle-made">{words.readmeLeftOut}</p>
            <ul className="bundle-left">
              {state.leftOut.map((one) => (
                <li key={one}>{one}</li>
              ))}
            </ul>
          </>
        )}
        {state.is === 'refused' && <p className="field-error">{state.reason}</p>}
      </div>
    </Panel>
  );
};
