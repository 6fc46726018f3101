import { partsOnRun } from '../parts/graph.ts';
import type { Job } from '../job/job.ts';
import { isPump, partName, type PartOf } from '../parts/kinds.ts';
import type { Harness, WireEnd } from '../harness/harness.ts';
import { HarnessBuild } from './harness-build.ts';
import { coil, control, fusedRelay, pumpLegs } from './pump-legs.ts';

/** Pumps of the run that no load of the circuit stands for. */
export const pumpsWithoutCircuit = (job: Job, { devices = [] }: Harness): PartOf<'pump'>[] => {
  const wired = new Set(devices.flatMap((d) => (d.kind === 'pumpLoad' && d.stands !== 'out' ? (d.part ?? []) : [])));
  return partsOnRun(job).filter((p): p is PartOf<'pump'> => isPump(p) && p.kind === 'pump' && !wired.has(p.id));
};

/**
 * A relay and a fuse for each pump that has none, its coil fed and switched as that of a relay that stands already; where none does,
 * by a key, a control unit and an inertia switch.
 */
export function relaysForOthers(job: Job, onto: Harness): Harness {
  const pumps = pumpsWithoutCircuit(job, onto);
  if (pumps.length === 0) return onto;
  const build = new HarnessBuild(onto);
  const like = onto.devices?.find((d) => d.kind === 'relay' && d.stands !== 'out');
  const [fed, switched] = like ? [endOn(onto, like.id, '86'), endOn(onto, like.id, '85')] : [];
  const isLike = fed !== undefined && switched !== undefined;
  const made = isLike ? undefined : control(build);
  for (const pump of pumps) {
    const relay = fusedRelay(build, build.only('battery'), partName(pump));
    build.wire(made?.coilFeed ?? fed!, `${relay}:86`, coil);
    build.wire(`${relay}:85`, made ? `${made.unit}:pump` : switched!, coil);
    pumpLegs(build, pump, `${relay}:87`);
  }
  return build.harness;
}

/** Where the wire on a terminal comes from, as `device:terminal`. */
function endOn({ wires = [] }: Harness, device: string, terminal: string): string | undefined {
  const isThere = (end: WireEnd | undefined) => end?.device === device && end.terminal === terminal;
  const wire = wires.find((w) => w.stands !== 'out' && (isThere(w.from) || isThere(w.to)));
  const other = wire && (isThere(wire.from) ? wire.to : wire.from);
  return other && `${other.device}:${other.terminal}`;
}
