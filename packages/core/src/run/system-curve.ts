import { fuelLiquid, type Fuel } from '../fluids/fuel.ts';
import { NetworkSolver } from '../hydraulics/network-solver.ts';
import { compileRun } from './compile-run.ts';
import { networkOfRun } from './network-of-run.ts';
import type { OperatingPoint } from './operating-point.ts';
import type { RunInputs } from './point-result.ts';

export interface SystemPoint {
  readonly flow: number; // m3/s through the pump
  readonly rise: number; // Pa that the run then asks of it
}

/**
 * What the run asks of one pump at other flows than its own: the pump is taken out, the flow is drawn at its inlet and
 * fed in at its outlet, and the network says what pressure that takes. Flows that it cannot pass are left out: with
 * less than the engine burns nothing holds the rail.
 */
export function systemCurve(
  job: RunInputs,
  fuel: Fuel,
  point: OperatingPoint,
  pumpId: string,
  flows: readonly number[],
): SystemPoint[] {
  const run = compileRun(job);
  const liquid = fuelLiquid(fuel, point.temperature);
  const shares = new Map(run.draws.map((d) => [d.node, d.share]));
  const network = networkOfRun(run, { point, liquid, voltageAt: () => point.voltage }, liquid, (node) =>
    shares.has(node) ? point.demand * shares.get(node)! : undefined,
  );
  const pump = network.links.find((l) => l.id === pumpId);
  if (!pump) return [];
  const links = network.links.filter((l) => l.id !== pumpId && l.id !== `${pumpId}:relief`);
  const solver = new NetworkSolver({ ...network, links });
  const place = (id: string) => network.nodes.findIndex((n) => n.id === id);
  const [inlet, outlet] = [place(pump.from), place(pump.to)];
  /** Drawn there besides; a place at tank pressure gives whatever is drawn. */
  const draw = (at: number, flow: number) => {
    const { demand = 0, fixedPressure } = network.nodes[at]!;
    if (fixedPressure === undefined) solver.setDemandAt(at, demand + flow);
  };
  return flows.flatMap((flow): SystemPoint[] => {
    draw(inlet, flow);
    draw(outlet, -flow);
    if (!solver.solve(true).ok) return [];
    const rise = solver.pressure(outlet) - solver.pressure(inlet);
    return Number.isFinite(rise) && rise >= 0 ? [{ flow, rise }] : [];
  });
}
