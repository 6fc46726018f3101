import { adapterLoss, type Adapter } from '../fittings/adapter.ts';
import { EXIT, SHARP_ENTRANCE, sizeChangeLoss } from '../hydraulics/loss-coefficient.ts';
import type { LinkLaw } from '../hydraulics/network.ts';
import { lineLaw } from '../parts/line-loss.ts';
import { DRAWN_TUBE_ROUGHNESS } from '../ratings/line-material.ts';

/** What an end of a chain meets: a bore, m, as far as it is known, and whether it opens into a vessel. */
export interface ChainNeighbour {
  readonly bore: number | undefined;
  readonly isVessel: boolean;
}

/**
 * Adapters in a row as one piece of line on the smallest of their bores.
 *
 * Each adapter loses by its own bore, wherever the bore changes the change is added, and like any part the chain answers for
 * neighbours that are wider than its end.
 * @param adapters - in the order of the fuel, one or more.
 */
export function chainLaw(
  adapters: readonly Adapter[],
  before: ChainNeighbour,
  after: ChainNeighbour,
): LinkLaw & { kind: 'line' } {
  const bore = Math.min(...adapters.map((a) => a.bore));
  // a loss on another bore counts by the velocity there: v² goes with the fourth power of the diameter, Re with the first
  const onBore = (k: number, own: number) => k * (bore / own) ** 4;
  let [k1, kInfinity] = [0, 0];
  adapters.forEach((adapter, i) => {
    const own = adapterLoss(adapter);
    k1 += own.k1 * (bore / adapter.bore) ** 3;
    kInfinity += onBore(own.kInfinity, adapter.bore);
    const next = adapters[i + 1];
    if (next && next.bore !== adapter.bore)
      kInfinity += onBore(sizeChangeLoss(adapter.bore, next.bore), Math.min(adapter.bore, next.bore));
  });
  const [first, last] = [adapters[0]!, adapters.at(-1)!];
  if (before.isVessel) kInfinity += onBore(SHARP_ENTRANCE, first.bore);
  else if (before.bore !== undefined && before.bore > first.bore)
    kInfinity += onBore(sizeChangeLoss(before.bore, first.bore), first.bore);
  if (after.isVessel) kInfinity += onBore(EXIT, last.bore);
  else if (after.bore !== undefined && after.bore > last.bore)
    kInfinity += onBore(sizeChangeLoss(last.bore, after.bore), last.bore);
  const length = adapters.reduce((sum, a) => sum + a.length, 0);
  return lineLaw(length, bore, DRAWN_TUBE_ROUGHNESS, { k1, kInfinity });
}
