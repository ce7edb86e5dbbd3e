'use client';

import { PackageOpen, X } from 'lucide-react';
import Button from 'react-bootstrap/Button';
import { Progress } from '#ui/parts/Progress.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { words } from '#ui/wording/bundle.ts';
import { ExtentSelect, useExtent } from './ExtentSelect.tsx';
import { useBundle } from './bundle/useBundle.ts';
import { useKeptStills } from './stills/useKeptStills.ts';

/** Pictures that go into it, each taken out by a press. */
const KeptStills = () => {
  const { stills, drop } = useKeptStills();
  return (
    <div className="kept-stills quiet">
      {stills.length === 0 ? words.noStills : words.stillsKept(stills.length)}
      {stills.map((still) => (
        <Button
          key={still.name}
          size="sm"
          variant="outline-secondary"
          aria-label={words.dropStill(still.name)}
          onClick={() => void drop(still)}
        >
          {still.name} <X size={14} aria-hidden="true" />
        </Button>
      ))}
    </div>
  );
};

/** Everything for post in one zip. */
export const BundlePanel = () => {
  const { state, make, stop } = useBundle();
  const { extents, extent, setId } = useExtent();
  return (
    <Panel title={words.bundle} note={words.bundleSays}>
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
          <>
            <ExtentSelect extents={extents} extent={extent} label={words.goesIn} onPick={setId} />
            <Button onClick={() => make(extent)}>
              <PackageOpen size={16} aria-hidden="true" /> {words.makeBundle}
            </Button>
          </>
        )}
        {state.is === 'idle' && <span className="quiet">{words.holds}</span>}
      </div>
      <KeptStills />
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
