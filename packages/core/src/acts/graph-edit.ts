import { isFlexible, kindOf, type Part, partKinds, partName, portOf, propertiesOf } from '../parts/kinds.ts';
import { commonProperties } from '../parts/define-part.ts';
import type { Joint } from '../parts/joint.ts';
import type { PortRef } from '../parts/port.ts';
import { circuitsOf } from '../run/circuits.ts';
import { peerOf, type Graph, type Peer } from '../parts/graph.ts';
import { freshJointId } from './fresh-id.ts';
import { refused } from './refused.ts';

const ownOf = <R>(records: Readonly<Record<string, R>>, id: string): R | undefined =>
  Object.hasOwn(records, id) ? records[id] : undefined;

/** The parts and joints of a run while they are edited: nothing of the old run is touched. */
export class GraphEdit<J extends Graph> {
  #job: J;
  constructor(job: J) {
    this.#job = job;
  }
  get job(): J {
    return this.#job;
  }

  part(id: string): Part {
    return ownOf(this.#job.parts, id) ?? refused(`“${id}” is no longer on this job`);
  }
  joint(id: string): Joint {
    return ownOf(this.#job.joints, id) ?? refused(`the joint “${id}” is no longer there`);
  }
  peer(part: string, port: string): Peer | undefined {
    return peerOf(this.#job, part, port);
  }

  put(part: Part): void {
    this.#job = { ...this.#job, parts: { ...this.#job.parts, [part.id]: part } };
  }
  add(part: Part): void {
    if (Object.hasOwn(this.#job.parts, part.id)) refused(`there is already a part “${part.id}”`);
    this.put(part);
  }
  remove(id: string): void {
    const { [id]: _gone, ...parts } = this.#job.parts;
    this.#job = { ...this.#job, parts };
  }
  putJoint(joint: Joint): void {
    this.#job = { ...this.#job, joints: { ...this.#job.joints, [joint.id]: joint } };
  }
  removeJoint(id: string): void {
    const { [id]: _gone, ...joints } = this.#job.joints;
    this.#job = { ...this.#job, joints };
  }

  /** Joins two free ports. What closed them comes off; a hose keeps the clamp that was on that end. */
  connect(a: PortRef, b: PortRef, keep: Partial<Joint> = {}): Joint {
    if (a.part === b.part) refused(`“${partName(this.part(a.part))}” cannot be joined to itself`);
    for (const end of [a, b]) {
      const part = this.part(end.part);
      if (!portOf(part, end.port)) refused(`“${partName(part)}” has no port “${end.port}”`);
      if (part.aside) refused(`“${partName(part)}” is set aside`);
      if (this.peer(end.part, end.port))
        refused(`the ${portOf(part, end.port)!.name} of “${partName(part)}” is joined already`);
      this.unclose(end);
    }
    const { height, clamp, id } = keep;
    const held = clamp !== undefined && [a, b].some((end) => isFlexible(this.part(end.part)));
    const joint: Joint = {
      id: id !== undefined && !(id in this.#job.joints) ? id : freshJointId(this.#job, b.part, b.port),
      a,
      b,
      ...(height === undefined ? {} : { height }),
      ...(held ? { clamp } : {}),
    };
    this.putJoint(joint);
    return joint;
  }

  unclose({ part: id, port }: PortRef): void {
    const part = this.part(id);
    const state = part.ports?.[port];
    if (!state?.closed) return;
    const { closed: _off, ...rest } = state;
    this.put({ ...part, ports: { ...part.ports, [port]: rest } });
  }

  /** Puts a part that is there between what a joint joins. */
  insert(id: string, at: string, inlet: string, outlet: string): void {
    const joint = this.joint(at);
    const part = this.part(id);
    if (inlet === outlet || !portOf(part, inlet) || !portOf(part, outlet))
      refused(`“${partName(part)}” has no such two ports`);
    const flow = circuitsOf(this.#job).flow(at);
    const [up, down] =
      flow && flow.from === joint.b.part && flow.fromPort === joint.b.port ? [joint.b, joint.a] : [joint.a, joint.b];
    this.removeJoint(at);
    const clampOf = (end: PortRef) => (isFlexible(this.part(end.part)) || isFlexible(part) ? joint.clamp : undefined);
    this.connect(up, { part: id, port: inlet }, { id: at, height: joint.height, clamp: clampOf(up) });
    this.connect({ part: id, port: outlet }, down, { clamp: clampOf(down) });
  }

  /** Off the run, but kept with its measurements; what was on either side is joined up. */
  setAside(id: string): void {
    this.unjoin(id);
    this.put({ ...this.part(id), aside: true });
  }

  /** Undoes every joint of a part, and joins up what fuel came from and went on to. */
  unjoin(id: string): void {
    const part = this.part(id);
    const circuits = circuitsOf(this.#job);
    const ends = kindOf(part).isVessel || part.aside ? undefined : throughOf(this.#job, part);
    const [from, to] = [ends?.[0], ends?.[1]];
    for (const port of circuits.ports(id)) if (port.peer) this.removeJoint(port.peer.joint.id);
    if (part.aside)
      for (const joint of Object.values(this.#job.joints))
        if (joint.a.part === id || joint.b.part === id) this.removeJoint(joint.id);
    if (from && to && from.part !== to.part)
      this.connect(
        { part: from.part, port: from.port },
        { part: to.part, port: to.port },
        {
          id: from.joint.id,
          height: from.joint.height,
          clamp: isFlexible(this.part(from.part)) ? from.joint.clamp : to.joint.clamp,
        },
      );
  }
}

/** A job after an edit of its run. */
export function editing<J extends Graph>(job: J, change: (edit: GraphEdit<J>) => void): J {
  const edit = new GraphEdit(job);
  change(edit);
  return edit.job;
}

/** What stands before and behind a part on its line, by the ports that fuel passes. */
export function throughOf(job: Graph, part: Part): [Peer, Peer] | undefined {
  const circuits = circuitsOf(job);
  const plain = (port: string) => {
    const use = portOf(part, port)?.use;
    return use !== 'spill' && use !== 'dry';
  };
  const from = circuits.into(part.id).find((f) => plain(f.toPort));
  const to = circuits.outOf(part.id).find((f) => plain(f.fromPort) && !circuits.isTap(f.to));
  if (!from || !to) return undefined;
  return [peerOf(job, part.id, from.toPort)!, peerOf(job, part.id, to.fromPort)!];
}

/** The ports by which a part of a kind lets fuel in and out when it is put into a line. */
export function throughPorts(part: Part): [string, string] | undefined {
  const ports = Object.entries(kindOf(part).ports(part)).filter(
    ([, spec]) => spec.use === 'in' || spec.use === 'out' || spec.use === 'either',
  );
  if (part.kind === 'regulator' && part.action !== 'deadHead') return ['in', 'out'];
  if (kindOf(part).isPot) return ['lift', 'feed'];
  return ports.length >= 2 ? [ports[0]![0], ports[1]![0]] : undefined;
}

/** A part with what another has measured, as far as its own kind knows the same property. */
export function takingOver(by: Part, old: Part): Part {
  const held = old as unknown as Record<string, unknown>;
  const own = by as unknown as Record<string, unknown>;
  const known = { ...commonProperties, ...propertiesOf(by.kind) };
  const sameField = (key: string) => {
    const [a, b] = [propertiesOf(old.kind)[key], propertiesOf(by.kind)[key]];
    return (
      key in commonProperties ||
      (a !== undefined && b !== undefined && a.schema === b.schema) ||
      (old.kind !== by.kind && a?.type === 'quantity' && b?.type === 'quantity' && a.field.kind === b.field.kind)
    );
  };
  const kept = Object.keys(known).filter(
    (key) => own[key] === undefined && held[key] !== undefined && (old.kind === by.kind || sameField(key)),
  );
  const taken = { ...own, ...Object.fromEntries(kept.map((key) => [key, held[key]])) } as unknown as Part;
  // a value of the other kind may be out of this one's bounds: then it is measured anew
  const judged = partKinds[by.kind].schema.safeParse(taken);
  return judged.success ? taken : by;
}

/** A part as it stands on the run, when it was set aside before. */
export function onRun(part: Part): Part {
  const { aside: _aside, ...rest } = part;
  return rest;
}
