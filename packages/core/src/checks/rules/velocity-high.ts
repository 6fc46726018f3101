import { velocityGuides } from '../../run/limits.ts';
import type { Rule } from '../snag.ts';
import type { SnagReport } from '../snag.ts';
import { isBeforePump, placed, quoted } from '../reading.ts';
import { pointKeys, pointNames } from '../../run/operating-point.ts';
import { figure } from '../../units/quantity.ts';

/** Velocity velocityGuides for lines: suction 1, pressure 4, return 2 m/s. One note per line, at its fastest place. */
export const velocityHigh: Rule = {
  key: 'velocity-high',
  check: ({ job, solution }) => {
    if (!solution) return [];
    const worst = new Map<keyof typeof velocityGuides, { report: SnagReport; over: number }>();
    for (const place of placed(job)) {
      if (place.component.kind !== 'hose' && place.component.kind !== 'hardLine') continue;
      const part = place.line === 'return' ? 'return' : isBeforePump(job, place) ? 'suction' : 'pressure';
      for (const key of pointKeys) {
        const velocity = solution.points[key].components.find((c) => c.id === place.component.id)?.velocity ?? 0;
        const over = velocity / velocityGuides[part];
        if (over <= 1 || over <= (worst.get(part)?.over ?? 0)) continue;
        worst.set(part, {
          over,
          report: {
            grade: 'note',
            stage: 'run',
            component: place.component.id,
            what: `Fuel runs fast in ${quoted(place.component)} at ${pointNames[key]}.`,
            figure: { label: 'velocity', ...figure('velocity', velocity) },
            limit: { label: `${part} guide`, ...figure('velocity', velocityGuides[part]) },
            why:
              part === 'return'
                ? 'A fast return foams the fuel in the tank.'
                : part === 'suction'
                  ? 'A fast suction brings the fuel close to boiling.'
                  : 'Loss goes nearly with the square of velocity.',
            cure: 'Use the next larger bore.',
            source: 'common practice',
          },
        });
      }
    }
    return [...worst.values()].map((w) => w.report);
  },
};
