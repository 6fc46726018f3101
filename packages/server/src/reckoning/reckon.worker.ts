import { parentPort } from 'node:worker_threads';
import { holdAttachment } from '@endrel/core/attachments/attachment';
import { meshTextFault } from '@endrel/core/attachments/tank-mesh';
import { factsOf } from '@endrel/core/contract/summary';
import type { Job } from '@endrel/core/job/job';
import type { Question } from './reckoner.ts';

// What takes longer than the event loop may stand still for: a whole job's findings, a mesh's soundness.
parentPort!.on('message', ({ id, question }: { id: number; question: Question }) => {
  try {
    parentPort!.postMessage({ id, answer: answerTo(question) });
  } catch (error) {
    parentPort!.postMessage({ id, fault: (error as Error).message });
  }
});

function answerTo(question: Question): unknown {
  if (question.ask === 'meshFault') return meshTextFault(question.text);
  const { job, mesh } = question;
  const digest = (job as Job).survey.tank.mesh?.digest;
  if (digest !== undefined && mesh !== undefined) holdAttachment(digest, mesh);
  return factsOf(job as Job);
}
