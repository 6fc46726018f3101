import { applyAct } from '../acts/apply-act.ts';
import type { Act } from '../acts/act.ts';
import type { Job } from '../job/job.ts';
import { snagsOf } from '../checks/snags.ts';
import type { Snag } from '../checks/snag.ts';
import { findingsOf, type Findings } from '../reckoning/findings.ts';
import { figure, type Figure, type QuantityKind } from '../units/quantity.ts';
import { SIZED_AT } from '../wiring/wiring-findings.ts';

/** All that Endrel has to say about a job. Plain data, so that it can cross from a worker. */
export interface Assessment {
  readonly findings: Findings;
  readonly snags: readonly Snag[];
}

export function assess(job: Job): Assessment {
  const findings = findingsOf(job);
  return { findings, snags: snagsOf(findings) };
}

/** What an act would change, for its button to show before it is pressed. */
export interface Preview {
  readonly cured: readonly string[];
  readonly caused: readonly string[];
  /** The run is solved with it: what is not named then truly stays. */
  readonly isSolved: boolean;
  /** Figures of the whole job that move, by name, before and after. */
  readonly moved: readonly MovedFigure[];
}
export interface MovedFigure {
  readonly label: string;
  readonly before: Figure;
  readonly after: Figure;
}

export function previewAct(job: Job, act: Act): Preview {
  return compareAssessments(assess(job), assess(applyAct(job, act)));
}

export function compareAssessments(before: Assessment, after: Assessment): Preview {
  const missing = (from: Assessment, by: Assessment) =>
    from.snags.filter((s) => !by.snags.some((t) => t.id === s.id)).map((s) => s.what);
  const now = new Map(keyFigures(after.findings).map((f) => [f.label, f.figure]));
  return {
    cured: missing(before, after),
    caused: missing(after, before),
    isSolved: after.findings.solution !== undefined,
    moved: keyFigures(before.findings).flatMap(({ label, figure: was }) => {
      const is = now.get(label);
      return is && is.si !== was.si ? [{ label, before: was, after: is }] : [];
    }),
  };
}

/** The figures by which two states of a job are compared. */
export function keyFigures({ solution, drive, demand, wiring }: Findings): { label: string; figure: Figure }[] {
  const { fullLoad, idle } = solution?.points ?? {};
  const end = drive?.steps.at(-1);
  const list: (readonly [string, QuantityKind, number | undefined])[] = [
    ['Demand at full load', 'volumeFlow', demand?.volumeFlow],
    ['Pressure at full load', 'pressure', fullLoad?.railPressure],
    ['Pressure at idle', 'pressure', idle?.railPressure],
    ['Pump margin', 'fraction', solution?.margin?.margin],
    ['Suction margin, worst', 'head', solution?.worstSuction?.result.suctionMargin],
    ['Pump current at full load', 'current', fullLoad?.pumpCurrent],
    ['Lost in the wiring, worst', 'voltage', worstDrop(wiring)],
    ['Return at idle', 'volumeFlow', solution && idle?.returnFlow],
    ['Tank after the drive', 'temperature', end?.tank],
  ];
  return list.flatMap(([label, kind, si]) => (si === undefined ? [] : [{ label, figure: figure(kind, si) }]));
}

/** V that the pump loses that loses most, where the engine wants most with least voltage. */
function worstDrop(wiring: Findings['wiring']): number | undefined {
  const drops = (wiring?.pumps ?? []).flatMap(({ at }) =>
    at[SIZED_AT] ? [at[SIZED_AT].system - at[SIZED_AT].volts] : [],
  );
  return drops.length > 0 ? Math.max(...drops) : undefined;
}
