import type { FieldPath } from '../fields/field-path.ts';
import type { Figure } from '../units/quantity.ts';

/** One value in a formula, and where it comes from. */
export interface Term {
  readonly symbol: string;
  readonly name: string;
  readonly figure: Figure;
  /** In words: a standard, common practice, typical, computed … */
  readonly source: string;
  /** The field to change it in. */
  readonly path?: FieldPath;
}

/** A result with everything needed to argue with it. */
export interface Working {
  readonly key: string;
  readonly title: string;
  readonly result: Figure;
  readonly formula: string;
  readonly terms: readonly Term[];
  /** Where the result is made up of parts, each part in order: the parts add up to the result. */
  readonly parts: readonly { readonly name: string; readonly figure: Figure; readonly part?: string }[];
  /** Assumptions and warnings in whole sentences. */
  readonly remarks: readonly string[];
  readonly source: string;
}
