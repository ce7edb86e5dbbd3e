'use client';

import { useEffect, useMemo, useState } from 'react';
import { GAMUT_IDS, GAMUTS } from '#core/colour/gamut.ts';
import { SCALE_IDS, SCALES } from '#core/signal/scale.ts';
import { ANCHOR_NAMES } from '#core/profile/index.ts';
import { useBench } from '#ui/bench/BenchProvider.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import {
  ANCHOR_IDS,
  fieldsFrom,
  rescaled,
  saveProfile,
  solveFields,
  type AnchorFields,
} from './anchorForm.ts';

/** A profile from the numbers its owner finds in the menu or on paper; ladder and card follow while he types. */
export const AnchorForm = () => {
  const { selection, session, book, records } = useBench();
  const { camera, profile, plan } = selection;
  const [fields, setFields] = useState<AnchorFields>();
  const shown = fields ?? fieldsFrom(`${camera.name} log`, profile.data, 'signalPercent', camera.coding);
  const solved = useMemo(() => fields && solveFields(fields, camera.coding), [fields, camera.coding]);

  useEffect(() => {
    session.setDraft(fields && solved?.ok ? { name: fields.name, data: solved.value.profile } : undefined);
  }, [session, fields, solved]);
  useEffect(() => () => session.setDraft(undefined), [session]);

  const change = (part: Partial<AnchorFields>) => setFields({ ...shown, ...part });
  const save = async () => {
    if (!fields || !solved?.ok) return;
    const edit = saveProfile(
      crypto.randomUUID(),
      fields,
      solved.value,
      camera,
      plan,
      records.plans.has(plan.id),
    );
    if (await book.edit(edit)) setFields(undefined);
  };
  const field = (id: 'black' | 'grey' | 'white' | 'clip') => (
    <div className="anchor" key={id}>
      <label htmlFor={`anchor-${id}`}>{ANCHOR_NAMES[id]}</label>
      <input
        id={`anchor-${id}`}
        className={`form-control num${solved && !solved.ok && solved.where === ANCHOR_NAMES[id] ? ' is-invalid' : ''}`}
        inputMode="decimal"
        autoComplete="off"
        value={shown[id]}
        onChange={(event) => change({ [id]: event.target.value })}
      />
    </div>
  );
  return (
    <Panel title="From printed numbers" note="off the menu or the paper">
      <form
        className="anchor-form"
        onSubmit={(event) => {
          event.preventDefault();
          void save();
        }}
      >
        <div className="anchor-wide">
          <label htmlFor="anchor-name">Name</label>
          <input
            id="anchor-name"
            className="form-control"
            maxLength={80}
            value={shown.name}
            onChange={(event) => change({ name: event.target.value })}
          />
        </div>
        <div className="anchor-half">
          <label htmlFor="anchor-scale">Readings in</label>
          <select
            id="anchor-scale"
            className="form-select"
            value={shown.scale}
            onChange={(event) =>
              setFields(rescaled(shown, event.target.value as AnchorFields['scale'], camera.coding))
            }
          >
            {SCALE_IDS.map((id) => (
              <option key={id} value={id}>
                {SCALES[id].name}
              </option>
            ))}
          </select>
        </div>
        <div className="anchor-half">
          <label htmlFor="anchor-gamut">Gamut</label>
          <select
            id="anchor-gamut"
            className="form-select"
            value={shown.gamut}
            onChange={(event) => change({ gamut: event.target.value as AnchorFields['gamut'] })}
          >
            {GAMUT_IDS.map((id) => (
              <option key={id} value={id}>
                {GAMUTS[id].name}
              </option>
            ))}
          </select>
        </div>
        {ANCHOR_IDS.map(field)}
        <div className="anchor">
          <label htmlFor="anchor-clip-stops">clip at stop</label>
          <input
            id="anchor-clip-stops"
            className="form-control num"
            inputMode="decimal"
            autoComplete="off"
            placeholder="unknown"
            value={shown.clipStops}
            onChange={(event) => change({ clipStops: event.target.value })}
          />
        </div>
        <div className="anchor-wide anchor-answer" aria-live="polite">
          {!solved && (
            <p className="quiet">Filled in from {profile.name}. Type over what your camera’s paper says.</p>
          )}
          {solved && !solved.ok && (
            <p className="field-error" role="alert">
              {solved.reason}
            </p>
          )}
          {solved?.ok && (
            <>
              <p>
                Fits within{' '}
                <strong className="num">
                  {(100 * Math.max(...solved.value.residuals.map((r) => Math.abs(r.signal)))).toFixed(2)} %
                </strong>{' '}
                of signal. Inferred: at −3 it may lie{' '}
                <strong className="num">±{solved.value.profile.band?.stopsWide[15].toFixed(2)}</strong> stop
                off; a reading of a dark chip three stops under grey would narrow it most.
              </p>
              {solved.value.warnings.map((warning) => (
                <p key={warning} className="text-warn">
                  {warning}
                </p>
              ))}
            </>
          )}
        </div>
        <div className="anchor-wide d-flex gap-2">
          <button type="submit" className="btn btn-primary" disabled={!solved?.ok}>
            Save and use on {camera.name}
          </button>
          <button
            type="button"
            className="btn btn-outline-secondary"
            disabled={!fields}
            onClick={() => setFields(undefined)}
          >
            Discard
          </button>
        </div>
      </form>
    </Panel>
  );
};
