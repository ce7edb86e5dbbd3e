'use client';

import Button from 'react-bootstrap/Button';
import { FormProvider, useForm } from 'react-hook-form';
import type { CameraRecord } from '#store/records/camera.ts';
import { useCard, useSelection } from '#ui/bench/hooks.ts';
import { FormProblems, TextField } from '#ui/forms/FormFields.tsx';
import { resultResolver } from '#ui/forms/resultResolver.ts';
import { noiseFrom } from './measured.ts';
import { noiseWords } from './words.ts';
import { words } from '#ui/wording/kitCamera.ts';

const TEXTS = [
  ['dark', 'Lens cap on: ± codes'],
  ['code', 'Grey patch: code'],
  ['grey', 'and its ± codes'],
] as const;

type NoiseTexts = Parameters<typeof noiseFrom>[0];
type Found = { readonly noise: NonNullable<CameraRecord['noise']>; readonly floorStops: number };

/** The sensor from two readings a user can get: a dark frame and a grey patch. */
export const NoiseMeasure = ({
  noise,
  onNoise,
}: {
  noise: CameraRecord['noise'];
  onNoise: (noise: NonNullable<CameraRecord['noise']>, floorStops: number) => void;
}) => {
  const selection = useSelection();
  const { numbers } = useCard();
  const form = useForm<NoiseTexts, unknown, Found>({
    defaultValues: { dark: '', code: '', grey: '' },
    resolver: resultResolver(
      (texts) => noiseFrom(texts, numbers.profile, selection.camera.coding),
      () => [],
    ),
  });
  return (
    <FormProvider {...form}>
      <p className="anchor-wide quiet mb-0">
        {noise ? noiseWords(noise) : 'Sensor taken from the floor alone.'} Or from two readings at base ISO,
        noise reduction off: standard deviations in codes.
      </p>
      {TEXTS.map(([id, label]) => (
        <TextField key={id} name={id} label={label} className="anchor-third" isNumber />
      ))}
      <div className="anchor-wide">
        <Button
          variant="outline-secondary"
          size="sm"
          onClick={() =>
            void form.handleSubmit(({ noise: found, floorStops }) => onNoise(found, floorStops))()
          }
        >
          {words.workOutTheFloor}
        </Button>
      </div>
      <FormProblems className="anchor-wide" />
    </FormProvider>
  );
};
