import { z } from 'zod';
import '../schema-words.ts';
import type { LinkLaw, Network, NetworkLink } from '../hydraulics/network.ts';
import { piecewiseCurve, powerCurve, type Curve, type Point } from '../numerics/curve.ts';
import { isInherited } from '../fields/names.ts';
import { kPa, litresPerHour, mm } from '../units/quick.ts';

const id = z
  .string()
  .min(1)
  .max(60)
  .refine((name) => !isInherited(name), 'is a name that cannot be used');
/** Far beyond any network: what is larger would overflow on the way. */
const LARGEST = 1e12;
const finite = z.number().min(-LARGEST, `is beyond ${LARGEST}`).max(LARGEST, `is beyond ${LARGEST}`);
/** Bounded before its rows are looked at: a file of a hundred thousand is refused at once. */
const atMost = <S extends z.ZodType>(most: number, what: string, schema: S) =>
  z
    .unknown()
    .refine((value) => typeof value !== 'object' || value === null || Object.keys(value).length <= most, {
      error: `has more than ${most} ${what}`,
      abort: true,
    })
    .pipe(schema);
const MOST_NODES = 20_000;
const named = <V extends z.ZodType>(value: V) => atMost(MOST_NODES, 'entries', z.record(id, value));

const nodeSchema = z.discriminatedUnion('type', [
  z.object({ id, type: z.literal('reservoir'), z_m: finite, gauge_kPa: finite.default(0) }),
  z.object({ id, type: z.literal('junction'), z_m: finite, demand_L_h: finite.default(0) }),
]);
const ends = { id, from: id, to: id };
const bore_mm = finite.positive('must be positive');
const minor_K = finite.min(0, 'cannot be negative').default(0);
const valve = { ...ends, bore_mm, set_kPa: finite, minor_K, slope_kPa_per_100L_h: finite.min(0).default(0) };
const linkSchema = z.discriminatedUnion('type', [
  z.object({
    ...ends,
    type: z.literal('pipe'),
    length_m: finite.min(0, 'cannot be negative'),
    bore_mm,
    roughness_m: finite.min(0, 'cannot be negative'),
    minor_K,
    check_valve: z.boolean().default(false),
  }),
  z.object({
    ...ends,
    type: z.literal('pump'),
    curve: id,
    speed: finite.positive().default(1),
    inlet_min_kPa: finite.optional(),
  }),
  z.object({ ...valve, type: z.literal('psv') }),
  z.object({ ...valve, type: z.literal('prv') }),
  z.object({ ...ends, type: z.literal('gpv'), curve: id }),
]);
const curveSchema = z.object({
  id,
  fit: z.enum(['power3', 'piecewise']).default('piecewise'),
  points_Lh_kPa: atMost(500, 'points', z.array(z.tuple([finite, finite])).min(2, 'needs two points')),
});
const scenarioSchema = z.object({
  id,
  demands_L_h: named(finite).optional(),
  bores_mm: named(finite.positive()).optional(),
  settings_kPa: named(finite).optional(),
  reservoir_kPa: named(finite).optional(),
  closed: atMost(MOST_NODES, 'links', z.array(id)).optional(),
});

/** A network as a file: plain SI, with scenarios that change it. Described in docs/network-file.md. */
export const plainNetworkSchema = z
  .object({
    id,
    title: z.string().max(300).optional(),
    fluid: z.object({ name: z.string().optional(), rho_kg_m3: finite.positive(), mu_Pa_s: finite.positive() }),
    nodes: atMost(MOST_NODES, 'nodes', z.array(nodeSchema).min(2, 'needs two nodes')),
    links: atMost(MOST_NODES, 'links', z.array(linkSchema).min(1, 'needs a link')),
    curves: atMost(2000, 'curves', z.array(curveSchema)).default([]),
    scenarios: atMost(1000, 'scenarios', z.array(scenarioSchema)).default([{ id: 'base' }]),
  })
  .superRefine((network, context) => {
    const bad = (path: (string | number)[], message: string) => context.addIssue({ code: 'custom', path, message });
    const nodes = new Set(network.nodes.map((n) => n.id));
    const links = new Set(network.links.map((l) => l.id));
    if (nodes.size < network.nodes.length) bad(['nodes'], 'has two nodes of one name');
    if (links.size < network.links.length) bad(['links'], 'has two links of one name');
    const curves = new Map(network.curves.map((c) => [c.id, c]));
    network.links.forEach((link, i) => {
      for (const end of ['from', 'to'] as const)
        if (!nodes.has(link[end])) bad(['links', i, end], `“${link[end]}” is no node`);
      if (!('curve' in link)) return;
      const curve = curves.get(link.curve);
      if (!curve) return bad(['links', i, 'curve'], `“${link.curve}” is no curve`);
      const fault = curveFault(curve, link.type === 'pump');
      if (fault) bad(['curves', network.curves.indexOf(curve), 'points_Lh_kPa'], fault);
    });
    network.scenarios.forEach((scenario, i) => {
      for (const link of [
        ...(scenario.closed ?? []),
        ...Object.keys(scenario.bores_mm ?? {}),
        ...Object.keys(scenario.settings_kPa ?? {}),
      ])
        if (!links.has(link)) bad(['scenarios', i], `“${link}” is no link`);
      for (const node of [...Object.keys(scenario.demands_L_h ?? {}), ...Object.keys(scenario.reservoir_kPa ?? {})])
        if (!nodes.has(node)) bad(['scenarios', i], `“${node}” is no node`);
    });
  });
