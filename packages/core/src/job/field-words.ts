import type { FieldPath } from '../fields/field-path.ts';
import { partName } from '../parts/kinds.ts';
import type { Held, Named } from './define-root.ts';

/** Keys that stand in several places, or that nobody gave a name where they are defined. */
const known: Readonly<Record<string, string>> = {
  lines: 'lines',
  tank: 'tank',
  vent: 'vent',
  own: 'own points',
  ports: 'ports',
  fitting: 'form and size',
  place: 'place under the vehicle',
  closed: 'cap or plug',
  chain: 'adapters',
  key: 'school',
  reason: 'reason',
  sweep: 'sweep',
  a: 'one end',
  b: 'other end',
};

/** What nobody gave a name, as words: “fuelLevel” reads “fuel level”. */
export const asWords = (key: string | number): string =>
  known[key] ??
  String(key)
    .replace(/([a-z])([A-Z])/g, '$1 $2')
    .toLowerCase();

/** What a part is called, by its id; undefined where there is none. */
export const partIn = ({ parts }: Pick<Held, 'parts'>, id: string): string | undefined =>
  Object.hasOwn(parts, id) ? partName(parts[id]!) : undefined;

/** The same for a sentence: what is no longer there says so. */
export const partOrGone = (job: Pick<Held, 'parts'>, id: string): string => partIn(job, id) ?? 'a part that is gone';

interface Row {
  readonly id: string;
  readonly label?: string;
}

/** “wire 4, conductor”, “Filler neck, measured to”: a row by its own name where it has one, and the last field of the address. */
export function sayOfRow(
  one: string,
  names: Named,
  rows: readonly Row[] | undefined,
  id: string | number,
  rest: FieldPath,
): string {
  const at = rows?.findIndex((row) => row.id === id) ?? -1;
  const label = rows?.[at]?.label?.trim();
  const last = String(rest.at(-1) ?? '');
  const row = label ? `“${label}”` : `${one}${at < 0 ? '' : ` ${at + 1}`}`;
  return [row, names[last]?.name ?? asWords(last)].filter(Boolean).join(', ');
}
