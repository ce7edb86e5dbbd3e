'use client';

import { zebraSignal } from '#core/exposure/setCard.ts';
import { printZebraOrInstead } from '#core/exposure/zebra.ts';
import { zebraLevels } from '#core/exposure/zebraLevels.ts';
import { stopsShownAt } from '#core/lut/greyAxis.ts';
import { outputOf, type OutputId } from '#core/lut/outputs.ts';
import { SCALES } from '#core/signal/scale.ts';
import { useCard, useSelection } from '#ui/bench/hooks.ts';
import { Panel } from '#ui/parts/Panel.tsx';
import { words } from '#ui/wording/lutsParts.ts';

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
  const signal = zebraSignal(
    numbers.profile,
    { reads: 'lut' },
    {
      neutral,
      pullStops: stopsShownAt(numbers.profile, neutral, outputOf(output).grey),
    },
  );
  const { card, skin } = zebraLevels({ ...camera, zebra: { ...camera.zebra, reads: 'lut' } }, signal, {
    placement: plan.placement,
    faces: selection.subjects,
    clipStops: numbers.clipStops,
    warningMargin: plan.warningMargin,
  });
  const rows = [
    ['Card', printZebraOrInstead(card)],
    ...selection.subjects.map(({ name }, i) => [name, printZebraOrInstead(skin[i])] as const),
  ];
  return (
    <Panel
      title={words.behindThisLut}
      note={camera.zebra.reads === 'lut' ? words.thisCamerasZebraReads : words.forAZebraThat}
    >
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
    </Panel>
  );
};
