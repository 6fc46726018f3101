import type { Hanger } from '../job/hanger.ts';
import { linkLoss } from '../hydraulics/link-loss.ts';
import { jetBackPressure, suctionFlow, type JetPump } from '../hydraulics/jet-pump.ts';
import { EXIT, SHARP_ENTRANCE } from '../hydraulics/loss-coefficient.ts';
import { STANDARD_GRAVITY, type Liquid } from '../hydraulics/network.ts';
import { DRAWN_TUBE_ROUGHNESS } from '../ratings/line-material.ts';
import { mm } from '../units/quick.ts';

/** What the jet does at one operating point. SI. */
export interface JetAtPoint {
  readonly returnFlow: number;
  readonly demand: number;
  /** Fuel it brings across. */
  readonly suction: number;
  readonly backPressure: number;
}
export interface SiphonFindings {
  readonly idle: JetAtPoint;
  readonly cruise: JetAtPoint;
  readonly fullLoad: JetAtPoint;
  /** Largest standard drill that brings across what the engine burns, with margin; absent when none does. m. */
  readonly drill?: number;
  /** The steady point that `drill` was chosen for. */
  readonly chosenFor: 'fullLoad' | 'cruise';
}

const MARGIN = 1.15; // suction over what the engine burns, as of pumps: common practice
const THROAT_OF_DRILL = 2; // throat bore of the jet's, a nozzle area of a quarter: typical, from memory
const DEFAULT_SIPHON = { bore: mm(8), length: 0.8 }; // typical, from memory
/** Drills of a standard set, in steps of 0.1 mm. */
const drills = Array.from({ length: 73 }, (_, i) => mm((8 + i) / 10));

export interface JetConditions {
  readonly liquid: Liquid;
  /** Fuel level over the jet above that over the far pickup, m: the lift at the last of the far lobe. */
  readonly lift: number;
  readonly points: Readonly<Record<'idle' | 'cruise' | 'fullLoad', { returnFlow: number; demand: number }>>;
}

/** The siphon jet of a saddle tank, driven by what comes back. Undefined while its drill is unknown. */
export function siphonFindings(hanger: Hanger, conditions: JetConditions): SiphonFindings | undefined {
  const drill = hanger.jetDrill?.si;
  if (drill === undefined || drill === 0) return undefined;
  const at = (bore: number, point: 'idle' | 'cruise' | 'fullLoad'): JetAtPoint => {
    const { returnFlow, demand } = conditions.points[point];
    const jet: JetPump = {
      nozzle: bore,
      throat: hanger.throatDrill?.si ?? THROAT_OF_DRILL * bore,
      edge: hanger.jetEdge ?? 'sharp',
    };
    const { density } = conditions.liquid;
    return {
      returnFlow,
      demand,
      backPressure: jetBackPressure(jet, returnFlow, density),
      suction: suctionFlow(jet, returnFlow, density, (flow) => siphonDrop(hanger, conditions, flow)),
    };
  };
  const suffices = (point: 'cruise' | 'fullLoad') =>
    drills.findLast((bore) => {
      const { suction, demand } = at(bore, point);
      return suction >= MARGIN * demand;
    });
  const full = suffices('fullLoad');
  return {
    idle: at(drill, 'idle'),
    cruise: at(drill, 'cruise'),
    fullLoad: at(drill, 'fullLoad'),
    drill: full ?? suffices('cruise'),
    chosenFor: full === undefined ? 'cruise' : 'fullLoad',
  };
}

/** Lift and losses from the far pickup to the jet, Pa. */
function siphonDrop(hanger: Hanger, { liquid, lift }: JetConditions, flow: number): number {
  const tube = {
    kind: 'line',
    bore: hanger.siphonBore?.si ?? DEFAULT_SIPHON.bore,
    length: hanger.siphonLength?.si ?? DEFAULT_SIPHON.length,
    roughness: DRAWN_TUBE_ROUGHNESS,
    loss: { k1: 0, kInfinity: SHARP_ENTRANCE + EXIT },
  } as const;
  return liquid.density * STANDARD_GRAVITY * lift + linkLoss(tube, flow, liquid).loss;
}
