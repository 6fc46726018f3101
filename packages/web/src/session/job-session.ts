import type { ActsAnswer, ActsRequest, StoredJob } from '@endrel/core/contract/api';
import { MOST_ACTS } from '@endrel/core/contract/api';
import type { Act } from '@endrel/core/acts/act';
import { tryAct } from '@endrel/core/acts/apply-act';
import { describeAct } from '@endrel/core/acts/act';
import { restoring } from '@endrel/core/acts/touched';
import type { Job } from '@endrel/core/job/job';
import type { FieldPath } from '@endrel/core/fields/field-path';
import { isAway, isUnreadable } from '../api/client.ts';
import { type Kept, type PendingAct, type RefusedAct, type Step } from './kept.ts';
import { Listeners } from './listeners.ts';
import { continuing, fieldOf, withActs } from './pending.ts';

export type SaveState =
  | { status: 'saved' }
  | { status: 'saving' }
  | { status: 'unsaved' }
  | { status: 'offline' }
  /** Somebody else changed the same fields: the person decides about this one act. */
  | { status: 'conflict'; fields: readonly string[]; label: string }
  | { status: 'refused'; message: string };

export interface SessionSnapshot {
  readonly job: Job;
  readonly revision: number;
  readonly save: SaveState;
  readonly undo?: string;
  readonly redo?: string;
  /** What could not be saved, each with why: it waits for a person. */
  readonly refused: readonly RefusedAct[];
  /** Shown until it is acknowledged: others' changes came in, or something could not be done. */
  readonly notice?: string;
}

/** What a session needs of the outside, so that it can be tested without a browser. */
export interface SessionPorts {
  send(id: string, request: ActsRequest): Promise<ActsAnswer>;
  since(id: string, known: number): Promise<ActsAnswer>;
  read(id: string): Promise<StoredJob>;
  /** Keeps what is not saved yet, and the steps of undo, across a reload or a crash. */
  keep(kept: Kept): void;
  newId(): string;
  after(milliseconds: number, action: () => void): () => void;
}

const PAUSE_BEFORE_SAVE = 300; // ms without an edit
const RETRY_AFTER = 3000; // ms
const MOST_STEPS = 200;

/**
 * One job being edited. What is done is an act on the job as it is shown; acts are sent in order and what the server has from
 * others comes in beneath those still to be sent.
 */
export class JobSession {
  readonly id: string;
  readonly client: string;
  readonly #ports: SessionPorts;
  readonly #listeners = new Listeners();
  /** As the server has it. */
  #stored: { readonly revision: number; readonly job: Job };
  #job: Job;
  #pending: PendingAct[];
  #refused: RefusedAct[];
  /** How many acts go in one request: fewer while it is sought which of them cannot be read. */
  #most = MOST_ACTS;
  #past: Step[];
  #future: Step[];
  #save: SaveState = { status: 'saved' };
  /** One visit to a field is one step of undo: what the job was before it. */
  #visit: { readonly group: string; readonly before: Job; readonly sent: boolean } | undefined;
  #cancelTimer: (() => void) | undefined;
  #running = false;
  #notice: string | undefined;
  #newest = 0;
  #snapshot: SessionSnapshot;

