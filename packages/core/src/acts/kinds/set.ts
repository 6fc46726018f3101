import type { Job } from '../../job/job.ts';
import { sayField } from '../../job/field-name.ts';
import { path, value } from '../act-fields.ts';
import { setAt, valueAt } from '../at-path.ts';
import { defineAct } from '../define-act.ts';
import { isSame } from '../is-same.ts';
import { outsideRun } from '../outside-run.ts';
import { setOrClear } from '../words.ts';

/** A measurement or choice outside the run, or its removal when `value` is absent. Rows of a list go by their id. */
export const set = defineAct(
  'set',
  { path, value },
  {
    apply: (job, act) => setAt(job, outsideRun(act.path), act.value) as Job,
    describe: (job, act) => `${setOrClear(act.value)} ${sayField(job, act.path)}`,
    isInPlace: (job, act) => isSame(valueAt(job, act.path), act.value),
    fills: (act) => ({ path: act.path, value: act.value }),
  },
);
