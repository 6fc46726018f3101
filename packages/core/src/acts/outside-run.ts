import type { FieldPath } from '../fields/field-path.ts';
import { sayField } from '../job/field-name.ts';
import type { Job } from '../job/job.ts';
import { isSetByPath } from '../job/roots.ts';
import { valueAt } from './at-path.ts';
import { refused } from './refused.ts';

/** A path outside the run: parts, joints and overrules have acts of their own. */
export function outsideRun(path: FieldPath): FieldPath {
  if (!isSetByPath(String(path[0]))) refused(`“${path.join(' ')}” is not set so`);
  return path;
}

/** A list outside the run; undefined where nothing is listed yet. */
export function rowsAt(job: Job, path: FieldPath): readonly { readonly id: string }[] | undefined {
  const rows = valueAt(job, outsideRun(path));
  if (rows !== undefined && !(Array.isArray(rows) && rows.every((row) => typeof row === 'object' && row !== null)))
    refused(`“${sayField(job, path)}” is no list`);
  return rows as { id: string }[] | undefined;
}
