import { mate, type MateFault, type Seal } from '../fittings/mate.ts';
import { portForms, type Port } from '../fittings/port.ts';
import type { Graph } from '../job/graph.ts';
import { circuitsOf } from './circuits.ts';
import { lineOfZone, type Line } from './zones.ts';

/** Where two parts meet, as far as their ports are described; the way that fuel takes. */
export interface JointFinding {
  readonly id: string;
  readonly line: Line;
  readonly from: string;
  readonly to: string;
  readonly outlet?: Port;
  readonly inlet?: Port;
  /** Absent while a port is unknown. */
  readonly verdict?: { ok: true; seal: Seal } | { ok: false; fault: MateFault };
  readonly sealant?: 'none' | 'liquid' | 'tape';
}

/** Every joint of the run, in the order of the fuel. */
export function jointsOf(job: Graph): JointFinding[] {
  const run = circuitsOf(job);
  return run.order.flatMap((id) =>
    run.into(id).map((flow): JointFinding => {
      const outlet = run.part(flow.from).ports?.[flow.fromPort]?.fitting;
      const inlet = run.part(flow.to).ports?.[flow.toPort]?.fitting;
      const joint = {
        id: flow.joint,
        line: lineOfZone(flow.zone),
        from: flow.from,
        to: flow.to,
        outlet,
        inlet,
        sealant: job.joints[flow.joint]!.sealant,
      } as const;
      if (!outlet || !inlet) return joint;
      const mated = mate(outlet, inlet);
      return { ...joint, verdict: mated.ok ? { ok: true, seal: mated.value } : { ok: false, fault: mated.fault } };
    }),
  );
}

export function describeMateFault(fault: MateFault, outlet: Port, inlet: Port): string {
  const [a, b] = [portForms[outlet.form], portForms[inlet.form]];
  switch (fault.code) {
    case 'sealMismatch':
      return `both carry ${fault.thread}, so they screw together, but ${a} and ${b} do not seal on each other`;
    case 'lookAlike':
      return `${fault.threads.join(' and ')} start by hand and then ruin each other`;
    case 'differentForms':
      return `${a} and ${b} do not mate`;
    case 'differentSizes':
      return `sizes ${outlet.size} and ${inlet.size} do not mate`;
    case 'sameGender':
      return `both are ${outlet.gender}`;
    case 'unknownSize':
      return `${fault.size} is not a size of that form`;
  }
}
