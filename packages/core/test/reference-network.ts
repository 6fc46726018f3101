import type { LinkLaw, Network, NetworkLink } from '../src/hydraulics/network.ts';
import { piecewiseCurve, powerCurve, type Point } from '../src/numerics/curve.ts';
import { kPa, litresPerHour, mm } from '../src/units/quick.ts';

/** A network of test/reference/C_networks/spec, in its own units. */
export interface ReferenceSpec {
  id: string;
  fluid: { rho_kg_m3: number; mu_Pa_s: number };
  nodes: { id: string; type: string; z_m: number; gauge_kPa?: number; demand_L_h?: number }[];
  links: {
    id: string;
    type: string;
    from: string;
    to: string;
    length_m: number;
    bore_mm: number;
    roughness_m: number;
    minor_K: number;
    set_kPa: number;
    curve: string;
    check_valve?: boolean;
  }[];
  curves?: { id: string; fit: string; points_Lh_kPa: [number, number][] }[];
  scenarios: {
    id: string;
    demands_L_h?: Record<string, number>;
    bores_mm?: Record<string, number>;
    closed?: string[];
  }[];
}

/** One scenario of a reference network, in ours. */
export function referenceNetwork(spec: ReferenceSpec, scenario: ReferenceSpec['scenarios'][number]): Network {
  const law = (link: ReferenceSpec['links'][number]): LinkLaw => {
    const bore = mm(scenario.bores_mm?.[link.id] ?? link.bore_mm);
    if (link.type === 'pump') {
      const curve = spec.curves!.find((c) => c.id === link.curve)!;
      const points = curve.points_Lh_kPa.map(([q, p]): Point => [litresPerHour(q), kPa(p)]);
      return {
        kind: 'pump',
        rise: curve.fit === 'piecewise' ? piecewiseCurve(points) : powerCurve(points as [Point, Point, Point]),
      };
    }
    if (link.type === 'psv')
      return { kind: 'bypassRegulator', set: kPa(link.set_kPa), slope: 0, bore, k: link.minor_K };
    return {
      kind: 'line',
      length: link.length_m,
      bore,
      roughness: link.roughness_m,
      loss: { k1: 0, kInfinity: link.minor_K ?? 0 },
    };
  };
  return {
    liquid: { density: spec.fluid.rho_kg_m3, viscosity: spec.fluid.mu_Pa_s },
    nodes: spec.nodes.map((n) => ({
      id: n.id,
      height: n.z_m,
      fixedPressure: n.type === 'reservoir' ? kPa(n.gauge_kPa ?? 0) : undefined,
      demand: litresPerHour(scenario.demands_L_h?.[n.id] ?? n.demand_L_h ?? 0),
    })),
    links: spec.links
      .filter((l) => !scenario.closed?.includes(l.id))
      .map((l): NetworkLink => ({ id: l.id, from: l.from, to: l.to, law: law(l), checkValve: l.check_valve })),
  };
}
