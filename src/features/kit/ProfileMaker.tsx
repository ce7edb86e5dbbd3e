'use client';

import { useEffect, useMemo, useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import type { GamutSpec } from '#core/colour/gamut.ts';
import type { ProfileSolution } from '#core/profile/index.ts';
import { printStops, printStopsDecimal } from '#core/units.ts';
import { freeName } from '#store/takeIn.ts';
import { useBench, useSelection } from '#ui/bench/hooks.ts';
import { Panel } from '#ui/parts/Panel.tsx';
import { Segmented } from '#ui/parts/Segmented.tsx';
import { GamutField } from './GamutField.tsx';
import { saveProfile } from './saveProfile.ts';
import { WAY_IDS, wayOf, type WayId } from './ways/index.ts';

const Answer = ({ solution }: { solution: ProfileSolution }) => {
  const { residuals, warnings, findings = [], narrowing, profile, continuity } = solution;
  const believed = residuals.filter(({ outlier }) => !outlier);
  const worst = Math.max(0, ...believed.map(({ signal }) => Math.abs(signal)));
  return (
    <>
      {residuals.length > 0 && (
        <p>
          Fits within <strong className="num">{(100 * worst).toFixed(2)} %</strong> of signal.
          {narrowing && narrowing.after < narrowing.before - 0.005 && (
            <>
              {' '}
              Inferred: ±<strong className="num">{narrowing.before.toFixed(2)}</strong> stop on average from
              −5 to +5. A reading at <strong className="num">{printStops(narrowing.stops)}</strong> would
              narrow it most, to ±<span className="num">{narrowing.after.toFixed(2)}</span>.
            </>
          )}
        </p>
      )}
      {residuals.length === 0 && <p>Clip at {printStopsDecimal(profile.clipStops)}; nothing is inferred.</p>}
      {continuity && (
        <p>
          At the cut: value off by{' '}
          <span className="num">{Math.abs(100 * continuity.value).toFixed(2)} %</span> of signal, slope by{' '}
          <span className="num">{Math.abs(100 * continuity.slope).toFixed(0)} %</span>.
        </p>
      )}
      {findings.map((finding) => (
        <p key={finding}>{finding}</p>
      ))}
      {warnings.map((warning) => (
        <p key={warning} className="text-warn">
          {warning}
        </p>
      ))}
      {residuals.some(({ stops }) => stops !== undefined) && (
        <details>
          <summary>Residual of each reading, stops</summary>
          <p className="num residuals">
            {residuals.map(({ name, stops, outlier }) => (
              <span key={name} className={outlier ? 'text-warn' : undefined}>
                {name}: {printStopsDecimal(stops ?? 0, 2)}
                {outlier ? ' left out' : ''}
              </span>
            ))}
          </p>
        </details>
      )}
    </>
  );
};

/** A profile of the user's own, by one of the ways in; ladder and card follow while he types. */
export const ProfileMaker = () => {
  const { session, book } = useBench();
  const selection = useSelection();
  const { camera, profile, plan } = selection;
  const [wayId, setWayId] = useState<WayId>('anchors');
  const [touched, setTouched] = useState<{ readonly fields: unknown }>();
  const [typedName, setName] = useState<string>();
  const name = typedName ?? `${camera.name} log`;
  const [gamut, setGamut] = useState<GamutSpec>(profile.data.gamut);
  const way = wayOf(wayId);
  const begun = useMemo(() => way.start(profile.data, camera.coding), [way, profile.data, camera.coding]);
  const fields = touched ? touched.fields : begun;
  const solved = useMemo(
    () => touched && way.solve(touched.fields, camera.coding, gamut),
    [touched, way, camera.coding, gamut],
  );

  useEffect(() => {
    session.draft.solve(solved?.ok ? { name, data: solved.value.profile } : undefined);
  }, [session, name, solved]);
  useEffect(() => () => session.draft.solve(undefined), [session]);

  const pickGamut = (next: GamutSpec) => {
    setGamut(next);
    setTouched({ fields });
  };
  const save = async () => {
    if (!solved?.ok) return;
    const free = freeName(book.getState().profiles, name.trim() || 'my profile');
    const made = { id: crypto.randomUUID(), name: free, way: wayId, solution: solved.value };
    if (await book.edit(saveProfile(made, camera, plan))) setTouched(undefined);
  };
  const { Fields } = way;
  return (
    <Panel title="Own profile" note="ladder, table and card follow">
      <Segmented
        label="Way in"
        options={WAY_IDS.map((id) => ({ id, name: wayOf(id).name, says: wayOf(id).says }))}
        value={wayId}
        onPick={(id) => {
          setWayId(id);
          setTouched(undefined);
        }}
      />
      <form
        className="anchor-form"
        onSubmit={(event) => {
          event.preventDefault();
          void save();
        }}
      >
        <div className="anchor-half">
          <label htmlFor="anchor-name">Name</label>
          <Form.Control
            id="anchor-name"
            maxLength={80}
            value={name}
            onChange={(event) => setName(event.target.value)}
          />
        </div>
        <GamutField value={gamut} onChange={pickGamut} />
        <Fields
          fields={fields}
          onChange={(next) => setTouched({ fields: next })}
          coding={camera.coding}
          failure={solved && !solved.ok ? solved : undefined}
        />
        <div className="anchor-wide anchor-answer" aria-live="polite">
          {!solved && (
            <p className="quiet">
              {way.says} Filled in from {profile.name}: type over it.
            </p>
          )}
          {solved && !solved.ok && (
            <p className="field-error" role="alert">
              {solved.reason}
            </p>
          )}
          {solved?.ok && <Answer solution={solved.value} />}
        </div>
        <div className="anchor-wide d-flex gap-2">
          <Button type="submit" variant="primary" disabled={!solved?.ok}>
            Save and use on {camera.name}
          </Button>
          <Button variant="outline-secondary" disabled={!touched} onClick={() => setTouched(undefined)}>
            Discard
          </Button>
        </div>
      </form>
    </Panel>
  );
};
