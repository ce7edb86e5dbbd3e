'use client';

import { standardSchemaResolver } from '@hookform/resolvers/standard-schema';
import Link from 'next/link';
import { useId } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { FormProvider, useForm } from 'react-hook-form';
import * as z from 'zod/mini';
import { setupFrom, TEMPLATE_IDS, TEMPLATES, type StartFrom } from '#store/templates.ts';
import { nameSchema } from '#store/records/common.ts';
import { useBench, useHrefTo, useRecords, useSelect, useSelection } from '../bench/hooks.ts';
import { TextField } from '../forms/FormFields.tsx';
import { words } from '#ui/wording/setCardOpened.ts';

const FORM = z.object({ name: nameSchema, from: z.string() });

/** What a choice means: a template, a set-up, or nothing. */
const startOf = (choice: string): StartFrom | undefined => {
  const template = TEMPLATE_IDS.find((id) => `template ${id}` === choice);
  if (template) return { template };
  return choice === '' ? undefined : { setup: choice };
};

/** A name, and it becomes a set-up of this shoot, opened on the camera at hand; shoots and cameras are made in Kit. */
export const AddShoot = ({ onLeave }: { onLeave: () => void }) => {
  const { book } = useBench();
  const { setup: beside, camera } = useSelection();
  const { setups, shoots } = useRecords();
  const select = useSelect();
  const startId = useId();
  const hrefTo = useHrefTo();
  const form = useForm({
    defaultValues: { name: '', from: '' },
    mode: 'onChange',
    resolver: standardSchemaResolver(FORM),
  });
  const { isValid, isSubmitting } = form.formState;
  const add = form.handleSubmit(async ({ name, from }) => {
    const setup = crypto.randomUUID();
    if (await book.edit(setupFrom(book.getState(), beside, camera, name, setup, startOf(from))))
      select({ setup, camera: camera.id });
    form.reset();
  });
  return (
    <FormProvider {...form}>
      <Form className="add-shoot" onSubmit={(event) => void add(event)}>
        <TextField name="name" label={words.newSetUp} hint={words.itsName} maxLength={80} />
        <Form.Label htmlFor={startId}>{words.startFrom}</Form.Label>
        <Form.Select id={startId} size="sm" {...form.register('from')}>
          <option value="">{words.startEmpty}</option>
          <optgroup label={words.templates}>
            {TEMPLATE_IDS.map((id) => (
              <option key={id} value={`template ${id}`}>
                {TEMPLATES[id].name}
              </option>
            ))}
          </optgroup>
          <optgroup label={words.setUpsPlanned}>
            {[...setups.values()].map(({ id, name, shootId }) => (
              <option key={id} value={id}>
                {words.setUpOf(name, shoots.get(shootId)?.name ?? '')}
              </option>
            ))}
          </optgroup>
        </Form.Select>
        <div className="d-flex flex-wrap align-items-center gap-2 mt-2">
          <Button type="submit" variant="outline-secondary" size="sm" disabled={!isValid || isSubmitting}>
            {words.addSetUp}
          </Button>
          <Link className="link-out" href={hrefTo('/kit', 'shoots')} onClick={onLeave}>
            {words.allShootsNewShoot}
          </Link>
          <Link className="link-out" href={hrefTo('/kit', 'new')} onClick={onLeave}>
            {words.newCamera}
          </Link>
        </div>
      </Form>
    </FormProvider>
  );
};
