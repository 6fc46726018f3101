import { compareAssessments, type Assessment, type MovedFigure } from './assess.ts';
import { valueAt } from '../acts/at-path.ts';
import { touchedBy } from '../acts/touched.ts';
import { sayField } from '../job/field-name.ts';
import type { Job } from '../job/job.ts';
import type { Measured } from '../fields/measured.ts';
import type { FieldPath } from '../fields/field-path.ts';
import { unitById } from '../units/unit-table.ts';
import { figure } from '../units/quantity.ts';
import type { Snag } from '../checks/snag.ts';

/** A snag that an edit did away with. */
export interface Cured {
  readonly snag: Snag;
  /** Behind which snag it stood; undefined: it was the first. */
  readonly behind: string | undefined;
  /** What was measured or chosen anew, and the figures of the job that moved with it; those like the snag's own first. */
  readonly moved: readonly MovedFigure[];
}

const MOST_FIGURES = 2; // in one line

/** Snags that were there before an edit and are not after it. An overruled one is not missed. */
export function curedBetween(before: Assessment, after: Assessment): Cured[] {
  const left = new Set(after.snags.map((s) => s.id));
  const live = before.snags.filter((s) => !s.overruled);
  const gone = live.filter((s) => !left.has(s.id));
  if (gone.length === 0) return [];
  const edited = measuredAnew(before.findings.asLeft, after.findings.asLeft);
  const { moved } = compareAssessments(before, after);
  return gone.map((snag) => {
    const alike = (m: MovedFigure) => Number(m.before.kind === snag.figure?.kind);
    const figures = [...moved].sort((a, b) => alike(b) - alike(a));
    return {
      snag,
      behind: live[live.indexOf(snag) - 1]?.id,
      moved: [...edited, ...figures].slice(0, MOST_FIGURES),
    };
  });
}

/** The one field that was measured anew, if that is what the edit was. */
function measuredAnew(before: Job, after: Job): MovedFigure[] {
  const paths = touchedBy(before, after);
  const [path] = paths;
  if (paths.length !== 1 || !path) return [];
  const [was, is] = [measuredAt(before, path), measuredAt(after, path)];
  return was && is ? [{ label: sayField(after, path), before: figureOf(was), after: figureOf(is) }] : [];
}

function measuredAt(job: Job, path: FieldPath): Measured | undefined {
  const value = valueAt(job, path) as Partial<Measured> | undefined;
  return typeof value?.si === 'number' && typeof value.unit === 'string' ? (value as Measured) : undefined;
}

const figureOf = ({ si, unit }: Measured) => figure(unitById(unit).kind, si);
