import type { FieldPath } from '../fields/field-path.ts';
import { isInherited } from '../fields/names.ts';
import { refused } from './refused.ts';

type Step = Record<string | number, unknown>;

const rowAt = (rows: readonly unknown[], key: string | number): number =>
  typeof key === 'number' ? key : rows.findIndex((row) => (row as { id?: unknown } | null)?.id === key);

/** What an object holds itself: of a text, a number or what every object inherits there is nothing. */
const ownOf = (at: unknown, key: string | number): unknown =>
  typeof at === 'object' && Object.hasOwn(at as object, key) ? (at as Step)[key] : undefined;

/** The value at a path, or undefined. Rows of a list go by their id. */
export const valueAt = (root: unknown, path: FieldPath): unknown =>
  path.reduce<unknown>((at, key) => {
    if (at === undefined || at === null) return undefined;
    return Array.isArray(at) ? (at as unknown[])[rowAt(at as unknown[], key)] : ownOf(at, key);
  }, root);

/** What a list becomes where a row that a path names is not in it. */
export type MissingRow = (
  rows: readonly unknown[],
  rest: FieldPath,
  value: unknown,
  key: string | number,
) => readonly unknown[];

const isRefused: MissingRow = (_rows, _rest, _value, key) => refused(`the row “${key}” is no longer there`);

/**
 * A copy with one value replaced, or removed when `value` is undefined. All else is shared.
 *
 * @throws ActRefused for a path that leads nowhere.
 */
export function setAt(root: unknown, path: FieldPath, value: unknown, missing: MissingRow = isRefused): unknown {
  const [key, ...rest] = path;
  if (key === undefined) return value;
  if (isInherited(String(key))) refused(`there is no field “${key}”`);
  if (typeof root !== 'object' || root === null) refused(`there is no field “${path.join(' ')}”`);
  if (Array.isArray(root)) {
    const at = rowAt(root as unknown[], key);
    if (at < 0 || at >= root.length) return missing(root as unknown[], rest, value, key);
    if (value === undefined && rest.length === 0) return root.toSpliced(at, 1) as unknown[];
    return (root as unknown[]).with(at, setAt(root[at], rest, value, missing));
  }
  const object = root as Step;
  if (rest.length === 0 && value === undefined) {
    const { [key]: _removed, ...others } = object;
    return others;
  }
  return { ...object, [key]: setAt(rest.length > 0 ? (object[key] ?? {}) : object[key], rest, value, missing) };
}
