import type { Graph, PortAsItIs } from '../parts/graph.ts';
import { SparseSystem } from '../numerics/sparse-lu.ts';
import { isBypass, isConsumer, isPump, kindOf, type Part } from '../parts/kinds.ts';
import { portKey } from '../parts/port.ts';
import { passes, type Ports, type Zone } from './zones.ts';

/** A joint with the way that fuel takes in service. */
export interface Flow {
  readonly joint: string;
  readonly from: string;
  readonly fromPort: string;
  readonly to: string;
  readonly toPort: string;
  readonly zone: Zone;
}

const GROUND = 1e-6; // keeps the system regular where a stretch is tied to nothing
const OPEN_END = 1e3; // a vessel
const DRAWN = 0.1; // an engine, a spill

/**
 * Which way fuel takes through every joint: as a current does that pumps and spills drive through equal resistances into
 * vessels, engines and spills. Where none flows, as to an instrument, away from where it comes from.
 */
export function orient(graph: Graph, parts: readonly Part[], ports: Ports, zones: ReadonlyMap<string, Zone>): Flow[] {
  const joints = Object.values(graph.joints).filter((j) => ports.has(j.a.part) && ports.has(j.b.part));
  const place = new Map<string, number>();
  joints.forEach((j, i) => place.set(j.id, i));
  const centre = new Map<string, number>();
  for (const part of parts)
    if (!kindOf(part).isVessel && !isPump(part)) centre.set(part.id, joints.length + centre.size);
  const size = joints.length + centre.size;
  const edges: [number, number][] = [];
  const wet = (part: Part) => ports.get(part.id)!.filter((p) => passes(p) && p.state === 'mated');
  for (const part of parts) {
    const at = centre.get(part.id);
    if (at !== undefined) for (const p of wet(part)) edges.push([at, place.get(p.peer!.joint.id)!]);
  }
  const system = new SparseSystem(size, edges);
  system.clear();
  for (let i = 0; i < size; i++) system.diagonal[i]! += GROUND;
  for (const [a, b] of edges) {
    system.diagonal[a]! += 1;
    system.diagonal[b]! += 1;
    system.values[system.slot(a, b)]! -= 1;
    system.values[system.slot(b, a)]! -= 1;
  }
  for (const part of parts)
    for (const p of ports.get(part.id)!) {
      if (p.state !== 'mated') continue;
      const at = place.get(p.peer!.joint.id)!;
      if (isPump(part)) system.rightSide[at]! += p.port === 'out' ? 1 : -1;
      else if (p.spec.use === 'spill') system.rightSide[at]! += 1;
      else if (kindOf(part).isVessel) system.diagonal[at]! += OPEN_END;
    }
  for (const part of parts) if (isConsumer(part) || isBypass(part)) system.diagonal[centre.get(part.id)!]! += DRAWN;
  const level = system.solve() ? Float64Array.from(system.rightSide) : new Float64Array(size);
  const steps = stepsFromSources(parts, ports, joints.length, place, centre);
  const sense = (end: { part: string; port: string }): number | undefined => {
    const part = graph.parts[end.part]!;
    const { spec } = ports.get(end.part)!.find((p) => p.port === end.port)!;
    if (isPump(part)) return end.port === 'out' ? 1 : -1;
    if (spec.use === 'spill') return 1;
    if (kindOf(part).isVessel) return spec.use === 'in' ? -1 : 1;
    return spec.use === 'tap' && isAlone(ports.get(end.part)!) ? -1 : undefined;
  };
  return joints.map((joint): Flow => {
    const { a, b } = joint;
    const [fromA, fromB] = [sense(a), sense(b)];
    const [la, lb] = [a, b].map((end) => level[centre.get(end.part) ?? place.get(joint.id)!]!);
    const [sa, sb] = [a, b].map((end) => steps[centre.get(end.part) ?? place.get(joint.id)!]!);
    const drop = la! - lb!;
    const forward =
      fromA !== undefined ? fromA > 0 : fromB !== undefined ? fromB < 0 : Math.abs(drop) > 1e-7 ? drop > 0 : sa! <= sb!;
    const [from, to] = forward ? [a, b] : [b, a];
    const zone = zones.get(portKey(a.part, a.port))!;
    return { joint: joint.id, from: from.part, fromPort: from.port, to: to.part, toPort: to.port, zone };
  });
}

const isAlone = (ports: readonly PortAsItIs[]) => ports.filter((p) => p.state === 'mated').length === 1;

/** How many steps each joint and part lies from a pump's outlet, a vessel or a spill. */
function stepsFromSources(
  parts: readonly Part[],
  ports: Ports,
  joints: number,
  place: ReadonlyMap<string, number>,
  centre: ReadonlyMap<string, number>,
): Int32Array {
  const steps = new Int32Array(joints + centre.size).fill(1 << 20);
  const neighbours: number[][] = Array.from({ length: steps.length }, () => []);
  const wait: number[] = [];
  for (const part of parts)
    for (const p of ports.get(part.id)!) {
      if (p.state !== 'mated') continue;
      const at = place.get(p.peer!.joint.id)!;
      const own = centre.get(part.id);
      const isSource = own === undefined ? p.port !== 'in' : p.spec.use === 'spill';
      if (isSource && steps[at]! > 0) {
        steps[at] = 0;
        wait.push(at);
      }
      if (own !== undefined && passes(p)) {
        neighbours[own]!.push(at);
        neighbours[at]!.push(own);
      }
    }
  for (let i = 0; i < wait.length; i++)
    for (const next of neighbours[wait[i]!]!)
      if (steps[next]! > steps[wait[i]!]! + 1) {
        steps[next] = steps[wait[i]!]! + 1;
        wait.push(next);
      }
  return steps;
}
