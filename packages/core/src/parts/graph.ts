import { kindOf, portOf, type Part } from './kinds.ts';
import type { Joint } from './joint.ts';
import { onceFor } from '../memory/once-for.ts';
import { portKey, type PortRef, type PortSpec, type PortState } from './port.ts';

/** The run of a job: its parts and joints by id. */
export interface Graph {
  readonly parts: Readonly<Record<string, Part>>;
  readonly joints: Readonly<Record<string, Joint>>;
}

/** What is joined to a port. */
export interface Peer extends PortRef {
  readonly joint: Joint;
}

interface Joined {
  readonly peers: ReadonlyMap<string, Peer>;
  /** Ports that joints name, by part. */
  readonly ports: ReadonlyMap<string, readonly string[]>;
}

/** Who is joined to whom, found once for the same joints. */
const joinedOf = onceFor((joints: Graph['joints']): Joined => {
  const peers = new Map<string, Peer>();
  const ports = new Map<string, string[]>();
  const note = (end: PortRef, peer: Peer) => {
    peers.set(portKey(end.part, end.port), peer);
    (ports.get(end.part) ?? ports.set(end.part, []).get(end.part)!).push(end.port);
  };
  for (const joint of Object.values(joints)) {
    note(joint.a, { ...joint.b, joint });
    note(joint.b, { ...joint.a, joint });
  }
  return { peers, ports };
});

/** What every joined port is joined to, by `part.port`. */
export const peersOf = (graph: Pick<Graph, 'joints'>): ReadonlyMap<string, Peer> => joinedOf(graph.joints).peers;

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
  const { peers, ports } = joinedOf(graph.joints);
  const own = [...Object.keys(kindOf(part).ports(part)), ...Object.keys(part.ports ?? {})];
  const names = new Set([...own, ...(ports.get(part.id) ?? [])]);
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
