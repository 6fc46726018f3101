import type { Fuel } from '../fluids/fuel.ts';
import type { Network } from '../hydraulics/network.ts';
import { compileRun } from './compile-run.ts';
import { fuelAt } from './fuel-at.ts';
import { networkOfRun } from './network-of-run.ts';
import type { PointResult, RunInputs } from './point-result.ts';
import { PreparedRun } from './prepared-run.ts';
import { settle } from './solve-point.ts';

/**
 * The network behind a result: pumps at the voltage that wiring and controller leave them, the engine drawing what it got.
 * For other engines to check.
 */
export function networkAt(job: RunInputs, fuel: Fuel, { point, parts, delivered }: PointResult): Network {
  const run = compileRun(job);
  const prepared = new PreparedRun(run);
  settle(prepared, job, fuel);
  const { setFlows } = prepared;
  const voltages = new Map(parts.flatMap((c) => (c.voltage === undefined ? [] : [[c.id, c.voltage] as const])));
  const liquid = fuelAt(job, fuel, point.temperature);
  // where a place before a pump boils first, the pump's own inlet stands above that: then that is its limit
  const inlets = new Map(parts.flatMap((p) => (p.state === 'choked' ? [[p.id, p.inletPressure] as const] : [])));
  const moment = {
    point,
    liquid,
    voltageAt: (id: string) => voltages.get(id) ?? point.voltage,
    boilingAt: (id: string) => inlets.get(id) ?? liquid.boiling,
    setFlow: (id: string) => setFlows?.get(id) ?? 0,
  };
  const shares = new Map(run.draws.map((d) => [d.node, d.share]));
  return networkOfRun(run, moment, liquid, (node) => (shares.has(node) ? delivered * shares.get(node)! : undefined));
}
