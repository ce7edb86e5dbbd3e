'use client';

import { standardSchemaResolver } from '@hookform/resolvers/standard-schema';
import { useId, useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { FormProvider, useForm, useFormContext, useFormState, useWatch } from 'react-hook-form';
import type { CameraRecord } from '#store/records/camera.ts';
import { useBench, useSelection } from '#ui/bench/hooks.ts';
import { FormProblems, SelectField, TextField } from '#ui/forms/FormFields.tsx';
import { cameraForm, fieldsOfCamera, type CameraFields } from './cameraModel.ts';
import {
  fieldIdsOf,
  fieldOf,
  GROUP_IDS,
  groupOf,
  GROUPS,
  type CameraFieldId,
  type GroupId,
} from './fields.ts';
import { LeanMeasure } from './LeanMeasure.tsx';
import { NoiseMeasure } from './NoiseMeasure.tsx';
import { words } from '#ui/wording/kitCamera.ts';

const FieldInput = ({ id }: { id: CameraFieldId }) => {
  const { label, span, options, lines, isWords, turns } = fieldOf(id);
  const { setValue, getValues } = useFormContext<CameraFields>();
  const { fps } = useSelection().setup;
  const pick = (value: string) => {
    const others = turns?.(value, getValues(), fps) ?? {};
    for (const [name, text] of Object.entries({ ...others, [id]: value }))
      setValue(name as CameraFieldId, text, { shouldDirty: true, shouldValidate: true });
  };
  return options ? (
    <SelectField
      name={id}
      label={label}
      className={span}
      options={options}
      onPick={turns ? pick : undefined}
    />
  ) : (
    <TextField
      name={id}
      label={label}
      className={span}
      isNumber={!isWords}
      lines={lines}
      hint={lines ? words.at30Intra500 : undefined}
    />
  );
};

/** What is measured rather than typed, under the fields of its part. */
const Measures = ({ group }: { group: GroupId }) => {
  const { setValue } = useFormContext<CameraFields>();
  const [lean, noise] = useWatch<CameraFields, ['lean', 'noise']>({ name: ['lean', 'noise'] });
  if (group === 'balance') return <LeanMeasure lean={lean} onLean={(found) => setValue('lean', found)} />;
  if (group !== 'noise') return null;
  return (
    <NoiseMeasure
      noise={noise}
      onNoise={(found, floorStops) => {
        setValue('noise', found);
        setValue('floor', String(floorStops), { shouldValidate: true });
      }}
    />
  );
};

/** A part of the editor, folded or open; what is wrong in it is told by its heading. */
const Fold = ({ group, isOpen, onFlip }: { group: GroupId; isOpen: boolean; onFlip: () => void }) => {
  const id = useId();
  const { errors } = useFormState<CameraFields>();
  const isWrong = fieldIdsOf(group).some((field) => errors[field]);
  return (
    <section className="fold">
      <h3>
        <Button variant="bare" aria-expanded={isOpen} aria-controls={id} onClick={onFlip}>
          <span aria-hidden>{isOpen ? '▾' : '▸'}</span> {GROUPS[group].title}
          {isWrong && <span className="text-warn"> {words.toMend}</span>}
        </Button>
      </h3>
      {isOpen && (
        <div className="anchor-form" id={id}>
          {fieldIdsOf(group).map((field) => (
            <FieldInput key={field} id={field} />
          ))}
          <Measures group={group} />
        </div>
      )}
    </section>
  );
};

/** A camera changed in place: folded parts, the first open, those that are wrong opened. */
export const CameraEditor = ({ onDone }: { onDone: () => void }) => {
  const { book } = useBench();
  const { camera } = useSelection();
  // As it was when the editor opened: what another window changes meanwhile is not this form's to turn back.
  const [was] = useState(camera);
  const [open, setOpen] = useState<readonly GroupId[]>(['recording']);
  const form = useForm<CameraFields, unknown, CameraRecord>({
    mode: 'onChange',
    defaultValues: fieldsOfCamera(was),
    resolver: standardSchemaResolver(cameraForm(was)),
  });
  const save = form.handleSubmit(
    async (after) => {
      const changes = [{ table: 'cameras' as const, id: was.id, before: was, after }];
      if (await book.edit({ label: words.cameraNamed(after.name), changes })) onDone();
    },
    (errors) => {
      const wrong = Object.keys(errors).flatMap((id) => groupOf(id as CameraFieldId) ?? []);
      setOpen([...new Set([...open, ...wrong])]);
    },
  );
  const flip = (group: GroupId) =>
    setOpen(open.includes(group) ? open.filter((one) => one !== group) : [...open, group]);
  return (
    <FormProvider {...form}>
      <Form onSubmit={(event) => void save(event)}>
        {GROUP_IDS.map((group) => (
          <Fold key={group} group={group} isOpen={open.includes(group)} onFlip={() => flip(group)} />
        ))}
        <FormProblems />
        <div className="d-flex gap-2 mt-2">
          <Button type="submit" variant="primary" disabled={form.formState.isSubmitting}>
            {words.saveCamera}
          </Button>
          <Button variant="outline-secondary" onClick={onDone}>
            {words.leaveAsItWas}
          </Button>
        </div>
      </Form>
    </FormProvider>
  );
};
