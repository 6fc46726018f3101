import type { SaveAnswer, StoredJob } from '@endrel/core/contract/api';
import type { Act } from '@endrel/core/job/acts/act';
import { applyAct, describeAct } from '@endrel/core/job/acts/apply-act';
import type { Job } from '@endrel/core/job/job';
import { ApiError, OfflineError } from '../api/client.ts';
import { rebase } from './rebase.ts';

export type SaveState =
  | { status: 'saved' }
  | { status: 'saving' }
  | { status: 'unsaved' }
  | { status: 'offline' }
  /** Somebody else saved the same fields: the person decides. */
  | { status: 'conflict'; fields: readonly string[]; current: StoredJob }
  | { status: 'refused'; message: string };

export interface SessionSnapshot {
  readonly job: Job;
  readonly revision: number;
  readonly save: SaveState;
  readonly undo?: string;
  readonly redo?: string;
  /** Shown once: others' changes were joined in. */
  readonly joined: boolean;
}

/** What a session needs of the outside, so that it can be tested without a browser. */
export interface SessionPorts {
  save(id: string, baseRevision: number, document: Job, summary: string): Promise<SaveAnswer>;
  /** Keeps what is not saved yet across a reload or a crash; `undefined` forgets it. */
  keepDraft(draft: Draft | undefined): void;
  after(milliseconds: number, action: () => void): () => void;
}
export interface Draft {
  readonly base: StoredJob;
  readonly job: Job;
}
interface Step {
  readonly job: Job;
  readonly label: string;
}

const PAUSE_BEFORE_SAVE = 500; // ms without an edit
const RETRY_AFTER = 3000; // ms
const MOST_STEPS = 200;

/** One job being edited: acts, undo and redo, autosave on a base revision, and what happens when others save too. */
export class JobSession {
  readonly id: string;
  readonly #ports: SessionPorts;
  readonly #listeners = new Set<() => void>();
  #base: StoredJob;
  #job: Job;
  #past: Step[] = [];
  #future: Step[] = [];
  #save: SaveState = { status: 'saved' };
  #summaries: string[] = [];
  #coalesce: string | undefined;
  #cancelTimer: (() => void) | undefined;
  #running = false;
  #joined = false;
  #snapshot: SessionSnapshot;

  constructor(stored: StoredJob, ports: SessionPorts, draft?: Draft) {
    this.id = stored.id;
    this.#ports = ports;
    this.#base = draft?.base ?? stored;
    this.#job = draft?.job ?? stored.document;
    this.#snapshot = this.#makeSnapshot();
    if (draft) {
      this.#summaries = ['typed while offline'];
      this.#changed();
    }
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.#listeners.add(listener);
    return () => this.#listeners.delete(listener);
  };
  readonly getSnapshot = (): SessionSnapshot => this.#snapshot;

  /** @param group - acts of one group in a row, such as one visit to a field, are one step of undo. */
  act(act: Act, group?: string): void {
    const next = applyAct(this.#job, act);
    if (next === this.#job) return;
    const label = describeAct(this.#job, act);
    if (group === undefined || group !== this.#coalesce) {
      this.#past = [...this.#past.slice(1 - MOST_STEPS), { job: this.#job, label }];
      this.#summaries.push(label);
    }
    this.#coalesce = group;
    this.#future = [];
    this.#job = next;
    this.#changed();
  }

  undo(): void {
    const step = this.#past.pop();
    if (!step) return;
    this.#future.push({ job: this.#job, label: step.label });
    this.#stepTo(step.job, `undo ${step.label}`);
  }

  redo(): void {
    const step = this.#future.pop();
    if (!step) return;
    this.#past.push({ job: this.#job, label: step.label });
    this.#stepTo(step.job, `redo ${step.label}`);
  }

  #stepTo(job: Job, summary: string): void {
    this.#coalesce = undefined;
    this.#job = job;
    this.#summaries.push(summary);
    this.#changed();
  }

  /** Keeps this copy's values over what was saved meanwhile; undo still has the others out of reach, the change table has them. */
  keepMine(): void {
    if (this.#save.status !== 'conflict') return;
    this.#base = this.#save.current;
    this.#summaries.push('kept over another save');
    this.#changed();
  }

  /** Drops this copy's unsaved values for what was saved meanwhile; undo brings them back. */
  takeTheirs(): void {
    if (this.#save.status !== 'conflict') return;
    const { current } = this.#save;
    this.#past.push({ job: this.#job, label: 'take the other save' });
    this.#base = current;
    this.#job = current.document;
    this.#changed();
  }

  /** Tries again at once, such as when the connection is back. */
  retry(): void {
    if (this.#save.status === 'offline' || this.#save.status === 'unsaved') void this.#flush();
  }

  acknowledgeJoined(): void {
    this.#joined = false;
    this.#publish();
  }

  get hasUnsaved(): boolean {
    return this.#job !== this.#base.document;
  }

  #changed(): void {
    if (this.hasUnsaved) {
      this.#ports.keepDraft({ base: this.#base, job: this.#job });
      this.#save = { status: 'unsaved' };
      this.#schedule(PAUSE_BEFORE_SAVE);
    } else {
      this.#ports.keepDraft(undefined);
      this.#save = { status: 'saved' };
      this.#summaries = [];
    }
    this.#publish();
  }

  #schedule(milliseconds: number): void {
    this.#cancelTimer?.();
    this.#cancelTimer = this.#ports.after(milliseconds, () => void this.#flush());
  }

  async #flush(): Promise<void> {
    if (this.#running || !this.hasUnsaved) return;
    this.#running = true;
    this.#cancelTimer?.();
    this.#save = { status: 'saving' };
    this.#publish();
    const [sent, base] = [this.#job, this.#base];
    const summaries = this.#summaries;
    this.#summaries = [];
    try {
      const { revision, savedAt } = await this.#ports.save(
        this.id,
        base.revision,
        sent,
        summaries.join('; ').slice(0, 300),
      );
      this.#base = { ...base, revision, savedAt, document: sent };
      this.#running = false;
      this.#changed();
    } catch (error) {
      this.#running = false;
      this.#summaries = [...summaries, ...this.#summaries];
      this.#failed(error);
    }
  }

  #failed(error: unknown): void {
    if (error instanceof ApiError && error.fault.code === 'stale' && error.fault.current) {
      const { current } = error.fault;
      const joined = rebase(this.#base.document, this.#job, current.document);
      if (joined.ok) {
        this.#base = current;
        this.#job = joined.job;
        this.#past = []; // earlier steps do not hold what the others changed
        this.#future = [];
        this.#joined = true;
        this.#changed();
        return;
      }
      this.#save = { status: 'conflict', fields: joined.fields, current };
    } else if (
      error instanceof OfflineError ||
      (error instanceof ApiError && error.status >= 500) ||
      (error instanceof ApiError && error.status === 429)
    ) {
      this.#save = { status: 'offline' };
      this.#schedule(RETRY_AFTER);
    } else this.#save = { status: 'refused', message: (error as Error).message };
    this.#publish();
  }

  #makeSnapshot(): SessionSnapshot {
    return {
      job: this.#job,
      revision: this.#base.revision,
      save: this.#save,
      undo: this.#past.at(-1)?.label,
      redo: this.#future.at(-1)?.label,
      joined: this.#joined,
    };
  }

  #publish(): void {
    this.#snapshot = this.#makeSnapshot();
    for (const listener of this.#listeners) listener();
  }
}
