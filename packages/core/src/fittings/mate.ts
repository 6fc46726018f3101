import { failure, success, type Result } from '../result.ts';
import type { Port, PortForm } from './port.ts';
import { areConfusable, formSizes } from './thread.ts';

export type Seal = 'metalCone' | 'oRing' | 'taperedThread' | 'washer' | 'clampedHose' | 'quickConnector';

export type MateFault =
  | { code: 'sealMismatch'; thread: string } // they screw together and do not seal
  | { code: 'lookAlike'; threads: [string, string] } // they start by hand and then ruin each other
  | { code: 'differentForms' }
  | { code: 'differentSizes' }
  | { code: 'sameGender' }
  | { code: 'unknownSize'; size: string };

const partners: Partial<Record<PortForm, PortForm>> = { barb: 'hose', bead: 'hose' };
const seals: Record<PortForm, Seal> = {
  flare37: 'metalCone',
  flare45: 'metalCone',
  invertedFlare: 'metalCone',
  oRingBoss: 'oRing',
  npt: 'taperedThread',
  bspt: 'taperedThread',
  bspp: 'washer',
  metricBanjo: 'washer',
  quickConnector: 'quickConnector',
  barb: 'clampedHose',
  bead: 'clampedHose',
  hose: 'clampedHose',
};

/** Whether two ports make a joint that holds and seals, by the standards of their forms. */
export function mate(a: Port, b: Port): Result<Seal, MateFault> {
  for (const port of [a, b])
    if (!(port.size in formSizes[port.form])) return failure({ code: 'unknownSize', size: port.size });
  if (partners[a.form] === b.form || partners[b.form] === a.form)
    return a.size === b.size ? success('clampedHose') : failure({ code: 'differentSizes' });
  const threads = [formSizes[a.form][a.size], formSizes[b.form][b.size]] as const;
  if (a.form !== b.form) {
    if (threads[0] && threads[0] === threads[1]) return failure({ code: 'sealMismatch', thread: threads[0] });
    if (threads[0] && threads[1] && areConfusable(threads[0], threads[1]))
      return failure({ code: 'lookAlike', threads: [threads[0], threads[1]] });
    return failure({ code: 'differentForms' });
  }
  if (a.size !== b.size) return failure({ code: 'differentSizes' });
  if (a.gender === b.gender) return failure({ code: 'sameGender' });
  return success(seals[a.form]);
}
