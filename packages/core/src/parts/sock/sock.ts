import type { Measured } from '../../fields/measured.ts';
import { quantity, TYPICAL } from '../../fields/property.ts';
import { formatQuantity } from '../../units/format-quantity.ts';
import { kPa, litresPerHour, micrometres, mm } from '../../units/quick.ts';
import { definePart, settled, twoEnds } from '../define-part.ts';
import { dropBy, elementLaw, isElementRelevant, meshProperties, sheetProperties } from '../filter-element.ts';
import { specification } from '../list-line.ts';

const properties = {
  rating: quantity('strainer rating', 'length', 'µm', {
    maximum: 2e-3,
    likely: [micrometres(20), micrometres(300)],
    typical: { si: micrometres(70), source: TYPICAL },
  }),
  dropBy,
  ...sheetProperties(litresPerHour(250), kPa(0.7)),
  ...meshProperties(80e-4, mm(10)),
};

/** With the mesh that is usual where it was not read: by it a sock is a strainer. */
const rated = <P extends { rating?: Measured }>(part: P) => ({
  ...part,
  rating: { si: settled(properties.rating, part.rating), unit: 'm' },
});

/** The strainer over a pump's inlet in the tank. */
export const sock = definePart('sock', 'Sock', properties, {
  ports: twoEnds,
  blocks: () => false,
  isInTank: () => true,
  buys: ({ rating }) => specification('Sock', rating && formatQuantity('length', rating.si, 'µm')),
  isRelevant: (part, key) => isElementRelevant(rated(part), key),
  symbol: () => 'sock',
  lower(part) {
    const sock = rated(part);
    return {
      links: [
        {
          id: part.id,
          from: 'in',
          to: 'out',
          law: ({ liquid, point }) => elementLaw(properties, sock, liquid, point.strainerDirt),
        },
      ],
      through: part.id,
    };
  },
});
