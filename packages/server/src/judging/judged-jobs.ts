import {
  actsRequestSchema,
  createRequestSchema,
  type ActOutcome,
  type ActsRequest,
  type KeptAct,
} from '@endrel/core/contract/api';
import type { Act } from '@endrel/core/acts/act';
import { tryAct } from '@endrel/core/acts/apply-act';
import { describeAct } from '@endrel/core/acts/act';
import { overlap, touchedBy } from '@endrel/core/acts/touched';
import { sayField } from '@endrel/core/job/field-name';
import { blankJob, type Job } from '@endrel/core/job/job';
import { describeIssue, isNestedTooDeep, readJobDocument } from '@endrel/core/job/read-job-file';
import { unstorableAt } from '@endrel/core/fields/text';
import { InvalidError, UnreadableError } from '../errors.ts';
import { readRequest } from './read-request.ts';
import { takenBack } from '@endrel/core/acts/take-back';
import type { ActsTried, CreatedJob, JudgedJob, OpenedJob, Stored, Tried, WayBack } from './judge.ts';

const MOST_HELD = 60; // jobs
const MOST_TRIED = 200; // acts that wait to be stored
const LONGEST_SUMMARY = 300;
const SLICE = 20; // ms of one request's acts before others have their turn
const LARGEST_JOB = 1.9e6; // characters: with room for what stands around it in a file of at most 2 MB
const MOST_OF_ITSELF = 1e5; // characters that acts add beyond what they hold, such as the parts of a layout

interface ToTry {
  readonly key: string;
  readonly actor: string;
  readonly body: string;
  readonly stored?: Stored;
}
interface Sized {
  readonly job: Job;
  /** As JSON text, characters. */
  readonly size: number;
}
interface Held extends Sized {
  readonly revision: number;
}

/** Jobs as they were last read or saved, so that an act does not read and judge a whole document again. */
export class JudgedJobs {
  readonly #held = new Map<string, Held>();
  readonly #tried = new Map<number, Sized>();
  #lastTicket = 0;

  create(body: string): CreatedJob {
    const request = readRequest(createRequestSchema, parsed(body));
    const { id } = request;
    if (!('document' in request))
      return { ...judged(blankJob(request.name, request.vehicle)), attachments: {}, isBlank: true, id };
    const read = readJobDocument(request.document);
    if (!read.ok) throw new InvalidError(`The job was not saved: ${describeIssue(read.fault[0]!)}.`, read.fault);
    return { ...judged(read.value.job), attachments: read.value.attachments, isBlank: false, id };
  }

  open(key: string, revision: number, document?: string): OpenedJob | undefined {
    const held = this.#held.get(key);
    if (held?.revision === revision) return { ...judged(held.job), attachments: {} };
    if (document === undefined) return undefined;
    const read = readJobDocument(JSON.parse(document));
    if (!read.ok) throw new UnreadableError(read.fault[0]!);
    const { job, attachments } = read.value;
    const text = judged(job);
    this.#hold(key, { revision, job, size: text.document.length });
    return { ...text, attachments };
  }

  async act({ key, actor, body, stored }: ToTry): Promise<ActsTried> {
    const request = readRequest(actsRequestSchema, parsed(body));
    const { known, acts } = request;
    const head = { known, acts: acts.map(({ id, base }) => ({ id, base })) };
    const held = this.#held.get(key);
    if (stored)
      return held?.revision === stored.revision
        ? { head, tried: await this.#try(held, request, body.length, actor, stored) }
        : { head };
    // the usual case: one page, nobody else since. What is held is then as good as what is stored: the write itself makes sure
    if (held?.revision !== known || acts.some((a) => a.base !== known)) return { head };
    const tried = await this.#try(held, request, body.length, actor, { revision: known, done: [], others: [] });
    // what is held may be behind: only a write that comes through proves that it was not
    return tried.count === acts.length ? { head, tried } : { head };
  }

  /**
   * A job with acts done on it, each judged on what the one before it left. Those of one request that take long let others’
   * questions in between.
   */
  async #try(
    from: Sized,
    { client, known, acts }: ActsRequest,
    length: number,
    actor: string,
    { revision, done, others }: Stored,
  ): Promise<Tried> {
    for (const base of [known, ...acts.map((a) => a.base)])
      if (base > revision)
        throw new InvalidError(
          `There is no revision ${base} of this job: the last is ${revision}. Nothing was changed.`,
        );
    const before = new Map(done);
    const outcomes: ActOutcome[] = [];
    const rows: object[] = [];
    const kept: string[] = [];
    const newMeshes = new Set<string>();
    let { job, size } = from;
    const isNearLimit = size + length + MOST_OF_ITSELF > LARGEST_JOB; // else nothing has to be measured
    let since = performance.now();
    for (const { id, base, act } of acts) {
      if (performance.now() - since > SLICE) {
        await letOthersIn();
        since = performance.now();
      }
      const doneAt = before.get(id);
      if (doneAt !== undefined) {
        outcomes.push({ id, outcome: 'saved', revision: doneAt });
        continue;
      }
      const tried = tryAct(job, act);
      if (!tried.ok) {
        outcomes.push({ id, outcome: 'refused', ...tried.fault });
        break;
      }
      const fields = touchedBy(job, tried.value);
      const later = others.filter((c) => c.revision > base && c.client !== client);
      const met = later.some((c) => !c.fields)
        ? fields
        : overlap(
            fields,
            later.flatMap((c) => c.fields ?? []),
          );
      if (met.length > 0) {
        outcomes.push({ id, outcome: 'conflict', fields: met.map((path) => sayField(job, path)) });
        break;
      }
      const grown = isNearLimit ? sizeOf(tried.value) : size;
      if (grown > LARGEST_JOB && grown > size) {
        const message = `makes the job larger than ${LARGEST_JOB / 1e6} MB, which no job file may be`;
        outcomes.push({ id, outcome: 'refused', field: '', message });
        break;
      }
      size = grown;
      const [was, is] = [meshOf(job), meshOf(tried.value)];
      if (is !== undefined && is !== was) newMeshes.add(is);
      if (fields.length > 0) {
        const at = revision + rows.length + 1;
        const summary = beginningOf(describeAct(job, act as Act));
        rows.push({ revision: at, actor, summary, act, act_id: id, client, fields });
        kept.push(JSON.stringify({ revision: at, id, client } satisfies KeptAct));
      }
      outcomes.push({ id, outcome: 'saved', revision: revision + rows.length });
      before.set(id, revision + rows.length); // sent twice in one request it is done once
      job = tried.value;
    }
    const changes = JSON.stringify(rows);
    const text = judged(job);
    const ticket = this.#keep({ job, size: text.document.length });
    return { ...text, outcomes, changes, count: rows.length, kept, newMeshes: [...newMeshes], ticket };
  }

