'use client';

import Form from 'react-bootstrap/Form';
import { SCOPES } from '#core/scopes/scopeList.ts';
import { LUMA, LUMA_IDS } from '#core/signal/luma.ts';
import { useSelection, useSession } from '#ui/bench/hooks.ts';
import { Popup } from '#ui/parts/Popup.tsx';
import { Segmented } from '#ui/parts/Segmented.tsx';
import { Toggle } from '#ui/parts/Toggle.tsx';
import { ScaleChoice } from './ScaleChoice.tsx';
import { regionOptions } from './scopeRegion.ts';
import type { ScopeChoice } from './useScopeChoice.ts';
import { REACHES, type ScopeDrawing } from './useScopeDrawing.ts';
import { words } from '#ui/wording/judgeScopes.ts';

type Props = { readonly choice: ScopeChoice; readonly drawing: ScopeDrawing };

const MadeOf = ({ slot, of, pickOf }: ScopeChoice) => {
  const { subjects } = useSelection();
  const patches = useSession((state) => state.patches);
  return (
    <>
      <Form.Label htmlFor={`of-${slot}`}>{words.madeOf}</Form.Label>
      <Form.Select id={`of-${slot}`} size="sm" value={of} onChange={(event) => pickOf(event.target.value)}>
        {regionOptions(patches, subjects).map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </Form.Select>
    </>
  );
};

const Brightness = ({ choice: { slot }, drawing: { settings, change } }: Props) => (
  <>
    <Form.Label className="mt-2" htmlFor={`brightness-${slot}`}>
      Brightness {Math.round(100 * settings.brightness)} %
    </Form.Label>
    <Form.Range
      id={`brightness-${slot}`}
      min="0.3"
      max="2"
      step="0.1"
      value={settings.brightness}
      onChange={(event) => change({ brightness: Number(event.target.value) })}
    />
  </>
);

const ChromaPlane = ({ settings, change, matrix, recorded }: ScopeDrawing) => (
  <>
    <span className="form-label">{words.zoom}</span>
    <Segmented
      label={words.vectorscopeZoom}
      options={REACHES.map((one, i) => ({ id: String(i), name: `${1 / one}×` }))}
      value={String(settings.zoom)}
      onPick={(id) => change({ zoom: Number(id) })}
    />
    <span className="form-label mt-2 d-block">{words.matrix}</span>
    <Segmented
      label={words.vectorscopeMatrix}
      options={LUMA_IDS.map((id) => ({
        id,
        name: LUMA[id].name,
        says: id === recorded ? words.theRecordingsOwn : words.workedOutFromRgb,
      }))}
      value={matrix}
      onPick={(id) => change({ matrix: id })}
    />
  </>
);

/** What is set less often, behind a button: part, brightness, zoom, matrix, held peaks. */
export const ScopeSettings = ({ choice, drawing }: Props) => {
  const { settings, change, frame } = drawing;
  const { plane } = SCOPES[choice.scope];
  const moves = frame !== undefined && frame.kind !== 'still';
  return (
    <Popup
      name={words.set}
      label={words.scopeSettings}
      says={words.scalePartBrightnessHold}
      placement="top-end"
    >
      {choice.slot === 'second' && <ScaleChoice {...choice} />}
      <MadeOf {...choice} />
      <Brightness choice={choice} drawing={drawing} />
      {plane === 'chroma' && <ChromaPlane {...drawing} />}
      {moves && (
        <div className="mt-2">
          <Toggle
            on={settings.hold}
            name={words.holdPeaks}
            says={words.everythingSeenSinceIt}
            onFlip={() => change({ hold: !settings.hold })}
          />
        </div>
      )}
    </Popup>
  );
};
