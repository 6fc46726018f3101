import { LEAST_SUCTION_MARGIN } from '../run/limits.ts';
import { fuelLiquid, heatCapacity, type Fuel } from '../fluids/fuel.ts';
import { vapourPressure } from '../fluids/vapour-pressure.ts';
import { STANDARD_GRAVITY } from '../hydraulics/network.ts';
import { petrolReidOf } from '../run/petrol-reid.ts';
import { assumed } from '../job/assumption.ts';
import { operatingPoints } from '../run/operating-point.ts';
import { compileRun } from '../run/compile-run.ts';
import type { CompiledRun } from '../run/compiled-run.ts';
import { PreparedRun } from '../run/prepared-run.ts';
import { solvePoint } from '../run/solve-point.ts';
import { pointResult, type PointResult, type RunInputs } from '../run/point-result.ts';
import { spansOf } from '../run/spans.ts';
import { circuitHeat, wettedArea, type CircuitHeat, type HeatCircuit } from './tank-heat.ts';
import { isLine, kindOf, type Part } from '../parts/kinds.ts';
import { heatZones, keptOff } from './line-heat.ts';
import { circuitsOf, type Circuits } from '../run/circuits.ts';
import { lineOfZone, type Line } from '../run/zones.ts';

export interface DriveStep {
  readonly time: number; // s
  readonly tank: number; // K
  /** Share of its litres; taken for the share of its depth where the head over the pump is reckoned. */
  readonly level: number;
  /** Head of fuel in hand before it boils at the pump that has least, m. */
  readonly margin: number;
  readonly pot?: number; // K
}

export interface Drive {
  readonly steps: readonly DriveStep[];
  /** The margin below which a pump begins to lose fuel, m. */
  readonly leastMargin: number;
  /** When the margin falls below it, s; absent when it does not. */
  readonly trouble?: number;
  /** When the fuel boils at a pump, s: the drive ends there; absent when it does not. */
  readonly boils?: number;
  /** The tank was down to its last before the drive was over. */
  readonly ranDry: boolean;
  /** What circulates at the end of the drive, and what it brings back. */
  readonly end: { readonly circuit: HeatCircuit; readonly around: CircuitHeat };
  /** At the end of the drive, W. */
  readonly heat: { readonly pumps: number; readonly engine: number; readonly shed: number; readonly lost: number };
}

const STEPS = 60;
const LAST_LEVEL = 0.05; // a drive ends there: no gauge shows less
const CASING = 3; // W/K from a pump's casing to the fuel around it, typical, from memory
const HOSE_SHARE = 0.4; // of the engine's heat, taken on in the hoses before the rail; typical, from memory

/**
 * A drive at cruise: the pumps and the engine warm what comes back, the tank gives heat off, the level falls. The run is
 * solved at the start and again at the end's temperature and level, and the flows go from the one to the other.
 *
 * Undefined while a pump's current or the tank's volume is not known. @param volume - of the full tank, m3. @param run - the
 * job's, where it has been compiled already.
 */
export function driveOf(
  job: RunInputs,
  fuel: Fuel,
  fullDemand: number,
  volume: number | undefined,
  run: CompiledRun = compileRun(job),
): Drive | undefined {
  const value = (key: Parameters<typeof assumed>[1]) => assumed(job.assumptions, key);
  if (volume === undefined) return undefined;
  const begin = { temperature: value('fuelTemperature'), level: value('driveStartLevel') };
  const prepared = new PreparedRun(run);
  const first = cruiseAt(prepared, job, fuel, fullDemand, begin);
  if (first?.pumpPower === undefined) return undefined;
  const rough = integrate(job, fuel, volume, first, first);
  const end = rough.steps.at(-1)!;
  const last = cruiseAt(prepared, job, fuel, fullDemand, { temperature: end.tank, level: end.level }) ?? first;
  return integrate(job, fuel, volume, first, last);
}

interface Conditions {
  readonly temperature: number;
  readonly level: number;
}

