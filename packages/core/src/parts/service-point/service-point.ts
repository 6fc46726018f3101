import { choice } from '../../fields/property.ts';
import { definePart, onOnePort } from '../define-part.ts';

const properties = {
  use: choice('for', { flush: 'flushing', bleed: 'bleeding air', drain: 'draining' }),
};
const words = { flush: 'flushing point with its cap', bleed: 'bleed valve with its cap', drain: 'drain plug or valve' };

/** A valve or capped end by which the run is flushed, bled or drained. */
export const servicePoint = definePart('servicePoint', 'Flush, bleed or drain', properties, {
  ...onOnePort,
  buys: ({ use }) => (use ? words[use] : 'service valve'),
  symbol: () => 'service',
});
