import type { Vent } from '../job/vent.ts';
import { ventProperties } from '../job/vent.ts';
import { linkLoss } from '../hydraulics/link-loss.ts';
import { fittingLoss } from '../hydraulics/loss-coefficient.ts';
import { DRAWN_TUBE_ROUGHNESS } from '../ratings/line-material.ts';
import { lastWhere } from '../numerics/last-where.ts';

const GAS_CONSTANT_OF_AIR = 287.05; // J/(kg K), ISO 2533 standard atmosphere
const MOST_FLOW = 0.1; // m3/s of air, far beyond any vent
const ENDS_LOSS = 1.5; // sharp entrance 0.5 and exit 1, on the vent's velocity: common practice

/** Dry air at a pressure and temperature: density by the gas law, viscosity by Sutherland's law as in ISO 2533. */
export function air(pressure: number, temperature: number): { density: number; viscosity: number } {
  return {
    density: pressure / (GAS_CONSTANT_OF_AIR * temperature),
    viscosity: (1.458e-6 * temperature ** 1.5) / (temperature + 110.4),
  };
}

type Settled = 'valveFlow' | 'valveDrop' | 'valveCracking' | 'airTemperature' | 'fillFlow' | 'valveShutsAt';
export const ventValue = (vent: Vent, key: Settled): number => vent[key]?.si ?? ventProperties[key].typical!.si;

/**
 * Pressure that drives an air flow through the vent, Pa: line, bends, ends and valve (quadratic through its rated point,
 * and never less than what opens it). The drop is small against atmosphere, so that density is taken as constant.
 *
 * @param valve - whether a roll-over valve is in the line. @param flow - m3/s of air.
 */
export function ventDrop(vent: Vent, valve: boolean, flow: number, atmosphere: number): number {
  const bore = vent.bore!.si;
  const bends = vent.bends ?? 0;
  const bend = fittingLoss('elbow90Bend', bore);
  const tube = {
    kind: 'line',
    bore,
    length: vent.length!.si,
    roughness: DRAWN_TUBE_ROUGHNESS,
    loss: { k1: bends * bend.k1, kInfinity: bends * bend.kInfinity + ENDS_LOSS },
  } as const;
  const line = linkLoss(tube, flow, air(atmosphere, ventValue(vent, 'airTemperature'))).loss;
  if (!valve) return line;
  return (
    line + ventValue(vent, 'valveCracking') + ventValue(vent, 'valveDrop') * (flow / ventValue(vent, 'valveFlow')) ** 2
  );
}

/** Most air that a pressure drives through the vent, m3/s. */
export const ventFlow = (vent: Vent, valve: boolean, pressure: number, atmosphere: number): number =>
  lastWhere(0, MOST_FLOW, (flow) => ventDrop(vent, valve, flow, atmosphere) < pressure);
