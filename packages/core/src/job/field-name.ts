import type { FieldPath } from '../fields/field-path.ts';
import type { Named } from './define-root.ts';
import { asWords } from './field-words.ts';
import type { Job } from './job.ts';
import { fieldAt, listAt, rootAt } from './roots.ts';

export { saySnag } from './roots/run.ts';

/** What one row of a list is: “factory line”. */
export const rowOfList = (path: FieldPath): string => {
  const found = listAt(path);
  return found?.depth === path.length ? found.list.one : 'row';
};

/** A field's address in words, for a person: "tank depth", "Feed hose, hose length". */
export function sayField(job: Job, path: FieldPath): string {
  const root = rootAt(path[0]);
  const said = root?.say?.(job, path, job[path[0] as keyof Job]);
  if (said !== undefined) return said;
  const field = path.length > 1 ? fieldAt(path) : undefined;
  if (field) return field.name;
  const found = listAt(path);
  if (found && path.length > found.depth)
    return sayRow(job, path, found.depth, found.list.one, { ...found.list.fields, ...found.list.also });
  if (found) return `list of ${found.list.one}s`;
  return path.map((key, i) => (i === 0 ? (root?.name ?? asWords(key)) : asWords(key))).join(', ');
}

/** “hanger tube 2, end” */
function sayRow(job: Job, path: FieldPath, depth: number, one: string, names: Named): string {
  const rows = path
    .slice(0, depth)
    .reduce<unknown>((at, key) => (at as Record<string, unknown> | undefined)?.[key], job);
  const at = Array.isArray(rows) ? (rows as { id?: unknown }[]).findIndex((row) => row.id === path[depth]) : -1;
  const fields = path.slice(depth + 1).map((key) => names[key]?.name ?? asWords(key));
  return [`${one}${at < 0 ? '' : ` ${at + 1}`}`, ...fields].join(', ');
}
