import type { Graph, PortAsItIs } from '../parts/graph.ts';
import { isBypass, isConsumer, isPump, kindOf, type Part } from '../parts/kinds.ts';
import { portKey } from '../parts/port.ts';

/**
 * A stretch of the run that is one body of fuel: what is joined without a pump, a vessel or a regulator's spill between.
 * `suction` draws from a vessel, `pressure` is fed by a pump, `return` by a spill, `overflow` by a pot, `loose` by nothing.
 */
export type ZoneKind = 'suction' | 'pressure' | 'return' | 'overflow' | 'loose';
export interface Zone {
  readonly kind: ZoneKind;
  /** Pumps that press into it, and that draw from it. */
  readonly fedBy: readonly string[];
  readonly drawnBy: readonly string[];
  /** Vessels that it comes from, and that it runs into. */
  readonly from: readonly string[];
  readonly into: readonly string[];
  /** Regulators that spill into it. */
  readonly spilledBy: readonly string[];
}

export type Line = 'supply' | 'return' | 'overflow';

/** The line that a zone belongs to. */
export const lineOfZone = ({ kind }: Zone): Line => (kind === 'return' || kind === 'overflow' ? kind : 'supply');

/** Ports of every part, by its id. */
export type Ports = ReadonlyMap<string, readonly PortAsItIs[]>;

/** Ports that hold fuel and that fuel may pass between within the part. */
export const passes = (p: PortAsItIs) => p.spec.use !== 'dry' && p.spec.use !== 'spill';

/** The zone of every port on the run, by its key. */
export function zonesOf(graph: Graph, parts: readonly Part[], ports: Ports): Map<string, Zone> {
  const parent = new Map<string, string>();
  const find = (key: string): string => {
    let at = key;
    while (parent.has(at)) at = parent.get(at)!;
    return at;
  };
  const join = (a: string, b: string) => {
    const [x, y] = [find(a), find(b)];
    if (x !== y) parent.set(x, y);
  };
  const onRun = new Set(parts.map((p) => p.id));
  for (const { a, b } of Object.values(graph.joints))
    if (onRun.has(a.part) && onRun.has(b.part)) join(portKey(a.part, a.port), portKey(b.part, b.port));
  for (const part of parts) {
    if (kindOf(part).isVessel || isPump(part)) continue;
    const wet = ports.get(part.id)!.filter(passes);
    for (const p of wet.slice(1)) join(portKey(part.id, p.port), portKey(part.id, wet[0]!.port));
  }
  interface Draft {
    fedBy: string[];
    drawnBy: string[];
    from: string[];
    into: string[];
    spilledBy: string[];
    overflow: boolean;
    wanted: boolean;
  }
  const drafts = new Map<string, Draft>();
  const draft = (key: string): Draft => {
    const root = find(key);
    let made = drafts.get(root);
    if (!made)
      drafts.set(
        root,
        (made = { fedBy: [], drawnBy: [], from: [], into: [], spilledBy: [], overflow: false, wanted: false }),
      );
    return made;
  };
  for (const part of parts)
    for (const p of ports.get(part.id)!) {
      const zone = draft(portKey(part.id, p.port));
      if (isPump(part)) (p.port === 'out' ? zone.fedBy : zone.drawnBy).push(part.id);
      else if (kindOf(part).isVessel) {
        if (p.spec.use === 'in') zone.into.push(part.id);
        else zone.from.push(part.id);
        if (p.spec.use === 'spill') zone.overflow = true;
      } else if (p.spec.use === 'spill') zone.spilledBy.push(part.id);
      else if (isConsumer(part) || isBypass(part)) zone.wanted = true;
    }
  const zones = new Map<string, Zone>();
  for (const [root, d] of drafts) {
    const kind: ZoneKind =
      d.fedBy.length > 0
        ? 'pressure'
        : d.overflow
          ? 'overflow'
          : d.spilledBy.length > 0 && d.drawnBy.length === 0
            ? 'return'
            : d.drawnBy.length > 0 || d.from.length > 0 || d.wanted
              ? 'suction'
              : d.into.length > 0
                ? 'return'
                : 'loose';
    const { fedBy, drawnBy, from, into, spilledBy } = d;
    zones.set(root, { kind, fedBy, drawnBy, from, into, spilledBy });
  }
  return new Map(
    parts.flatMap((part) =>
      ports.get(part.id)!.map((p) => {
        const key = portKey(part.id, p.port);
        return [key, zones.get(find(key))!] as const;
      }),
    ),
  );
}
