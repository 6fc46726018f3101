import type { z } from 'zod';
import { choice, flag, rowOf, text } from '../fields/property.ts';

/** What a connection of the factory system did, and what becomes of it. */
export const oldConnectionProperties = {
  label: text('called', 60),
  did: choice(
    'what it did',
    {
      feed: 'fed the engine',
      return: 'brought fuel back',
      breather: 'breathed: vent to the air',
      canister: 'vapour to the canister',
      filling: 'let air out while filling',
      overflow: 'overflow or drain of the filler',
      drain: 'tank drain',
      heater: 'fed a fuel-fired heater',
      sender: 'held the old sender or pump',
      crossing: 'joined the two lobes',
    },
    { needed: true },
  ),
  size: text('size or thread', 60),
  fate: choice(
    'becomes',
    {
      reuse: 'used again',
      cap: 'capped or plugged',
      weld: 'welded or brazed shut',
      remove: 'taken away',
      open: 'left open',
    },
    { needed: true },
  ),
  by: text('how, with what', 120),
  tagged: flag('tagged, and the part kept'),
};
export const oldConnectionSchema = rowOf(oldConnectionProperties);
export type OldConnection = z.infer<typeof oldConnectionSchema>;
