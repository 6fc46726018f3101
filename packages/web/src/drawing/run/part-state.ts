import type { Assessment } from '@endrel/core/assessment/assess';
import { grades, type Grade } from '@endrel/core/checks/snag';

/** The worst that is to be said of a part. */
export const worstGrade = (assessment: Assessment | undefined, id: string): Grade | undefined =>
  grades.find((grade) => assessment?.snags.some((s) => s.part === id && s.grade === grade && !s.overruled));

const words: Record<Grade, string> = { stop: 'stop', fix: 'to fix', note: 'note' };

/** A part's name with its marks in words: "Fuel rail: stop, to measure". */
export function stateWords(name: string, grade: Grade | undefined, need: boolean): string {
  const state = [grade && words[grade], need && 'to measure'].filter(Boolean).join(', ');
  return state ? `${name}: ${state}` : name;
}
