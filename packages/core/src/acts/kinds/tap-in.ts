import { partName, partSchema } from '../../parts/kinds.ts';
import { portNameSchema } from '../../parts/port.ts';
import { id } from '../act-fields.ts';
import { defineAct } from '../define-act.ts';
import { editing } from '../graph-edit.ts';

/** An instrument or a damper on a joint: a tee goes in, and the part onto its branch. */
export const tapIn = defineAct(
  'tapIn',
  { joint: id, part: partSchema, port: portNameSchema, tee: id },
  {
    apply: (job, act) =>
      editing(job, (edit) => {
        edit.add({ kind: 'tee', id: act.tee });
        edit.insert(act.tee, act.joint, 'a', 'b');
        edit.add(act.part);
        edit.connect({ part: act.tee, port: 'branch' }, { part: act.part.id, port: act.port });
      }),
    describe: (_job, act) => `put in ${partName(act.part)} on a tee`,
  },
);
