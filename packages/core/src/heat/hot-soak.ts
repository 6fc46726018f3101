import { heatCapacity, type Fuel } from '../fluids/fuel.ts';
import { isVapourExtrapolated, vapourPressure } from '../fluids/vapour-pressure.ts';
import { STANDARD_GRAVITY } from '../hydraulics/network.ts';
import { assumed } from '../job/assumption.ts';
import { isConsumer, isRegulator, kindOf } from '../parts/kinds.ts';
import type { CompiledRun } from '../run/compiled-run.ts';
import { fuelAt } from '../run/fuel-at.ts';
import { petrolReidOf } from '../run/petrol-reid.ts';
import type { RunInputs } from '../run/point-result.ts';
import { volumeOf } from '../run/priming.ts';
import type { RunSolution } from '../run/solve-run.ts';
import { heatZones, lineHeat, type HeatZone } from './line-heat.ts';

/** What stands between pumps and engine after the engine is stopped. SI; pressures absolute. */
export interface SoakStep {
  readonly time: number; // s
  /** Of the fuel in the rail, or at the carburettor. */
  readonly rail: number; // K
  /** At the rail. */
  readonly pressure: number; // Pa
  /** Below which the fuel in the rail boils. */
  readonly boils: number; // Pa
  /** Of the line, full of vapour. m3 */
  readonly vapour: number;
}

export interface HotSoak {
  readonly steps: readonly SoakStep[];
  /** A check valve and a regulator that shuts keep the line under pressure. */
  readonly isHeld: boolean;
  /** Hottest fuel, in which part, and when. */
  readonly hottest: { readonly part: string; readonly temperature: number; readonly time: number };
  /** Which part boils first and when, s; absent where none does. */
  readonly flashes?: { readonly part: string; readonly time: number };
  /** From when on nothing boils any more, s; absent where it still does at the end. */
  readonly safeAgain?: number;
  /** Longest that the pumps take to fill what boiled empty, s; absent where none of them runs. */
  readonly refill?: number;
  /** At the hottest its vapour pressure is beyond what the correlations were drawn for. */
  readonly isExtrapolated: boolean;
}

const LASTS = 3 * 3600; // s
const STEP = 60; // s
const RAIL_METAL = 400; // J/K of a rail with its injectors; typical, from memory
const WALL = 1.4; // heat of a line's wall and its fuel, over that of its fuel; typical, from memory
const SKIN = 1.4; // outside diameter of a line over its bore; typical, from memory
const EXHAUST_COOLS = 1200; // s to a third; typical, from memory
const STILL_AIR = 0.25; // of what a cooler sheds as it is driven, where no air passes it; typical, from memory
const LEAST_VOLUME = 1e-7; // m3: a fitting that holds less says nothing

interface Piece {
  readonly id: string;
  readonly zone: HeatZone;
  readonly volume: number;
  readonly isRail: boolean;
  readonly height: number;
  /** W/K to air, exhaust and metal. */
  readonly air: number;
  readonly exhaust: number;
  readonly metal: number;
  temperature: number;
}

