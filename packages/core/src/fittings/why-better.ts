import { leakRisk } from './chain-cost.ts';
import type { Chain } from './chain-search.ts';

/** Why one chain beats the next, in the parts of the stated cost: what it is better by, largest first. */
export function whyBetter(best: Chain, next: Chain): string[] {
  const parts: [string, number][] = [
    ['fewer joints', best.seals.length - next.seals.length],
    ['less leak risk', risk(best) - risk(next)],
    ['less loss', (best.loss - next.loss) / 1000],
    ['cheaper', best.price - next.price],
    ['less to buy', best.links.filter((l) => !l.onShelf).length - next.links.filter((l) => !l.onShelf).length],
  ];
  return parts.filter(([, by]) => by < -1e-6).map(([name]) => name);
}
const risk = ({ seals: list }: Chain) => list.reduce((sum, s) => sum + leakRisk[s], 0);
