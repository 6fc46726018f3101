import { definePart } from '../define-part.ts';
import { junctionBore } from '../junction-bore.ts';
import { lowerJunction } from '../line-loss.ts';
import { sizeOf, specification } from '../list-line.ts';

const properties = { bore: junctionBore };
const SPLIT_LOSS = 0.6; // K into one leg, on its own velocity, typical, from memory
const JOIN_LOSS = 1; // K of leaving a leg into the stem, typical, from memory

/** A Y: a stem and two legs. */
export const y = definePart('y', 'Y', properties, {
  ports: () => ({
    stem: { name: 'stem', use: 'either' },
    left: { name: 'left leg', use: 'either' },
    right: { name: 'right leg', use: 'either' },
  }),
  blocks: () => false,
  bore: ({ bore }) => bore?.si,
  buys: ({ bore }, say) => specification('Y', bore && `bore ${sizeOf(bore, say)} or larger`),
  symbol: () => 'y',
  lower: ({ id, bore }, site) =>
    lowerJunction(id, site, bore?.si, (port) => ({
      k1: 0,
      kInfinity: port === 'stem' ? 0 : site.flowsIn(port) ? JOIN_LOSS : SPLIT_LOSS,
    })),
});
