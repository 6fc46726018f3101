import { choice, quantity } from '../../fields/property.ts';
import { definePart, onOnePort } from '../define-part.ts';

const properties = {
  sort: choice('it is', { accumulator: 'an accumulator', damper: 'a pulse damper' }),
  volume: quantity('volume', 'volume', 'mL', { maximum: 2e-3, likely: [5e-6, 5e-4] }),
};

/** Gives and takes a little volume: holds pressure with the engine off, or smooths the pump's pulses. */
export const damper = definePart('damper', 'Accumulator or pulse damper', properties, {
  ...onOnePort,
  buys: ({ sort }) => (sort === 'accumulator' ? 'fuel accumulator' : 'pulse damper'),
  symbol: () => 'damper',
});
