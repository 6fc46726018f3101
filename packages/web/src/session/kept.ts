import type { Act } from '@endrel/core/acts/act';

/** An act that the server does not have yet. */
export interface PendingAct {
  readonly id: string;
  /** The revision that it was done on. */
  readonly base: number;
  readonly act: Act;
  readonly label: string;
}
/** A step of undo or redo: the act that takes it. */
export interface Step {
  readonly label: string;
  readonly act: Act;
}
/** An act that the server would not do, or that could not be done on what others left: kept until a person has dealt with it. */
export interface RefusedAct {
  readonly id: string;
  readonly act: Act;
  readonly label: string;
  readonly why: string;
}
/** What a page has to keep through a reload or a crash. */
export interface Kept {
  readonly pending: readonly PendingAct[];
  readonly refused: readonly RefusedAct[];
  readonly past: readonly Step[];
  readonly future: readonly Step[];
}
export const nothingKept: Kept = { pending: [], refused: [], past: [], future: [] };
export const keptOf = ({ pending = [], refused = [], past = [], future = [] }: Partial<Kept>): Kept => ({
  pending,
  refused,
  past,
  future,
});
