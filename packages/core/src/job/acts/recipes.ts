import type { Component } from '../component.ts';
import type { Job } from '../job.ts';
import type { LayoutKey } from '../layout.ts';

/** A component that a school wants: its kind, what the school demands of it, and a name. */
export type Seed = Omit<Component, 'id'> & {
  kind: Component['kind'];
  /** Takes over only a part that bears its name: one of two alike in kind but not in use. */
  named?: boolean;
};
export interface Recipe {
  readonly supply: readonly Seed[];
  readonly return: readonly Seed[];
  readonly returnTo?: Job['run']['returnTo'];
}

const seeds = (...list: (Partial<Component> & { kind: Component['kind']; named?: boolean })[]) => list as Seed[];
const hose = (label: string) => ({ kind: 'hose', label }) as const;
const fineFilter = { kind: 'filter', label: 'Fine filter' } as const;
const feedLine = { kind: 'hardLine', label: 'Feed line' } as const;
const fullPump = { kind: 'pump', place: 'inTank', drive: 'full' } as const;
const bypass = (referenced: boolean) => ({ kind: 'regulator', action: 'bypass', referenced }) as const;

const suctionEnd = seeds({ kind: 'tank' }, { kind: 'sock' }, fullPump);
const longReturn = seeds(hose('Regulator hose'), { kind: 'hardLine', label: 'Return line' }, { kind: 'returnDrop' });

/** The skeleton of each school: kinds and order only, since everything measured is still unknown. */
export const recipes: Record<LayoutKey, Recipe> = {
  bypassAfterRail: {
    supply: seeds(
      ...suctionEnd,
      hose('Hanger hose'),
      fineFilter,
      feedLine,
      hose('Engine feed hose'),
      { kind: 'rail' },
      bypass(true),
    ),
    return: longReturn,
  },
  bypassBeforeRail: {
    supply: seeds(...suctionEnd, hose('Hanger hose'), fineFilter, feedLine, bypass(true), hose('Engine feed hose'), {
      kind: 'rail',
    }),
    return: longReturn,
  },
  bypassAtTank: {
    supply: seeds(...suctionEnd, hose('Hanger hose'), fineFilter, bypass(false), feedLine, hose('Engine feed hose'), {
      kind: 'rail',
    }),
    return: seeds(hose('Return hose'), { kind: 'returnDrop' }),
  },
  inTankReturnless: {
    supply: seeds(...suctionEnd, fineFilter, bypass(false), hose('Hanger hose'), feedLine, hose('Engine feed hose'), {
      kind: 'rail',
    }),
    return: seeds({ kind: 'returnDrop' }),
  },
  electronicReturnless: {
    supply: seeds(
      { kind: 'tank' },
      { kind: 'sock' },
      { ...fullPump, drive: 'pwm' },
      hose('Hanger hose'),
      fineFilter,
      feedLine,
      hose('Engine feed hose'),
      { kind: 'pressureSensor' },
      { kind: 'rail' },
    ),
    return: [],
  },
  liftAndPot: {
    supply: seeds(
      { kind: 'tank' },
      { kind: 'sock' },
      { kind: 'pump', label: 'Lift pump', place: 'inTank', drive: 'full', named: true },
      { kind: 'hose', label: 'Lift hose', named: true },
      { kind: 'swirlPot' },
      { kind: 'hose', label: 'Pot outlet hose', named: true },
      { kind: 'pump', place: 'external', drive: 'full' },
      hose('Hanger hose'),
      fineFilter,
      feedLine,
      hose('Engine feed hose'),
      { kind: 'rail' },
      bypass(true),
    ),
    return: seeds(hose('Regulator hose')),
    returnTo: 'pot',
  },
  carburettorBypass: {
    supply: seeds(...suctionEnd, hose('Hanger hose'), fineFilter, feedLine, bypass(false), hose('Carburettor hose'), {
      kind: 'carburettor',
    }),
    return: longReturn,
  },
  carburettorDeadHead: {
    supply: seeds(
      ...suctionEnd,
      hose('Hanger hose'),
      fineFilter,
      feedLine,
      { kind: 'regulator', action: 'deadHead' },
      hose('Carburettor hose'),
      { kind: 'carburettor' },
    ),
    return: [],
  },
};
