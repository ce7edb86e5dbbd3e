import { useId } from 'react';
import Table from 'react-bootstrap/Table';
import Form from 'react-bootstrap/Form';
import type { Losses } from '#workers/luts/protocol.ts';
import { lossRows, lossWord } from './lossModel.ts';

/** Measured loss of each size; the picked one is what is written. */
export const LossTable = ({
  losses,
  old,
  size,
  shaped,
  onPick,
}: {
  losses?: Losses;
  old: boolean;
  size: number;
  shaped: boolean;
  onPick: (size: number, shaped: boolean) => void;
}) => {
  const name = useId();
  if (!losses) return <p className="quiet">Measuring what 17, 33 and 65 points lose…</p>;
  return (
    <Table className={`figures lut-losses${old ? ' lut-old' : ''}`} aria-busy={old}>
      <thead>
        <tr>
          <th scope="col">Points</th>
          <th scope="col" title="CIEDE2000 over the cube, read tetrahedrally">
            mean ΔE
          </th>
          <th scope="col" title="CIEDE2000 over the cube, read tetrahedrally">
            worst ΔE
          </th>
          <th scope="col" title="Worst on the grey axis, stops of light">
            grey, stop
          </th>
          <th scope="col" />
        </tr>
      </thead>
      <tbody>
        {lossRows(losses.baked).map((row) => {
          const on = row.size === size && row.shaped === shaped;
          return (
            <tr
              key={`${row.size} ${row.shaped}`}
              className={on ? 'taken' : undefined}
              data-size={row.size}
              data-shaped={row.shaped}
            >
              <th scope="row">
                <Form.Check
                  type="radio"
                  id={`${name}-${row.size}-${row.shaped}`}
                  name={name}
                  label={`${row.size}${row.shaped ? ' + shaper' : ''}`}
                  checked={on}
                  onChange={() => onPick(row.size, row.shaped)}
                />
              </th>
              <td className="num">{row.loss.mean.toFixed(2)}</td>
              <td className="num">{row.loss.worst.toFixed(1)}</td>
              <td className="num">{row.loss.stops.toFixed(3)}</td>
              <td className="lut-word">{lossWord(row.loss)}</td>
            </tr>
          );
        })}
      </tbody>
    </Table>
  );
};
