/** What a user's file or number may come to: the value, or what is wrong, where, and what to do. */
export type Failure = {
  readonly ok: false;
  /** What is wrong and what to do, as one sentence. */
  readonly reason: string;
  /** File, line, byte, field: where it is wrong. */
  readonly where: string;
};
export type Success<T> = { readonly ok: true; readonly value: T };
export type Result<T> = Success<T> | Failure;

export const success = <T>(value: T): Success<T> => ({ ok: true, value });
export const failure = (where: string, reason: string): Failure => ({ ok: false, where, reason });
