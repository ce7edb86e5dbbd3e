'use client';

import { dequal } from 'dequal';
import { useState } from 'react';

/** The value as it was first given, for as long as what is given is deeply equal to it: fit to be a dependency. */
export const useSame = <T>(value: T): T => {
  const [kept, keep] = useState(() => value);
  if (dequal(kept, value)) return kept;
  keep(() => value);
  return value;
};
