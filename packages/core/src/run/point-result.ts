import type { Fuel } from '../fluids/fuel.ts';
import { vapourPressure } from '../fluids/vapour-pressure.ts';
import { flowRegime } from '../hydraulics/friction-factor.ts';
import { STANDARD_GRAVITY, type LinkState } from '../hydraulics/network.ts';
import { flowAgainst, type PumpCurve } from '../hydraulics/pump-curve.ts';
import { assumed } from '../job/assumption.ts';
import type { Job } from '../job/job.ts';
import { isRegulator, kindOf, type Part } from '../parts/kinds.ts';
import { pumpModel } from '../pumps/pump-model.ts';
import type { Circuits } from './circuits.ts';
import type { OperatingPoint } from './operating-point.ts';
import { petrolReidOf } from './petrol-reid.ts';
import { flowOut } from './prepared-run.ts';
import { controlledPressure, opposing, type SolvedPoint } from './solve-point.ts';

/** What of a job decides how its run is solved. */
export type RunInputs = Pick<
  Job,
  'parts' | 'joints' | 'brief' | 'survey' | 'hanger' | 'assumptions' | 'points' | 'wiring'
>;

/** A joint at one operating point: pressure there, and what passes the way that fuel takes. Pa gauge, m3/s. */
export interface JointFlow {
  readonly pressure: number;
  readonly flow: number;
  /** What the adapters in it lose, the climb left out, Pa. */
  readonly loss?: number;
}

/** What a part does at one operating point. SI; pressures gauge. */
export interface PartFlow {
  readonly id: string;
  readonly inletPressure: number;
  readonly outletPressure: number;
  /** What of the difference is weight, Pa: positive where the fuel climbs in it. The rest is loss, or a pump's rise. */
  readonly lift: number;
  /** m3/s through it; for a bypass regulator what it spills, for a swirl pot what runs over. */
  readonly flow: number;
  /** m/s in its bore. */
  readonly velocity?: number;
  readonly reynolds?: number;
  readonly regime?: 'laminar' | 'transition' | 'turbulent';
  readonly state: LinkState;
  readonly current?: number; // A, pumps
  readonly voltage?: number; // V, pumps
  /** That voltage lies outside the pump's tables. */
  readonly extrapolated?: boolean;
  /** Net positive suction head, m of fuel, pumps. */
  readonly suctionMargin?: number;
  /** Share of a pump's flow, at the pressure it works against, that its wiring costs; absent where that is not reckoned. */
  readonly wiringCost?: number;
}

/** A swirl pot at one operating point. m3/s. */
export interface PotFlow {
  readonly id: string;
  readonly lift: number;
  /** What the pumps behind it draw. */
  readonly draw: number;
  /** Comes back from the regulator. */
  readonly back: number;
  /** Runs over to the tank; negative: the pot runs down by that. */
  readonly overflow: number;
}

/** The whole run at one operating point. */
export interface PointResult {
  readonly point: OperatingPoint;
  /** Lowest pressure at any injector, or at the carburettor. Pa gauge. */
  readonly railPressure: number;
  /** Rail less what the fuel enters against: what the injectors see. Pa. */
  readonly injectorPressure: number;
  /** m3/s that reach the engine; less than the point's demand where the run cannot bring it. */
  readonly delivered: number;
  readonly pumpFlow: number; // m3/s of the pumps that feed the engine, together, less what runs back through one that stands
  readonly returnFlow: number; // m3/s
  readonly reliefFlow: number; // m3/s through the relief valves of the pumps that feed the engine
  readonly pumpCurrent?: number; // A, all pumps together
  /** Electrical power of all pumps, W. */
  readonly pumpPower?: number;
  /** Net positive suction head at the pump that has least of it, m of fuel. */
  readonly suctionMargin: number;
  /** Which pump that is. */
  readonly suctionPump: string;
  /** Pumps that draw at the pressure where the fuel boils: they pass only what keeps it there. */
  readonly choked: readonly string[];
  /** Absolute pressure in the rail less the fuel's vapour pressure there, Pa: below nothing the rail fills with vapour. */
  readonly engineVapourMargin: number;
  /** Of the pump controller, 0 to 1. */
  readonly duty?: number;
  readonly pot?: PotFlow;
  readonly parts: readonly PartFlow[];
  /** By id. */
  readonly joints: Readonly<Record<string, JointFlow>>;
  /** What the rail, or the carburettor, ought to have here; absent while the brief does not say. Pa gauge. */
  readonly wanted?: number;
  readonly iterations: number;
}

