/** `npm run search`: the long random searches, of which `npm test` runs a seeded tenth. */
const isSearch = process.env.ENDREL_SEARCH === 'yes';

/**
 * How many random cases there are: by count and never by clock, so that a slow machine tests no less.
 *
 * @param long - in `npm run search`; ENDREL_RUNS sets another number.
 */
export const casesOf = (long: number): number =>
  process.env.ENDREL_RUNS === undefined ? (isSearch ? long : Math.ceil(long / 10)) : Number(process.env.ENDREL_RUNS);

/** The same cases every time; others with ENDREL_SEED. */
export const seedOf = (usual: number): number => Number(process.env.ENDREL_SEED ?? usual);

/** ms: far more than a busy machine takes, since what matters is that it ends. */
export const PATIENCE = isSearch || process.env.ENDREL_RUNS !== undefined ? 3_600_000 : 300_000;
