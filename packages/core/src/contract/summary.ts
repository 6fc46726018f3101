import { assess, type Assessment } from '../assessment/assess.ts';
import type { Grade } from '../checks/snag.ts';
import type { SymbolKey } from '../parts/define-part.ts';
import type { Job } from '../job/job.ts';
import { needTitle } from '../reckoning/need-title.ts';
import { kindOf } from '../parts/kinds.ts';
import { circuitsOf } from '../run/circuits.ts';
import { type Line, lineOfZone } from '../run/zones.ts';

/** What the job list shows of a job. */
export interface JobSummary {
  readonly id: string;
  /** Null in a row that cannot be read. */
  readonly name: string | null;
  readonly vehicle: string | null;
  readonly state: Job['state'] | null;
  readonly savedAt: string;
  readonly isAway: boolean;
  /** Reckoned after each save and kept; absent until then. */
  readonly facts?: JobFacts;
  /** The facts are of an earlier revision, or still to come. */
  readonly isBehind?: boolean;
  /** Why the stored job cannot be read. */
  readonly unreadable?: string;
}
/** Its miniature run, its next missing measurement and its worst snag. */
export interface JobFacts {
  readonly run: MiniRun;
  readonly needs: number;
  readonly nextNeed?: string;
  readonly snags: Readonly<Record<Grade, number>>;
  readonly worst?: { readonly grade: Grade; readonly what: string };
  /** Pa gauge at full load. */
  readonly railPressure?: number;
}
/** A run in miniature: what its drawing needs, and the worst open snag of each part. */
export interface MiniRun {
  readonly parts: readonly MiniPart[];
  readonly flows: readonly MiniFlow[];
}
export interface MiniPart {
  readonly id: string;
  readonly symbol: SymbolKey;
  readonly line: Line;
  readonly isTap: boolean;
  readonly isVessel: boolean;
  readonly isInTank: boolean;
  readonly grade?: Grade;
}
export interface MiniFlow {
  readonly from: string;
  readonly to: string;
  readonly line: Line;
}

export function miniRun({ findings, snags }: Assessment): MiniRun {
  const run = circuitsOf(findings.job);
  return {
    parts: run.parts.map((part) => ({
      id: part.id,
      symbol: kindOf(part).symbol(part),
      line: run.lineOf(part.id),
      isTap: run.isTap(part.id),
      isVessel: kindOf(part).isVessel === true,
      isInTank: kindOf(part).isInTank?.(part) === true,
      grade: snags.find((s) => s.part === part.id && !s.overruled)?.grade,
    })),
    flows: run.flows.map(({ from, to, zone }) => ({ from, to, line: lineOfZone(zone) })),
  };
}

export function factsOf(job: Job): JobFacts {
  const assessment = assess(job);
  const { findings, snags } = assessment;
  const open = snags.filter((s) => !s.overruled);
  const count = (grade: Grade) => open.filter((s) => s.grade === grade).length;
  return {
    run: miniRun(assessment),
    needs: findings.needs.length,
    nextNeed: findings.needs[0] && needTitle(findings.job, findings.needs[0]),
    snags: { stop: count('stop'), fix: count('fix'), note: count('note') },
    worst: open[0] && { grade: open[0].grade, what: open[0].what },
    railPressure: findings.solution?.points.fullLoad.railPressure,
  };
}
