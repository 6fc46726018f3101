import { z } from 'zod';
import { sayField } from '../../job/field-name.ts';
import type { Job } from '../../job/job.ts';
import { path, title, value } from '../act-fields.ts';
import { setAt, valueAt, type MissingRow } from '../at-path.ts';
import { defineAct } from '../define-act.ts';
import { isSame } from '../is-same.ts';
import { refused } from '../refused.ts';

const record = z.strictObject({
  path,
  value,
  was: value,
  /** A section or list that came to be with what was put into it: it goes once nothing is in it. */
  ifEmpty: z.literal(true).optional(),
});
const records = z.array(record).min(1).max(1000).readonly();

/** Fields as they were before another act: undo, and redo of an undo. Done only where they are as that act left them. */
export const restore = defineAct(
  'restore',
  { records, title },
  {
    apply(job, act) {
      const fields = act.records.filter((r) => !r.ifEmpty);
      const changed = fields.find((r) => !isSame(valueAt(job, r.path), r.was));
      if (changed) refused(`“${sayField(job, changed.path)}” has been changed since: putting it back would undo that`);
      // children of a record before the record itself would be missing
      const restored = fields.reduce((done, r) => setAt(done, r.path, r.value, comesBack) as Job, job);
      return act.records
        .filter((r) => r.ifEmpty)
        .reduce(
          (done, r) => (isEmpty(valueAt(done, r.path)) ? (setAt(done, r.path, undefined) as Job) : done),
          restored,
        );
    },
    describe: (_job, act) => act.title,
    wrote: (act) => act.records.toReversed(),
  },
);

/** A row that is gone comes back at the end of its list; what lies in one that is gone stays away with it. */
const comesBack: MissingRow = (rows, rest, held) => (rest.length === 0 && held !== undefined ? [...rows, held] : rows);

const isEmpty = (held: unknown): boolean => typeof held === 'object' && held !== null && Object.keys(held).length === 0;
