import type { Figure } from './quantity.ts';
import type { Say } from './unit-system.ts';

/** Words with figures between them, which the reader's system of units says: text, figure, text, … and text again. */
export interface FiguredWords {
  readonly text: readonly string[];
  readonly figures: readonly Figure[];
}
/** A sentence: plain where it holds no figure. */
export type Words = string | FiguredWords;

const isFigure = (value: unknown): value is Figure => typeof value === 'object' && value !== null && 'kind' in value;

/** A template whose figures stay figures: words`Open it to ${figure('length', 0.013)}.`; sentences in it are joined in. */
export function words(strings: TemplateStringsArray, ...values: readonly (Figure | Words | number)[]): Words {
  const text = [strings[0]!];
  const figures: Figure[] = [];
  const add = (more: string) => (text[text.length - 1] += more);
  values.forEach((value, i) => {
    if (isFigure(value)) {
      figures.push(value);
      text.push('');
    } else if (typeof value === 'object') {
      value.text.forEach((piece, k) => {
        if (k > 0) {
          figures.push(value.figures[k - 1]!);
          text.push('');
        }
        add(piece);
      });
    } else add(String(value));
    add(strings[i + 1]!);
  });
  return figures.length === 0 ? text[0]! : { text, figures };
}

/** Said in one system of units. */
export const sayWords = (said: Words, say: Say): string =>
  typeof said === 'string'
    ? said
    : said.text.reduce((all, piece, i) => `${all}${say.figure(said.figures[i - 1]!)}${piece}`);
