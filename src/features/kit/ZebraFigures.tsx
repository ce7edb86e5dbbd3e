import Table from 'react-bootstrap/Table';
import { printZebra, type ZebraSetting } from '#core/exposure/zebra.ts';
import type { ZebraRow } from '#core/exposure/zebraSheet.ts';
import { printStops, printStopsDecimal } from '#core/units.ts';

const worstCost = ({ card, skin }: ZebraRow) =>
  [card, ...skin].reduce(
    (worst, { costStops }) => (Math.abs(costStops) > Math.abs(worst) ? costStops : worst),
    0,
  );

const Level = ({ setting }: { setting: ZebraSetting }) => (
  <td
    className={setting.limited ? 'text-warn' : undefined}
    title={`exact ${setting.exact.toFixed(1)}, rounding ${printStopsDecimal(setting.costStops, 2)} stop`}
  >
    {printZebra(setting)}
    {setting.limited && ' !'}
  </td>
);

/** Zebra levels by thirds of placement, on one picture or on both side by side. */
export const ZebraFigures = ({
  tables,
  subjects,
  taken,
}: {
  tables: readonly { readonly name: string; readonly rows: readonly ZebraRow[] }[];
  subjects: readonly { readonly id: string; readonly name: string }[];
  /** Placement of the plan. */
  taken: number;
}) => (
  <Table className="figures zebra-figures">
    <thead>
      {tables.length > 1 && (
        <tr>
          <td />
          {tables.map(({ name }) => (
            <th scope="colgroup" key={name} colSpan={4 + subjects.length} className="group-head">
              {name}
            </th>
          ))}
        </tr>
      )}
      <tr>
        <th scope="col">Placement</th>
        {tables.map(({ name }) => [
          <th scope="col" key={`${name} card`} className="group-start">
            Card
          </th>,
          ...subjects.map((subject) => (
            <th scope="col" key={`${name} ${subject.id}`}>
              {subject.name}
            </th>
          )),
          <th scope="col" key={`${name} cost`}>
            Rounding
          </th>,
          <th scope="col" key={`${name} warning`}>
            Warning
          </th>,
          <th scope="col" key={`${name} clip`}>
            Clip
          </th>,
        ])}
      </tr>
    </thead>
    <tbody>
      {tables[0].rows.map(({ placement }, i) => (
        <tr key={placement} className={Math.abs(placement - taken) < 0.01 ? 'taken' : undefined}>
          <th scope="row">{printStops(placement)}</th>
          {tables.map(({ name, rows }) => [
            <Level key={`${name} card`} setting={rows[i].card} />,
            ...rows[i].skin.map((setting, n) => (
              <Level key={`${name} ${subjects[n].id}`} setting={setting} />
            )),
            <td key={`${name} cost`}>{printStopsDecimal(worstCost(rows[i]), 2)}</td>,
            <Level key={`${name} warning`} setting={rows[i].warning} />,
            <td key={`${name} clip`}>{rows[i].clip.toFixed(1)}</td>,
          ])}
        </tr>
      ))}
    </tbody>
  </Table>
);
