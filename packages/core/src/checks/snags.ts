import type { Act } from '../acts/act.ts';
import { valueAt } from '../acts/at-path.ts';
import { isSame } from '../acts/is-same.ts';
import type { Job } from '../job/job.ts';
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
      const cure = report.act && (isInPlace(findings.job, report.act) ? { act: undefined, actLabel: undefined } : {});
      return { ...report, ...cure, rule: rule.key, id, overruled };
    }),
  );
  return snags.sort((a, b) => grades.indexOf(a.grade) - grades.indexOf(b.grade));
}

/** What a cure would set is so already: then it is not offered. */
function isInPlace(job: Job, act: Act): boolean {
  const stands = (id: string, key: string, value: unknown) =>
    isSame((job.parts[id] as Readonly<Record<string, unknown>> | undefined)?.[key], value);
  switch (act.act) {
    case 'set':
      return isSame(valueAt(job, act.path), act.value);
    case 'setAll':
      return act.changes.every(({ path, value }) => isSame(valueAt(job, path), value));
    case 'setOnPart':
      return stands(act.id, act.key, act.value);
    case 'setOnParts':
      return act.changes.every(({ id, key, value }) => stands(id, key, value));
    default:
      return false; // what moves parts about is only offered where they stand otherwise
  }
}
