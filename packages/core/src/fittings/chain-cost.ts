import { fuelLiquid } from '../fluids/fuel.ts';
import { adapterLoss, type Adapter } from './adapter.ts';
import type { Seal } from './port-form.ts';
import { celsius, litresPerHour } from '../units/quick.ts';

/**
 * What makes one chain of adapters worse than another, in points. Common practice, as weights: a joint is a place to leak, a taper
 * the worst of them; a kilopascal lost is as bad as a fifth of a joint; what lies on the shelf need not be waited for.
 */
export const weights = {
  joint: 10,
  /** Points of a kilopascal at {@link REFERENCE_FLOW}. */
  kilopascal: 2,
  /** Points of a unit of money. */
  price: 0.5,
  /** What has to be bought first. */
  toBuy: 4,
  /** A flare or a bead made on tube: work, but no place to leak. */
  forming: 4,
} as const;

/** How readily each kind of joint leaks, in points. Common practice, as weights. */
export const leakRisk: Readonly<Record<Seal, number>> = {
  metalCone: 1,
  otherCone: 3, // beside 37° ends that screw onto it
  pushFit: 0,
  formed: 0,
  oRing: 0.5,
  washer: 1.5,
  hoseEnd: 1.5,
  quickConnector: 2,
  clampedHose: 3,
  ferrule: 16, // only where rated for the pressure and the tube
  taperedThread: 5,
};

/** Flow and liquid at which losses are compared: a common pump's, petrol. */
export const REFERENCE_FLOW = litresPerHour(200);
const PETROL = fuelLiquid({ family: 'petrol', ethanol: 0 }, celsius(20));

/** Pressure lost in an adapter, Pa, at the reference flow. */
export function referenceLoss(adapter: Pick<Adapter, 'shape' | 'angle' | 'bore'>): number {
  const { k1, kInfinity } = adapterLoss(adapter);
  const velocity = REFERENCE_FLOW / ((Math.PI / 4) * adapter.bore ** 2);
  const reynolds = (PETROL.density * velocity * adapter.bore) / PETROL.viscosity;
  return ((k1 / reynolds + kInfinity + CHANGES) * PETROL.density * velocity ** 2) / 2;
}
const CHANGES = 0.5; // K of the changes of bore before and behind a narrower fitting, typical, from memory

export const jointCost = (seal: Seal): number => (seal === 'formed' ? weights.forming : weights.joint) + leakRisk[seal];

/** @param price - as the shop pays it, else the typical one. */
export const partCost = (adapter: Adapter, onShelf: boolean, price = adapter.price): number =>
  weights.kilopascal * (referenceLoss(adapter) / 1000) + (onShelf ? 0 : weights.toBuy + weights.price * price);

/** What a cost is made of, in points, each with how it comes about. */
export interface CostPart {
  readonly what: string;
  readonly points: number;
}

/** The stated cost of a chain, part by part: they add up to it. */
export function costParts({
  seals,
  links,
}: {
  readonly seals: readonly Seal[];
  readonly links: readonly { readonly adapter: Adapter; readonly onShelf: boolean; readonly price: number }[];
}): CostPart[] {
  const joints = seals.filter((s) => s !== 'formed').length;
  const risk = seals.reduce((sum, s) => sum + leakRisk[s], 0);
  const loss = links.reduce((sum, l) => sum + referenceLoss(l.adapter), 0);
  const bought = links.filter((l) => !l.onShelf);
  const money = bought.reduce((sum, l) => sum + l.price, 0);
  return [
    { what: `${joints} joints at ${weights.joint}`, points: joints * weights.joint },
    {
      what: `${seals.length - joints} ends formed on tube at ${weights.forming}`,
      points: (seals.length - joints) * weights.forming,
    },
    { what: 'how readily those joints leak', points: risk },
    {
      what: `${Math.round(loss / 10) / 100} kPa at 200 L/h at ${weights.kilopascal} each`,
      points: (weights.kilopascal * loss) / 1000,
    },
    { what: `${bought.length} to buy at ${weights.toBuy}`, points: bought.length * weights.toBuy },
    { what: `price of ${Math.round(money * 100) / 100} at ${weights.price}`, points: money * weights.price },
  ].filter((p) => p.points > 0);
}
