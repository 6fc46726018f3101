import { id } from '../act-fields.ts';
import { defineAct } from '../define-act.ts';
import { editing } from '../graph-edit.ts';
import { nameOf } from '../words.ts';

export const disconnect = defineAct(
  'disconnect',
  { joint: id },
  {
    apply: (job, act) => editing(job, (edit) => edit.removeJoint(edit.joint(act.joint).id)),
    describe: (job, act) => {
      const joint = job.joints[act.joint];
      return joint ? `undo the joint of ${nameOf(job, joint.a.part)} and ${nameOf(job, joint.b.part)}` : 'undo a joint';
    },
  },
);
