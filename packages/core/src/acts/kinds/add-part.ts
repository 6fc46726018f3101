import { partName, partSchema } from '../../parts/kinds.ts';
import { defineAct } from '../define-act.ts';
import { editing } from '../graph-edit.ts';

/** A part of its own, joined to nothing yet. */
export const addPart = defineAct(
  'addPart',
  { part: partSchema },
  {
    apply: (job, act) => editing(job, (edit) => edit.add(act.part)),
    describe: (_job, act) => `put in ${partName(act.part)}`,
    wrote: (act) => [{ path: ['parts', act.part.id] }],
  },
);
