import { parentPort } from 'node:worker_threads';
import type { ApiFault } from '@endrel/core/contract/api';
import { AppError } from '../errors.ts';

/** What a thread answers: pieces of the answer, the answer, a fault that the client is told, or what went wrong. */
export type Reply =
  | { readonly id: number; readonly part: unknown }
  | { readonly id: number; readonly answer: unknown }
  | { readonly id: number; readonly refusal: [status: number, fault: ApiFault] }
  | { readonly id: number; readonly failure: string };

/** What an answer may use while it is being made. */
export interface Answering {
  /** Sends a piece of it ahead. */
  readonly say: (part: unknown) => void;
  /** Aborted once nobody waits any more; heard by what lets the thread's events in between two steps. */
  readonly signal: AbortSignal;
}

type Message<Question> =
  { readonly id: number; readonly question: Question } | { readonly id: number; readonly cancel: true };

/** Answers the questions of a `Thread`; those that are answered at once, one after the other. */
export function serve<Question>(answerTo: (question: Question, answering: Answering) => unknown): void {
  const running = new Map<number, AbortController>();
  parentPort!.on('message', (message: Message<Question>) => {
    const { id } = message;
    if ('cancel' in message) {
      running.get(id)?.abort();
      return;
    }
    const control = new AbortController();
    running.set(id, control);
    const say = (part: unknown) => parentPort!.postMessage({ id, part } satisfies Reply);
    void replyTo(id, () => answerTo(message.question, { say, signal: control.signal })).then((reply) => {
      running.delete(id);
      parentPort!.postMessage(reply);
    });
  });
}

async function replyTo(id: number, answer: () => unknown): Promise<Reply> {
  try {
    return { id, answer: await answer() };
  } catch (error) {
    if (error instanceof AppError) return { id, refusal: [error.status, error.fault] };
    return { id, failure: (error as Error).stack ?? String(error) };
  }
}
