'use client';

import { useId } from 'react';

type Option<T extends string> = { readonly id: T; readonly name: string; readonly says?: string };

/** One of a few, all in sight: radio buttons drawn as a bar. */
export const Segmented = <T extends string>({
  label,
  options,
  value,
  onPick,
}: {
  label: string;
  options: readonly Option<T>[];
  value: T;
  onPick: (id: T) => void;
}) => {
  const name = useId();
  return (
    <div className="segmented" role="radiogroup" aria-label={label}>
      {options.map((option) => (
        <label key={option.id} title={option.says} className={option.id === value ? 'on' : undefined}>
          <input
            type="radio"
            name={name}
            value={option.id}
            checked={option.id === value}
            onChange={() => onPick(option.id)}
          />
          {option.name}
        </label>
      ))}
    </div>
  );
};
