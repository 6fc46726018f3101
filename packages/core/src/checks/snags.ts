import type { Findings } from '../run/findings.ts';
import { rules } from './rules.ts';
import { grades, type Snag } from './snag.ts';

/** Every snag of a job, worst first; within a grade in the order of the rules. */
export function snagsOf(findings: Findings): Snag[] {
  const overrules = new Map(findings.job.overrules.map((o) => [o.snag, o.reason]));
  const taken = new Set<string>();
  const snags = rules.flatMap((rule) =>
    rule.check(findings).map((report): Snag => {
      const stem = report.component ? `${rule.key}:${report.component}` : rule.key;
      let id = stem;
      for (let n = 2; taken.has(id); n++) id = `${stem}:${n}`;
      taken.add(id);
      // a stop cannot be signed off: a reason given while it was a fix no longer counts
      const overruled = report.grade === 'stop' ? undefined : overrules.get(id);
      return { ...report, rule: rule.key, id, overruled };
    }),
  );
  return snags.sort((a, b) => grades.indexOf(a.grade) - grades.indexOf(b.grade));
}
