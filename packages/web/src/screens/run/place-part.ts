import { freshId } from '@endrel/core/acts/fresh-id';
import { throughPorts } from '@endrel/core/acts/graph-edit';
import type { Act } from '@endrel/core/acts/act';
import { freePort, partsOnRun, portsOf, type PortAsItIs } from '@endrel/core/parts/graph';
import type { Job } from '@endrel/core/job/job';
import { isPump, kindOf, partKinds, partName, portOf, type Part, type PartKind } from '@endrel/core/parts/kinds';
import { circuitsOf, type Circuits } from '@endrel/core/run/circuits';
import type { PortRef } from '@endrel/core/parts/port';
import { newId } from '../../session/new-id.ts';

/** Where a part can go: between what a joint joins, onto a free port, or beside the run for now. */
export type Spot = { joint: string } | { port: PortRef } | 'loose';

const kinds = Object.keys(partKinds) as PartKind[];
/** Kind, number, and what no other page makes at the same time. */
export const newPartId = (job: Job, kind: PartKind): string => `${freshId(job, kind)}-${newId().slice(0, 4)}`;

const blank = (job: Job, kind: PartKind): Part => ({ kind, id: newPartId(job, kind) });

/**
 * The port of a part that meets another, by the way the fuel goes there: what stands where a pump draws is drawn through, what stands
 * behind one is led away from, and a pump beside another feeds in where that one does.
 */
function meeting(job: Job, part: Part, to: PortRef): string | undefined {
  const ends = throughPorts(part);
  const target = job.parts[to.part];
  const use = target && portOf(target, to.port)?.use;
  if (!ends) return Object.entries(kindOf(part).ports(part)).find(([, spec]) => spec.use !== 'dry')?.[0];
  if (use === 'in') return ends[1];
  if (use === 'out' || use === 'spill') return ends[0];
  const run = circuitsOf(job);
  // onto a line under pressure a pump can only feed in: with its inlet there it would pump round in a ring
  return isPump(part) && (run.isOnPressure(to.part) || leadsBack(run, to)) ? ends[1] : ends[0];
}

/** A return into the tank takes in what comes back. */
const leadsBack = (run: Circuits, to: PortRef): boolean => run.tank?.id === to.part && !to.port.startsWith('pickup');

/** The act that puts a new part of a kind there; undefined where a part of that kind cannot go there. */
export function placing(job: Job, kind: PartKind, spot: Spot): { act: Act; id: string } | undefined {
  const part = blank(job, kind);
  const { id } = part;
  if (spot === 'loose') return { id, act: { act: 'addPart', part } };
  if ('joint' in spot) {
    const ends = throughPorts(part);
    const [port] = Object.entries(kindOf(part).ports(part)).find(([, spec]) => spec.use !== 'dry') ?? [];
    // an instrument, a sensor, a damper: on a tee
    if (!ends && port !== undefined && kind !== 'tank')
      return { id, act: { act: 'tapIn', joint: spot.joint, part, port, tee: newPartId(job, 'tee') } };
    return ends && { id, act: { act: 'insertPart', joint: spot.joint, part, in: ends[0], out: ends[1] } };
  }
  const port = meeting(job, part, spot.port);
  return port === undefined ? undefined : { id, act: { act: 'attachPart', to: spot.port, part, port } };
}

/** The act that takes up there what was set aside. */
export function takingUp(job: Job, part: Part, spot: Spot): Act | undefined {
  if (spot === 'loose') return undefined;
  if ('joint' in spot) return throughPorts(part) && { act: 'movePart', id: part.id, joint: spot.joint };
  const port = meeting(job, part, spot.port);
  return port === undefined ? undefined : { act: 'takeUp', id: part.id, port, to: spot.port };
}

/** Kinds that can go there, in the order in which fuel meets them. */
export const kindsFor = (job: Job, spot: Spot): PartKind[] =>
  kinds.filter(
    (kind) =>
      (kind !== 'tank' || (spot === 'loose' && !partsOnRun(job).some((p) => p.kind === 'tank'))) &&
      placing(job, kind, spot) !== undefined,
  );

/** A tee in a joint's place, so that its branch is free for another part. */
export const teeing = (job: Job, joint: string): { act: Act; id: string } => {
  const part = blank(job, 'tee');
  return { id: part.id, act: { act: 'insertPart', joint, part, in: 'a', out: 'b' } };
};

export interface FreeEnd {
  readonly name: string;
  readonly ref: PortRef;
}

/** Stems of ports that a part can have more of. */
const more: Partial<Record<PartKind, readonly string[]>> = {
  tank: ['pickup', 'return', 'overflow'],
  rail: ['side'],
};

/** Ports that a part does not have yet and could: a second pickup in the tank, a side port of a rail. */
export const sparePorts = (job: Job, part: Part): (PortAsItIs & { isSpare: true })[] =>
  (more[part.kind] ?? []).flatMap((stem) => {
    const port = freePort(job, part, stem);
    const spec = portOf(part, port);
    const isThere = portsOf(job, part).some((p) => p.port === port);
    return spec && !isThere ? [{ port, spec, known: {}, state: 'open' as const, isSpare: true as const }] : [];
  });

/** Every port of the run, but for one part's, that is free to be joined. */
export function freeEnds(job: Job, but: string): FreeEnd[] {
  return partsOnRun(job).flatMap((part) => {
    if (part.id === but) return [];
    const open = portsOf(job, part)
      .filter((p) => p.state !== 'mated' && p.spec.use !== 'dry')
      .map((p) => p.port);
    const spare = (more[part.kind] ?? []).map((stem) => freePort(job, part, stem));
    return [...new Set([...open, ...spare])].flatMap((port) => {
      const spec = portOf(part, port);
      return spec ? [{ name: `${partName(part)}, ${spec.name}`, ref: { part: part.id, port } }] : [];
    });
  });
}
