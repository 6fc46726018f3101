import { changes, title } from '../act-fields.ts';
import { defineAct } from '../define-act.ts';
import { GraphEdit } from '../graph-edit.ts';
import { requireField, setOnPart, standsOnPart } from '../part-fields.ts';

/** Several measurements at once, as one edit: a line in another size, a pump for another. */
export const setOnParts = defineAct(
  'setOnParts',
  { changes, title },
  {
    apply(job, act) {
      // each is asked for on the job as it was: what the ones before it set is not judged yet
      for (const { id, key } of act.changes) requireField(new GraphEdit(job).part(id), key);
      return act.changes.reduce((changed, { id, key, value }) => setOnPart(changed, id, key, value), job);
    },
    describe: (_job, act) => act.title,
    isInPlace: (job, act) => act.changes.every((change) => standsOnPart(job, change)),
  },
);
