import { z } from 'zod';
import { rowOfList } from '../../job/field-name.ts';
import type { Job } from '../../job/job.ts';
import { id, path } from '../act-fields.ts';
import { setAt } from '../at-path.ts';
import { defineAct } from '../define-act.ts';
import { rowsAt } from '../outside-run.ts';
import { refused } from '../refused.ts';
import { withArticle } from '../words.ts';

export const addRow = defineAct(
  'addRow',
  { path, row: z.looseObject({ id }) },
  {
    apply(job, act) {
      const rows = rowsAt(job, act.path) ?? [];
      if (rows.some((row) => row.id === act.row.id)) refused(`there is already a row “${act.row.id}”`);
      return setAt(job, act.path, [...rows, act.row]) as Job;
    },
    describe: (_job, act) => `put in ${withArticle(rowOfList(act.path))}`,
  },
);
