import { definePart } from '../define-part.ts';

/** A gauge under the bonnet; never a fuel line into the cabin. */
export const gauge = definePart(
  'gauge',
  'Pressure gauge',
  {},
  {
    ports: () => ({ port: { name: 'port', use: 'tap' } }),
    blocks: () => false,
    buys: () => 'pressure gauge',
    symbol: () => 'gauge',
    lower: () => ({ links: [] }),
  },
);
