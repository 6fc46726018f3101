import { z } from 'zod';
import type { Job } from '../../job/job.ts';
import { VENT } from '../../job/routes.ts';
import { id, key, title, value } from '../act-fields.ts';
import { setAt } from '../at-path.ts';
import { defineAct } from '../define-act.ts';
import { setOnPart } from '../part-fields.ts';
import { refused } from '../refused.ts';

const changes = z.array(z.strictObject({ key, value })).max(20).readonly();

/** How a line is routed, and how long it is then, as one edit. */
export const routeLine = defineAct(
  'routeLine',
  { id, changes, length: value, title },
  {
    apply(job, act) {
      if (act.id !== VENT && !Object.hasOwn(job.parts, act.id)) refused(`there is no line “${act.id}”`);
      const routed = act.changes.reduce(
        (changed, c) => setAt(changed, ['routes', 'lines', act.id, c.key], c.value) as Job,
        job,
      );
      return act.length === undefined ? routed : setOnPart(routed, act.id, 'length', act.length);
    },
    describe: (_job, act) => act.title,
  },
);
