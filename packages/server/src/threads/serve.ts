import { parentPort } from 'node:worker_threads';
import type { ApiFault } from '@endrel/core/contract/api';
import { AppError } from '../errors.ts';

/** What a thread answers: the answer, a fault that the client is told, or what went wrong. */
export type Reply =
  | { readonly id: number; readonly answer: unknown }
  | { readonly id: number; readonly refusal: [status: number, fault: ApiFault] }
  | { readonly id: number; readonly failure: string };

/** Answers the questions of a `Thread`; those that are answered at once, one after the other. */
export function serve<Question>(answerTo: (question: Question) => unknown): void {
  parentPort!.on('message', ({ id, question }: { id: number; question: Question }) => {
    void replyTo(id, () => answerTo(question)).then((reply) => parentPort!.postMessage(reply));
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
