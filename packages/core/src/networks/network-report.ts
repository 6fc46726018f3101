import type { LinkState, NetworkFault } from '../hydraulics/network.ts';
import { solveNetwork } from '../hydraulics/solve-network.ts';
import { failure, success, type Result } from '../result.ts';
import { networkOf, type PlainNetwork } from './plain-network.ts';

/** What is printed of a network: pressures and flows of every scenario. A node that nothing open touches has no pressure. */
export interface NetworkReport {
  readonly network: string;
  readonly scenarios: readonly {
    readonly id: string;
    readonly nodes: readonly { readonly id: string; readonly gauge_kPa: number | null }[];
    readonly links: readonly {
      readonly id: string;
      readonly flow_L_h: number;
      readonly state: PrintedState;
    }[];
    readonly residual: number;
  }[];
}

type PrintedState = 'open' | 'active' | 'shut' | 'choked';
const printed: Record<LinkState, PrintedState> = {
  choked: 'choked',
  open: 'open',
  wideOpen: 'open',
  regulating: 'active',
  shut: 'shut',
};

/** Solves every scenario; the first that has no solution is named with its reason. */
export function solvePlainNetwork(
  plain: PlainNetwork,
): Result<NetworkReport, { scenario: string; fault: NetworkFault }> {
  const scenarios: NetworkReport['scenarios'][number][] = [];
  for (const scenario of plain.scenarios) {
    const solved = solveNetwork(networkOf(plain, scenario));
    if (!solved.ok) return failure({ scenario: scenario.id, fault: solved.fault });
    const { pressures, flows, states, residual } = solved.value;
    scenarios.push({
      id: scenario.id,
      nodes: plain.nodes.map((n) => ({
        id: n.id,
        gauge_kPa: pressures[n.id] === undefined ? null : rounded(pressures[n.id]! / 1e3),
      })),
      links: plain.links.map((l) => ({
        id: l.id,
        flow_L_h: flows[l.id] === undefined ? 0 : rounded(flows[l.id]! * 3.6e6),
        state: states[l.id] === undefined ? 'shut' : printed[states[l.id]!],
      })),
      residual: Number(residual.toPrecision(3)),
    });
  }
  return success({ network: plain.id, scenarios });
}

const rounded = (value: number): number => Number(value.toFixed(9)) + 0; // no minus zero

/** The fault as the end of a sentence. */
export function describeNetworkFault(fault: NetworkFault): string {
  switch (fault.code) {
    case 'notConverged':
      return `the solver stopped after ${fault.iterations} steps with an imbalance of ${fault.residual.toPrecision(2)}`;
    case 'valvesDidNotSettle':
      return `the valves ${fault.links.join(', ')} did not settle in one state`;
    case 'noSingleAnswer':
      return 'part of it is cut off, so its pressure is not defined';
    case 'danglingLink':
      return `${fault.link} leads to ${fault.node}, which is not there`;
    case 'noSource':
      return 'nothing fixes a pressure anywhere';
  }
}