/** The hot soak: every piece of line from the pumps to the engine warms by where it lies, while the pressure goes or is held. */
export function hotSoak(job: RunInputs, fuel: Fuel, run: CompiledRun, solution: RunSolution): HotSoak | undefined {
  if (fuel.family === 'diesel') return undefined;
  const value = (key: Parameters<typeof assumed>[1]) => assumed(job.assumptions, key);
  const [ambient, atmosphere] = [value('ambientTemperature'), value('atmosphere')];
  const begin = solution.points.cruise;
  const pieces = piecesOf(job, run, solution);
  const flow = solution.prime ? solution.prime.volume / solution.prime.time : 0;
  const isHeld = (solution.prime?.isHeld ?? false) && !run.circuits.parts.some((p) => isRegulator(p) && p.bleeds);
  const rail = pieces.find((p) => p.isRail) ?? pieces.at(-1);
  if (!rail) return undefined;
  const { density } = fuelAt(job, fuel, begin.point.temperature);
  const heat = density * heatCapacity(fuel);
  const cooled = (from: number, time: number, constant: number) =>
    ambient + (from - ambient) * Math.exp(-time / constant);
  const reid = petrolReidOf(job, fuel);
  const boils = (temperature: number) => vapourPressure(fuel, reid, temperature); // Pa absolute
  const steps: SoakStep[] = [];
  let hottest = { part: rail.id, temperature: rail.temperature, time: 0 };
  let flashes: HotSoak['flashes'];
  let lastBoiling: number | undefined;
  for (let time = 0; time <= LASTS; time += STEP) {
    const bay = cooled(value('soakAir'), time, value('engineCooling'));
    const exhaust = cooled(value('exhaustTemperature'), time, EXHAUST_COOLS);
    const gauge = isHeld ? begin.railPressure * 0.5 ** (time / value('pressureHalves')) : 0;
    let vapour = 0;
    for (const piece of pieces) {
      const pressure = atmosphere + gauge - density * STANDARD_GRAVITY * (piece.height - rail.height);
      if (pressure < boils(piece.temperature)) {
        vapour += piece.volume;
        flashes ??= { part: piece.id, time };
      }
      if (piece.temperature > hottest.temperature) hottest = { part: piece.id, temperature: piece.temperature, time };
    }
    if (vapour > 0) lastBoiling = time;
    steps.push({
      time,
      rail: rail.temperature,
      pressure: atmosphere + gauge,
      boils: boils(rail.temperature),
      vapour,
    });
    for (const piece of pieces) {
      const air = piece.zone === 'bay' ? bay : ambient;
      const all = piece.air + piece.exhaust + piece.metal;
      if (all === 0) continue;
      const around = (piece.air * air + piece.exhaust * exhaust + piece.metal * air) / all;
      const capacity = heat * piece.volume * WALL + (piece.isRail ? RAIL_METAL : 0);
      piece.temperature = around + (piece.temperature - around) * Math.exp((-STEP * all) / capacity);
    }
  }
  const most = Math.max(...steps.map((s) => s.vapour));
  return {
    steps,
    isHeld,
    hottest,
    flashes,
    safeAgain: lastBoiling === undefined ? 0 : lastBoiling < LASTS ? lastBoiling + STEP : undefined,
    refill: flow > 0 ? most / flow : undefined,
    isExtrapolated: isVapourExtrapolated(fuel, hottest.temperature),
  };
}

function piecesOf(job: RunInputs, run: CompiledRun, { points }: RunSolution): Piece[] {
  const { circuits } = run;
  const zones = heatZones(circuits);
  const behind = new Set(circuits.feedPumps.flatMap((id) => circuits.downstream(id)));
  const begin = points.cruise;
  const heights = run.heightsAt({ point: begin.point });
  const railHeat = assumed(job.assumptions, 'railHeat');
  return run.parts.flatMap(({ id, outlet }): Piece[] => {
    const part = circuits.part(id);
    const volume = behind.has(id) ? volumeOf(part) : 0;
    const isRail = isConsumer(part);
    if (volume < LEAST_VOLUME && !isRail) return [];
    const zone = zones.get(id)!;
    const kind = kindOf(part);
    const bore = kind.bore?.(part);
    // a body without a bore is about as wide as it is long
    const skin = bore ? Math.PI * bore * SKIN * (kind.length?.(part) ?? 0) : 6 * volume ** (2 / 3);
    const of = lineHeat(part, zone);
    const sheds = kind.heat?.(part).sheds;
    return [
      {
        id,
        zone,
        volume,
        isRail,
        height: heights[outlet]!,
        air: isRail ? railHeat : zone === 'tank' ? 0 : sheds === undefined ? of.air * skin : sheds * STILL_AIR,
        exhaust: isRail ? 0 : of.exhaust * skin,
        metal: isRail ? 0 : of.metal * skin,
        temperature: Math.max(begin.point.temperature, assumed(job.assumptions, 'hotFuelTemperature')),
      },
    ];
  });
}