export type PlainNetwork = z.infer<typeof plainNetworkSchema>;
export type PlainLink = PlainNetwork['links'][number];
export type PlainScenario = PlainNetwork['scenarios'][number];
type PlainCurve = PlainNetwork['curves'][number];

/** Pressure must fall as flow rises through a pump, and must not fall through a loss. */
function curveFault({ fit, points_Lh_kPa: points }: PlainCurve, pump: boolean): string | undefined {
  if (fit === 'power3' && (points.length !== 3 || points[0]![0] !== 0))
    return 'a power3 curve has three points, the first at zero flow';
  for (let i = 1; i < points.length; i++) {
    const [[q0, p0], [q1, p1]] = [points[i - 1]!, points[i]!];
    if (!(q1 > q0)) return `flow must rise from point to point, and does not at point ${i + 1}`;
    if (pump && !(p1 < p0)) return `pressure must fall as flow rises through a pump, and does not at point ${i + 1}`;
    if (!pump && p1 < p0) return `loss must not fall as flow rises, and does at point ${i + 1}`;
  }
  return undefined;
}

function curveOf({ fit, points_Lh_kPa }: PlainCurve, speed: number): Curve {
  const points = points_Lh_kPa.map(([q, p]): Point => [litresPerHour(q), kPa(p)]);
  const curve = fit === 'power3' ? powerCurve(points as [Point, Point, Point]) : piecewiseCurve(points);
  if (speed === 1) return curve;
  return { value: (q) => speed ** 2 * curve.value(q / speed), slope: (q) => speed * curve.slope(q / speed) }; // affinity
}

/** One scenario as a network to solve. Closed links, and nodes that only closed links touch, are left out. */
export function networkOf(plain: PlainNetwork, scenario: PlainScenario): Network {
  const closed = new Set(scenario.closed);
  const links = plain.links.filter((l) => !closed.has(l.id));
  const touched = new Set(links.flatMap((l) => [l.from, l.to]));
  const curve = (name: string, speed = 1) =>
    curveOf(
      plain.curves.find((c) => c.id === name)!,
      speed,
    );
  const lawOf = (link: PlainLink): LinkLaw => {
    switch (link.type) {
      case 'pipe':
        return {
          kind: 'line',
          length: link.length_m,
          bore: mm(scenario.bores_mm?.[link.id] ?? link.bore_mm),
          roughness: link.roughness_m,
          loss: { k1: 0, kInfinity: link.minor_K },
        };
      case 'pump':
        return {
          kind: 'pump',
          rise: curve(link.curve, link.speed),
          ...(link.inlet_min_kPa !== undefined && { inletMinimum: kPa(link.inlet_min_kPa) }),
        };
      case 'gpv':
        return { kind: 'curve', loss: curve(link.curve) };
      case 'psv':
      case 'prv':
        return {
          kind: link.type === 'psv' ? 'bypassRegulator' : 'deadHeadRegulator',
          set: kPa(scenario.settings_kPa?.[link.id] ?? link.set_kPa),
          slope: kPa(link.slope_kPa_per_100L_h) / litresPerHour(100),
          bore: mm(scenario.bores_mm?.[link.id] ?? link.bore_mm),
          k: link.minor_K,
        };
    }
  };
  return {
    liquid: { density: plain.fluid.rho_kg_m3, viscosity: plain.fluid.mu_Pa_s },
    nodes: plain.nodes
      .filter((n) => touched.has(n.id))
      .map((n) =>
        n.type === 'reservoir'
          ? { id: n.id, height: n.z_m, fixedPressure: kPa(scenario.reservoir_kPa?.[n.id] ?? n.gauge_kPa) }
          : { id: n.id, height: n.z_m, demand: litresPerHour(scenario.demands_L_h?.[n.id] ?? n.demand_L_h) },
      ),
    links: links.map((l): NetworkLink => ({
      id: l.id,
      from: l.from,
      to: l.to,
      law: lawOf(l),
      checkValve: l.type === 'pipe' && l.check_valve,
    })),
  };
}
