'use client';

import { Drawing } from './Drawing.tsx';
import { termOf, type TermId } from './glossary.ts';

/** What a term means, with a drawing where one helps. */
export const Meaning = ({ id }: { id: TermId }) => {
  const { name, says, also } = termOf(id);
  return (
    <div className="meaning">
      <p className="mb-1">
        <strong>{name}</strong>
        {also && <span className="quiet"> also: {also.join(', ')}</span>}
      </p>
      <p className="mb-0">{says.join(' ')}</p>
      <Drawing id={id} />
    </div>
  );
};
