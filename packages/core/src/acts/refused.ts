/** Why an act cannot be done. */
export interface ActFault {
  readonly message: string;
  /** The field that is wrong, as `parts.hose-1.length.si`; empty where it is the act itself. */
  readonly field: string;
}

/** An act that cannot be done, in words. Thrown inside `tryAct`, which makes it an answer. */
export class ActRefused extends Error {}

export function refused(message: string): never {
  throw new ActRefused(message);
}
