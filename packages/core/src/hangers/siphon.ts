import type { Hanger } from '../job/hanger.ts';
import { linkLoss } from '../hydraulics/link-loss.ts';
import { jetBackPressure, jetBrings, jetSuction, type JetLimit, type JetPump } from '../hydraulics/jet-pump.ts';
import { EXIT, SHARP_ENTRANCE } from '../hydraulics/loss-coefficient.ts';
import { STANDARD_GRAVITY, type Liquid } from '../hydraulics/network.ts';
import { DRAWN_TUBE_ROUGHNESS } from '../ratings/line-material.ts';
import { mm } from '../units/quick.ts';

/** The moments that a jet must work in: at idle all comes back through it, at full load little; hot fuel boils in its throat. */
export const jetPoints = ['idle', 'cruise', 'fullLoad', 'fullLoadHot'] as const;
export type JetPoint = (typeof jetPoints)[number];

/** What the jet does at one operating point. SI. */
export interface JetAtPoint {
  readonly returnFlow: number;
  readonly demand: number;
  /** Fuel it brings across. */
  readonly suction: number;
  readonly backPressure: number;
  readonly limit: JetLimit;
}
/** One drill of the set: what it does at its two ends. */
export interface JetDrill {
  readonly drill: number; // m
  /** Held back at idle, Pa. */
  readonly backPressure: number;
  /** Brought across at full load, m3/s. */
  readonly suction: number;
}
export interface SiphonFindings extends Readonly<Record<JetPoint, JetAtPoint>> {
  /** Set pressure of the regulator whose return drives it, where it is known, Pa. */
  readonly regulated?: number;
  /** The drill that these figures are of: the entered one, else the proposed. m. */
  readonly of: number;
  readonly isEntered: boolean;
  /** Largest standard drill that brings across what the engine burns, drilled a little off either way; absent when none does. m. */
  readonly drill?: number;
  /** The hardest moments that `drill` was chosen for. */
  readonly chosenFor: 'everything' | 'fullLoad' | 'cruise';
  /** The whole set, for a chart. */
  readonly set: readonly JetDrill[];
  /** How far the jet stands above the fuel at the level that it must still run at, m; it then blows through air. */
  readonly aboveFuel?: number;
}

export const JET_MARGIN = 1.15; // suction over what the engine burns, as of pumps: common practice
/** Of the regulator's set pressure that the jet may hold back at idle; common practice. */
export const MOST_OF_SET = 0.2;
const THROAT_OF_DRILL = 2; // throat bore of the jet's, a nozzle area of a quarter: typical, from memory
const DRILL_TOLERANCE = mm(0.05); // of a hole drilled by hand, typical, from memory
const DEFAULT_SIPHON = { bore: mm(8), length: 0.8 }; // typical, from memory
/** Drills of a standard set, in steps of 0.1 mm. */
const drills = Array.from({ length: 73 }, (_, i) => mm((8 + i) / 10));

/** One moment: what comes back and is burnt, and the fuel as it is then. */
export interface JetMoment {
  readonly returnFlow: number;
  readonly demand: number;
  readonly liquid: Liquid;
  /** Of the tank over the vapour pressure, Pa; absent for what does not boil in use. */
  readonly overVapour?: number;
}
export interface JetConditions {
  /** Where the jet blows out over the far pickup's fuel, m: the lift at the last of the far lobe. */
  readonly lift: number;
  /** Set pressure of the regulator whose return drives it, Pa. */
  readonly set?: number;
  readonly points: Readonly<Record<JetPoint, JetMoment>>;
  /** The same with no jet at the return's end: what drills are chosen for. */
  readonly free: Readonly<Record<JetPoint, JetMoment>>;
}

/** The siphon jet of a saddle tank, driven by what comes back. With no drill entered, the one proposed; undefined where none is. */
export function siphonFindings(hanger: Hanger, conditions: JetConditions): SiphonFindings | undefined {
  const entered = hanger.jetDrill?.si || undefined;
  const jetOf = (bore: number): JetPump => ({
    nozzle: bore,
    throat: hanger.throatDrill?.si ?? THROAT_OF_DRILL * bore,
    edge: hanger.jetEdge ?? 'sharp',
    kind: hanger.jetKind ?? 'drilled',
  });
  const suctionAt = ({ liquid, overVapour }: JetMoment) => {
    const resistance = (flow: number) => siphonDrop(hanger, liquid, conditions.lift, flow);
    return { density: liquid.density, resistance, overVapour };
  };
  const at = (bore: number, moment: JetMoment): JetAtPoint => {
    const { returnFlow, demand, liquid } = moment;
    const jet = jetOf(bore);
    const { flow, limit } = jetSuction(jet, returnFlow, suctionAt(moment));
    return { returnFlow, demand, limit, suction: flow, backPressure: jetBackPressure(jet, returnFlow, liquid.density) };
  };
  const brings = (bore: number, moments: readonly JetPoint[]) =>
    moments.every((point) => {
      const moment = conditions.free[point];
      return jetBrings(jetOf(bore), moment.returnFlow, suctionAt(moment), JET_MARGIN * moment.demand);
    });
  const heldBack = (bore: number) =>
    jetBackPressure(jetOf(bore), conditions.free.idle.returnFlow, conditions.free.idle.liquid.density);
  const lets = (bore: number) => conditions.set === undefined || heldBack(bore) <= MOST_OF_SET * conditions.set;
  const suffices = (moments: readonly JetPoint[]) =>
    drills.findLast(
      (bore) =>
        lets(bore - DRILL_TOLERANCE) &&
        brings(bore, moments) &&
        brings(bore - DRILL_TOLERANCE, moments) &&
        brings(bore + DRILL_TOLERANCE, moments),
    );
  const ways = [
    ['everything', jetPoints],
    ['fullLoad', ['idle', 'cruise', 'fullLoad']],
    ['cruise', ['idle', 'cruise']],
  ] as const;
  let drill: number | undefined;
  let chosenFor: SiphonFindings['chosenFor'] = 'cruise';
  for (const [name, moments] of ways) {
    drill = suffices(moments);
    chosenFor = name;
    if (drill !== undefined) break;
  }
  const of = entered ?? drill;
  if (of === undefined) return undefined;
  const moments = entered === undefined ? conditions.free : conditions.points;
  return {
    of,
    regulated: conditions.set,
    isEntered: entered !== undefined,
    idle: at(of, moments.idle),
    cruise: at(of, moments.cruise),
    fullLoad: at(of, moments.fullLoad),
    fullLoadHot: at(of, moments.fullLoadHot),
    drill,
    chosenFor,
    set: drills
      .filter((_, i) => i % 2 === 0)
      .map((bore) => ({
        drill: bore,
        backPressure: heldBack(bore),
        suction: at(bore, conditions.free.fullLoad).suction,
      })),
  };
}

/** Lift and losses from the far pickup to the jet, Pa. */
function siphonDrop(hanger: Hanger, liquid: Liquid, lift: number, flow: number): number {
  const tube = {
    kind: 'line',
    bore: hanger.siphonBore?.si ?? DEFAULT_SIPHON.bore,
    length: hanger.siphonLength?.si ?? DEFAULT_SIPHON.length,
    roughness: DRAWN_TUBE_ROUGHNESS,
    loss: { k1: 0, kInfinity: SHARP_ENTRANCE + EXIT },
  } as const;
  return liquid.density * STANDARD_GRAVITY * lift + linkLoss(tube, flow, liquid).loss;
}
