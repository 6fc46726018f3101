import type { Job } from '../../job/job.ts';
import { portsOf } from '../../parts/graph.ts';
import { kindOf, partName, partSchema, portOf, type Part } from '../../parts/kinds.ts';
import { id } from '../act-fields.ts';
import { defineAct } from '../define-act.ts';
import { editing, takingOver, throughPorts, type GraphEdit } from '../graph-edit.ts';
import { partOrGone } from '../../job/field-words.ts';

/** Another part in its place; what fits is kept. */
export const swapPart = defineAct(
  'swapPart',
  { id, by: partSchema },
  {
    apply: (job, act) => editing(job, (edit) => swap(edit, act.id, act.by)),
    describe: (job, act) => `swap ${partOrGone(job, act.id)} for ${partName(act.by)}`,
  },
);

/** Another part where one stood: joints move over to the ports of the same name, else to those next in order. */
function swap(edit: GraphEdit<Job>, id: string, by: Part): void {
  const old = edit.part(id);
  const joined = portsOf(edit.job, old).filter((p) => p.peer);
  for (const { peer } of joined) edit.removeJoint(peer!.joint.id);
  edit.remove(id);
  edit.add(takingOver(by, old));
  const made = edit.part(by.id);
  const taken = new Set<string>();
  const ends = throughPorts(made);
  const next = (port: string): string | undefined => {
    if (portOf(made, port) && !taken.has(port)) return port;
    return (ends ?? Object.keys(kindOf(made).ports(made))).find((name) => !taken.has(name));
  };
  for (const { port, peer } of joined) {
    const to = next(port);
    if (to === undefined) continue; // what does not fit stays open, and says so
    taken.add(to);
    const { joint } = peer!;
    const joins = edit.connect({ part: peer!.part, port: peer!.port }, { part: made.id, port: to }, joint);
    if (joint.sealant && to === port) edit.putJoint({ ...joins, sealant: joint.sealant });
  }
}
