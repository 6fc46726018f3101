import type { Job } from '../job.ts';
import type { FieldPath } from '../needs.ts';
import { valueAt } from './at-path.ts';
import type { ActOf } from './act.ts';
import { isSame } from './is-same.ts';

const DEEPEST = 4; // a field of a row; what lies below is one value

/**
 * The fields that an act changed, by address: what it did not touch it shares with the job before. A part, joint or row that
 * was put in or taken away is one address; a list without ids is one value.
 */
export function touchedBy(before: Job, after: Job): FieldPath[] {
  const paths: FieldPath[] = [];
  walk(before, after, [], paths);
  return paths;
}

function walk(before: unknown, after: unknown, path: FieldPath, paths: FieldPath[]): void {
  if (before === after) return;
  const [a, b] = [membersOf(before, path), membersOf(after, path)];
  if (!a || !b) {
    if (!isSame(before, after)) paths.push(path);
    return;
  }
  if (Array.isArray(before) && !isTailEdit([...a.keys()], [...b.keys()])) {
    paths.push(path);
    return;
  }
  for (const key of new Set([...a.keys(), ...b.keys()])) walk(a.get(key), b.get(key), [...path, key], paths);
}

/** Members that have addresses of their own: of an object its fields, of a list its rows by id; undefined for a value. */
function membersOf(value: unknown, path: FieldPath): Map<string, unknown> | undefined {
  if (typeof value !== 'object' || value === null || path.length >= DEEPEST || isQuantity(value)) return undefined;
  if (!Array.isArray(value)) {
    const isWhole = path.length === 2 && path[0] === 'overrules';
    return isWhole ? undefined : new Map(Object.entries(value));
  }
  const ids = value.map((row: unknown) => (row as { id?: unknown } | null)?.id);
  return ids.every((id) => typeof id === 'string') && ids.length > 0
    ? new Map(ids.map((id, i) => [id, (value as unknown[])[i]]))
    : undefined;
}

/** Rows came or went at the end only: otherwise their order belongs to what was changed. */
function isTailEdit(before: readonly string[], after: readonly string[]): boolean {
  const shared = Math.min(before.length, after.length);
  const first = before.findIndex((id, i) => id !== after[i]);
  const same = first < 0 ? shared : first;
  return before.slice(same).every((id) => !after.includes(id));
}

const isQuantity = (value: object): boolean => 'si' in value && 'unit' in value;

/** Two sets of addresses of which one lies in the other, or that share one. */
export const overlap = (mine: readonly FieldPath[], theirs: readonly FieldPath[]): FieldPath[] =>
  mine.filter((path) => theirs.some((other) => isWithin(path, other) || isWithin(other, path)));

const isWithin = (inner: FieldPath, outer: FieldPath): boolean =>
  outer.length <= inner.length && outer.every((key, i) => key === inner[i]);

/**
 * The act that undoes another: every field that it touched as it was. Where one of them has been changed again since, it is
 * refused, so that nobody's edit is undone in silence.
 *
 * @returns undefined when the act changed nothing.
 */
export function restoring(before: Job, after: Job, title: string): ActOf<'restore'> | undefined {
  const records = touchedBy(before, after).map((path) => ({
    path,
    value: valueAt(before, path),
    was: valueAt(after, path),
  }));
  return records.length === 0 ? undefined : { act: 'restore', title, records };
}
