'use client';

import { Plus } from 'lucide-react';
import { useMemo } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { LEAVES_IDS, LEAVES_SHARE, type LeavesId } from '#core/sensor/wardrobe.ts';
import { printSigned } from '#core/units.ts';
import type { VerdictState } from '#core/verdict/types.ts';
import { imagerOf } from '#store/records/lens.ts';
import { wardrobeOf, type Thing } from '#store/records/wardrobe.ts';
import { useCard, useRecords, useSelection, useSession } from '#ui/bench/hooks.ts';
import { useEditSetup } from '#ui/bench/useEditSetup.ts';
import type { Column } from '#ui/parts/column.ts';
import { DataTable } from '#ui/parts/DataTable.tsx';
import { Panel } from '#ui/parts/Panel.tsx';
import { StateMark } from '#ui/parts/StateMark.tsx';
import { TableScroll } from '#ui/parts/TableScroll.tsx';
import { words } from '#ui/wording/planColours.ts';
import { coloursOf, thingsOfFrame, type Coloured, type Pair } from './coloursModel.ts';
import { ThingRow } from './ThingRow.tsx';

const MARKS = { parts: 'holds', near: 'watch', melts: 'lost' } as const satisfies Record<
  Pair['parting'],
  VerdictState
>;

const Swatch = ({ of }: { of: Coloured }) => (
  <span className="swatch" style={{ background: of.shown.hex }} title={words.shown} />
);

const COLUMNS: readonly Column<Pair>[] = [
  {
    id: 'one',
    header: words.thing,
    cell: ({ one, parting }) => (
      <>
        <StateMark state={MARKS[parting]} /> <Swatch of={one} /> {one.name}
      </>
    ),
  },
  {
    id: 'other',
    header: words.against,
    cell: ({ other }) => (
      <>
        <Swatch of={other} /> {other.name}
      </>
    ),
  },
  {
    id: 'deltaE',
    header: words.deltaE,
    className: 'num',
    cell: ({ contrast }) => contrast.deltaE.toFixed(0),
  },
  {
    id: 'lightness',
    header: words.lightness,
    className: 'num',
    cell: ({ contrast }) => printSigned(contrast.lightness),
  },
  {
    id: 'hue',
    header: words.hue,
    className: 'num',
    cell: ({ contrast: { hue } }) => (hue === undefined ? words.greyish : printSigned(hue)),
  },
];

const sayOf = ({ one, other, parting }: Pair): string => words[parting](one.name, other.name);

const PATTERN_SAYS = { aliases: words.aliases, colour: words.colourMoire, clear: words.clear } as const;

/** What parts from what, closest first, and which way parts best. */
const Answer = ({ found, hasSensor }: { found: ReturnType<typeof coloursOf>; hasSensor: boolean }) => {
  const { pairs, advice, patterns, leaves, cast } = found;
  const close = pairs.filter(({ parting }) => parting !== 'parts');
  return (
    <Panel title={words.title} note={words.note}>
      {pairs.length === 0 && <p className="mb-0">{words.empty}</p>}
      {pairs.length > 0 && close.length === 0 && (
        <p>
          <strong>{words.allPart}</strong>
        </p>
      )}
      {close.slice(0, 4).map((pair) => (
        <p key={`${pair.one.id} ${pair.other.id}`} className="mb-1">
          <StateMark state={MARKS[pair.parting]} /> <strong>{sayOf(pair)}.</strong>
        </p>
      ))}
      {advice.map(({ thing, way, gains }) => (
        <p key={thing.id} className="mb-1">
          {words.goes(thing.name, way, gains.toFixed(0))}
        </p>
      ))}
      {pairs.length > 0 && (
        <TableScroll label={words.title}>
          <DataTable
            label={words.title}
            className="figures words"
            columns={COLUMNS}
            rows={pairs}
            rowKey={({ one, other }) => `${one.id} ${other.id}`}
          />
        </TableScroll>
      )}
      {patterns.map(({ thing, photosites, state }) => (
        <p key={thing.id} className={state === 'clear' ? 'mt-2 mb-1' : 'text-warn mt-2 mb-1'}>
          {words.pattern(thing.name, photosites.toFixed(1))} {PATTERN_SAYS[state]}
        </p>
      ))}
      {!hasSensor && <p className="quiet">{words.noSensor}</p>}
      {leaves !== 'none' && (
        <p className="mt-2 mb-1">{words.leavesCast(printSigned(cast.mired), printSigned(cast.tint))}</p>
      )}
      <p className="quiet small-print mb-0">{words.daylight}</p>
    </Panel>
  );
};

/** Wardrobe and background: colours, what parts from what, patterns, green off leaves. */
export const ColoursView = () => {
  const selection = useSelection();
  const records = useRecords();
  const { numbers } = useCard();
  const editSetup = useEditSetup();
  const measured = useSession((state) => state.measured?.measurement);
  const wardrobe = wardrobeOf(selection.setup);
  const found = useMemo(() => coloursOf(selection, records), [selection, records]);
  const set = (things: readonly Thing[]) =>
    editSetup(words.setThings, { wardrobe: { ...wardrobe, things: [...things].slice(0, 12) } });
  const { things } = wardrobe;
  const neutral = measured ? thingsOfFrame(selection, numbers, measured) : [];
  const add = () =>
    set([
      ...things,
      {
        id: crypto.randomUUID(),
        name: words.newName(things.length + 1),
        where: things.some(({ where }) => where === 'worn') ? 'behind' : 'worn',
        hex: '#5a6a7a',
      },
    ]);
  return (
    <div className="colours">
      <Panel
        title={words.things}
        tools={
          <>
            {neutral.length > 0 && (
              <Button
                variant="outline-secondary"
                size="sm"
                onClick={() => {
                  const ids = new Set(neutral.map(({ id }) => id));
                  set([...things.filter(({ id }) => !ids.has(id)), ...neutral]);
                }}
              >
                {words.fromFrame}
              </Button>
            )}
            <Button variant="outline-secondary" size="sm" disabled={things.length >= 12} onClick={add}>
              <Plus size={15} aria-hidden /> {words.add}
            </Button>
          </>
        }
      >
        {things.length > 0 && <p className="quiet small-print mb-1">{words.inARow}</p>}
        <ul className="things">
          {things.map((thing) => (
            <ThingRow
              key={thing.id}
              thing={thing}
              onChange={(next) => set(things.map((one) => (one.id === next.id ? next : one)))}
              onRemove={() => set(things.filter(({ id }) => id !== thing.id))}
            />
          ))}
        </ul>
        <Form.Label htmlFor="leaves-share">{words.leaves}</Form.Label>
        <Form.Select
          id="leaves-share"
          size="sm"
          value={wardrobe.leaves}
          onChange={(event) =>
            editSetup(words.setThings, { wardrobe: { ...wardrobe, leaves: event.target.value as LeavesId } })
          }
        >
          {LEAVES_IDS.map((id) => (
            <option key={id} value={id}>
              {LEAVES_SHARE[id].name}
            </option>
          ))}
        </Form.Select>
      </Panel>
      <Answer found={found} hasSensor={imagerOf(selection.camera) !== undefined} />
    </div>
  );
};
