import { demoJobs, demoShopName } from '@endrel/core/demo/index';
import type { ShopRepository } from './repositories/shop-repository.ts';
import type { JobService } from './services/job-service.ts';

const EMPTY_SHOP_NAME = 'The workshop';

/** The shop; on the very first start with demo data, the invented workshop and its jobs. */
export async function prepareShop(shops: ShopRepository, jobs: JobService, loadDemo: boolean) {
  const shop = await shops.ensureOnly(loadDemo ? demoShopName : EMPTY_SHOP_NAME);
  if (shop.isNew && loadDemo && (await jobs.isEmpty({ shop: shop.id, actor: 'demo data' })))
    for (const document of Object.values(demoJobs).reverse())
      await jobs.create({ shop: shop.id, actor: 'demo data' }, JSON.stringify({ document }));
  return shop;
}
