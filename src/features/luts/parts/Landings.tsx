import Table from 'react-bootstrap/Table';
import { printStopsDecimal } from '#core/units.ts';
import type { LandingRow } from '../landings.ts';

const percent = (v: number) => (100 * v).toFixed(1).replace('-', '−');

/** Where tones of the recording land: in and out, side by side. */
export const Landings = ({
  rows,
  others,
}: {
  rows: readonly LandingRow[];
  others?: readonly LandingRow[];
}) => {
  const lit = rows.some(({ light }) => light !== undefined);
  return (
    <Table className="figures lut-landings">
      <thead>
        <tr>
          <th scope="col">Tone</th>
          <th scope="col">stops</th>
          <th scope="col">in, %</th>
          <th scope="col">out, %</th>
          {others && <th scope="col">other, %</th>}
          {lit && <th scope="col">cd/m²</th>}
        </tr>
      </thead>
      <tbody>
        {rows.map(({ id, name, stops, in: signal, out, light }, i) => (
          <tr key={id} data-tone={id} className={id === 'card' || id.startsWith('skin') ? undefined : 'dim'}>
            <th scope="row">{name}</th>
            <td className="num">{printStopsDecimal(stops)}</td>
            <td className="num">{percent(signal)}</td>
            <td className="num" data-out={out.toFixed(5)}>
              <strong>{percent(out)}</strong>
            </td>
            {others && <td className="num">{percent(others[i].out)}</td>}
            {lit && (
              <td className="num">
                {light === undefined ? '' : light < 10 ? light.toFixed(1) : light.toFixed(0)}
              </td>
            )}
          </tr>
        ))}
      </tbody>
    </Table>
  );
};
