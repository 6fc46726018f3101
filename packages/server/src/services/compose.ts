import type { Logger } from 'pino';
import type { openDatabase } from '../database.ts';
import { Judge } from '../judging/judge.ts';
import { Reckoner } from '../reckoning/reckoner.ts';
import { AttachmentRepository } from '../repositories/attachment-repository.ts';
import { ChangeFeed } from '../repositories/change-feed.ts';
import { JobRepository } from '../repositories/job-repository.ts';
import { PumpRepository } from '../repositories/pump-repository.ts';
import { AttachmentService } from './attachment-service.ts';
import { JobService } from './job-service.ts';
import { SummaryService } from './summary-service.ts';

/** Everything that answers requests, on one database. `close` ends what runs beside them. */
export async function composeServices(database: ReturnType<typeof openDatabase>, connection: string, logger: Logger) {
  const repository = new JobRepository(database);
  const judge = new Judge();
  const reckoner = new Reckoner();
  const attachments = new AttachmentService(new AttachmentRepository(database), reckoner);
  const summaries = new SummaryService(repository, reckoner, logger);
  const feed = new ChangeFeed(connection);
  await feed.open();
  return {
    jobs: new JobService(repository, attachments, summaries, judge),
    attachments,
    feed,
    pumps: new PumpRepository(database),
    async close(): Promise<void> {
      await summaries.close();
      await Promise.all([reckoner.close(), judge.close(), feed.close()]);
    },
  };
}
