import { z } from 'zod';
import type { Job } from '../../job/job.ts';
import { path, title, value } from '../act-fields.ts';
import { setAt, valueAt } from '../at-path.ts';
import { defineAct } from '../define-act.ts';
import { isSame } from '../is-same.ts';
import { outsideRun } from '../outside-run.ts';

const changes = z.array(z.strictObject({ path, value })).min(1).max(400).readonly();

/** Several such at once, as one edit: wires and fuses in other sizes, a device with all that hangs on it. */
export const setAll = defineAct(
  'setAll',
  { changes, title },
  {
    apply: (job, act) => act.changes.reduce((changed, c) => setAt(changed, outsideRun(c.path), c.value) as Job, job),
    describe: (_job, act) => act.title,
    isInPlace: (job, act) => act.changes.every((c) => isSame(valueAt(job, c.path), c.value)),
  },
);
