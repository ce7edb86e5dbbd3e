'use client';

import { useEffect, useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { FormProvider } from 'react-hook-form';
import type { ProfileSolution } from '#core/profile/index.ts';
import { printStops, printStopsDecimal } from '#core/units.ts';
import { freeName } from '#store/freeName.ts';
import { useBench, useSelection } from '#ui/bench/hooks.ts';
import { Folded } from '#ui/parts/Folded.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { Segmented } from '#ui/parts/Segmented.tsx';
import { GamutField } from './GamutField.tsx';
import { addToProfile, saveProfile } from './saveProfile.ts';
import { WAY_IDS, wayOf, type WayId } from './ways/index.ts';
import { useWayForm } from './ways/useWayForm.ts';
import { words } from '#ui/wording/kit.ts';

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
        <Folded title={words.residualOfEachReading}>
          <p className="num residuals">
            {residuals.map(({ name, stops, outlier }) => (
              <span key={name} className={outlier ? 'text-warn' : undefined}>
                {name}: {printStopsDecimal(stops ?? 0, 2)}
                {outlier ? ' left out' : ''}
              </span>
            ))}
          </p>
        </Folded>
      )}
    </>
  );
};

/** A profile by one way in. */
const WayForm = ({ wayId }: { wayId: WayId }) => {
  const { session, book } = useBench();
  const { camera, profile, plan } = useSelection();
  const [ownName, setName] = useState<string>();
  const name = ownName ?? `${camera.name} log`;
  const way = wayOf(wayId);
  const { form, fields, gamut, solved, isTouched, example, discard, change, changeGamut } = useWayForm(
    way,
    profile.data,
    camera.coding,
  );
  useEffect(() => {
    session.draft.solve(solved?.ok ? { name, data: solved.value.profile } : undefined);
  }, [session, name, solved]);
  useEffect(() => () => session.draft.solve(undefined), [session]);

  const save = async () => {
    if (!solved?.ok) return;
    const free = freeName(book.getState().profiles, name.trim() || 'my profile');
    const made = { id: crypto.randomUUID(), name: free, way: wayId, solution: solved.value, now: new Date() };
    if (await book.edit(saveProfile(made, camera, plan))) discard();
  };
  const [trouble, setTrouble] = useState<string>();
  const canAdd = profile.evidence !== undefined && profile.evidence.length > 0 && wayId !== 'edit';
  const add = async () => {
    if (!solved?.ok) return;
    const made = { id: crypto.randomUUID(), way: wayId, solution: solved.value, now: new Date() };
    const edit = addToProfile(profile, made);
    setTrouble(edit.ok ? undefined : edit.reason);
    if (edit.ok && (await book.edit(edit.value))) discard();
  };
  const { Fields } = way;
  return (
    <FormProvider {...form}>
      <Form className="anchor-form" onSubmit={(event) => void form.handleSubmit(save)(event)}>
        <Form.Group className="anchor-half" controlId="anchor-name">
          <Form.Label>{words.name}</Form.Label>
          <Form.Control maxLength={80} value={name} onChange={(event) => setName(event.target.value)} />
        </Form.Group>
        <GamutField
          value={gamut}
          curve={solved?.ok ? solved.value.profile : profile.data}
          onChange={changeGamut}
        />
        <Fields
          fields={fields}
          change={change as (part: unknown) => void}
          coding={camera.coding}
          example={example}
        />
        <div className="anchor-wide anchor-answer" aria-live="polite">
          {!solved && (
            <p className="quiet">
              {way.says}{' '}
              {way.id === 'edit'
                ? `Begun from ${profile.name}.`
                : `Grey figures are an example, ${profile.name}: only what you type counts.`}
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
          <Button variant="outline-secondary" disabled={!isTouched} onClick={discard}>
            {words.discard}
          </Button>
          {canAdd && (
            <Button variant="outline-secondary" disabled={!solved?.ok} onClick={() => void add()}>
              {words.addToProfile(profile.name)}
            </Button>
          )}
        </div>
        {trouble && <p className="anchor-wide field-error">{trouble}</p>}
      </Form>
    </FormProvider>
  );
};

/** A profile of the user’s own; ladder and card follow while he types. */
export const ProfileMaker = () => {
  const [wayId, setWayId] = useState<WayId>('anchors');
  return (
    <Panel title={words.ownProfile} note={words.ladderTableAndCard}>
      <Segmented
        label={words.wayIn}
        options={WAY_IDS.map((id) => ({ id, name: wayOf(id).name, says: wayOf(id).says }))}
        value={wayId}
        onPick={setWayId}
      />
      <WayForm key={wayId} wayId={wayId} />
    </Panel>
  );
};
