import { isJointField, type Joint } from '../../parts/joint.ts';
import { changes, title } from '../act-fields.ts';
import { setAt } from '../at-path.ts';
import { defineAct } from '../define-act.ts';
import { GraphEdit } from '../graph-edit.ts';
import { refused } from '../refused.ts';

export const setOnJoints = defineAct(
  'setOnJoints',
  { changes, title },
  {
    apply: (job, act) =>
      act.changes.reduce((changed, { id, key, value }) => {
        if (!isJointField(key)) refused(`a joint has no field “${key}”`);
        const edit = new GraphEdit(changed);
        edit.putJoint(setAt(edit.joint(id), [key], value) as Joint);
        return edit.job;
      }, job),
    describe: (_job, act) => act.title,
  },
);
