'use client';

import { standardSchemaResolver } from '@hookform/resolvers/standard-schema';
import Link from 'next/link';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { FormProvider, useForm } from 'react-hook-form';
import { newShoot } from '#store/newShoot.ts';
import { useBench, useHrefTo, useSelect, useSelection } from '#ui/bench/hooks.ts';
import { useStore } from 'zustand';
import { FormProblems, TextField } from '#ui/forms/FormFields.tsx';
import { printDepth } from '#ui/format.ts';
import { Panel } from '#ui/parts/Panel.tsx';
import { newShootForm, type NewShootFields } from './newShootModel.ts';
import { words } from '#ui/wording/kitShoots.ts';

/** Name, day and place, and which cameras: a shoot of one's own, empty but for them. */
export const NewShootForm = () => {
  const { book } = useBench();
  const { camera } = useSelection();
  // All cameras there are: the kit of the shoot at hand is not the new one's.
  const all = useStore(book, ({ cameras }) => cameras);
  const select = useSelect();
  const hrefTo = useHrefTo();
  const cameras = [...all.values()].sort((a, b) => Number(a.isDemo ?? 0) - Number(b.isDemo ?? 0));
  const own = camera.isDemo ? [] : [camera.id];
  const form = useForm<NewShootFields>({
    defaultValues: { name: '', place: '', day: '', cameraIds: own },
    resolver: standardSchemaResolver(newShootForm),
  });
  const save = form.handleSubmit(async ({ name, place, day, cameraIds }) => {
    const ids = { shoot: crypto.randomUUID(), setup: crypto.randomUUID() };
    const chosen = cameraIds.flatMap((id) => all.get(id) ?? []);
    const wish = { name: name.trim(), place: place.trim(), day, cameras: chosen };
    if (!(await book.edit(newShoot(book.getState(), wish, ids)))) return;
    form.reset();
    select({ shoot: ids.shoot });
  });
  return (
    <Panel title={words.newShoot} note={words.startsEmptyWithIts}>
      <FormProvider {...form}>
        <Form className="anchor-form" onSubmit={(event) => void save(event)}>
          <TextField name="name" label={words.name} className="anchor-wide" maxLength={80} />
          <TextField name="place" label={words.place} className="anchor-half" maxLength={200} />
          <Form.Group className="anchor-half" controlId="new-shoot-day">
            <Form.Label>{words.firstDay}</Form.Label>
            <Form.Control type="date" {...form.register('day')} />
          </Form.Group>
          <fieldset className="anchor-wide tick-list">
            <legend>{words.cameras}</legend>
            {cameras.map(({ id, name, isDemo, ...rest }) => (
              <Form.Check
                key={id}
                type="checkbox"
                id={`new-shoot-${id}`}
                value={id}
                label={`${name}, ${printDepth(rest)}${isDemo ? ' (the demo’s)' : ''}`}
                {...form.register('cameraIds')}
              />
            ))}
            <Link className="btn btn-outline-secondary btn-sm" href={hrefTo('/kit', 'new')}>
              {words.setUpANew}
            </Link>
          </fieldset>
          <FormProblems className="anchor-wide" />
          <Button
            type="submit"
            variant="primary"
            className="anchor-half"
            disabled={form.formState.isSubmitting}
          >
            {words.addShoot}
          </Button>
        </Form>
      </FormProvider>
    </Panel>
  );
};
