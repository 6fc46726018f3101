import { figure } from '../../units/quantity.ts';
import { resultsOf } from '../../run/solve-run.ts';
import { isBypass } from '../../parts/kinds.ts';
import { circuits, highestPressure, quoted } from '../../reckoning/reading.ts';
import type { Rule, SnagReport } from '../snag.ts';

/** Two bypass regulators on one line: the lower one holds it, and the other never opens. */
export const regulatorsFight: Rule = {
  key: 'regulators-fight',
  check: (findings) => {
    const { job, solution } = findings;
    if (!solution) return [];
    const run = circuits(job);
    const regulators = run.bypasses.flatMap((id) => {
      const part = run.part(id);
      return isBypass(part) ? [part] : [];
    });
    return regulators.flatMap((part): SnagReport[] => {
      const zone = run.zoneAt(part.id, 'in');
      const holding = regulators.find((o) => o !== part && run.zoneAt(o.id, 'in') === zone && isAtWork(o.id));
      if (!holding || isAtWork(part.id)) return [];
      const sees = highestPressure(findings, part.id);
      return [
        {
          grade: 'fix',
          stage: 'run',
          part: part.id,
          path: ['parts', part.id, 'setPressure'],
          what: `${quoted(part)} never opens: ${quoted(holding)} holds the line below its setting.`,
          ...(sees === undefined ? {} : { figure: { label: 'the most it sees', ...figure('pressure', sees) } }),
          ...(part.setPressure ? { limit: { label: 'set to', ...figure('pressure', part.setPressure.si) } } : {}),
          why: 'Whoever turns its screw changes nothing, and a leak past its seat lowers the rail without a sign.',
          cure: `Take it out, or set ${quoted(holding)} higher.`,
          source: 'computed: no operating point opens it',
          act: { act: 'takeOut', id: part.id },
          actLabel: 'Take it out',
        },
      ];
    });
    function isAtWork(id: string): boolean {
      return resultsOf(solution!).some((p) => p.parts.find((c) => c.id === id)!.state !== 'shut');
    }
  },
};
