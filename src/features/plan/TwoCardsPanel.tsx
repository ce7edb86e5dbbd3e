'use client';

import { useMemo, useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { printFNumber } from '#core/exposure/aperture.ts';
import { printShutter } from '#core/exposure/shutter.ts';
import { printStops, printStopsOf } from '#core/units.ts';
import { between, whole } from '#store/records/common.ts';
import { otherCardOf, type OtherCard } from '#store/records/otherCard.ts';
import { useEditPlan, useRecords, useSelection } from '#ui/bench/hooks.ts';
import { switchCard } from '#ui/bench/switchCard.ts';
import { printKelvin, printNd } from '#ui/format.ts';
import { NumberField } from '#ui/forms/NumberField.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { words } from '#ui/wording/planTwoCards.ts';
import { cardFor } from './twoCards.ts';

/** A cloud before the sun: about two stops, and skylight. Common practice. */
const CLOUD = { falls: 2, kelvin: 6500 } as const;

const settingsWords = ({ iso, kelvin, shutter, iris, ndStops, placement }: OtherCard): string =>
  [
    printFNumber(iris),
    `ND ${printNd(ndStops)}`,
    `ISO ${iso}`,
    printShutter(shutter),
    printKelvin(kelvin),
    printStops(placement),
  ].join(', ');

/** How the second card is made. */
const Make = () => {
  const editPlan = useEditPlan();
  const { plan, camera } = useSelection();
  const { ndSets } = useRecords();
  const sets = useMemo(() => [...ndSets.values()], [ndSets]);
  const [names, setNames] = useState({ own: words.sun as string, name: words.cloud as string });
  const [light, setLight] = useState<{ falls: number; kelvin: number }>(CLOUD);
  const made = cardFor(plan, camera, sets, { own: names.own.trim(), name: names.name.trim() }, light);
  const isNamed = made.card.own !== '' && made.card.name !== '';
  return (
    <>
      <p>{words.says}</p>
      <div className="anchor-form">
        {(['own', 'name'] as const).map((key) => (
          <Form.Group key={key} className="anchor-half" controlId={`card-${key}`}>
            <Form.Label>{key === 'own' ? words.own : words.other}</Form.Label>
            <Form.Control
              size="sm"
              maxLength={40}
              value={names[key]}
              onChange={(event) => setNames({ ...names, [key]: event.target.value })}
            />
          </Form.Group>
        ))}
        <NumberField
          className="anchor-half"
          label={words.falls}
          rule={{ schema: between(-8, 8), says: words.typeFalls }}
          value={light.falls}
          onSet={(falls) => setLight({ ...light, falls })}
        />
        <NumberField
          className="anchor-half"
          label={words.kelvin}
          rule={{ schema: whole(1000, 20_000), says: words.typeKelvin }}
          value={light.kelvin}
          step={100}
          onSet={(kelvin) => setLight({ ...light, kelvin })}
        />
      </div>
      <p className="mt-2">
        {words.would(made.card.name, settingsWords(made.card))}{' '}
        {made.left !== 0 && <span className="text-warn">{words.left(printStopsOf(made.left))}</span>}
      </p>
      <Button
        size="sm"
        variant="outline-secondary"
        disabled={!isNamed}
        onClick={() => editPlan(words.made, { other: made.card })}
      >
        {words.make}
      </Button>
    </>
  );
};

/** Two cards of one set-up for light that comes and goes, switched by one key. */
export const TwoCardsPanel = () => {
  const editPlan = useEditPlan();
  const { plan, camera, setup } = useSelection();
  const other = otherCardOf(plan);
  if (!other && !setup.brief.outside && !setup.brief.changing) return null;
  return (
    <Panel title={words.title} note={words.note}>
      {other ? (
        <>
          <p>
            <strong>{words.now(other.own)}</strong> {words.aside(other.name, settingsWords(other))}
          </p>
          <div className="setting-buttons">
            <Button size="sm" onClick={() => switchCard(plan, editPlan)}>
              {words.switchTo(other.name)}
            </Button>
            <Button
              size="sm"
              variant="outline-secondary"
              onClick={() => editPlan(words.forgotten, { other: undefined })}
            >
              {words.forget}
            </Button>
          </div>
        </>
      ) : (
        <Make key={camera.id} />
      )}
    </Panel>
  );
};
