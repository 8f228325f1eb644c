/** An expected failure is a value; a throw is a caller's bug. */
export type Result<T, E> =
  | { readonly ok: true; readonly value: T }
  | { readonly ok: false; readonly error: E }

export const success = <T>(value: T): Result<T, never> => ({ ok: true, value })

export const failure = <E>(error: E): Result<never, E> => ({ ok: false, error })
