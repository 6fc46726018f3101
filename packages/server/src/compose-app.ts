import type { Express } from 'express';
import type { Logger } from 'pino';
import { createApp, type AppParts } from './app.ts';
import { migrate, ping, underStartLock, type openDatabase } from './database.ts';
import { prepareShop } from './demo-data.ts';
import { Judge } from './judging/judge.ts';
import { Printer } from './printing/printer.ts';
import { Reckoner } from './reckoning/reckoner.ts';
import { AttachmentRepository } from './repositories/attachment-repository.ts';
import { ChangeFeed } from './repositories/change-feed.ts';
import { JobRepository } from './repositories/job-repository.ts';
import { PumpRepository } from './repositories/pump-repository.ts';
import { BenderRepository } from './repositories/bender-repository.ts';
import { ShelfRepository } from './repositories/shelf-repository.ts';
import { ShopRepository } from './repositories/shop-repository.ts';
import { AttachmentService } from './services/attachment-service.ts';
import { Health } from './services/health.ts';
import { JobService } from './services/job-service.ts';
import { SummaryService } from './services/summary-service.ts';

interface Wanted extends Pick<AppParts, 'webRoot' | 'boundTo' | 'names' | 'requestsPerMinute'> {
  /** Where the database is, for the connections that are held beside the pool. */
  readonly databaseUrl: string;
  readonly loadDemo: boolean;
  readonly logger: Logger;
}

/** The whole application on one database, migrated and its shop made ready. `close` ends what runs beside the answers. */
export async function composeApp(
  database: ReturnType<typeof openDatabase>,
  { databaseUrl, loadDemo, logger, ...rest }: Wanted,
): Promise<{ readonly app: Express; readonly close: () => Promise<void> }> {
  const repository = new JobRepository(database);
  const judge = new Judge();
  const reckoner = new Reckoner();
  const printer = new Printer();
  const attachments = new AttachmentService(new AttachmentRepository(database), reckoner);
  const summaries = new SummaryService(repository, reckoner, logger);
  const jobs = new JobService(repository, attachments, summaries, judge);
  const feed = new ChangeFeed(databaseUrl);
  const close = async (): Promise<void> => {
    await summaries.close();
    await Promise.all([reckoner.close(), printer.close(), judge.close(), feed.close()]);
  };
  try {
    const shelf = new ShelfRepository(database);
    const shop = await underStartLock(databaseUrl, async () => {
      await migrate(database);
      return prepareShop(
        { shelf, shops: new ShopRepository(database), jobs: repository, attachments, judge },
        loadDemo,
      );
    });
    await feed.open();
    await judge.loaded(); // who is told that it is ready can save
    const health = new Health(() => ping(database), logger);
    return {
      app: createApp({
        ...rest,
        jobs,
        attachments,
        feed,
        health,
        printer,
        pumps: new PumpRepository(database),
        shelf,
        benders: new BenderRepository(database),
        shop,
      }),
      close,
    };
  } catch (error) {
    await close();
    throw error;
  }
}
