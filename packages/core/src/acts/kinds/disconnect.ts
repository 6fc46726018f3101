import { id } from '../act-fields.ts';
import { defineAct } from '../define-act.ts';
import { editing } from '../graph-edit.ts';
import { partOrGone } from '../../job/field-words.ts';

export const disconnect = defineAct(
  'disconnect',
  { joint: id },
  {
    apply: (job, act) => editing(job, (edit) => edit.removeJoint(edit.joint(act.joint).id)),
    describe: (job, act) => {
      const joint = job.joints[act.joint];
      return joint
        ? `undo the joint of ${partOrGone(job, joint.a.part)} and ${partOrGone(job, joint.b.part)}`
        : 'undo a joint';
    },
  },
);
