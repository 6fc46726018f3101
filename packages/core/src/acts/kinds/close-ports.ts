import { z } from 'zod';
import { portsOf } from '../../parts/graph.ts';
import { id } from '../act-fields.ts';
import { defineAct } from '../define-act.ts';
import { GraphEdit } from '../graph-edit.ts';
import { withPort } from '../part-fields.ts';
import { partOrGone } from '../../job/field-words.ts';

/** Caps or plugs every open port of a part. */
export const closePorts = defineAct(
  'closePorts',
  { id, with: z.enum(['capped', 'plugged']) },
  {
    apply(job, act) {
      const edit = new GraphEdit(job);
      for (const { port, spec, state, known } of portsOf(job, edit.part(act.id)))
        if (state === 'open' && spec.use !== 'dry')
          edit.put(withPort(edit.part(act.id), port, { ...known, closed: act.with }));
      return edit.job;
    },
    describe: (job, act) => `${act.with === 'capped' ? 'cap' : 'plug'} the open ports of ${partOrGone(job, act.id)}`,
  },
);
