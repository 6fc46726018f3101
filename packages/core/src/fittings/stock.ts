import { z } from 'zod';
import { adapterSchema } from './adapter.ts';
import { lineSchema } from '../fields/text.ts';
import { genericAdapters } from './adapter-catalogue.ts';
import { ChainSearch, type Stocked } from './chain-search.ts';

/** One part on the shop's shelf. */
export const shelfPartSchema = z.strictObject({
  adapter: adapterSchema,
  /** How many lie there. */
  count: z.number().int().min(0).max(100_000),
  note: lineSchema(200).optional(),
});
export type ShelfPart = z.infer<typeof shelfPartSchema>;

/**
 * Everything that can be had: the generic parts, those of the shop's shelf under their own codes, and of generic ones that lie on
 * the shelf their count and the shop's price.
 */
export function stockOf(shelf: readonly ShelfPart[]): Stocked[] {
  const own = new Map(shelf.map((p) => [p.adapter.code, p]));
  const generic = genericAdapters().map((adapter): Stocked => {
    const held = own.get(adapter.code);
    own.delete(adapter.code);
    return held ? { adapter, onShelf: held.count, price: held.adapter.price } : { adapter, onShelf: 0 };
  });
  return [...generic, ...[...own.values()].map(({ adapter, count }): Stocked => ({ adapter, onShelf: count }))];
}

let generic: ChainSearch | undefined;
/** The generic parts alone, made ready once. */
export const genericSearch = (): ChainSearch => (generic ??= new ChainSearch(stockOf([])));
