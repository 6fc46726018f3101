import { partName, partSchema } from '../../parts/kinds.ts';
import { portNameSchema, portRefSchema } from '../../parts/port.ts';
import { defineAct } from '../define-act.ts';
import { editing } from '../graph-edit.ts';

/** A new part goes onto a free port. */
export const attachPart = defineAct(
  'attachPart',
  { to: portRefSchema, part: partSchema, port: portNameSchema },
  {
    apply: (job, act) =>
      editing(job, (edit) => {
        edit.add(act.part);
        edit.connect(act.to, { part: act.part.id, port: act.port });
      }),
    describe: (_job, act) => `put in ${partName(act.part)}`,
  },
);
