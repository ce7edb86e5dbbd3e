'use client';

import { standardSchemaResolver } from '@hookform/resolvers/standard-schema';
import Link from 'next/link';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { FormProvider, useForm } from 'react-hook-form';
import * as z from 'zod/mini';
import { newSetup } from '#store/newShoot.ts';
import { nameSchema } from '#store/records/common.ts';
import { useBench, useHrefTo, useSelect, useSelection } from '../bench/hooks.ts';
import { TextField } from '../forms/FormFields.tsx';
import { words } from '#ui/wording/setCardOpened.ts';

const FORM = z.object({ name: nameSchema });

/** A name, and it becomes a set-up of this shoot, opened on the camera at hand; shoots and cameras are made in Kit. */
export const AddShoot = ({ onLeave }: { onLeave: () => void }) => {
  const { book } = useBench();
  const { setup: beside, camera } = useSelection();
  const select = useSelect();
  const hrefTo = useHrefTo();
  const form = useForm({
    defaultValues: { name: '' },
    mode: 'onChange',
    resolver: standardSchemaResolver(FORM),
  });
  const { isValid, isSubmitting } = form.formState;
  const add = form.handleSubmit(async ({ name }) => {
    const setup = crypto.randomUUID();
    if (await book.edit(newSetup(book.getState(), beside, camera, name, setup)))
      select({ setup, camera: camera.id });
    form.reset();
  });
  return (
    <FormProvider {...form}>
      <Form className="add-shoot" onSubmit={(event) => void add(event)}>
        <TextField name="name" label={words.newSetUp} hint={words.itsName} maxLength={80} />
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
