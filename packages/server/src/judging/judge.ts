import type { ActOutcome } from '@endrel/core/contract/api';
import type { Job } from '@endrel/core/job/job';
import { Thread } from '../threads/thread.ts';

/** A judged job, ready to be stored or sent: its document as JSON text, and what the rest of the server needs to know of it. */
export interface JudgedJob {
  readonly document: string;
  readonly names: Pick<Job, 'name' | 'vehicle' | 'state'>;
  /** Digest of the mesh that it names. */
  readonly mesh?: string;
}
/** The same as a file or an older row brought it, with the large things that it carried. */
export interface OpenedJob extends JudgedJob {
  readonly attachments: Readonly<Record<string, string>>;
}
/** A new job, and the id that whoever asked made for it. */
export interface CreatedJob extends OpenedJob {
  readonly isBlank: boolean;
  readonly id?: string;
}
/** What happened to a job since an act's base, as far as it decides about that act. */
export interface OtherChange {
  readonly revision: number;
  readonly client?: string;
  /** Absent in rows that an older Endrel wrote: then it may have touched anything. */
  readonly fields?: readonly (readonly (string | number)[])[];
}
/** What is stored of a job, for acts to be tried on. */
export interface Stored {
  readonly revision: number;
  /** Acts that were done before, with their revisions. */
  readonly done: readonly (readonly [id: string, revision: number])[];
  readonly others: readonly OtherChange[];
}
/** Which acts were sent, on what. */
export interface ActsHead {
  readonly known: number;
  readonly acts: readonly { readonly id: string; readonly base: number }[];
}
/** Acts done on a job, but not stored yet. */
export interface Tried extends JudgedJob {
  readonly outcomes: readonly ActOutcome[];
  /** Rows for the table of changes, as JSON text, and how many they are: each is a revision. */
  readonly changes: string;
  readonly count: number;
  /** The same acts as the page hears of them, each as JSON text of a `KeptAct`. */
  readonly kept: readonly string[];
  /** Meshes that the job did not name before. */
  readonly newMeshes: readonly string[];
  /** Under which the thread keeps the job that came of it. */
  readonly ticket: number;
}
export interface ActsTried {
  readonly head: ActsHead;
  /** Absent where more has to be known first: what others did, or the job itself, which is opened then. */
  readonly tried?: Tried;
}

/** How to get to the last readable revision of a job. */
export interface WayBack {
  readonly readable: { readonly revision: number; readonly document: string } | undefined;
  /** Oldest first. */
  readonly acts: readonly { readonly revision: number; readonly act: string }[];
}

export type JudgeQuestion =
  | { readonly ask: 'create'; readonly body: string }
  | { readonly ask: 'open'; readonly key: string; readonly revision: number; readonly document?: string }
  | {
      readonly ask: 'act';
      readonly key: string;
      readonly actor: string;
      readonly body: string;
      readonly stored?: Stored;
    }
  | { readonly ask: 'stored'; readonly key: string; readonly revision: number; readonly ticket: number }
  | { readonly ask: 'lastReadable'; readonly document: string; readonly way: WayBack }
  | { readonly ask: 'forget'; readonly key: string };

/**
 * Where requests and documents are read, judged and changed: in a thread of its own, so that no document within the limits holds
 * up another answer. Documents go to and fro as text.
 */
export class Judge {
  readonly #thread = new Thread<JudgeQuestion>('judging/judge.worker');

  /** A new job out of a request's body: a name, or a document. @throws InvalidError */
  create(body: string): Promise<CreatedJob> {
    return this.#thread.ask({ ask: 'create', body }) as Promise<CreatedJob>;
  }

  /**
   * A stored job at the current version; undefined where the thread does not hold that revision and was not given the document.
   *
   * @throws UnreadableError
   */
  open(key: string, revision: number, document?: string): Promise<OpenedJob | undefined> {
    return this.#thread.ask({ ask: 'open', key, revision, document }) as Promise<OpenedJob | undefined>;
  }

  /**
   * Tries the acts of a request's body on a job of which the thread holds that revision; nothing is stored. Without `stored` only
   * where that is the very one that the page has, and all of them can be done.
   *
   * @throws InvalidError when the request is none, or names a revision that never was.
   */
  act(key: string, actor: string, body: string, stored?: Stored): Promise<ActsTried> {
    return this.#thread.ask({ ask: 'act', key, actor, body, stored }) as Promise<ActsTried>;
  }

  /** The last state of a job that can be read, of one that cannot; undefined where no way leads to one. */
  lastReadable(document: string, way: WayBack): Promise<(JudgedJob & { revision: number }) | undefined> {
    return this.#thread.ask({ ask: 'lastReadable', document, way }) as Promise<
      (JudgedJob & { revision: number }) | undefined
    >;
  }

  /** What was tried is stored: acts behind it go on from there. */
  stored(key: string, revision: number, { ticket }: Tried): void {
    void this.#thread.ask({ ask: 'stored', key, revision, ticket }).catch(() => undefined); // then it is read again
  }

  /** Waits until the thread can answer: it takes a second to load. */
  async loaded(): Promise<void> {
    await this.#thread.ask({ ask: 'forget', key: '' });
  }

  forget(key: string): void {
    void this.#thread.ask({ ask: 'forget', key }).catch(() => undefined);
  }

  close(): Promise<void> {
    return this.#thread.close();
  }
}