  constructor(stored: StoredJob, client: string, ports: SessionPorts, kept?: Kept) {
    this.id = stored.id;
    this.client = client;
    this.#ports = ports;
    this.#stored = { revision: stored.revision, job: stored.document };
    this.#pending = [...(kept?.pending ?? [])]; // one that cannot be done here the server may have already: it decides
    this.#job = withActs(stored.document, this.#pending).job;
    this.#past = [...(kept?.past ?? [])];
    this.#future = [...(kept?.future ?? [])];
    this.#refused = [...(kept?.refused ?? [])];
    this.#snapshot = this.#makeSnapshot();
    if (this.#pending.length + this.#refused.length > 0) this.#changed();
  }

  readonly subscribe = this.#listeners.subscribe;
  readonly getSnapshot = (): SessionSnapshot => this.#snapshot;

  /**
   * @param group - acts of one group in a row, such as one visit to a field, are one step of undo.
   * @returns false when it cannot be done; the notice says why, and nothing is changed.
   */
  act(act: Act, group?: string): boolean {
    const before = this.#job;
    const tried = tryAct(before, act);
    if (!tried.ok) {
      this.say(`Not done: ${tried.fault.message}.`);
      return false;
    }
    const label = describeAct(before, act);
    const visit = group !== undefined && this.#visit?.group === group ? this.#visit : undefined;
    const undo = restoring(visit?.before ?? before, tried.value, `undo ${label}`);
    if (visit) this.#past.pop();
    if (undo) this.#past = [...this.#past.slice(1 - MOST_STEPS), { label, act: undo }];
    const isSettled = this.#settle(act);
    if (!undo && !visit) {
      if (isSettled) this.#changed();
      return true;
    }
    // of a visit whose act has not been sent yet only the last value goes out
    const last = this.#pending.at(-1);
    if (visit && !visit.sent && last && !this.#running && act.act !== 'addRow') this.#pending.pop();
    this.#visit = group === undefined ? undefined : { group, before: visit?.before ?? before, sent: false };
    this.#future = [];
    this.#job = tried.value;
    this.#pending.push({ id: this.#ports.newId(), base: this.#stored.revision, act, label });

    this.#changed();
    return true;
  }

  /** Another value in a field whose last one was refused settles that. @returns whether there was one. */
  #settle(act: Act): boolean {
    const field = fieldOf(act)?.join('/');
    const left = this.#refused.filter((r) => field === undefined || fieldOf(r.act)?.join('/') !== field);
    const isSettled = left.length < this.#refused.length;
    if (isSettled) this.#refused = left;
    return isSettled;
  }

  /** @returns the fields that it put back, for the page to show them; none when it could not be done. */
  undo(): FieldPath[] {
    return this.#step(this.#past, this.#future, 'undone');
  }
  redo(): FieldPath[] {
    return this.#step(this.#future, this.#past, 'done again');
  }

  /** Takes the last step of one list, and puts what takes it back onto the other. */
  #step(from: Step[], onto: Step[], said: string): FieldPath[] {
    const step = from.pop();
    if (!step) return [];
    this.#visit = undefined;
    const tried = tryAct(this.#job, step.act);
    if (!tried.ok) {
      this.say(`“${step.label}” cannot be ${said}: ${tried.fault.message}.`);
      return [];
    }
    const back = restoring(this.#job, tried.value, step.label);
    if (back) onto.push({ label: step.label, act: back });
    this.#job = tried.value;
    this.#pending.push({ id: this.#ports.newId(), base: this.#stored.revision, act: step.act, label: step.label });
    this.#changed();
    return back?.records.map((record) => record.path) ?? [];
  }

  /** Does the act that met another's on what that one left. */
  keepMine(): void {
    const [first, ...rest] = this.#pending;
    if (this.#save.status !== 'conflict' || !first) return;
    this.#pending = [{ ...first, id: this.#ports.newId(), base: this.#stored.revision }, ...rest];
    this.#changed();
  }

  /** Leaves the act that met another's undone; undo brings it back. */
  takeTheirs(): void {
    const [first, ...rest] = this.#pending;
    if (this.#save.status !== 'conflict' || !first) return;
    this.#pending = rest;
    this.#past.push({ label: `take the other’s: ${first.label}`, act: first.act });
    this.#rebuild();
    this.#changed();
  }

  /** Does once more what was refused. */
  tryAgain(id: string): void {
    const refused = this.#refused.find((r) => r.id === id);
    if (!refused) return;
    this.drop(id);
    if (!this.act(refused.act)) this.#refuse(refused, this.#notice ?? refused.why);
  }

  /** Leaves undone for good what was refused. */
  drop(id: string): void {
    this.#refused = this.#refused.filter((r) => r.id !== id);
    this.#changed();
  }

  #refuse({ id, act, label }: Pick<PendingAct, 'id' | 'act' | 'label'>, why: string): void {
    this.#refused = [...this.#refused.filter((r) => r.id !== id), { id, act, label, why }];
    this.#changed();
  }

  /** Takes over what another page of this browser had not saved when it was closed. */
  adopt({ pending, refused }: Pick<Kept, 'pending' | 'refused'>): void {
    const known = new Set([...this.#pending, ...this.#refused].map((a) => a.id));
    const fresh = pending.filter((a) => !known.has(a.id));
    const trouble = refused.filter((a) => !known.has(a.id));
    if (fresh.length + trouble.length === 0) return;
    this.#pending = [...fresh, ...this.#pending];
    this.#refused = [...trouble, ...this.#refused];
    if (fresh.length > 0)
      this.#notice = `Taken over from a page that was closed: ${fresh
        .map((a) => a.label)
        .slice(-3)
        .join('; ')}.`;
    this.#rebuild();
    this.#changed();
  }

  /** Shows a sentence until it is acknowledged. */
  say(notice: string): void {
    this.#notice = notice;
    this.#publish();
  }

  /** The job was opened as this browser has it: what the server has since comes in once it answers. */
  openedWithoutServer(): void {
    if (this.hasUnsaved) return; // sending what waits finds out
    this.#save = { status: 'offline' };
    this.#schedule(RETRY_AFTER);
    this.#publish();
  }

  /** The job as the server has it, for this browser to keep. */
  get stored(): { readonly revision: number; readonly job: Job } {
    return this.#stored;
  }

  /** Tries again at once, such as when the connection is back. */
  retry(): void {
    if (this.#save.status === 'offline' || this.#save.status === 'unsaved') void this.#flush();
  }

  /** A later revision is there, as the change feed says. */
  hear(revision: number): void {
    this.#newest = Math.max(this.#newest, revision);
    if (this.#running || revision === this.#stored.revision || this.#save.status === 'conflict') return;
    if (revision !== 0 && revision < this.#stored.revision) return;
    void this.#catchUp();
  }

  acknowledge(): void {
    this.#notice = undefined;
    this.#publish();
  }

  get hasUnsaved(): boolean {
    return this.#pending.length > 0;
  }

  #changed(): void {
    if (this.hasUnsaved) {
      this.#save = { status: 'unsaved' };
      this.#schedule(PAUSE_BEFORE_SAVE);
    } else this.#save = { status: 'saved' };
    this.#publish();
    this.#ports.keep({
      pending: [...this.#pending],
      refused: [...this.#refused],
      past: [...this.#past],
      future: [...this.#future],
    });
  }

  #schedule(milliseconds: number): void {
    this.#cancelTimer?.();
    this.#cancelTimer = this.#ports.after(milliseconds, () => void this.#flush());
  }

  async #flush(): Promise<void> {
    if (this.#running || this.#save.status === 'conflict') return;
    if (!this.hasUnsaved) {
      if (this.#save.status === 'offline') await this.#catchUp();
      return;
    }
    this.#running = true;
    this.#cancelTimer?.();
    this.#save = { status: 'saving' };
    if (this.#visit) this.#visit = { ...this.#visit, sent: true };
    this.#publish();
    const sent = this.#pending.slice(0, this.#most);
    try {
      const acts = sent.map(({ id, base, act }) => ({ id, base, act }));
      const answer = await this.#ports.send(this.id, { client: this.client, known: this.#stored.revision, acts });
      this.#most = MOST_ACTS;
      await this.#take(answer, sent);
    } catch (error) {
      this.#running = false;
      if (isUnreadable(error)) this.#narrow(sent, error.message);
      else this.#failed(error);
    }
  }

  /** The server would not read a request at all: fewer acts are sent until it is known by which of them that was. */
  #narrow(sent: readonly PendingAct[], why: string): void {
    if (sent.length > 1) this.#most = Math.ceil(sent.length / 2);
    else {
      this.#pending = this.#pending.filter((p) => p.id !== sent[0]!.id);
      this.#refuse(sent[0]!, why);
      this.#rebuild();
    }
    this.#changed();
    this.#schedule(0);
  }

  async #catchUp(): Promise<void> {
    this.#running = true;
    this.#newest = 0; // asked for now: a server that has less, such as one put back, is not asked for ever
    try {
      await this.#take(await this.#ports.since(this.id, this.#stored.revision), []);
    } catch (error) {
      this.#running = false;
      this.#failed(error);
    }
  }

  /** What the server says became of acts, and what it has from others. */
  async #take(answer: ActsAnswer, sent: readonly PendingAct[]): Promise<void> {
    const before = this.#stored;
    const saved = new Set(answer.outcomes.flatMap((o) => (o.outcome === 'saved' ? [o.id] : [])));
    const trouble = answer.outcomes.find((o) => o.outcome !== 'saved');
    const isOld = answer.outcomes.some((o) => o.outcome === 'saved' && o.revision <= before.revision);
    const since = answer.since?.flatMap((kept) => {
      const act = kept.act ?? sent.find((p) => p.id === kept.id)?.act;
      return act ? [{ ...kept, act }] : [];
    });
    const others = (since ?? []).filter((k) => k.client !== this.client);
    const carried = since?.length === answer.since?.length && since ? continuing(before.job, since) : undefined;
    this.#stored = carried
      ? { revision: answer.revision, job: carried }
      : await this.#ports.read(this.id).then((s) => ({ revision: s.revision, job: s.document }));
    this.#running = false;
    this.#pending = this.#pending.filter(
      (p) => !saved.has(p.id) && !(trouble?.outcome === 'refused' && p.id === trouble.id),
    );
    // where nobody else was, what is shown is what was sent: it stays the very same
    if (others.length > 0 || !carried || isOld || trouble) this.#rebuild();
    if (others.length > 0)
      this.#notice = `Others’ changes came in: ${[...new Set(others.map((k) => describeAct(this.#job, k.act)))].slice(-3).join('; ')}.`;
    if (trouble?.outcome === 'refused') {
      const act = sent.find((p) => p.id === trouble.id);
      const why = [trouble.field, trouble.message].filter(Boolean).join(' ');
      this.#notice = `Not saved: ${act?.label ?? 'an act'}. ${why}.`;
      if (act) this.#refuse(act, why);
    }
    this.#changed();
    if (trouble?.outcome === 'conflict') {
      this.#cancelTimer?.();
      const act = this.#pending.find((p) => p.id === trouble.id);
      this.#save = { status: 'conflict', fields: trouble.fields, label: act?.label ?? '' };
      this.#publish();
    } else if (this.#newest > this.#stored.revision && !this.hasUnsaved) void this.#catchUp();
  }

  /** The job anew from what the server has and what it does not have yet. */
  #rebuild(): void {
    const { job, done, dropped } = withActs(this.#stored.job, this.#pending);
    this.#pending = done;
    this.#job = job;
    this.#visit = undefined;
    if (dropped.length > 0)
      this.#notice = `Not saved: ${dropped.map(({ act, why }) => `${act.label}: ${why}`).join('; ')}.`;
    this.#refused = [...this.#refused, ...dropped.map(({ act: { id, act, label }, why }) => ({ id, act, label, why }))];
  }

  #failed(error: unknown): void {
    if (isAway(error)) {
      this.#save = { status: 'offline' };
      this.#schedule(RETRY_AFTER);
    } else this.#save = { status: 'refused', message: (error as Error).message };
    this.#publish();
  }

  #makeSnapshot(): SessionSnapshot {
    return {
      job: this.#job,
      revision: this.#stored.revision,
      save: this.#save,
      undo: this.#past.at(-1)?.label,
      redo: this.#future.at(-1)?.label,
      refused: this.#refused,
      notice: this.#notice,
    };
  }

  #publish(): void {
    this.#snapshot = this.#makeSnapshot();
    this.#listeners.tell();
  }
}
