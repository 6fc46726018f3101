import { figure } from '../../units/quantity.ts';
import { quoted } from '../../reckoning/reading.ts';
import type { Rule, SnagReport } from '../snag.ts';

/** A pump that never primes: its inlet above what feeds it, or a high point on the way that nothing fills. */
export const pumpAboveOutlet: Rule = {
  key: 'pump-above-outlet',
  check: ({ job, priming }) =>
    priming.flatMap(({ pump, from, surface, highest, at, lift, can }): SnagReport[] => {
      const part = job.parts[pump]!;
      if (part.kind !== 'pump' && part.kind !== 'enginePump') return [];
      const base = {
        grade: 'stop',
        stage: 'run',
        part: pump,
        path: ['parts', pump, 'inletHeight'],
        why:
          can > 0
            ? 'Its own suction does not fill it from dry, and it never primes.'
            : 'Such a pump does not lift fuel from dry: it never primes, and running dry kills it.',
        source: 'common practice',
      } as const;
      const inlet = part.inletHeight!.si;
      const outlet = job.survey.tank.outletHeight?.si;
      const tank = from === 'tank' ? Object.values(job.parts).find((p) => p.kind === 'tank') : undefined;
      const byOutlet = tank?.kind === 'tank' && tank.pickup !== 'tube' && tank.pickup !== 'hanger';
      // the tank is run down to its outlet: fuel above a pump's inlet today is not there then
      if (byOutlet && outlet !== undefined && inlet > outlet + can)
        return [
          {
            ...base,
            what:
              can > 0
                ? `${quoted(part)} sits higher above the tank outlet than it lifts fuel.`
                : `${quoted(part)} sits above the tank outlet.`,
            figure: { label: 'pump inlet', ...figure('length', inlet) },
            limit: { label: can > 0 ? 'tank outlet and its lift' : 'tank outlet', ...figure('length', outlet + can) },
            cure: 'Mount the pump lower, or put one in the tank.',
          },
        ];
      if (lift <= can) return [];
      const isHigh = highest > inlet;
      return [
        {
          ...base,
          which: isHigh ? 'high' : 'fuel',
          ...(isHigh &&
            at &&
            ('joint' in at
              ? { path: ['joints', at.joint, 'height'] }
              : { part: at.part, path: ['parts', at.part, 'highest'] })),
          what: isHigh
            ? `The suction line of ${quoted(part)} rises above the fuel it draws from.`
            : `${quoted(part)} sits above the fuel in the ${from}.`,
          figure: { label: isHigh ? 'highest point of the suction' : 'pump inlet', ...figure('length', highest) },
          limit: { label: `fuel in the ${from}${can > 0 ? ' and its lift' : ''}`, ...figure('length', surface + can) },
          cure: isHigh
            ? 'Lead the line below the fuel all the way, or put a pump in the tank.'
            : from === 'pot'
              ? 'Mount the pump below the pot’s brim, best beside its floor.'
              : 'Mount the pump lower, or put one in the tank.',
        },
      ];
    }),
};