  /**
   * Goes from the last document that was read whole through the acts done since, as far as they can be read; where none is kept,
   * from what is stored back through the last acts.
   */
  async lastReadable(
    document: string,
    { readable, acts }: WayBack,
  ): Promise<(JudgedJob & { revision: number }) | undefined> {
    if (!readable) {
      const newest = acts.toReversed().map(({ revision, act }) => ({ revision, act: JSON.parse(act) as unknown }));
      const found = takenBack(JSON.parse(document), newest);
      return found && { ...judged(found.job), revision: found.revision };
    }
    const first = readJobDocument(JSON.parse(readable.document));
    if (!first.ok) return undefined;
    let at = { job: first.value.job, revision: readable.revision };
    let since = performance.now();
    for (const { revision, act } of acts) {
      if (performance.now() - since > SLICE) {
        await letOthersIn();
        since = performance.now();
      }
      const tried = tryAct(at.job, JSON.parse(act));
      if (!tried.ok || !readJobDocument(JSON.parse(JSON.stringify(tried.value))).ok) break;
      at = { job: tried.value, revision };
    }
    return { ...judged(at.job), revision: at.revision };
  }

  stored(key: string, revision: number, ticket: number): void {
    const tried = this.#tried.get(ticket);
    this.#tried.delete(ticket);
    if (tried) this.#hold(key, { revision, ...tried });
  }

  forget(key: string): void {
    this.#held.delete(key);
  }

  #hold(key: string, held: Held): void {
    this.#held.delete(key);
    if (this.#held.size >= MOST_HELD) this.#held.delete(this.#held.keys().next().value!);
    this.#held.set(key, held);
  }

  #keep(tried: Sized): number {
    if (this.#tried.size >= MOST_TRIED) this.#tried.delete(this.#tried.keys().next().value!);
    this.#tried.set(++this.#lastTicket, tried);
    return this.#lastTicket;
  }
}

/** JSON spells such characters as escapes, but for DEL; in UTF-8 there is no half of a pair. Most requests hold none of these. */
const MAY_BE_ODD = /\\[ubf]|\u007f/;

const letOthersIn = (): Promise<void> => new Promise((resolve) => setImmediate(resolve));

const sizeOf = (job: Job): number => JSON.stringify(job).length;

/** Cut between characters: half of a pair could not be stored. */
const beginningOf = (text: string): string =>
  text.length <= LONGEST_SUMMARY ? text : [...text].slice(0, LONGEST_SUMMARY).join('');

const meshOf = ({ survey }: Job): string | undefined => survey.tank.mesh?.digest;

function judged(job: Job): JudgedJob {
  const { name, vehicle, state } = job;
  const mesh = meshOf(job);
  return { document: JSON.stringify(job), names: { name, vehicle, state }, ...(mesh === undefined ? {} : { mesh }) };
}

/** @throws InvalidError */
function parsed(body: string): unknown {
  if (isNestedTooDeep(body)) throw new InvalidError('The request is nested deeper than any job.');
  let value: unknown;
  try {
    value = JSON.parse(body);
  } catch {
    throw new InvalidError('The request is not JSON.');
  }
  // each schema refuses such text where it is looked at; what an act carries along unseen is stored too
  const odd = MAY_BE_ODD.test(body) ? unstorableAt(value) : undefined;
  if (odd) throw new InvalidError(`The request holds characters that cannot be stored: ${odd.join('.')}.`);
  return value;
}
