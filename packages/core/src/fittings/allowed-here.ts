import type { Fuel } from '../fluids/fuel.ts';
import { fittingVerdict, type OwnMaterials, type Verdict } from '../ratings/material-fuel.ts';
import { INJECTION_PRESSURE } from '../ratings/hose-construction.ts';
import { celsius } from '../units/quick.ts';
import type { Adapter } from './adapter.ts';
import type { FittingMaterial } from '../ratings/fitting-material.ts';
import type { Seal } from './port-form.ts';

/** What a kind of joint holds, Pa, and how hot it may get, K: typical, from memory. Hose and its clamp are rated by themselves. */
export const sealLimits: Readonly<Record<Seal, { readonly pressure: number; readonly heat: number }>> = {
  metalCone: { pressure: 20e6, heat: Infinity },
  otherCone: { pressure: 10e6, heat: Infinity },
  oRing: { pressure: 20e6, heat: celsius(200) }, // fluoroelastomer
  taperedThread: { pressure: 7e6, heat: celsius(200) }, // of its sealant
  washer: { pressure: 10e6, heat: celsius(200) },
  hoseEnd: { pressure: 3.4e6, heat: celsius(200) },
  clampedHose: { pressure: 0.69e6, heat: celsius(150) }, // with a band clamp
  quickConnector: { pressure: 1e6, heat: celsius(115) }, // body of nylon: SAE J2044 tests at 115 °C
  pushFit: { pressure: 1e5, heat: celsius(100) }, // what leaks there leaks into the tank
  ferrule: { pressure: 1e6, heat: Infinity },
  formed: { pressure: 20e6, heat: Infinity },
};
/** Of a worm-drive clamp less than of a band clamp: it cuts the hose and creeps. Common practice. */
const WORM_HOLDS = INJECTION_PRESSURE;

/** What a joint meets where it is. Absent: not known yet. */
export interface JointPlace {
  /** Highest, Pa gauge. */
  readonly pressure?: number;
  /** Hottest, K. */
  readonly temperature?: number;
  readonly fuel?: Fuel;
  readonly own?: OwnMaterials;
  readonly clamp?: string;
}

/** Why two ends that seal on each other may not be used here. SI. */
export type Objection =
  | { readonly by: 'pressure'; readonly of: 'seal' | 'part' | 'clamp'; readonly is: number; readonly limit: number }
  | { readonly by: 'heat'; readonly is: number; readonly limit: number }
  | { readonly by: 'fuel'; readonly material: FittingMaterial; readonly verdict: Verdict };

/**
 * What stands against a joint that seals: pressure, the kind of its clamp, heat, and what its parts are made of in this fuel.
 *
 * @param parts - adapters of the joint; of an end made on tube the fuel meets the tube only.
 */
export function objections(
  seal: Seal,
  parts: readonly Pick<Adapter, 'material' | 'shape' | 'maximumPressure'>[],
  place: JointPlace,
): Objection[] {
  const { pressure, temperature, fuel, own, clamp } = place;
  const found: Objection[] = [];
  const limits = sealLimits[seal];
  if (pressure !== undefined) {
    const isWorm = seal === 'clampedHose' && clamp === 'worm';
    const holds = isWorm ? WORM_HOLDS : limits.pressure;
    if (pressure > holds) found.push({ by: 'pressure', of: isWorm ? 'clamp' : 'seal', is: pressure, limit: holds });
    const stated = Math.min(Infinity, ...parts.map((p) => p.maximumPressure ?? Infinity));
    if (pressure > stated) found.push({ by: 'pressure', of: 'part', is: pressure, limit: stated });
  }
  if (temperature !== undefined && temperature > limits.heat)
    found.push({ by: 'heat', is: temperature, limit: limits.heat });
  for (const { material, shape } of parts) {
    if (!fuel || shape === 'tubeEnd') continue;
    const verdict = fittingVerdict(material, fuel, own);
    if (verdict !== 'fine') found.push({ by: 'fuel', material, verdict });
  }
  return found;
}
