import { partName, portOf } from '../../parts/kinds.ts';
import { portNameSchema, portStateSchema } from '../../parts/port.ts';
import { id } from '../act-fields.ts';
import { defineAct } from '../define-act.ts';
import { GraphEdit } from '../graph-edit.ts';
import { withPort } from '../part-fields.ts';
import { refused } from '../refused.ts';
import { portWord } from '../words.ts';

/** What is known of a port, and what closes it; absent: nothing. */
export const setPort = defineAct(
  'setPort',
  { part: id, port: portNameSchema, state: portStateSchema.optional() },
  {
    apply(job, act) {
      const edit = new GraphEdit(job);
      const part = edit.part(act.part);
      const port = portOf(part, act.port) ?? refused(`“${partName(part)}” has no port “${act.port}”`);
      if (act.state?.closed && edit.peer(act.part, act.port))
        refused(`the ${port.name} of “${partName(part)}” is joined: it cannot be ${act.state.closed}`);
      edit.put(withPort(part, act.port, act.state));
      return edit.job;
    },
    describe: (job, act) =>
      act.state?.closed
        ? `${act.state.closed === 'capped' ? 'cap' : 'plug'} ${portWord(job, act.part, act.port)}`
        : `state ${portWord(job, act.part, act.port)}`,
    wrote: (act) => [{ path: ['parts', act.part, 'ports', act.port] }],
  },
);
