'use client';

import { standardSchemaResolver } from '@hookform/resolvers/standard-schema';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { FormProvider, useForm } from 'react-hook-form';
import * as z from 'zod/mini';
import { newSetup, newShoot } from '#store/newShoot.ts';
import { nameSchema } from '#store/records/common.ts';
import { useBench, useSelect, useSelection } from '../bench/hooks.ts';
import { TextField } from '../forms/FormFields.tsx';

const id = () => crypto.randomUUID();
const FORM = z.object({ name: nameSchema });

/** A name, and it becomes a set-up of this shoot or a shoot of its own. */
export const AddShoot = () => {
  const { book } = useBench();
  const selection = useSelection();
  const select = useSelect();
  const form = useForm({
    defaultValues: { name: '' },
    mode: 'onChange',
    resolver: standardSchemaResolver(FORM),
  });
  const { isValid, isSubmitting } = form.formState;
  const isReady = isValid && !isSubmitting;
  const addSetup = form.handleSubmit(async ({ name }) => {
    const setup = id();
    if (await book.edit(newSetup(book.getState(), selection.setup, name, setup))) select({ setup });
    form.reset();
  });
  const addShoot = form.handleSubmit(async ({ name }) => {
    const shoot = id();
    if (await book.edit(newShoot(book.getState(), name, { shoot, setup: id() }))) select({ shoot });
    form.reset();
  });
  return (
    <FormProvider {...form}>
      <Form className="add-shoot" onSubmit={(event) => void addSetup(event)}>
        <TextField name="name" label="New" hint="Name of a set-up or shoot" maxLength={80} />
        <div className="d-flex gap-2 mt-2">
          <Button type="submit" variant="outline-secondary" size="sm" disabled={!isReady}>
            Add set-up
          </Button>
          <Button variant="outline-secondary" size="sm" disabled={!isReady} onClick={() => void addShoot()}>
            Add shoot
          </Button>
        </div>
      </Form>
    </FormProvider>
  );
};
