import type { PartKind } from '../parts/kinds.ts';
import type { Role } from '../parts/roles.ts';
import type { LayoutKey } from '../job/layout.ts';

/** A part that a school wants: its kind, its place, and what the school demands of it. */
export interface Seed {
  readonly kind: PartKind;
  readonly role?: Role;
  /** Takes over only a part of its own role: one of two alike in kind but not in use. */
  readonly own?: boolean;
  readonly place?: 'inTank' | 'external';
  readonly drive?: 'full' | 'pwm';
  readonly action?: 'bypass' | 'deadHead';
  readonly referenced?: boolean;
}
export interface Recipe {
  readonly supply: readonly Seed[];
  readonly return: readonly Seed[];
  readonly overflow?: readonly Seed[];
  readonly returnTo: 'tank' | 'pot';
  /** A pressure sensor on the rail. */
  readonly sensor?: boolean;
}

const tank: Seed = { kind: 'tank' };
const sock: Seed = { kind: 'sock' };
const pump: Seed = { kind: 'pump', role: 'feedPump', place: 'inTank', drive: 'full' };
const hangerHose: Seed = { kind: 'hose', role: 'hangerHose' };
const fineFilter: Seed = { kind: 'filter', role: 'fineFilter' };
const feedLine: Seed = { kind: 'hardLine', role: 'feedLine' };
const engineHose: Seed = { kind: 'hose', role: 'engineHose' };
const carburettorHose: Seed = { kind: 'hose', role: 'carburettorHose' };
const rail: Seed = { kind: 'rail' };
const carburettor: Seed = { kind: 'carburettor' };
const drop: Seed = { kind: 'returnDrop' };
const bypass = (referenced: boolean): Seed => ({ kind: 'regulator', action: 'bypass', referenced });
const longReturn: readonly Seed[] = [
  { kind: 'hose', role: 'regulatorHose' },
  { kind: 'hardLine', role: 'returnLine' },
  drop,
];
const toFilter = [tank, sock, pump, hangerHose, fineFilter];

/** The skeleton of each school: kinds, places and order only, since everything measured is still unknown. */
export const recipes: Record<LayoutKey, Recipe> = {
  bypassAfterRail: {
    supply: [...toFilter, feedLine, engineHose, rail, bypass(true)],
    return: longReturn,
    returnTo: 'tank',
  },
  bypassBeforeRail: {
    supply: [...toFilter, feedLine, bypass(true), engineHose, rail],
    return: longReturn,
    returnTo: 'tank',
  },
  bypassAtTank: {
    supply: [...toFilter, bypass(false), feedLine, engineHose, rail],
    return: [{ kind: 'hose', role: 'returnHose' }, drop],
    returnTo: 'tank',
  },
  inTankReturnless: {
    supply: [tank, sock, pump, fineFilter, bypass(false), hangerHose, feedLine, engineHose, rail],
    return: [drop],
    returnTo: 'tank',
  },
  electronicReturnless: {
    supply: [tank, sock, { ...pump, drive: 'pwm' }, hangerHose, fineFilter, feedLine, engineHose, rail],
    return: [],
    returnTo: 'tank',
    sensor: true,
  },
  liftAndPot: {
    supply: [
      tank,
      sock,
      { kind: 'pump', role: 'liftPump', place: 'inTank', drive: 'full', own: true },
      { kind: 'hose', role: 'liftHose', own: true },
      { kind: 'swirlPot' },
      { kind: 'hose', role: 'potHose', own: true },
      { kind: 'pump', role: 'feedPump', place: 'external', drive: 'full' },
      hangerHose,
      fineFilter,
      feedLine,
      engineHose,
      rail,
      bypass(true),
    ],
    return: [{ kind: 'hose', role: 'regulatorHose' }],
    overflow: [{ kind: 'hose', role: 'overflowHose', own: true }],
    returnTo: 'pot',
  },
  carburettorBypass: {
    supply: [...toFilter, feedLine, bypass(false), carburettorHose, carburettor],
    return: longReturn,
    returnTo: 'tank',
  },
  carburettorDeadHead: {
    supply: [...toFilter, feedLine, { kind: 'regulator', action: 'deadHead' }, carburettorHose, carburettor],
    return: [],
    returnTo: 'tank',
  },
};
