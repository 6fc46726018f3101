import { circuits, partsOfKind, quoted } from '../reading.ts';
import type { Rule, SnagReport } from '../snag.ts';

/** Several pumps: one that stops needs a check valve, and each needs a relay and fuse of its own. */
export const stagedPumps: Rule = {
  key: 'staged-pumps',
  check: ({ job, solution }) => {
    const run = circuits(job);
    const pumps = partsOfKind(job, 'pump');
    if (run.pumps.length < 2) return [];
    return pumps.flatMap((part): SnagReport[] => {
      const reports: SnagReport[] = [];
      const base = { stage: 'run', part: part.id, source: 'common practice' } as const;
      const path = (key: string) => ['parts', part.id, key] as const;
      if (run.isBeside(part.id) && part.checkValve !== true && (part.runs ?? 'always') !== 'always')
        reports.push({
          ...base,
          grade: 'fix',
          path: path('checkValve'),
          what: `${quoted(part)} has no check valve: while it stands, fuel runs back through it.`,
          ...backflow(solution, part.id),
          why: 'The pump that runs fills the tank through the one that stands, instead of the rail.',
          cure: 'Use a pump with a check valve, or put one behind it.',
          act: { act: 'setOnPart', id: part.id, key: 'checkValve', value: true },
          actLabel: 'It has one',
        });
      if (part.ownRelay === false)
        reports.push({
          ...base,
          grade: 'fix',
          path: path('ownRelay'),
          which: 'relay',
          what: `${quoted(part)} shares a relay or a fuse with another pump.`,
          why: 'One fuse that blows stops both, and one relay carries the current of both.',
          cure: 'Give each pump a relay and a fuse of its own.',
          act: { act: 'setOnPart', id: part.id, key: 'ownRelay', value: true },
          actLabel: 'Give it its own',
        });
      return reports;
    });
  },
};

function backflow(
  solution: Parameters<Rule['check']>[0]['solution'],
  id: string,
): Pick<SnagReport, 'figure'> | undefined {
  const flows = Object.values(solution?.points ?? {}).flatMap(
    (p) => p?.parts.filter((c) => c.id === id && c.flow < 0).map((c) => -c.flow) ?? [],
  );
  return flows.length > 0 ? { figure: { label: 'runs back', kind: 'volumeFlow', si: Math.max(...flows) } } : undefined;
}
