/** An answer that may be a fault. Faults are data: a code, and the numbers behind it. */
export type Result<T, F> = { ok: true; value: T } | { ok: false; fault: F };

export const success = <T>(value: T): { ok: true; value: T } => ({ ok: true, value });
export const failure = <F>(fault: F): { ok: false; fault: F } => ({ ok: false, fault });

/** Closes a union: a new member that nobody handles fails to compile at the call. */
export function assertNever(value: never): never {
  throw new RangeError(`unhandled case: ${JSON.stringify(value)}`);
}
