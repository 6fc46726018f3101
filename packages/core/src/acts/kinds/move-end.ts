import { portRefSchema } from '../../parts/port.ts';
import { id } from '../act-fields.ts';
import { defineAct } from '../define-act.ts';
import { editing } from '../graph-edit.ts';
import { refused } from '../refused.ts';
import { portWord } from '../words.ts';

/** The end of a joint that is on that part goes to another port. */
export const moveEnd = defineAct(
  'moveEnd',
  { joint: id, part: id, to: portRefSchema },
  {
    apply: (job, act) =>
      editing(job, (edit) => {
        const joint = edit.joint(act.joint);
        const stays = joint.a.part === act.part ? joint.b : joint.b.part === act.part ? joint.a : undefined;
        if (!stays) refused(`“${act.part}” is not at that joint`);
        edit.removeJoint(joint.id);
        edit.connect(stays, act.to, joint);
      }),
    describe: (job, act) => `move a joint to ${portWord(job, act.to.part, act.to.port)}`,
  },
);
