'use client';

import Button from 'react-bootstrap/Button';
import { FormProvider, useForm } from 'react-hook-form';
import { dateIn, zoneOf } from '#core/day/clock.ts';
import { codeToSignal } from '#core/signal/scale.ts';
import type { CameraRecord } from '#store/records/camera.ts';
import { useCard, useSelection, useSession } from '#ui/bench/hooks.ts';
import { FormProblems, TextField } from '#ui/forms/FormFields.tsx';
import { resultResolver } from '#ui/forms/resultResolver.ts';
import { leanFrom } from './measured.ts';
import { leanWords } from './words.ts';
import { words } from '#ui/wording/kitCamera.ts';

type LeanTexts = { readonly card: string; readonly kelvin: string };
type Lean = NonNullable<CameraRecord['lean']>;

/** The lean of a body from a filmed card: channels read off the parade, or off the card marked in Judge. */
export const LeanMeasure = ({
  lean,
  onLean,
}: {
  lean: CameraRecord['lean'];
  onLean: (lean: CameraRecord['lean']) => void;
}) => {
  const selection = useSelection();
  const { numbers } = useCard();
  const measurement = useSession(({ measured }) => measured?.measurement);
  const { sun } = selection.shoot;
  const form = useForm<LeanTexts, unknown, Lean>({
    defaultValues: { card: '', kelvin: String(selection.plan.kelvin) },
    resolver: resultResolver((texts) => {
      const today = dateIn(new Date(), sun && zoneOf(sun.clock));
      return leanFrom(texts, numbers.profile, numbers.profile.gamut, today);
    }),
  });
  const marked = measurement?.patches.find(({ patch }) => patch.kind === 'card');
  const coding = measurement?.coding;
  return (
    <FormProvider {...form}>
      <p className="anchor-wide quiet mb-0">
        {lean ? leanWords(lean) : 'Lean not measured yet.'} Film a grey card in a light whose Kelvin you know,
        dial that Kelvin, and read the three channels.
      </p>
      <TextField
        name="card"
        label={words.cardRGB}
        className="anchor-half lean-card"
        isNumber
        hint="41.2 40.6 39.8"
      />
      <TextField name="kelvin" label={words.lightK} className="anchor-half" isNumber />
      <div className="anchor-wide lean-buttons">
        <Button variant="outline-secondary" size="sm" onClick={() => void form.handleSubmit(onLean)()}>
          {words.measureLean}
        </Button>
        {lean && (
          <Button variant="outline-secondary" size="sm" onClick={() => onLean(undefined)}>
            {words.forgetIt}
          </Button>
        )}
      </div>
      {marked && coding && (
        <div className="anchor-wide">
          <Button
            variant="outline-secondary"
            size="sm"
            onClick={() =>
              form.setValue(
                'card',
                [marked.r, marked.g, marked.b]
                  .map((code) => (100 * codeToSignal(code, coding)).toFixed(2))
                  .join(' '),
              )
            }
          >
            {words.takeTheCardMarked}
          </Button>
        </div>
      )}
      <FormProblems className="anchor-wide" />
    </FormProvider>
  );
};
