import { assess, type Assessment } from '../assess.ts';
import type { Grade } from '../checks/snag.ts';
import type { ComponentKind } from '../job/component.ts';
import type { Job } from '../job/job.ts';

/** What the job list shows of a job: its miniature run, its next missing measurement and its worst snag. */
export interface JobSummary {
  readonly id: string;
  readonly name: string;
  readonly vehicle: string;
  readonly state: Job['state'];
  readonly savedAt: string;
  readonly run: MiniRun;
  readonly needs: number;
  readonly nextNeed?: string;
  readonly snags: Readonly<Record<Grade, number>>;
  readonly worst?: { readonly grade: Grade; readonly what: string };
  /** Pa gauge at full load. */
  readonly railPressure?: number;
}
/** A run in miniature: kinds in order, and the worst open snag of each part. */
export interface MiniRun {
  readonly supply: readonly MiniComponent[];
  readonly return: readonly MiniComponent[];
  /** The swirl pot that the return is led into. */
  readonly returnEnd?: string;
}
export interface MiniComponent {
  readonly id: string;
  readonly kind: ComponentKind;
  readonly action?: 'bypass' | 'deadHead';
  readonly grade?: Grade;
}

export function miniRun({ findings, snags }: Assessment): MiniRun {
  const mini = (line: 'supply' | 'return'): MiniComponent[] =>
    findings.job.run[line].map((c) => ({
      id: c.id,
      kind: c.kind,
      action: c.kind === 'regulator' ? c.action : undefined,
      grade: snags.find((s) => s.component === c.id && !s.overruled)?.grade,
    }));
  const { supply, returnTo } = findings.job.run;
  const returnEnd = returnTo === 'pot' ? supply.find((c) => c.kind === 'swirlPot')?.id : undefined;
  return { supply: mini('supply'), return: mini('return'), returnEnd };
}

export function summariseJob(id: string, savedAt: string, job: Job): JobSummary {
  const assessment = assess(job);
  const { findings, snags } = assessment;
  const open = snags.filter((s) => !s.overruled);
  const count = (grade: Grade) => open.filter((s) => s.grade === grade).length;
  return {
    id,
    name: job.name,
    vehicle: job.vehicle,
    state: job.state,
    savedAt,
    run: miniRun(assessment),
    needs: findings.needs.length,
    nextNeed: findings.needs[0]?.title,
    snags: { stop: count('stop'), fix: count('fix'), note: count('note') },
    worst: open[0] && { grade: open[0].grade, what: open[0].what },
    railPressure: findings.solution?.points.fullLoad.railPressure,
  };
}
