'use client';

import { standardSchemaResolver } from '@hookform/resolvers/standard-schema';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { FormProvider, useForm, useWatch } from 'react-hook-form';
import { useEffect, useState } from 'react';
import { printStops } from '#core/units.ts';
import { useBench, useHrefTo, useSelection } from '#ui/bench/hooks.ts';
import { FormProblems, SelectField, TextField } from '#ui/forms/FormFields.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { scaleOptions } from '../ways/scaleOptions.ts';
import { PLAIN_CAMERA } from './plainCamera.ts';
import { newCameraEdit, newCameraForm, profileWords, type NewCamera } from './newCameraModel.ts';
import { askedIds, assumedIds, NO_ANSWERS, questionOf, type QuestionId } from './questions.ts';
import { words } from '#ui/wording/kitNewCamera.ts';

type Values = Record<string, string>;

/** The paper's scales, each with its own depth, as the camera records. */
const paperScales = (bitDepth: string) =>
  scaleOptions({ ...PLAIN_CAMERA.coding, bitDepth: Number(bitDepth || PLAIN_CAMERA.coding.bitDepth) });

const QuestionRow = ({ id, answers }: { id: QuestionId; answers: Values }) => {
  const { label, find, assumed, hint, isWords, options } = questionOf(id);
  const choices = id === 'scale' ? paperScales(answers.bitDepth) : options;
  return (
    <div className="question" data-question={id}>
      {choices ? (
        <SelectField name={id} label={label} options={[['', 'don’t know'], ...choices]} />
      ) : (
        <TextField name={id} label={label} isNumber={!isWords} hint={hint} maxLength={80} />
      )}
      <p className="quiet">
        {find}{' '}
        {answers[id].trim() === '' && (
          <span className="assumed">
            {choices ? 'Not known' : 'Left empty'}: {assumed}.
          </span>
        )}
      </p>
    </div>
  );
};

/** A camera of one's own by a few questions; each says how to find the answer, and what is assumed without it. */
export const NewCameraView = () => {
  const { book } = useBench();
  const { shoot, setup } = useSelection();
  const router = useRouter();
  const hrefTo = useHrefTo();
  const [here, setHere] = useState(!shoot.isDemo);
  const form = useForm<Values, unknown, NewCamera>({
    defaultValues: { ...NO_ANSWERS, shootName: 'My shoot' },
    resolver: standardSchemaResolver(newCameraForm),
  });
  const answers = useWatch({ control: form.control }) as Values;
  const { isSubmitted } = form.formState;
  const { trigger } = form;
  // Answers lean on each other: once told what is wrong, all of them are read anew with each change.
  useEffect(() => {
    if (isSubmitted) void trigger();
  }, [answers, isSubmitted, trigger]);
  const read = newCameraForm.safeParse(answers);
  const save = form.handleSubmit(async (made) => {
    const id = () => crypto.randomUUID() as string;
    const ids = { camera: id(), profile: id(), shoot: id(), setup: id() };
    const into = here ? { setup } : { shootName: answers.shootName.trim() || 'My shoot' };
    if (!(await book.edit(newCameraEdit(book.getState(), made, ids, into)))) return;
    const there = new URL(hrefTo('/plan'), window.location.href);
    there.searchParams.delete('part');
    const at = here ? { shoot: shoot.id, setup: setup.id } : { shoot: ids.shoot, setup: ids.setup };
    for (const [key, value] of Object.entries({ ...at, camera: ids.camera }))
      there.searchParams.set(key, value);
    router.push(`${there.pathname}${there.search}`);
  });
  const assumed = assumedIds(answers).length;
  return (
    <FormProvider {...form}>
      <Form className="kit" onSubmit={(event) => void save(event)}>
        <Panel title={words.newCamera} note={words.whatYouDoNot}>
          {askedIds(answers).map((id) => (
            <QuestionRow key={id} id={id} answers={answers} />
          ))}
        </Panel>
        <div className="kit-side new-camera-side">
          <Panel title={words.whereItWorks}>
            {!shoot.isDemo && (
              <Form.Check
                type="radio"
                name="into"
                id="into-here"
                label={`In ${setup.name} of ${shoot.name}`}
                checked={here}
                onChange={() => setHere(true)}
              />
            )}
            <Form.Check
              type="radio"
              name="into"
              id="into-new"
              label={words.inANewShoot}
              checked={!here}
              onChange={() => setHere(false)}
            />
            {!here && (
              <TextField name="shootName" label={words.nameOfTheShoot} maxLength={80} className="mt-2" />
            )}
          </Panel>
          <Panel title={words.whatItComesTo}>
            {read.success && read.data.profile && <p>Its profile: {profileWords(read.data)}.</p>}
            {assumed > 0 && (
              <p className="quiet">
                {assumed === 1 ? 'One answer is' : `${assumed} answers are`} assumed, as said beside the
                question; Kit changes each of them later.
              </p>
            )}
            <p className="quiet">
              Not asked, and taken as usual: BT.709 primaries for a typed profile, ISO 100 to 12800,{' '}
              {PLAIN_CAMERA.kelvinRange.join(' to ')} K, no tint, usable down to{' '}
              {printStops(PLAIN_CAMERA.floorStops)} stops from grey. Kit measures or changes them.
            </p>
            <FormProblems />
            <Button type="submit" variant="primary" disabled={form.formState.isSubmitting}>
              {words.addCameraAndShow}
            </Button>
          </Panel>
        </div>
      </Form>
    </FormProvider>
  );
};
