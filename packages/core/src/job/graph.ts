import { kindOf, portOf, type Part } from '../parts/kinds.ts';
import type { Joint } from '../parts/joint.ts';
import { portKey, type PortRef, type PortSpec, type PortState } from '../parts/port.ts';

/** The run of a job: its parts and joints by id. */
export interface Graph {
  readonly parts: Readonly<Record<string, Part>>;
  readonly joints: Readonly<Record<string, Joint>>;
}

/** What is joined to a port. */
export interface Peer extends PortRef {
  readonly joint: Joint;
}

const peersByJoints = new WeakMap<object, ReadonlyMap<string, Peer>>();

/** What every joined port is joined to, by `part.port`. */
export function peersOf({ joints }: Pick<Graph, 'joints'>): ReadonlyMap<string, Peer> {
  const known = peersByJoints.get(joints);
  if (known) return known;
  const peers = new Map<string, Peer>();
  for (const joint of Object.values(joints)) {
    peers.set(portKey(joint.a.part, joint.a.port), { ...joint.b, joint });
    peers.set(portKey(joint.b.part, joint.b.port), { ...joint.a, joint });
  }
  peersByJoints.set(joints, peers);
  return peers;
}

export const peerOf = (graph: Graph, part: string, port: string): Peer | undefined =>
  peersOf(graph).get(portKey(part, port));

/** Parts that are on the run, whatever is set aside left out. */
export const partsOnRun = ({ parts }: Pick<Graph, 'parts'>): Part[] => Object.values(parts).filter((p) => !p.aside);

export const partsAside = ({ parts }: Pick<Graph, 'parts'>): Part[] => Object.values(parts).filter((p) => p.aside);

/** One port as it stands. */
export interface PortAsItIs {
  readonly port: string;
  readonly spec: PortSpec;
  readonly known: PortState;
  readonly state: 'mated' | 'capped' | 'plugged' | 'open';
  readonly peer?: Peer;
}

/** Every port of a part: those that its kind has, and those that are stated or joined. */
export function portsOf(graph: Graph, part: Part): PortAsItIs[] {
  const peers = peersOf(graph);
  const names = new Set([...Object.keys(kindOf(part).ports(part)), ...Object.keys(part.ports ?? {})]);
  for (const { a, b } of Object.values(graph.joints))
    for (const end of [a, b]) if (end.part === part.id) names.add(end.port);
  return [...names].flatMap((port): PortAsItIs[] => {
    const spec = portOf(part, port);
    if (!spec) return [];
    const known = part.ports?.[port] ?? {};
    const peer = peers.get(portKey(part.id, port));
    return [{ port, spec, known, state: peer ? 'mated' : (known.closed ?? 'open'), peer }];
  });
}

/** The first port of a numbered stem that is neither joined nor closed, as `return-2`. */
export function freePort(graph: Graph, part: Part, stem: string): string {
  const peers = peersOf(graph);
  for (let n = 1; ; n++) {
    const port = `${stem}-${n}`;
    if (!peers.has(portKey(part.id, port)) && part.ports?.[port]?.closed === undefined) return port;
  }
}

/** What is wrong with the graph itself, each with the record it stands in. */
export function graphFaults({ parts, joints }: Graph): { path: [string, string, ...string[]]; message: string }[] {
  const faults: { path: [string, string, ...string[]]; message: string }[] = [];
  for (const [id, part] of Object.entries(parts)) {
    if (part.id !== id)
      faults.push({ path: ['parts', id, 'id'], message: `must be “${id}”, the name it stands under` });
    for (const port of Object.keys(part.ports ?? {}))
      if (!portOf(part, port))
        faults.push({ path: ['parts', id, 'ports', port], message: `is a port that no such part has` });
  }
  const taken = new Map<string, string>();
  for (const [id, joint] of Object.entries(joints)) {
    if (joint.id !== id)
      faults.push({ path: ['joints', id, 'id'], message: `must be “${id}”, the name it stands under` });
    if (joint.a.part === joint.b.part)
      faults.push({ path: ['joints', id], message: `joins “${joint.a.part}” to itself` });
    const ends = ['a', 'b'] as const;
    if (ends.some((end) => parts[joint[end].part]?.aside !== parts[joint[ends[1]].part]?.aside))
      faults.push({ path: ['joints', id], message: 'joins a part of the run to one that is set aside' });
    for (const end of ends) {
      const { part: partId, port } = joint[end];
      const part = parts[partId];
      if (!part) faults.push({ path: ['joints', id, end, 'part'], message: `“${partId}” is no part of this job` });
      else if (!portOf(part, port))
        faults.push({ path: ['joints', id, end, 'port'], message: `“${partId}” has no port “${port}”` });
      else if (part.ports?.[port]?.closed)
        faults.push({
          path: ['joints', id, end],
          message: `the port “${port}” of “${partId}” is ${part.ports[port].closed}`,
        });
      const key = portKey(partId, port);
      const other = taken.get(key);
      if (other)
        faults.push({
          path: ['joints', id, end],
          message: `“${port}” of “${partId}” is joined twice, here and in “${other}”`,
        });
      taken.set(key, id);
    }
  }
  return faults;
}
