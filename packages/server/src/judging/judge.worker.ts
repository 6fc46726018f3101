import { serve } from '../threads/serve.ts';
import type { JudgeQuestion } from './judge.ts';
import { JudgedJobs } from './judged-jobs.ts';

const jobs = new JudgedJobs();

serve((question: JudgeQuestion) => {
  switch (question.ask) {
    case 'create':
      return jobs.create(question.body);
    case 'open':
      return jobs.open(question.key, question.revision, question.document);
    case 'act':
      return jobs.act(question);
    case 'lastReadable':
      return jobs.lastReadable(question.document, question.way);
    case 'stored':
      return jobs.stored(question.key, question.revision, question.ticket);
    case 'forget':
      return jobs.forget(question.key);
  }
});
