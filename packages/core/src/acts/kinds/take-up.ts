import { partName } from '../../parts/kinds.ts';
import { portNameSchema, portRefSchema } from '../../parts/port.ts';
import { id } from '../act-fields.ts';
import { defineAct } from '../define-act.ts';
import { editing, onRun } from '../graph-edit.ts';
import { refused } from '../refused.ts';
import { partOrGone } from '../../job/field-words.ts';

/** What was set aside goes onto a free port. */
export const takeUp = defineAct(
  'takeUp',
  { id, port: portNameSchema, to: portRefSchema },
  {
    apply: (job, act) =>
      editing(job, (edit) => {
        if (!edit.part(act.id).aside) refused(`“${partName(edit.part(act.id))}” is on the run`);
        edit.unjoin(act.id);
        edit.put(onRun(edit.part(act.id)));
        edit.connect(act.to, { part: act.id, port: act.port });
      }),
    describe: (job, act) => `take up ${partOrGone(job, act.id)}`,
  },
);
