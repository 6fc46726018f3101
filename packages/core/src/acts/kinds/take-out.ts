import { id } from '../act-fields.ts';
import { defineAct } from '../define-act.ts';
import { editing } from '../graph-edit.ts';
import { partOrGone } from '../../job/field-words.ts';

/** Taken out, and what was on either side joined up. */
export const takeOut = defineAct(
  'takeOut',
  { id },
  {
    apply: (job, act) =>
      editing(job, (edit) => {
        edit.unjoin(edit.part(act.id).id);
        edit.remove(act.id);
      }),
    describe: (job, act) => `take out ${partOrGone(job, act.id)}`,
  },
);
