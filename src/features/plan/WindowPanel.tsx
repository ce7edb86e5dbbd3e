'use client';

import { useMemo } from 'react';
import Form from 'react-bootstrap/Form';
import { hasPatch, patchOver, WINDOW_SKIES, WINDOW_SKY_IDS, type WindowSky } from '#core/day/windowLight.ts';
import { printStopsDecimal, printStopsOf } from '#core/units.ts';
import { windowOf, type WindowOfSetup } from '#store/records/window.ts';
import { printHours } from '#ui/bench/daylight.ts';
import { useSelection } from '#ui/bench/hooks.ts';
import { useEditSetup } from '#ui/bench/useEditSetup.ts';
import { printLight } from '#ui/format.ts';
import type { Column } from '#ui/parts/column.ts';
import { DataTable } from '#ui/parts/DataTable.tsx';
import { Folded } from '#ui/parts/Folded.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { TableScroll } from '#ui/parts/TableScroll.tsx';
import { words } from '#ui/wording/planWindow.ts';
import { windowOfDay, type WindowOfDay, type WindowRow } from './windowModel.ts';

const COLUMNS: readonly Column<WindowRow>[] = [
  { id: 'time', header: words.time, className: 'num', cell: ({ hour }) => printHours(hour) },
  {
    id: 'stops',
    header: words.stops,
    says: words.stopsSays,
    className: 'num',
    cell: ({ stops }) => printStopsDecimal(stops),
  },
  {
    id: 'lux',
    header: words.lux,
    className: 'num',
    cell: ({ lux }) => `${printLight(Number(lux.toPrecision(2)))} lx`,
  },
  {
    id: 'kelvin',
    header: words.kelvin,
    className: 'num',
    cell: ({ kelvin }) => `${Math.round(kelvin / 100) * 100} K`,
  },
  {
    id: 'patch',
    header: words.patch,
    className: 'num',
    cell: (row) => (hasPatch(row) ? words.yes(printStopsOf(patchOver(row))) : words.no),
  },
];

const answer = ({ steady, patch }: WindowOfDay): string =>
  [
    steady ? words.steady(printHours(steady.from), printHours(steady.to)) : words.never,
    patch ? words.sunIn(printHours(patch.from), printHours(patch.to)) : words.noSun,
  ].join(' ');

/** Light of a window through the day of a set-up indoors: how it rises and falls, when the sun comes in. */
export const WindowPanel = () => {
  const { setup, shoot } = useSelection();
  const editSetup = useEditSetup();
  const window = windowOf(setup);
  const found = useMemo(() => {
    const said = windowOf(setup);
    return shoot.sun && said && windowOfDay(setup, shoot.sun, said);
  }, [setup, shoot.sun]);
  if (setup.brief.outside) return null;
  const keep = (part: Partial<WindowOfSetup> | undefined) =>
    editSetup(words.turned, {
      window: part && { facing: 0, sky: 'clear' as const, ...window, ...part },
    });
  return (
    <Panel title={words.title} note={words.note} className="hour">
      {!shoot.sun && <p>{words.noPlace}</p>}
      {shoot.sun && !window && <p>{words.noWindow}</p>}
      {found && (
        <p className="solved">
          <strong>{answer(found)}</strong>
        </p>
      )}
      <div className="anchor-form">
        <Form.Group className="anchor-half" controlId="window-faces">
          <Form.Label>{words.faces}</Form.Label>
          <Form.Select
            size="sm"
            value={window ? Math.round(window.facing / 45) % 8 : ''}
            onChange={({ target: { value } }) =>
              keep(value === '' ? undefined : { facing: 45 * Number(value) })
            }
          >
            <option value="">{words.notSaid}</option>
            {words.compass.map((name, i) => (
              <option key={name} value={i}>
                {name}
              </option>
            ))}
          </Form.Select>
        </Form.Group>
        {window && (
          <Form.Group className="anchor-half" controlId="window-sky">
            <Form.Label>{words.sky}</Form.Label>
            <Form.Select
              size="sm"
              value={window.sky}
              onChange={({ target: { value } }) => keep({ sky: value as WindowSky })}
            >
              {WINDOW_SKY_IDS.map((id) => (
                <option key={id} value={id}>
                  {WINDOW_SKIES[id].name}
                </option>
              ))}
            </Form.Select>
          </Form.Group>
        )}
      </div>
      {found && (
        <>
          <TableScroll label={words.title}>
            <DataTable
              label={words.title}
              className="figures"
              columns={COLUMNS}
              rows={found.rows}
              rowKey={({ hour }) => String(hour)}
            />
          </TableScroll>
          <Folded title={words.howWorked}>
            <p className="quiet mb-0">{words.model}</p>
          </Folded>
        </>
      )}
    </Panel>
  );
};