/** Share of its flow that a pump loses to its wiring at the pressure it works against. */
function wiringCost(part: Part, curve: PumpCurve, pressure: number, voltage: number): number | undefined {
  if (part.kind !== 'pump' || part.drive === 'pwm') return undefined;
  const full = pumpModel(part);
  if (!full.ok) return undefined;
  const without = flowAgainst(full.value.at(voltage), pressure);
  return without > 0 ? 1 - flowAgainst(curve, pressure) / without : undefined;
}

/** What one solved point comes to, part by part. */
export function pointResult(job: RunInputs, fuel: Fuel, point: OperatingPoint, solved: SolvedPoint): PointResult {
  const { run, voltages, pressures, flows, states, moment } = solved;
  const { circuits } = run;
  const { liquid } = moment;
  const railPressure = Math.min(...run.draws.map((d) => pressures[d.node]!));
  const atmosphere = assumed(job.assumptions, 'atmosphere');
  const reid = petrolReidOf(job, fuel);
  const vapour = (temperature: number) => vapourPressure(fuel, reid, temperature);
  // NPSH available: absolute pressure at the pump's inlet less vapour pressure, as head
  const head = (inlet: number) =>
    (atmosphere + pressures[inlet]! - vapour(point.temperature)) / (liquid.density * STANDARD_GRAVITY);
  const heights = run.heightsAt(moment);
  const climb = (from: number, to: number) => liquid.density * STANDARD_GRAVITY * (heights[to]! - heights[from]!);
  const parts = run.parts.map((compiled): PartFlow => {
    const part = circuits.part(compiled.id);
    const pump = run.pumps.find((p) => p.id === compiled.id);
    const curve = pump?.curve(moment);
    const flow = flowOfPart(solved, compiled.id, compiled.through, compiled.lowered.tells);
    const { bore } = compiled.lowered;
    const velocity = bore ? Math.abs(flow) / ((Math.PI * bore ** 2) / 4) : undefined;
    const reynolds = velocity !== undefined ? (liquid.density * velocity * bore!) / liquid.viscosity : undefined;
    const [inletPressure, outletPressure] = [pressures[compiled.inlet]!, pressures[compiled.outlet]!];
    const rise = outletPressure - inletPressure;
    return {
      id: compiled.id,
      inletPressure,
      outletPressure,
      lift: climb(compiled.inlet, compiled.outlet),
      flow,
      velocity,
      reynolds,
      regime: reynolds ? flowRegime(reynolds) : undefined,
      state: compiled.through === undefined ? 'open' : states[compiled.through]!,
      current: curve?.current(rise),
      voltage: curve && kindOf(part).isElectric ? (voltages.get(part.id) ?? point.voltage) : undefined,
      extrapolated: curve?.extrapolated ? true : undefined,
      suctionMargin: pump && curve && head(pump.inlet),
      wiringCost: curve && voltages.has(part.id) ? wiringCost(part, curve, rise, point.voltage) : undefined,
    };
  });
  const byId = new Map(parts.map((c) => [c.id, c]));
  const running = run.pumps.filter((p) => p.curve(moment) !== undefined);
  const feeding = run.pumps.filter((p) => p.feeds);
  const spilled = [...run.spills.values()].reduce((sum, link) => sum + flows[link]!, 0);
  const least = [...running].sort((a, b) => head(a.inlet) - head(b.inlet))[0] ?? run.pumps[0]!;
  const electric = running.flatMap(({ id }) => (kindOf(circuits.part(id)).isElectric ? [byId.get(id)!] : []));
  const together = (of: (c: PartFlow) => number | undefined) =>
    electric.some((c) => of(c) === undefined) ? undefined : electric.reduce((sum, c) => sum + of(c)!, 0);
  const relief = new Set(feeding.map((p) => `${p.id}:relief`));
  return {
    point,
    railPressure,
    injectorPressure: railPressure - opposing(job, circuits, point),
    delivered: solved.delivered,
    pumpFlow: feeding.reduce((sum, p) => sum + flows[p.linkIndex]!, 0),
    returnFlow: spilled,
    reliefFlow: run.links.reduce((sum, l, i) => sum + (relief.has(l.id) ? flows[i]! : 0), 0),
    pumpCurrent: together((c) => c.current),
    pumpPower: together((c) => (c.current === undefined ? undefined : c.current * c.voltage!)),
    suctionMargin: head(least.inlet),
    suctionPump: least.id,
    choked: running.filter((p) => states[p.linkIndex] === 'choked').map((p) => p.id),
    engineVapourMargin: atmosphere + railPressure - vapour(point.engineTemperature),
    duty: solved.duty,
    pot: potFlow(solved),
    parts,
    joints: Object.fromEntries(
      circuits.flows.flatMap((f): [string, JointFlow][] => {
        const node = run.joints.get(f.joint);
        if (node === undefined) return [];
        const chain = run.chains.get(f.joint);
        const loss = chain && pressures[chain.before]! - pressures[node]! - climb(chain.before, node);
        const flow = flowOut(solved, f.from, f.fromPort);
        return [[f.joint, { pressure: pressures[node]!, flow, ...(loss === undefined ? {} : { loss }) }]];
      }),
    ),
    wanted: wantedRailPressure(job, circuits, point),
    iterations: solved.iterations,
  };
}

