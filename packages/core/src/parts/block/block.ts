import { count } from '../../fields/property.ts';
import { definePart, numbered } from '../define-part.ts';
import { junctionBore } from '../junction-bore.ts';
import { lowerJunction } from '../line-loss.ts';
import { sizeOf, specification } from '../list-line.ts';
import type { PortSpec } from '../port.ts';

const properties = { ways: count('number of ports', 8), bore: junctionBore };
const BLOCK_LOSS = 1.3; // K round the corner into a port, typical, from memory
const port = numbered('port', { name: 'port', use: 'either' });
const FEWEST_WAYS = 3;

/** A distribution block: any of its ports may be used. */
export const block = definePart('block', 'Distribution block', properties, {
  ports: ({ ways }): Record<string, PortSpec> =>
    Object.fromEntries(
      Array.from({ length: ways ?? FEWEST_WAYS }, (_, i) => [`port-${i + 1}`, port(`port-${i + 1}`)!]),
    ),
  mayHave: port,
  blocks: () => false,
  bore: ({ bore }) => bore?.si,
  buys: ({ ways, bore }, say) =>
    specification(
      'distribution block',
      ways !== undefined && `${ways} ports`,
      bore && `bore ${sizeOf(bore, say)} or larger`,
    ),
  symbol: () => 'block',
  lower: ({ id, bore }, site) =>
    lowerJunction(id, site, bore?.si, (way) => ({ k1: 0, kInfinity: site.flowsIn(way) ? 0 : BLOCK_LOSS })),
});
