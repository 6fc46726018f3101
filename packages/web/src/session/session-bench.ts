import type { ActOutcome, ActsAnswer, ActsRequest, KeptAct } from '@endrel/core/contract/api';
import { demoJobs } from '@endrel/core/demo/index';
import type { Act } from '@endrel/core/acts/act';
import { tryAct } from '@endrel/core/acts/apply-act';
import { overlap, touchedBy } from '@endrel/core/acts/touched';
import { sayField } from '@endrel/core/job/field-name';
import type { Job } from '@endrel/core/job/job';
import type { FieldPath } from '@endrel/core/fields/field-path';
import { ApiError, OfflineError } from '../api/client.ts';
import { JobSession } from './job-session.ts';
import type { Kept } from './kept.ts';

/** A measurement of the tank, mm. */
export const set = (field: string, mm: number): Act => ({
  act: 'set',
  path: ['survey', 'tank', field],
  value: { si: mm / 1000, unit: 'mm' },
});
const { mailVan } = demoJobs;

/** A server in memory that keeps the real one's rules, and clocks that are wound by hand. */
export class SessionBench {
  revision = 1;
  job: Job = mailVan;
  readonly kept: (Required<KeptAct> & { fields: FieldPath[] })[] = [];
  online = true;
  /** The answer is lost on the way back: the acts are done all the same. */
  losesAnswers = false;
  /** What this server will not do, though the page would: another version of it perhaps. */
  forbids: (act: Act) => boolean = () => false;
  /** What it cannot even read: then the whole request is turned down. */
  chokesOn: (act: Act) => boolean = () => false;
  requests = 0;
  /** Deleted for good: whatever is asked of it is not there. */
  isGone = false;
  /** How often a page asked what it missed. */
  asked = 0;
  timers: (() => void)[] = [];
  stored: Record<string, Kept> = {};
  #ids = 0;

  open(client = 'a', kept?: Kept): JobSession {
    return new JobSession(
      { id: 'j', revision: this.revision, savedAt: '', document: this.job },
      client,
      {
        send: (_id, request) => (this.online ? this.#act(request) : Promise.reject(new OfflineError())),
        since: (_id, known) => {
          this.asked += 1;
          if (this.isGone)
            return Promise.reject(new ApiError(404, { code: 'notFound', message: 'There is no such job.' }));
          return this.online ? Promise.resolve(this.#answer([], known)) : Promise.reject(new OfflineError());
        },
        read: () => Promise.resolve({ id: 'j', revision: this.revision, savedAt: '', document: this.job }),
        keep: (now) => (this.stored[client] = JSON.parse(JSON.stringify(now)) as Kept),
        newId: () => `act-${++this.#ids}`,
        after: (_ms, action) => {
          this.timers.push(action);
          return () => (this.timers = this.timers.filter((t) => t !== action));
        },
      },
      kept,
    );
  }

  #act({ client, known, acts }: ActsRequest): Promise<ActsAnswer> {
    const outcomes: ActOutcome[] = [];
    const kept = this.kept.length;
    this.requests++;
    if (acts.some(({ act }) => this.chokesOn(act as Act)))
      return Promise.reject(new ApiError(400, { code: 'invalid', message: 'The request is not understood.' }));
    for (const { id, base, act } of acts) {
      const done = this.kept.find((k) => k.id === id);
      if (done) {
        outcomes.push({ id, outcome: 'saved', revision: done.revision });
        continue;
      }
      if (this.forbids(act as Act)) {
        outcomes.push({ id, outcome: 'refused', field: 'survey.tank.depth', message: 'is too deep for this server' });
        break;
      }
      const tried = tryAct(this.job, JSON.parse(JSON.stringify(act)));
      if (!tried.ok) {
        outcomes.push({ id, outcome: 'refused', ...tried.fault });
        break;
      }
      const fields = touchedBy(this.job, tried.value);
      const others = this.kept.filter((k) => k.revision > base && k.client !== client).flatMap((k) => k.fields);
      const met = overlap(fields, others);
      if (met.length > 0) {
        outcomes.push({ id, outcome: 'conflict', fields: met.map((path) => sayField(this.job, path)) });
        break;
      }
      this.job = tried.value;
      this.revision += 1;
      this.kept.push({ id, client, revision: this.revision, act: act as Act, fields });
      outcomes.push({ id, outcome: 'saved', revision: this.revision });
    }
    return this.losesAnswers
      ? Promise.reject(new OfflineError())
      : Promise.resolve(this.#answer(outcomes, known, kept));
  }
  /** @param own - how many were kept before the request: it is not told its own acts again. */
  #answer(outcomes: ActOutcome[], known: number, own = this.kept.length): ActsAnswer {
    const since = this.kept.map(({ act, ...kept }, i) => (i < own ? { ...kept, act } : kept));
    return { revision: this.revision, savedAt: '', outcomes, since: since.filter((k) => k.revision > known) };
  }

  /** Lets every waiting timer go off, and what follows from it. */
  async tick() {
    for (let i = 0; i < 6; i++) {
      const due = this.timers;
      this.timers = [];
      for (const action of due) action();
      await new Promise((resolve) => setImmediate(resolve));
    }
  }
}
export const depthOf = (job: Job) => job.survey.tank.depth?.si;
