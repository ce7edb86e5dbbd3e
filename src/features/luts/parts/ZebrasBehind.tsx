'use client';

import { CARD_TOLERANCE, SKIN_TOLERANCE, zebraSignal } from '#core/exposure/setCard.ts';
import { printZebra, toneZebra } from '#core/exposure/zebra.ts';
import { stopsShownAt } from '#core/lut/greyAxis.ts';
import { outputOf, type OutputId } from '#core/lut/outputs.ts';
import { SCALES } from '#core/signal/scale.ts';
import { useCard, useSelection } from '#ui/bench/hooks.ts';

/** What zebras have to be set to if they read the picture behind this LUT. */
export const ZebrasBehind = ({
  neutral,
  output,
}: {
  neutral: (signal: number) => number;
  output: OutputId;
}) => {
  const selection = useSelection();
  const { numbers } = useCard();
  const { camera, plan } = selection;
  const signal = zebraSignal(numbers.profile, 'lut', {
    neutral,
    pullStops: stopsShownAt(numbers.profile, neutral, outputOf(output).grey),
  });
  const zebra = (over: number, width: number) =>
    printZebra(toneZebra({ ...camera.zebra, reads: 'lut' }, signal, camera.coding, over, width));
  const rows = [
    ['Card', zebra(plan.placement, CARD_TOLERANCE)],
    ...numbers.skin.map(({ subject, stops }) => [subject.name, zebra(stops, SKIN_TOLERANCE)] as const),
  ];
  return (
    <div className="lut-zebras">
      <dl>
        {rows.map(([name, value]) => (
          <div key={name}>
            <dt>{name}</dt>
            <dd className="num">{value}</dd>
          </div>
        ))}
      </dl>
      <p className="quiet">zebra behind it, {SCALES[camera.zebra.scale].name}</p>
    </div>
  );
};
