import type { Job } from '../job/job.ts';
import { isPump } from '../parts/kinds.ts';
import { circuitsOf } from '../run/circuits.ts';

/**
 * Whether nothing of the run hangs in the tank: every pump stands outside, nobody says that fuel leaves by a hanger, and nothing of one
 * was measured. Then a hanger is not asked for.
 */
export function isWithoutHanger(job: Pick<Job, 'parts' | 'joints' | 'hanger'>): boolean {
  if (job.hanger && Object.keys(job.hanger).length > 0) return false;
  const { parts } = circuitsOf(job);
  const pumps = parts.filter(isPump);
  const byHanger = parts.some((p) => p.kind === 'tank' && p.pickup === 'hanger');
  return pumps.length > 0 && !byHanger && pumps.every((p) => p.kind !== 'pump' || p.place === 'external');
}
