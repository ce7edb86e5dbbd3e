'use client';

import Form from 'react-bootstrap/Form';
import { SCALE_IDS, SCALES, type ScaleId } from '#core/signal/scale.ts';

/** Which scale readings are typed in. */
export const ScaleSelect = ({
  id,
  value,
  onPick,
}: {
  id: string;
  value: ScaleId;
  onPick: (scale: ScaleId) => void;
}) => (
  <div className="anchor-wide">
    <label htmlFor={id}>Readings in</label>
    <Form.Select id={id} value={value} onChange={(event) => onPick(event.target.value as ScaleId)}>
      {SCALE_IDS.map((scale) => (
        <option key={scale} value={scale}>
          {SCALES[scale].name}
        </option>
      ))}
    </Form.Select>
  </div>
);
