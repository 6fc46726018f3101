import { success, type Result } from '../result.ts';
import { NetworkSolver } from './network-solver.ts';
import type { LinkState, Network, NetworkFault, NetworkSolution } from './network.ts';

/**
 * Pressures and flows in a steady network.
 *
 * @param start - an earlier solution of a like network, to start from.
 * @returns the solution, or the reason why there is none; never an unconverged number.
 */
export function solveNetwork(network: Network, start?: NetworkSolution): Result<NetworkSolution, NetworkFault> {
  const solver = new NetworkSolver(network);
  if (start) solver.startFrom(start);
  const solved = solver.solve();
  return solved.ok ? success(readSolution(network, solver, solved.value)) : solved;
}

/** Everything that a solver has found, by name. */
export function readSolution(
  network: Network,
  solver: NetworkSolver,
  { iterations, residual }: { iterations: number; residual: number },
): NetworkSolution {
  const pressures: Record<string, number> = {};
  const flows: Record<string, number> = {};
  const states: Record<string, LinkState> = {};
  network.nodes.forEach((n, i) => (pressures[n.id] = solver.pressure(i)));
  network.links.forEach((l, i) => {
    flows[l.id] = solver.flow(i);
    states[l.id] = solver.state(i);
  });
  return { pressures, flows, states, iterations, residual };
}
