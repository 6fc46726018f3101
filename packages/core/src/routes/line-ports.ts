import { peersOf } from '../parts/graph.ts';
import type { Job } from '../job/job.ts';
import { isLine, kindOf } from '../parts/kinds.ts';
import { portKey, type PortRef } from '../parts/port.ts';
import { circuitsOf } from '../run/circuits.ts';

/**
 * The ports at which places of lines are told, in the order of the fuel: that of the part at either end of a line; where two lines
 * meet, the port of the first.
 */
export function linePorts(job: Job): PortRef[] {
  const refs = new Map<string, PortRef>();
  for (const part of circuitsOf(job).parts) {
    if (!isLine(part) || kindOf(part).isInTank?.(part)) continue;
    for (const port of ['in', 'out']) {
      const peer = peersOf(job).get(portKey(part.id, port));
      if (!peer) continue;
      const other = job.parts[peer.part]!;
      // where lines meet the one that fuel leaves tells it
      const ref = isLine(other) && port === 'out' ? { part: part.id, port } : { part: peer.part, port: peer.port };
      refs.set(portKey(ref.part, ref.port), ref);
    }
  }
  return [...refs.values()];
}
