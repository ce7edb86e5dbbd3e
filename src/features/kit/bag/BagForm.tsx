'use client';

import { standardSchemaResolver } from '@hookform/resolvers/standard-schema';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { FormProvider, useForm } from 'react-hook-form';
import type { RecordOf } from '#store/tables.ts';
import { useBench, useRecords, useSelection } from '#ui/bench/hooks.ts';
import { FormProblems, SelectField, TextField } from '#ui/forms/FormFields.tsx';
import { bagEdit, bagFields, bagForm, bagTexts } from './bagForm.ts';
import type { BagKind, BagTable, BagTexts } from './kinds/bagKind.ts';
import { words } from '#ui/wording/kitBag.ts';

/** A thing of the bag, new or changed in place. */
export const BagForm = ({
  kind,
  record,
  onDone,
}: {
  kind: BagKind;
  record?: RecordOf<BagTable>;
  onDone: () => void;
}) => {
  const { book } = useBench();
  const selection = useSelection();
  const records = useRecords();
  // As it was when the form opened: what another window changes meanwhile is not this form's to turn back.
  const [was] = useState(record);
  const [id] = useState(() => record?.id ?? crypto.randomUUID());
  const form = useForm<BagTexts, unknown, RecordOf<BagTable>>({
    defaultValues: bagTexts(kind, was),
    resolver: standardSchemaResolver(bagForm(kind, selection, id, was)),
  });
  const save = form.handleSubmit(async (after) => {
    if (await book.edit(bagEdit(kind, after, selection, was))) onDone();
  });
  return (
    <FormProvider {...form}>
      <Form className="bag-form" onSubmit={(event) => void save(event)}>
        {bagFields(kind).map(({ id: name, label, hint, optionsOf, options = optionsOf?.(records) }) =>
          options ? (
            <SelectField key={name} name={name} label={label} options={options} />
          ) : (
            <TextField
              key={name}
              name={name}
              label={label}
              className={name === 'name' ? 'bag-name' : undefined}
              isNumber={name !== 'name'}
              autoFocus={name === 'name'}
              maxLength={80}
              hint={hint}
            />
          ),
        )}
        <FormProblems className="bag-wide" />
        <div className="bag-wide d-flex gap-2">
          <Button type="submit" variant="primary" size="sm" disabled={form.formState.isSubmitting}>
            {record ? words.save : words.addNamed(kind.one)}
          </Button>
          <Button variant="outline-secondary" size="sm" onClick={onDone}>
            {words.leaveAsItWas}
          </Button>
        </div>
      </Form>
    </FormProvider>
  );
};
