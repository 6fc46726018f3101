import { applyAct } from '../acts/apply-act.ts';
import type { Title } from '../job/copy-job.ts';
import { blankJob, type Job } from '../job/job.ts';
import { layouts, type LayoutKey } from '../job/layout.ts';
import { measured } from '../fields/measured.ts';
import { isReadOnTape } from '../fields/property.ts';
import { micrometres } from '../units/quick.ts';
import { propertiesOf, type Part } from '../parts/kinds.ts';
import { circuitsOf } from '../run/circuits.ts';
import { withStandIns } from './stand-in-parts.ts';

const FINE = micrometres(10); // after the pump, common practice
const COARSE = micrometres(100); // before a pump, common practice

/** Stands on every part that a new job begins with. */
export const USUAL_PART = 'Usual part: typical values, verify against the data sheet of the one you fit.';

/**
 * A new job of a school, laid out with its usual parts: hose, line, pump, filters and regulator with typical values, each marked
 * so. What is measured on a vehicle (lengths, heights) is unknown.
 */
export function jobOfSchool(key: LayoutKey, { name, vehicle }: Title): Job {
  const blank = blankJob(name, vehicle);
  const laid = applyAct({ ...blank, brief: { induction: layouts[key].engine } }, { act: 'chooseLayout', key });
  const whole = withStandIns(laid).job;
  return {
    ...laid,
    parts: Object.fromEntries(
      Object.entries(whole.parts).map(([id, part]) => [id, usual(laid.parts[id]!, part, laid)]),
    ),
  };
}

/** Of what was stood in, all but what is read on a tape. */
function usual(laid: Part, whole: Part, job: Job): Part {
  const properties = propertiesOf(whole.kind);
  const before = laid as unknown as Record<string, unknown>;
  const added = Object.entries({ ...whole, ...byPlace(whole, job) }).filter(
    ([key]) => before[key] === undefined && !isReadOnTape(properties[key]),
  );
  return added.length === 0 ? laid : { ...laid, ...Object.fromEntries(added), note: USUAL_PART };
}

/** What its place in the school asks of a part. */
function byPlace(part: Part, job: Job): object {
  if (part.kind === 'filter') return { rating: measured(part.role === 'fineFilter' ? FINE : COARSE, 'µm') };
  const before = circuitsOf(job)
    .into(part.id)
    .map(({ from }) => job.parts[from]);
  // behind a pump in the tank it hangs in the fuel
  if (
    part.kind === 'hose' &&
    part.role === 'hangerHose' &&
    before.some((p) => p?.kind === 'pump' && p.place === 'inTank')
  )
    return { construction: 'r10', immersed: true };
  return {};
}
