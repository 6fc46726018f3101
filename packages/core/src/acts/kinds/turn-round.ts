import type { Job } from '../../job/job.ts';
import { portsOf } from '../../parts/graph.ts';
import { partName, propertiesOf, type Part } from '../../parts/kinds.ts';
import { id } from '../act-fields.ts';
import { defineAct } from '../define-act.ts';
import { editing, throughPorts, type GraphEdit } from '../graph-edit.ts';
import { refused } from '../refused.ts';
import { partOrGone } from '../../job/field-words.ts';

export const turnRound = defineAct(
  'turnRound',
  { id },
  {
    apply: (job, act) => editing(job, (edit) => turn(edit, act.id)),
    describe: (job, act) => `turn ${partOrGone(job, act.id)} round`,
  },
);

/** A part with an arrow is turned with it; one without changes its ends. */
function turn(edit: GraphEdit<Job>, id: string): void {
  const part = edit.part(id);
  if ('reversed' in propertiesOf(part.kind)) {
    edit.put({ ...part, reversed: (part as { reversed?: boolean }).reversed !== true } as Part);
    return;
  }
  const ends = throughPorts(part) ?? refused(`“${partName(part)}” has no two ends`);
  const other: Record<string, string> = { [ends[0]]: ends[1], [ends[1]]: ends[0] };
  for (const { peer, port } of portsOf(edit.job, part)) {
    if (!peer || !(port in other)) continue;
    const joint = edit.joint(peer.joint.id);
    const turned = (end: { part: string; port: string }) =>
      end.part === id ? { part: id, port: other[end.port]! } : end;
    edit.putJoint({ ...joint, a: turned(joint.a), b: turned(joint.b) });
  }
}
