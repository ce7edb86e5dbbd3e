import type { FieldErrors } from 'react-hook-form';

/** Every sentence among the errors of a form, in the order of its fields. */
export const messagesIn = (errors: FieldErrors): string[] =>
  Object.values(errors as Readonly<Record<string, unknown>>).flatMap((error): string[] => {
    if (typeof error !== 'object' || error === null) return [];
    const { message } = error as { readonly message?: unknown };
    if (typeof message === 'string') return message === '' ? [] : [message];
    // The rows of a list; a field's own `ref` and `type` are no errors.
    return 'type' in error ? [] : messagesIn(error as FieldErrors);
  });
