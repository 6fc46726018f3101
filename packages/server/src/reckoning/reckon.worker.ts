import { holdAttachment } from '@endrel/core/attachments/attachment';
import { meshTextFault } from '@endrel/core/attachments/tank-mesh';
import { factsOf } from '@endrel/core/contract/summary';
import type { Job } from '@endrel/core/job/job';
import { serve } from '../threads/serve.ts';
import type { Question } from './reckoner.ts';

serve((question: Question) => {
  if (question.ask === 'meshFault') return meshTextFault(question.text);
  const job = JSON.parse(question.document) as Job; // judged when it was saved
  const digest = job.survey.tank.mesh?.digest;
  if (digest !== undefined && question.mesh !== undefined) holdAttachment(digest, question.mesh);
  return factsOf(job);
});
