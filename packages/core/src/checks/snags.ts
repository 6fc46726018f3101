import { kindOfAct } from '../acts/act.ts';
import type { Findings } from '../reckoning/findings.ts';
import { rules } from './rules.ts';
import { grades, type Rule, type Snag } from './snag.ts';

/** Every snag of a job, worst first; within a grade in the order of the rules. @param by - those rules alone. */
export function snagsOf(findings: Findings, by: readonly Rule[] = rules): Snag[] {
  const { overrules } = findings.job;
  const snags = by.flatMap((rule) =>
    rule.check(findings).map((report): Snag => {
      const id = [rule.key, report.part, report.which].filter((name) => name !== undefined).join(':');
      // a stop cannot be signed off: a reason given while it was a fix no longer counts
      const overruled = report.grade === 'stop' ? undefined : overrules[id]?.reason;
      // what a cure would set is so already: then it is not offered
      const cure =
        report.act &&
        (kindOfAct(report.act).isInPlace?.(findings.job, report.act) ? { act: undefined, actLabel: undefined } : {});
      return { ...report, ...cure, rule: rule.key, id, overruled };
    }),
  );
  return snags.sort((a, b) => grades.indexOf(a.grade) - grades.indexOf(b.grade));
}
