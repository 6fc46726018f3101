import { partName } from '../../parts/kinds.ts';
import { id } from '../act-fields.ts';
import { defineAct } from '../define-act.ts';
import { editing, onRun, throughPorts } from '../graph-edit.ts';
import { refused } from '../refused.ts';
import { partOrGone } from '../../job/field-words.ts';

/** What was set aside, or stands elsewhere on the run, goes in at a joint. */
export const movePart = defineAct(
  'movePart',
  { id, joint: id },
  {
    apply: (job, act) =>
      editing(job, (edit) => {
        const part = edit.part(act.id);
        const ends = throughPorts(part) ?? refused(`“${partName(part)}” does not go into a line`);
        const { a, b } = edit.joint(act.joint);
        if (a.part === act.id || b.part === act.id) refused(`“${partName(part)}” stands there already`);
        edit.unjoin(act.id);
        edit.put(onRun(edit.part(act.id)));
        edit.insert(act.id, act.joint, ...ends);
      }),
    describe: (job, act) => `move ${partOrGone(job, act.id)}`,
  },
);
