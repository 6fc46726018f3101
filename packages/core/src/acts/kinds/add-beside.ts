import { z } from 'zod';
import { partSchema, isPump, kindOf, partName, portOf, type Part, type PartOf } from '../../parts/kinds.ts';
import type { PortRef } from '../../parts/port.ts';
import { circuitsOf } from '../../run/circuits.ts';
import { relaysForOthers } from '../../harness-templates/another-pump.ts';
import { freePort } from '../../parts/graph.ts';
import type { Job } from '../../job/job.ts';
import { id } from '../act-fields.ts';
import { defineAct } from '../define-act.ts';
import { freshId } from '../fresh-id.ts';
import { GraphEdit, throughPorts } from '../graph-edit.ts';
import { refused } from '../refused.ts';
import { partOrGone } from '../../job/field-words.ts';

/** What parts a line into two, and joins them again: where it is entered, where it goes on, and its second way. */
const splits = {
  tee: { in: 'a', out: 'b', branch: 'branch' },
  y: { in: 'stem', out: 'left', branch: 'right' },
} as const;
export type SplitKind = keyof typeof splits;

/**
 * Another part of its kind beside one that stands on the run, with what the two need: fuel parts before them, or a pump draws through
 * a pickup of its own, and joins behind them where anything follows.
 */
export const addBeside = defineAct(
  'addBeside',
  {
    id,
    part: partSchema,
    by: z.enum(['tee', 'y']),
    ownPickup: z.boolean().optional(),
    checkValves: z.boolean().optional(),
    isWired: z.boolean().optional(),
  },
  {
    apply(job, { id, part, by, ownPickup, checkValves, isWired }) {
      const edit = new GraphEdit(job);
      const old = edit.part(id);
      if (part.kind !== old.kind)
        refused(`a ${part.kind} does not go beside “${partName(old)}” so: put it in by itself`);
      const ends = throughPorts(old) ?? refused(`“${partName(old)}” has no two ends to put another beside`);
      const run = circuitsOf(job);
      const before = run.into(id).find((f) => portOf(old, f.toPort)?.use !== 'spill');
      const behind = run.outOf(id).find((f) => portOf(old, f.fromPort)?.use !== 'spill' && !run.isTap(f.to));
      if (!before) refused(`nothing leads to “${partName(old)}”: join it up first`);
      edit.add(part);
      const drawsItself = ownPickup === true && isPump(old);
      const inlet = drawsItself ? pickupFor(edit, run.tank) : split(edit, before.joint, by, 'before');
      edit.connect(inlet, { part: part.id, port: before.toPort in kindOf(part).ports(part) ? before.toPort : ends[0] });
      if (behind) edit.connect({ part: part.id, port: behind.fromPort }, split(edit, behind.joint, by, 'behind'));
      if (checkValves && isPump(old))
        for (const pump of [id, part.id]) edit.put({ ...(edit.part(pump) as PartOf<'pump'>), checkValve: true });
      return isWired && isPump(old)
        ? { ...edit.job, wiring: relaysForOthers(edit.job, edit.job.wiring ?? {}) }
        : edit.job;
    },
    describe: (job, act) => `put another beside ${partOrGone(job, act.id)}`,
  },
);

/** Puts a tee or a Y into a joint. @returns its free leg. */
function split(edit: GraphEdit<Job>, joint: string, by: SplitKind, side: 'before' | 'behind'): PortRef {
  const part: Part = { kind: by, id: freshId(edit.job, by) };
  const ports = splits[by];
  edit.add(part);
  // behind them the two legs lead into it
  const [into, out] = side === 'before' ? [ports.in, ports.out] : [ports.out, ports.in];
  edit.insert(part.id, joint, into, out);
  return { part: part.id, port: ports.branch };
}

/** A sock on a pickup of its own in the tank. @returns its outlet. */
function pickupFor(edit: GraphEdit<Job>, tank: Part | undefined): PortRef {
  if (!tank) refused('there is no tank to draw from');
  const sock: Part = { kind: 'sock', id: freshId(edit.job, 'sock') };
  const [into, out] = throughPorts(sock)!;
  edit.add(sock);
  edit.connect({ part: tank.id, port: freePort(edit.job, tank, 'pickup') }, { part: sock.id, port: into });
  return { part: sock.id, port: out };
}
