import { definePart, onOnePort } from '../define-part.ts';

/** A gauge under the bonnet; never a fuel line into the cabin. */
export const gauge = definePart(
  'gauge',
  'Pressure gauge',
  {},
  {
    ...onOnePort,
    buys: () => 'pressure gauge',
    symbol: () => 'gauge',
  },
);
