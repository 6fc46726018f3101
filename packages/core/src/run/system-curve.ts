import { fuelLiquid, type Fuel } from '../fluids/fuel.ts';
import { solveNetwork } from '../hydraulics/solve-network.ts';
import { compileRun, networkOfRun } from './compile-run.ts';
import type { OperatingPoint } from './operating-point.ts';
import type { RunInputs } from './solve-run.ts';

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
  return flows.flatMap((flow): SystemPoint[] => {
    const nodes = network.nodes.map((n) => {
      if (n.fixedPressure !== undefined) return n;
      const drawn = n.id === pump.from ? flow : n.id === pump.to ? -flow : 0;
      return drawn === 0 ? n : { ...n, demand: (n.demand ?? 0) + drawn };
    });
    const solved = solveNetwork({ ...network, nodes, links });
    if (!solved.ok) return [];
    const rise = solved.value.pressures[pump.to]! - solved.value.pressures[pump.from]!;
    return Number.isFinite(rise) && rise >= 0 ? [{ flow, rise }] : [];
  });
}
