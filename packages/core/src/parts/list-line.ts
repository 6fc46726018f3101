/** A line of the shopping list that a part brings along besides itself. */
export interface SmallPart {
  readonly part: string;
  readonly quantity: number;
}

/** Specification in one line, what is unknown left out. */
export const specification = (...facts: (string | undefined | false)[]): string => facts.filter(Boolean).join(', ');
