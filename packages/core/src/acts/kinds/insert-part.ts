import { partName, partSchema } from '../../parts/kinds.ts';
import { portNameSchema } from '../../parts/port.ts';
import { id } from '../act-fields.ts';
import { defineAct } from '../define-act.ts';
import { editing } from '../graph-edit.ts';

/** A new part goes in between what a joint joins: fuel comes in by one of its ports and leaves by the other. */
export const insertPart = defineAct(
  'insertPart',
  { joint: id, part: partSchema, in: portNameSchema, out: portNameSchema },
  {
    apply: (job, act) =>
      editing(job, (edit) => {
        edit.add(act.part);
        edit.insert(act.part.id, act.joint, act.in, act.out);
      }),
    describe: (_job, act) => `put in ${partName(act.part)}`,
  },
);
