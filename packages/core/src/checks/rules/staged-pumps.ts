import type { Rule, SnagReport } from '../snag.ts';
import { placedOf, quoted } from '../reading.ts';

/** Several pumps: one that stops needs a check valve, and each needs a relay and fuse of its own. */
export const stagedPumps: Rule = {
  key: 'staged-pumps',
  check: ({ job, solution }) => {
    const pumps = placedOf(job, 'pump').filter((p) => p.line === 'supply');
    if (pumps.length < 2) return [];
    const beside = (i: number) => pumps[i]!.component.beside === true || pumps[i + 1]?.component.beside === true;
    return pumps.flatMap(({ component, line, index }, i): SnagReport[] => {
      const reports: SnagReport[] = [];
      const base = { stage: 'run', component: component.id, source: 'common practice' } as const;
      const path = (key: string) => ['run', line, index, key] as const;
      if (beside(i) && component.checkValve !== true && (component.runs ?? 'always') !== 'always')
        reports.push({
          ...base,
          grade: 'fix',
          path: path('checkValve'),
          what: `${quoted(component)} has no check valve: while it stands, fuel runs back through it.`,
          ...backflow(solution, component.id),
          why: 'The pump that runs fills the tank through the one that stands, instead of the rail.',
          cure: 'Use a pump with a check valve, or put one behind it.',
          act: { act: 'setOnComponent', id: component.id, key: 'checkValve', value: true },
          actLabel: 'It has one',
        });
      if (component.ownRelay === false)
        reports.push({
          ...base,
          grade: 'fix',
          path: path('ownRelay'),
          what: `${quoted(component)} shares a relay or a fuse with another pump.`,
          why: 'One fuse that blows stops both, and one relay carries the current of both.',
          cure: 'Give each pump a relay and a fuse of its own.',
          act: { act: 'setOnComponent', id: component.id, key: 'ownRelay', value: true },
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
    (p) => p?.components.filter((c) => c.id === id && c.flow < 0).map((c) => -c.flow) ?? [],
  );
  return flows.length > 0 ? { figure: { label: 'runs back', kind: 'volumeFlow', si: Math.max(...flows) } } : undefined;
}