/** By the link that carries it, else what one port of it lets go, else what comes in. */
function flowOfPart(solved: SolvedPoint, id: string, through: number | undefined, tells: string | undefined): number {
  if (through !== undefined) return solved.flows[through]!;
  if (tells !== undefined) return flowOut(solved, id, tells);
  const { circuits } = solved.run;
  if (kindOf(circuits.part(id)).isVessel)
    return circuits.outOf(id).reduce((sum, f) => sum + flowOut(solved, id, f.fromPort), 0);
  return circuits.into(id).reduce((sum, f) => sum - flowOut(solved, id, f.toPort), 0);
}

function potFlow(solved: SolvedPoint): PotFlow | undefined {
  const [id] = solved.run.circuits.pots;
  if (id === undefined) return undefined;
  const out = (port: string) => flowOut(solved, id, port);
  return { id, lift: -out('lift'), back: -out('return'), overflow: out('overflow'), draw: out('feed') };
}

/**
 * Pressure that the rail ought to have at a point, Pa gauge: the brief's, no higher than the regulator or the pump
 * controller is set for, and with the manifold where both the engine and they follow it.
 */
export function wantedRailPressure(
  { brief }: Pick<Job, 'brief'>,
  circuits: Circuits,
  point: OperatingPoint,
): number | undefined {
  const base = brief.railPressure?.si;
  if (base === undefined) return undefined;
  const controlled = controlledPressure(circuits.parts, point);
  if (controlled !== undefined) {
    const followed = controlled - controlledPressure(circuits.parts, { ...point, manifold: 0 })!;
    return Math.max(0, Math.min(base + followed, controlled));
  }
  const regulator = circuits.parts.find(isRegulator);
  const followed = regulator?.referenced ? point.manifold : 0;
  return Math.max(0, Math.min(base, regulator?.setPressure?.si ?? base) + followed);
}
