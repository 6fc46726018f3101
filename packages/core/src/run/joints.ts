import { mate, type MateFault, type Seal } from '../fittings/mate.ts';
import { portForms, type Port } from '../fittings/port.ts';
import type { Component } from '../job/component.ts';
import type { Job } from '../job/job.ts';

/** Where two components meet, as far as their ports are described. */
export interface Joint {
  readonly line: 'supply' | 'return';
  readonly from: string;
  readonly to: string;
  readonly outlet?: Port;
  readonly inlet?: Port;
  /** Absent while a port is unknown. */
  readonly verdict?: { ok: true; seal: Seal } | { ok: false; fault: MateFault };
  readonly sealant?: 'none' | 'liquid' | 'tape';
}

/** Every joint along both lines; those of the return begin at the bypass regulator's spill, which has no port of its own yet. */
export function jointsOf(job: Job): Joint[] {
  return (['supply', 'return'] as const).flatMap((line) =>
    job.run[line].slice(1).map((component, i): Joint => jointBetween(line, job.run[line][i]!, component)),
  );
}

function jointBetween(line: Joint['line'], from: Component, to: Component): Joint {
  const joint = {
    line,
    from: from.id,
    to: to.id,
    outlet: from.outletPort,
    inlet: to.inletPort,
    sealant: to.inletSealant,
  };
  if (!joint.outlet || !joint.inlet) return joint;
  const mated = mate(joint.outlet, joint.inlet);
  return { ...joint, verdict: mated.ok ? { ok: true, seal: mated.value } : { ok: false, fault: mated.fault } };
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
