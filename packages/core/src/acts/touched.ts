import type { Job } from '../job/job.ts';
import type { FieldPath } from '../fields/field-path.ts';
import { valueAt } from './at-path.ts';
import type { ActOf } from './act.ts';
import { isSame } from './is-same.ts';

const DEEPEST = 4; // a field of a row; what lies below is one value

/**
 * The fields that an act changed, by address: what it did not touch it shares with the job before. A part, joint or row that
 * was put in or taken away is one address; a list without ids is one value.
 */
export function touchedBy(before: Job, after: Job): FieldPath[] {
  const touched: Touched = { paths: [], made: [] };
  walk(before, after, [], touched);
  return touched.paths;
}

interface Touched {
  readonly paths: FieldPath[];
  /** Containers that came to be with what was put into them. */
  readonly made: FieldPath[];
}

function walk(before: unknown, after: unknown, path: FieldPath, touched: Touched, isRow = false): void {
  if (before === after) return;
  const made = !isRow && isMade(before, after, path);
  const [a, b] = [made ? new Map<string, unknown>() : membersOf(before, path), membersOf(after, path)];
  if (!a || !b) {
    if (!isSame(before, after)) touched.paths.push(path);
    return;
  }
  if (Array.isArray(before) && !isTailEdit([...a.keys()], [...b.keys()])) {
    touched.paths.push(path);
    return;
  }
  if (before === undefined) touched.made.push(path);
  for (const key of new Set([...a.keys(), ...b.keys()]))
    walk(a.get(key), b.get(key), [...path, key], touched, Array.isArray(after));
}

/** Collections whose members are put in and taken out whole. */
const OF_RECORDS = new Set<string | number>(['parts', 'joints', 'overrules', 'bench', 'materials']);

/**
 * Whether a section or a list came to be where there was none, or rows where the list was empty: two people who put different
 * first things into it do not meet.
 */
function isMade(before: unknown, after: unknown, path: FieldPath): boolean {
  const isNew = before === undefined || (Array.isArray(before) && before.length === 0);
  if (!isNew || path.length === 0 || (path.length === 2 && OF_RECORDS.has(path[0]!))) return false;
  return Array.isArray(before ?? after) === Array.isArray(after) && (membersOf(after, path)?.size ?? 0) > 0;
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
  const touched: Touched = { paths: [], made: [] };
  walk(before, after, [], touched);
  if (touched.paths.length === 0) return undefined;
  const records = touched.paths.map((path) => ({ path, value: valueAt(before, path), was: valueAt(after, path) }));
  // the innermost first: what came to be goes again, unless somebody has put more into it since
  const emptied = touched.made.toReversed().map((path) => ({ path, ifEmpty: true as const }));
  return { act: 'restore', title, records: [...records, ...emptied] };
}
