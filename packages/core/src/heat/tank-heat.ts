/** Heat that fuel takes on and gives off on its way round, and the tank's balance. All SI. */

/** What circulates. m3/s; temperatures in K; heats in W. */
export interface HeatCircuit {
  /** J/(m3 K) of the fuel. */
  readonly capacity: number;
  /** Drawn from the tank, by all pumps that draw from it. */
  readonly drawn: number;
  /** Comes back to the tank. */
  readonly back: number;
  /** Electrical power of the pumps drawing from the tank: in the end all of it warms the fuel. */
  readonly pumpPower: number;
  /** From the casings of pumps that stand in the tank straight to the fuel around them, W/K; 0 outside. */
  readonly casing: number;
  /** Where the return leaves the supply: which of the engine's heat it brings back. W/K, 0 at the tank. */
  readonly bayConductance: number;
  /** Flow past that heat. */
  readonly bayFlow: number;
  readonly bayTemperature: number;
  /** Coolers in the supply and in the return, W/K together, and the air that passes them, K. */
  readonly shedBefore: number;
  readonly shedAfter: number;
  readonly airTemperature: number;
  /** A pot in between: what the pump behind it draws, what comes back to it, and that pump's power. */
  readonly pot?: { readonly drawn: number; readonly back: number; readonly pumpPower: number };
}

export interface CircuitHeat {
  /** Of the fuel that comes back to the tank, K. */
  readonly backTemperature: number;
  /** W through the casings of the pumps in the tank. */
  readonly throughCasing: number;
  /** Of the fuel in the pot, K. */
  readonly potTemperature?: number;
  /** W from pumps and from the engine that stay in the tank, coming back or through a casing. */
  readonly fromPumps: number;
  readonly fromEngine: number;
  /** W that coolers take away. */
  readonly shed: number;
}

/** Warming along a surface at a fixed temperature: a heat exchanger with one side at rest. */
export function warmed(inlet: number, surface: number, conductance: number, flow: number, capacity: number): number {
  if (!(flow > 0)) return inlet;
  return surface - (surface - inlet) * Math.exp(-conductance / (flow * capacity));
}

/** What the fuel of a tank at `tank` K brings back. */
export function circuitHeat(circuit: HeatCircuit, tank: number): CircuitHeat {
  const { capacity, drawn, back, pumpPower, pot, bayFlow, bayConductance, bayTemperature } = circuit;
  const heated = (inlet: number, power: number, flow: number) => (flow > 0 ? inlet + power / (flow * capacity) : inlet);
  const past = (inlet: number) => warmed(inlet, bayTemperature, bayConductance, bayFlow, capacity);
  const comesBack = pot ? pot.back : back;
  const cooledBefore = (inlet: number) => warmed(inlet, circuit.airTemperature, circuit.shedBefore, bayFlow, capacity);
  const cooledAfter = (inlet: number) => warmed(inlet, circuit.airTemperature, circuit.shedAfter, comesBack, capacity);
  /** From a pump to where it comes back: what each stretch makes of the one before. */
  const round = (inlet: number) => {
    const before = cooledBefore(inlet);
    const engine = past(before);
    const after = cooledAfter(engine);
    return {
      after,
      fromEngine: comesBack * capacity * (engine - before),
      shed: bayFlow * capacity * (inlet - before) + comesBack * capacity * (engine - after),
    };
  };
  // a motor shares its heat between the fuel that passes it and the fuel around it: little passes a slow pump
  const throughCasing = (pumpPower * circuit.casing) / (circuit.casing + drawn * capacity || 1);
  const lifted = heated(tank, pumpPower - throughCasing, drawn);
  if (!pot) {
    const { after, fromEngine, shed } = round(lifted);
    return {
      backTemperature: after,
      throughCasing,
      fromPumps: back * capacity * (lifted - tank) + throughCasing,
      fromEngine,
      shed,
    };
  }
  // the pot mixes what is lifted with what comes back; that depends on the pot again, linearly
  const share = pot.drawn > 0 ? pot.back / (drawn + pot.back) : 0;
  const rise = pot.drawn > 0 ? pot.pumpPower / (pot.drawn * capacity) : 0;
  // what comes round goes with what went in, as a + b inlet: pot = (1 − share) lifted + share (a + b (pot + rise))
  const a = round(0).after;
  const b = round(1).after - a;
  const potTemperature = ((1 - share) * lifted + share * (a + b * rise)) / (1 - share * b);
  const brought = back * capacity * (potTemperature - tank);
  const { fromEngine, shed } = round(potTemperature + rise);
  const total = fromEngine + pumpPower - throughCasing + pot.pumpPower;
  const engineShare = total > 0 ? fromEngine / total : 0;
  return {
    backTemperature: potTemperature,
    potTemperature,
    throughCasing,
    fromPumps: brought * (1 - engineShare) + throughCasing,
    fromEngine: brought * engineShare,
    shed,
  };
}

const FLAT_TANK = 6.5; // surface over volume^(2/3): a cube has 6, a flat tank more; typical, from memory
const FLOOR_SHARE = 0.4; // of a flat tank's surface that is wet to the last litre; typical, from memory

/** Surface through which a tank of a volume gives off heat when it is filled to a share, m2. */
export const wettedArea = (volume: number, level: number): number =>
  FLAT_TANK * volume ** (2 / 3) * (FLOOR_SHARE + (1 - FLOOR_SHARE) * level);