function cruiseAt(
  prepared: PreparedRun,
  job: RunInputs,
  fuel: Fuel,
  fullDemand: number,
  conditions: Conditions,
): PointResult | undefined {
  const cruise = operatingPoints(job, fuel, fullDemand).find((p) => p.key === 'cruise')!;
  const point = { ...cruise, ...conditions, engineTemperature: conditions.temperature };
  const solved = solvePoint(prepared, job, fuel, point);
  return solved.ok ? pointResult(job, fuel, point, solved.value) : undefined;
}

function integrate(job: RunInputs, fuel: Fuel, full: number, first: PointResult, last: PointResult): Drive {
  const value = (key: Parameters<typeof assumed>[1]) => assumed(job.assumptions, key);
  const time = value('driveTime');
  const startLevel = value('driveStartLevel');
  const reid = petrolReidOf(job, fuel);
  const atmosphere = value('atmosphere');
  const ambient = value('ambientTemperature');
  const circuits = [circuitOf(job, fuel, first), circuitOf(job, fuel, last)] as const;
  const suction = [suctionOf(job, fuel, first), suctionOf(job, fuel, last)] as const;
  const steps: DriveStep[] = [];
  let tank = first.point.temperature;
  let left = full * startLevel;
  let ranDry = false;
  const dt = time / STEPS;
  let heat = { pumps: 0, engine: 0, shed: 0, lost: 0 };
  let ending: Drive['end'] | undefined;
  for (let i = 0; i <= STEPS; i++) {
    const share = i / STEPS;
    const circuit = blend(circuits[0], circuits[1], share);
    const level = left / full;
    const around = circuitHeat(circuit, tank);
    const liquid = fuelLiquid(fuel, tank);
    // at the pump that has least in hand: behind a pot it draws the pot's warmer fuel
    const margins = suction[0].map((s, k) => {
      const inlet = mix(s.inlet - s.head * first.point.level, suction[1][k]!.inlet - s.head * last.point.level, share);
      const drawn = s.fromPot ? (around.potTemperature ?? tank) : tank;
      return (
        (atmosphere + inlet + s.head * level - vapourPressure(fuel, reid, drawn)) / (liquid.density * STANDARD_GRAVITY)
      );
    });
    steps.push({ time: i * dt, tank, level, margin: Math.min(...margins), pot: around.potTemperature });
    const lost = value('tankHeat') * wettedArea(full, level) * (tank - ambient);
    heat = { pumps: around.fromPumps, engine: around.fromEngine, shed: around.shed, lost };
    ending = { circuit, around };
    if (steps.at(-1)!.margin <= 0) break;
    if (level <= LAST_LEVEL) {
      ranDry = i < STEPS;
      break;
    }
    // implicit in the tank's loss, which is what could make a long step swing
    const gained = circuit.back * circuit.capacity * (around.backTemperature - tank) + around.throughCasing - lost;
    const stored = left * circuit.capacity;
    tank += (gained * dt) / (stored + value('tankHeat') * wettedArea(full, level) * dt);
    left = Math.max(0, left - first.point.demand * dt);
  }
  return {
    steps,
    leastMargin: LEAST_SUCTION_MARGIN,
    trouble: whenBelow(steps, LEAST_SUCTION_MARGIN),
    boils: whenBelow(steps, 0),
    ranDry,
    end: ending!, // a drive has a first step
    heat,
  };
}

/** Inlet pressure of each pump at its point, and by how much it rises from an empty tank to a full one. Pa. */
function suctionOf(job: RunInputs, fuel: Fuel, result: PointResult) {
  const run = circuitsOf(job);
  const { density } = fuelLiquid(fuel, result.point.temperature);
  const fullHead = density * STANDARD_GRAVITY * (job.survey.tank.depth?.si ?? 0);
  return run.pumps.flatMap((id) => {
    const flow = result.parts.find((f) => f.id === id);
    if (flow?.suctionMargin === undefined) return [];
    const fromPot = run.drawsFromPot(id);
    return [{ inlet: flow.inletPressure, fromPot, head: fromPot ? 0 : fullHead }];
  });
}

const mix = (a: number, b: number, share: number): number => a + (b - a) * share;

