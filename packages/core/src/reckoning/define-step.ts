import { attachmentText } from '../attachments/attachment.ts';
import type { Job } from '../job/job.ts';
import type { RootKey } from '../job/roots.ts';
import { Interned, nameOfValue } from '../memory/interned.ts';
import { remembered } from '../memory/remembered.ts';
import { guarded, type Cut } from './cut.ts';
import type { Found } from './found.ts';

/** What a step takes of the job: of each root that it reads all of it, or what a cut leaves. */
export type JobReads = { readonly [R in RootKey]?: Cut | true };

interface StepOptions<K extends keyof Found, S extends keyof Found> {
  readonly reads: {
    readonly job?: JobReads;
    /** Steps before it. */
    readonly steps?: readonly S[];
  };
  /** Whether a result is small enough to be told by what is in it: what follows is then not reckoned again for one that says the same. */
  readonly isSmall?: boolean | ((result: Found[K]) => boolean);
  /** Reads the job as its people left it, rather than with what its routes tell. */
  readonly isAsLeft?: true;
  readonly compute: (from: { readonly job: Job } & Pick<Found, S>) => Found[K];
}

export interface Step {
  readonly key: keyof Found;
  readonly isSmall: boolean;
  readonly isAsLeft: boolean;
  /** The result, remembered by what the step reads. @param found - of the steps before it. */
  result(job: Job, found: Partial<Found>): unknown;
}

/**
 * One of the results that a job has. It is given what it says it reads and nothing else, and its result is remembered by just that:
 * so what is remembered cannot differ from what is reckoned anew.
 */
export function defineStep<K extends keyof Found, const S extends keyof Found = never>(
  key: K,
  { reads, isSmall = false, isAsLeft, compute }: StepOptions<K, S>,
): Step {
  const roots = Object.entries(reads.job ?? {}) as [RootKey, Cut | true][];
  const steps: readonly S[] = reads.steps ?? [];
  const contents = new Map(roots.map(([root, cut]) => [root, internedBy(cut)]));
  const results = new Interned();
  const readsTank = reads.job?.survey !== undefined;
  return {
    key,
    isSmall: isSmall !== false,
    isAsLeft: isAsLeft ?? false,
    result(job, found) {
      const read = roots.map(([root]) => contents.get(root)!(job[root]));
      const before = steps.map((step) => found[step]);
      // a mesh is named by the job and held beside it: it may come later
      const mesh =
        readsTank && job.survey.tank.mesh ? `${attachmentText(job.survey.tank.mesh.digest) !== undefined}` : '';
      const name = [...read, ...before].map(nameOfValue).join(' ') + mesh;
      return remembered(key, name, () => {
        const cutJob = Object.fromEntries(roots.map(([root], i) => [root, read[i]])) as unknown as Job;
        const isRead = new Set<string>(roots.map(([root]) => root));
        const given = { job: guarded(cutJob, (root) => !isRead.has(root), `the job by the step “${key}”`) };
        const from = Object.assign(given, Object.fromEntries(steps.map((step, i) => [step, before[i]])));
        const result = compute(from as { job: Job } & Pick<Found, S>);
        const isTold = typeof isSmall === 'function' ? isSmall(result) : isSmall;
        return isTold ? (results.of(result) as Found[K]) : result;
      });
    },
  };
}

/** One for every cut: steps that cut alike share what is left, and so what is reckoned for it. */
const byCut = new Map<Cut | true, Interned>();
function internedBy(cut: Cut | true): (held: unknown) => unknown {
  const interned = byCut.get(cut) ?? new Interned();
  byCut.set(cut, interned);
  return (held) => interned.of(held, cut === true ? undefined : (whole) => cut.of(whole));
}
