import type { Act } from '../acts/act.ts';
import type { FieldPath } from '../fields/field-path.ts';
import type { Stage } from '../job/stage.ts';
import type { Findings } from '../reckoning/findings.ts';
import type { Figure } from '../units/quantity.ts';
import type { Words } from '../units/words.ts';

/** stop: danger, or it cannot work. fix: it will disappoint. note: worth knowing. */
export const grades = ['stop', 'fix', 'note'] as const;
export type Grade = (typeof grades)[number];

/** What a rule reports. Texts are whole sentences in the trade's words; a figure whose unit the reader chooses stays a figure in them. */
export interface SnagReport {
  readonly grade: Grade;
  /** What is wrong; how much of it stands in `figure` beside it. */
  readonly what: string;
  readonly part?: string;
  /** Tells apart what one rule has to say of one part: a name that stays, never a number. */
  readonly which?: string;
  readonly stage: Stage;
  /** The field that shows or cures it. */
  readonly path?: FieldPath;
  /** The figure that was found, and the limit it is held against. */
  readonly figure?: Figure & { readonly label: string };
  readonly limit?: Figure & { readonly label: string };
  readonly why: Words;
  readonly cure: Words;
  /** Does the cure, where it can be computed. */
  readonly act?: Act;
  readonly actLabel?: Words;
  readonly source: string;
  /** What cannot be looked at while it stands, in a sentence: snags that are hidden by this one. */
  readonly hides?: string;
}

export interface Snag extends SnagReport {
  readonly rule: string;
  /** Stable between computations and whatever else is cured: the rule, the part, and which of them. */
  readonly id: string;
  /** The fitter's reason for living with it. */
  readonly overruled?: string;
}

/** One mistake to catch. Reads findings; computes no physics of its own. */
export interface Rule {
  readonly key: string;
  check(findings: Findings): SnagReport[];
}
