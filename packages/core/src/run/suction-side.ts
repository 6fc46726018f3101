import type { Component } from '../job/component.ts';

/** Whether a place in the supply lies on a suction: fuel comes to it from the tank or a swirl pot, and a pump follows. */
export function isOnSuction(supply: readonly Component[], index: number): boolean {
  const source = supply.slice(0, index).findLast((c) => ['tank', 'swirlPot', 'pump'].includes(c.kind));
  return source?.kind !== 'pump' && supply.slice(index + 1).some((c) => c.kind === 'pump');
}
