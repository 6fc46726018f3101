import { kindOf } from '../parts/kinds.ts';
import type { Circuits } from './circuits.ts';

/** Highest pressures that the pumps can make, at no flow: everything upstream of a regulator must survive them. Pa gauge. */
export interface DeadHead {
  /** At the outlet of the pumps that feed the engine. */
  readonly pressure: number;
  /** At each part of the supply, with every line behind it blocked. */
  readonly at: Readonly<Record<string, number>>;
  readonly beyondTable: boolean;
  readonly relieved: boolean;
}

interface Reached {
  readonly pressure: number;
  readonly beyondTable: boolean;
  readonly relieved: boolean;
}
const nothing: Reached = { pressure: 0, beyondTable: false, relieved: false };

/**
 * Pumps in series add up, pumps side by side reach what the strongest does, a relief valve limits its own, and a vessel,
 * open to the tank, starts again from nothing.
 *
 * @param voltage - V at the pumps, the most that they see.
 */
export function deadHeads(circuits: Circuits, voltage: number): DeadHead {
  const reachedBy = new Map<string, Reached>();
  const strongest = (pumps: readonly string[]): Reached =>
    pumps.map(reached).reduce((a, b) => (b.pressure > a.pressure ? b : a), nothing);
  function reached(id: string): Reached {
    const known = reachedBy.get(id);
    if (known) return known;
    reachedBy.set(id, nothing); // a ring of pumps adds nothing to itself
    const before = strongest(circuits.zoneBefore(id)?.fedBy ?? []).pressure;
    const part = circuits.part(id);
    const own = kindOf(part).deadHead?.(part, voltage);
    const made = own ? { pressure: before + own.rise, beyondTable: own.beyondTable, relieved: own.relieved } : nothing;
    reachedBy.set(id, made);
    return made;
  }
  const at: Record<string, number> = {};
  for (const id of circuits.order) {
    if (circuits.lineOf(id) !== 'supply') continue;
    at[id] = strongest(circuits.zoneOf(id)?.fedBy ?? []).pressure;
  }
  return { ...strongest(circuits.feedPumps.length > 0 ? circuits.feedPumps : circuits.pumps), at };
}
