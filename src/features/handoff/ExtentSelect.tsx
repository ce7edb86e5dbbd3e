'use client';

import { useMemo, useState } from 'react';
import Form from 'react-bootstrap/Form';
import { useRecords, useSelection } from '#ui/bench/hooks.ts';
import { useTakeIndex } from '#ui/bench/useTakeIndex.ts';
import { extentsOf, WHOLE, type Extent } from './bundle/extent.ts';

/** What of the shoot is handed over, with what there is to choose from; what is gone since is the whole again. */
export const useExtent = () => {
  const { shoot } = useSelection();
  const records = useRecords();
  const { facts } = useTakeIndex();
  const extents = useMemo(() => extentsOf(records, shoot, facts), [records, shoot, facts]);
  const [id, setId] = useState(WHOLE.id);
  return { extents, extent: extents.find((one) => one.id === id) ?? WHOLE, setId };
};

export const ExtentSelect = ({
  extents,
  extent,
  label,
  onPick,
}: {
  extents: readonly Extent[];
  extent: Extent;
  label: string;
  onPick: (id: Extent['id']) => void;
}) => (
  <Form.Select
    className="extent"
    aria-label={label}
    value={extent.id}
    onChange={(event) => onPick(event.target.value as Extent['id'])}
  >
    {extents.map(({ id, name }) => (
      <option key={id} value={id}>
        {name}
      </option>
    ))}
  </Form.Select>
);
