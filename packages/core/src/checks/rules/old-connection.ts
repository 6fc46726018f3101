import { oldConnectionName } from '../../hangers/blocking-off.ts';
import { airPath } from '../../vents/air-path.ts';
import type { Rule, SnagReport } from '../snag.ts';

/** Connections of the factory system that are left open, or whose closing takes away what is still needed. */
export const oldConnection: Rule = {
  key: 'old-connection',
  check: ({ job, blockedOff }) =>
    blockedOff.flatMap(({ id, lost, dangerous, reversible }): SnagReport[] => {
      const connection = job.survey.oldConnections!.find((c) => c.id === id)!;
      const { did } = connection;
      const label = oldConnectionName(connection);
      const base = {
        stage: 'survey',
        which: id,
        path: ['survey', 'oldConnections', id, 'fate'],
        source: 'common practice',
      } as const;
      if (dangerous)
        return [
          {
            ...base,
            grade: 'stop',
            what: `“${label}” is left open.`,
            why: 'Vapour leaves it whenever the tank is warm, and fuel when it is full.',
            cure: 'Cap or plug it, or use it again.',
          },
        ];
      const path = airPath(job.survey.tank);
      const vented = path === 'line' || path === 'cap';
      if (lost && did === 'breather' && !vented)
        return [
          {
            ...base,
            grade: 'stop',
            what: `“${label}” was the tank’s breather, and there is no other vent.`,
            why: lost,
            cure: 'Keep it, or fit a vent with a roll-over valve.',
          },
        ];
      if (lost && (did === 'canister' || did === 'filling'))
        return [
          {
            ...base,
            grade: 'note',
            what: `“${label}” is closed.`,
            why: lost,
            cure: 'Keep it connected where it can be.',
          },
        ];
      if (job.brief.reversible && !reversible)
        return [
          {
            ...base,
            grade: 'fix',
            what: `“${label}” cannot be put back as it was, and the owner wants it reversible.`,
            why: lost ?? 'The part is gone or the hole is closed for good.',
            cure: 'Cap it with a plug, and tag and keep what is taken off.',
          },
        ];
      return [];
    }),
};
