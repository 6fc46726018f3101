import { velocityGuides } from '../../run/limits.ts';
import { pointKeys, pointNames } from '../../run/operating-point.ts';
import { figure } from '../../units/quantity.ts';
import { circuits, quoted } from '../../reckoning/reading.ts';
import type { Rule, SnagReport } from '../snag.ts';
import { isLine } from '../../parts/kinds.ts';

/** Velocity velocityGuides for lines: suction 1, pressure 4, return 2 m/s. One note per line, at its fastest place. */
export const velocityHigh: Rule = {
  key: 'velocity-high',
  check: ({ job, solution }) => {
    if (!solution) return [];
    const worst = new Map<keyof typeof velocityGuides, { report: SnagReport; over: number }>();
    const run = circuits(job);
    for (const line of run.parts.filter(isLine)) {
      const place = run.lineOf(line.id) !== 'supply' ? 'return' : run.isOnSuction(line.id) ? 'suction' : 'pressure';
      for (const key of pointKeys) {
        const velocity = solution.points[key].parts.find((c) => c.id === line.id)?.velocity ?? 0;
        const over = velocity / velocityGuides[place];
        if (over <= 1 || over <= (worst.get(place)?.over ?? 0)) continue;
        worst.set(place, {
          over,
          report: {
            grade: 'note',
            stage: 'run',
            part: line.id,
            what: `Fuel runs fast in ${quoted(line)} at ${pointNames[key]}.`,
            figure: { label: 'velocity', ...figure('velocity', velocity) },
            limit: { label: `${place} guide`, ...figure('velocity', velocityGuides[place]) },
            why:
              place === 'return'
                ? 'A fast return foams the fuel in the tank.'
                : place === 'suction'
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
