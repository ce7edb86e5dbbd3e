'use client';

import { standardSchemaResolver } from '@hookform/resolvers/standard-schema';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { FormProvider, useForm } from 'react-hook-form';
import * as z from 'zod/mini';
import { ownedOf, renameEdit, type OwnedTable } from '#store/owned/index.ts';
import { nameSchema } from '#store/records/common.ts';
import type { RecordOf } from '#store/tables.ts';
import { useBench } from '../bench/hooks.ts';
import { TextField } from '../forms/FormFields.tsx';
import { words } from '#ui/wording/owned.ts';

const NAME = {
  label: words.name,
  schema: z
    .string()
    .check(z.refine((text) => nameSchema.safeParse(text).success, 'Name: type 1 to 80 characters.')),
};

/** A new name for a record of the user's. */
export const RenameForm = <T extends OwnedTable>({
  table,
  record,
  staying,
  onDone,
}: {
  table: T;
  record: RecordOf<T>;
  /** Why its name stays. */
  staying?: string;
  onDone: () => void;
}) => {
  const { book } = useBench();
  const { nameOf, naming: { label, schema } = NAME } = ownedOf(table);
  const form = useForm({
    defaultValues: { name: nameOf(record) },
    mode: 'onChange',
    resolver: standardSchemaResolver(z.object({ name: schema })),
  });
  const save = form.handleSubmit(async ({ name }) => {
    if (await book.edit(renameEdit(table, record, name.trim()))) onDone();
  });
  if (staying !== undefined) return <p className="mb-0">{staying}</p>;
  return (
    <FormProvider {...form}>
      <Form onSubmit={(event) => void save(event)}>
        <TextField name="name" label={label} maxLength={80} autoFocus />
        <Button type="submit" size="sm" variant="primary" className="mt-2" disabled={!form.formState.isValid}>
          {words.rename}
        </Button>
      </Form>
    </FormProvider>
  );
};
