import { assess, type Assessment } from './assess.ts';
import type { Act } from '../acts/act.ts';
import { applyAct } from '../acts/apply-act.ts';
import { isSame } from '../acts/is-same.ts';
import type { Job } from '../job/job.ts';
import type { AssessmentChange, Said } from './assessment-change.ts';
import { steps } from '../reckoning/steps.ts';

/** A job where it is reckoned: it is told of acts, and answers only what they made other. */
export class HeldJob {
  #held: { readonly job: Job; readonly assessment: Assessment } | undefined;

  /** Takes a job over whole, and says all there is to say. */
  hold(job: Job): Assessment {
    const assessment = assess(job);
    this.#held = { job, assessment };
    return assessment;
  }

  /**
   * Reckons a job almost like the held one, and says nothing: what runs this code is quicker at what it has done a few times, so
   * that the first edit need not wait for it.
   *
   * @param turn - another each time, for nothing to be remembered.
   */
  rehearse(turn: number): void {
    const job = this.#held?.job;
    const { railHeight } = job?.survey ?? {};
    if (!job || !railHeight) return;
    const moved = { ...railHeight, si: railHeight.si + turn * 1e-9 };
    assess({ ...job, survey: { ...job.survey, railHeight: moved } });
  }

  /** @throws Error when no job is held, or when the act does not go with it: the sender then has another one, and hands it over. */
  act(act: Act): AssessmentChange {
    const before = this.#held;
    if (!before) throw new Error('no job is held');
    const job = applyAct(before.job, act); // whoever sends it has judged it
    if (job === before.job) throw new Error('the act does not go with the job that is held');
    return changeOf(before.assessment, this.hold(job));
  }
}

/** Results that are remembered are the same object when nothing changed of what they read; small ones are told by what is in them. */
const SMALL = new Set<string>(steps.filter((step) => step.isSmall).map((step) => step.key));

function changeOf(before: Assessment, after: Assessment): AssessmentChange {
  const [was, is]: Said[] = [before.findings, after.findings];
  const keys = Object.keys({ ...was, ...is }).filter((key) => key !== 'job' && key !== 'asLeft') as (keyof Said)[];
  const isOther = (key: keyof Said) => was![key] !== is![key] && !(SMALL.has(key) && isSame(was![key], is![key]));
  const other = keys.filter(isOther);
  return {
    findings: Object.fromEntries(other.filter((key) => is![key] !== undefined).map((key) => [key, is![key]])),
    gone: other.filter((key) => is![key] === undefined),
    snags: isSame(before.snags, after.snags) ? undefined : after.snags,
  };
}