const blend = (a: HeatCircuit, b: HeatCircuit, share: number): HeatCircuit => {
  const at = (x: number, y: number) => mix(x, y, share);
  return {
    ...a,
    drawn: at(a.drawn, b.drawn),
    back: at(a.back, b.back),
    pumpPower: at(a.pumpPower, b.pumpPower),
    bayFlow: at(a.bayFlow, b.bayFlow),
    pot: a.pot &&
      b.pot && {
        drawn: at(a.pot.drawn, b.pot.drawn),
        back: at(a.pot.back, b.pot.back),
        pumpPower: at(a.pot.pumpPower, b.pot.pumpPower),
      },
  };
};

/** What circulates at a point, and how much of the engine's heat comes back with it. */
export function circuitOf(job: RunInputs, fuel: Fuel, result: PointResult): HeatCircuit {
  const liquid = fuelLiquid(fuel, result.point.temperature);
  const { pot } = result;
  const run = circuitsOf(job);
  const isBehindPot = (id: string) => pot !== undefined && run.drawsFromPot(id);
  const powerOf = (behindPot: boolean) =>
    run.pumps.reduce((sum, id) => {
      const flow = isBehindPot(id) === behindPot ? result.parts.find((f) => f.id === id) : undefined;
      return sum + (flow?.current ?? 0) * (flow?.voltage ?? 0);
    }, 0);
  const immersed = run.parts.filter(
    (c) => kindOf(c).isElectric && kindOf(c).isInTank?.(c) && !isBehindPot(c.id),
  ).length;
  return {
    capacity: liquid.density * heatCapacity(fuel),
    drawn: pot ? pot.lift : result.pumpFlow,
    back: pot ? Math.max(0, pot.overflow) : result.returnFlow,
    pumpPower: powerOf(false),
    bayConductance: bayConductance(job),
    casing: CASING * immersed,
    bayFlow: result.pumpFlow,
    bayTemperature: assumed(job.assumptions, 'bayTemperature'),
    shedBefore: shedBy(run, (line) => line !== 'return'),
    shedAfter: shedBy(run, (line) => line === 'return'),
    airTemperature: assumed(job.assumptions, 'ambientTemperature'),
    pot: pot && { drawn: pot.draw, back: pot.back, pumpPower: powerOf(true) },
  };
}

/** W/K that the coolers of a stretch shed. */
const shedBy = (run: Circuits, lies: (line: Line) => boolean): number =>
  run.parts.reduce((sum, p) => {
    const zone = run.zoneOf(p.id);
    return sum + (zone && lies(lineOfZone(zone)) ? (kindOf(p).heat?.(p).sheds ?? 0) : 0);
  }, 0);

/**
 * W/K of the engine that the returning fuel passes: all of it when it is spilled after the rail, the hoses' share when
 * before the rail but in the engine bay, nothing when by the tank. In the bay is where most of the line lies behind.
 */
export function bayConductance(job: RunInputs): number {
  const run = circuitsOf(job);
  const [spill] = run.bypasses;
  const [consumer] = run.consumers;
  if (spill === undefined || consumer === undefined) return 0;
  const all = assumed(job.assumptions, 'railHeat');
  if (run.upstream(spill).some((id) => run.consumers.includes(id))) return all;
  const start = new Map(spansOf(run).map((s) => [s.part, s.start]));
  if (!(start.get(spill)! > start.get(consumer)! / 2)) return 0;
  // sleeves and shields on the lines in the bay keep their share off
  const zones = heatZones(run);
  const inBay = run.parts.filter((p) => zones.get(p.id) === 'bay' && isLine(p));
  const weight = (p: Part) => kindOf(p).length?.(p) ?? 0;
  const whole = inBay.reduce((sum, p) => sum + weight(p), 0);
  const kept = whole > 0 ? inBay.reduce((sum, p) => sum + weight(p) * keptOff(p, 'bay'), 0) / whole : 1;
  return HOSE_SHARE * all * kept;
}

/** When the margin falls below a limit, between two steps by straight line. */
function whenBelow(steps: readonly DriveStep[], limit: number): number | undefined {
  const at = steps.findIndex((s) => s.margin < limit);
  if (at < 0) return undefined;
  if (at === 0) return 0;
  const [a, b] = [steps[at - 1]!, steps[at]!];
  return a.time + ((b.time - a.time) * (a.margin - limit)) / (a.margin - b.margin);
}
