'use client';

import {
  parseAsBoolean,
  parseAsFloat,
  parseAsString,
  parseAsStringLiteral,
  useQueryStates,
  type inferParserType,
} from 'nuqs';
import { useMemo } from 'react';
import { TAKE_VERDICTS, type TakeFilter } from '#store/takeFacts.ts';

const keys = {
  find: parseAsString,
  of: parseAsString,
  by: parseAsString,
  day: parseAsString,
  circled: parseAsBoolean,
  verdict: parseAsStringLiteral(TAKE_VERDICTS),
  off: parseAsFloat,
};
/** The address is shared with the other steps, which have an `of` of their own. */
const urlKeys = {
  of: 'logSetup',
  by: 'logCamera',
  day: 'logDay',
  circled: 'logCircled',
  verdict: 'logVerdict',
  off: 'logOff',
};
type Values = inferParserType<typeof keys>;

/** What the log is narrowed to; the address keeps it. */
export const useTakeFilter = () => {
  const [values, set] = useQueryStates(keys, { history: 'replace', urlKeys });
  const { find, of, by, day, circled, verdict, off } = values;
  const filter = useMemo(
    (): TakeFilter => ({
      words: find ?? undefined,
      setup: of ?? undefined,
      camera: by ?? undefined,
      day: day ?? undefined,
      circled: circled ?? undefined,
      verdict: verdict ?? undefined,
      offPlan: off ?? undefined,
    }),
    [find, of, by, day, circled, verdict, off],
  );
  return {
    values,
    filter,
    isNarrowed: Object.values(values).some((value) => value !== null),
    set: (next: Partial<Values>) => void set(next),
    clear: () => void set(null),
  };
};
