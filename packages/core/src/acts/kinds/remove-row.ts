import { sayField } from '../../job/field-name.ts';
import type { Job } from '../../job/job.ts';
import { id, path } from '../act-fields.ts';
import { setAt } from '../at-path.ts';
import { defineAct } from '../define-act.ts';
import { rowsAt } from '../outside-run.ts';
import { refused } from '../refused.ts';

export const removeRow = defineAct(
  'removeRow',
  { path, id },
  {
    apply(job, act) {
      const rows = rowsAt(job, act.path);
      const left = rows?.filter((row) => row.id !== act.id);
      if (!rows || left!.length === rows.length) refused(`the row “${act.id}” is no longer there`);
      return setAt(job, act.path, left) as Job;
    },
    describe: (job, act) => `take out ${sayField(job, [...act.path, act.id])}`,
  },
);
