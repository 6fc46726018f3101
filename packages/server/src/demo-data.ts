import { demoJobs, demoShopName } from '@endrel/core/demo/index';
import { demoShelf } from '@endrel/core/demo/shelf';
import { MOST_SHELF } from '@endrel/core/joints/shelf-csv';
import type { Judge } from './judging/judge.ts';
import type { JobRepository } from './repositories/job-repository.ts';
import type { ShelfRepository } from './repositories/shelf-repository.ts';
import type { Shop, ShopRepository } from './repositories/shop-repository.ts';
import type { AttachmentService } from './services/attachment-service.ts';

const EMPTY_SHOP_NAME = 'The workshop';

interface Parts {
  readonly shops: ShopRepository;
  readonly jobs: JobRepository;
  readonly attachments: AttachmentService;
  readonly judge: Judge;
  readonly shelf: ShelfRepository;
}

/**
 * The shop; on the very first start with demo data, the invented workshop and its jobs: all of them or, when that start is killed,
 * none, and the next one loads them. Call it under the start lock.
 */
export async function prepareShop({ shops, jobs, attachments, judge, shelf }: Parts, loadDemo: boolean): Promise<Shop> {
  const shop = await shops.ensureOnly(loadDemo ? demoShopName : EMPTY_SHOP_NAME);
  if (shop.isPrepared) return shop;
  const documents: string[] = [];
  const isDemo = loadDemo && shop.name === demoShopName;
  if (isDemo)
    for (const document of Object.values(demoJobs).reverse()) {
      const judged = await judge.create(JSON.stringify({ document }));
      await attachments.keepAll(shop.id, judged.attachments);
      documents.push(judged.document);
    }
  await shops.prepare(shop.id, async (trx) => {
    if (isDemo) await shelf.keep(shop.id, demoShelf(), MOST_SHELF, trx);
    for (const document of documents)
      await jobs.create(shop.id, document, { actor: 'demo data', summary: 'brought in from a job file' }, { on: trx });
  });
  return shop;
}
