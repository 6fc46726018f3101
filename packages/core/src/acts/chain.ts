import { circuitsOf } from '../run/circuits.ts';
import type { Line } from '../run/zones.ts';
import type { Part, PartKind } from '../parts/kinds.ts';
import type { PortRef } from '../parts/port.ts';
import type { Graph } from '../parts/graph.ts';

/** A stretch of a line that hangs together: one part with what is screwed into it, or all between a split and its join. */
export interface Block {
  readonly parts: readonly string[];
  /** Where fuel comes in and goes on, as it is joined now. */
  readonly entry?: PortRef;
  readonly exit?: PortRef;
}

/** A line in its order, cut wherever all of its fuel passes one joint. */
export function blocksOf(job: Graph, line: Line): Block[] {
  const circuits = circuitsOf(job);
  const joined = circuits.order.filter((id) => circuits.lineOf(id) === line && circuits.ports(id).some((p) => p.peer));
  const ids = joined.filter((id) => !circuits.isTap(id));
  const own = new Set(ids);
  const within = circuits.flows.filter((f) => own.has(f.from) && own.has(f.to) && isOf(f.zone.kind, line));
  const blocks: Block[] = [];
  const done = new Set<string>();
  let parts: string[] = [];
  let entry: PortRef | undefined;
  for (const id of ids) {
    parts.push(id);
    done.add(id);
    const across = within.filter((f) => done.has(f.from) && !done.has(f.to));
    if (across.length > 1) continue;
    const [flow] = across;
    const exit = flow && { part: flow.from, port: flow.fromPort };
    blocks.push({ parts, entry: entry ?? comesIn(circuits.into(parts[0]!)), exit });
    entry = flow && { part: flow.to, port: flow.toPort };
    parts = [];
  }
  if (parts.length > 0) blocks.push({ parts, entry });
  return blocks.map((block) => ({ ...block, parts: [...block.parts, ...block.parts.flatMap(tapsOf)] }));

  /** Instruments and the like go where the part goes that they sit on. */
  function tapsOf(id: string): string[] {
    return [...circuits.outOf(id).map((f) => f.to), ...circuits.into(id).map((f) => f.from)].filter((other) =>
      circuits.isTap(other),
    );
  }

  function comesIn(flows: readonly { to: string; toPort: string }[]): PortRef | undefined {
    const [flow] = flows;
    return flow && { part: flow.to, port: flow.toPort };
  }
}

const isOf = (zone: string, line: Line) =>
  line === 'supply' ? zone === 'suction' || zone === 'pressure' || zone === 'loose' : zone === line;

export const partsOf = (job: Graph, block: Block): Part[] => block.parts.map((id) => job.parts[id]!);

/** The part of a kind in a block, if it has one. */
export const find = (job: Graph, block: Block, kind: PartKind): Part | undefined =>
  partsOf(job, block).find((p) => p.kind === kind || (kind === 'regulator' && p.kind === 'filterRegulator'));
