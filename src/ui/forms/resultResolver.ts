import { toNestErrors } from '@hookform/resolvers';
import type { FieldError, FieldValues, Resolver } from 'react-hook-form';
import type { Result } from '#core/result.ts';

/**
 * A form that is checked by working out what its fields come to.
 * @param fieldsAt the fields that a failure is about, by its `where`; none where it is about all of them
 */
export const resultResolver =
  <F extends FieldValues, T>(
    solve: (fields: F) => Result<T>,
    fieldsAt: (where: string, fields: F) => readonly string[] = (where) => [where],
  ): Resolver<F, unknown, T> =>
  (fields, _context, options) => {
    const found = solve(fields);
    if (found.ok) return { values: found.value, errors: {} };
    const error: FieldError = { type: 'solve', message: found.reason };
    const names = fieldsAt(found.where, fields);
    const errors = Object.fromEntries((names.length > 0 ? names : ['form']).map((name) => [name, error]));
    return { values: {}, errors: toNestErrors<F>(errors, options as never) };
  };
