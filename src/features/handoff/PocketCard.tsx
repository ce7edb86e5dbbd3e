'use client';

import { printFNumber } from '#core/exposure/aperture.ts';
import { printShutter } from '#core/exposure/shutter.ts';
import { CAUTION_CLOSE, CAUTIONS } from '#core/cautions.ts';
import { SCALES } from '#core/signal/scale.ts';
import { printStops, printStopsExact, printStopsDecimal } from '#core/units.ts';
import { useCard, useSelection } from '#ui/bench/hooks.ts';
import { printKelvin, printNd, printPull, printTint } from '#ui/format.ts';
import { CardCode } from '#ui/cards/CardCode.tsx';
import { ZebraLevel } from '#ui/parts/ZebraLevel.tsx';
import { meterWords } from '#ui/setCard/meterLines.ts';
import { turnsOf } from '#ui/setCard/zebraReasons.ts';
import { words } from '#ui/wording/handoff.ts';

/** The set card on paper: black on white, readable at arm's length. @param text What its code holds */
export const PocketCard = ({ text }: { text: string }) => {
  const selection = useSelection();
  const { numbers } = useCard();
  const { shoot, setup, camera, plan, profile, monitors } = selection;
  const turns = turnsOf({ selection, numbers });
  const rows = [
    ['Profile', profile.name],
    ['ISO', String(plan.iso)],
    ['White bal.', `${printKelvin(plan.kelvin)}${printTint(plan.tint)}`],
    ['Shutter', printShutter(plan.shutter)],
    ['Iris', printFNumber(plan.iris)],
    ['ND', printNd(plan.ndStops)],
    ['Placement', printStops(plan.placement)],
    ['Monitor LUT', [monitors[0]?.lut.name, printPull(numbers.pullStops)].filter(Boolean).join(', ')],
  ];
  return (
    <article className="pocket" aria-label={words.setCardForPrint}>
      <header>
        <p>
          {shoot.name} · {camera.name} · {camera.coding.bitDepth}-bit {camera.coding.range}
        </p>
        <h3>{setup.name}</h3>
      </header>
      <div className="pocket-zebras">
        <p>
          <span>{words.cardZebra}</span>
          <strong>
            <ZebraLevel of={numbers.card} />
          </strong>
        </p>
        {numbers.skin.map(({ subject, zebra }) => (
          <p key={subject.id}>
            <span>{subject.name}</span>
            <strong>
              <ZebraLevel of={zebra} />
            </strong>
          </p>
        ))}
        <p>
          <span>{words.warning}</span>
          <strong>
            <ZebraLevel of={numbers.warning} />
          </strong>
        </p>
      </div>
      <dl className="paper-facts">
        {rows.map(([name, value]) => (
          <div key={name}>
            <dt>{name}</dt>
            <dd>{value}</dd>
          </div>
        ))}
      </dl>
      <CardCode text={text} label={words.codeOfThisCard} />
      <p>Meter shows {meterWords(selection)}.</p>
      <p>
        Zebra in {SCALES[camera.zebra.scale].name}, on{' '}
        {camera.zebra.reads === 'log' ? 'the recorded signal' : 'the display LUT’s output'}. Clip{' '}
        {printStopsDecimal(numbers.clipStops)}, usable to {printStopsExact(numbers.floorStops)}.
        {turns && ` ${turns}`}
      </p>
      {setup.cautions.length > 0 && (
        <p className="pocket-caution">
          {setup.cautions.map((id) => CAUTIONS[id]).join(' ')} {CAUTION_CLOSE}
        </p>
      )}
      <p className="pocket-say">The code holds this card as text: point a phone’s camera at it.</p>
    </article>
  );
};
