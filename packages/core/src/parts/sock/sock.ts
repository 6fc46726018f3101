import { quantity, TYPICAL } from '../../job/property.ts';
import { formatQuantity } from '../../units/format-quantity.ts';
import { kPa, litresPerHour, micrometres, mm } from '../../units/quick.ts';
import { definePart, settled, twoEnds } from '../define-part.ts';
import {
  dropBy,
  isByMesh,
  isElementRelevant,
  meshLaw,
  meshProperties,
  sheetLaw,
  sheetProperties,
} from '../filter-element.ts';
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

/** The strainer over a pump's inlet in the tank. */
export const sock = definePart('sock', 'Sock', properties, {
  ports: twoEnds,
  blocks: () => false,
  isInTank: () => true,
  buys: ({ rating }) => specification('Sock', rating && formatQuantity('length', rating.si, 'µm')),
  isRelevant: (part, key) =>
    isElementRelevant({ ...part, rating: { si: settled(properties.rating, part.rating), unit: 'm' } }, key),
  symbol: () => 'sock',
  lower(part) {
    const opening = settled(properties.rating, part.rating);
    const byMesh = isByMesh({ ...part, rating: { si: opening, unit: 'm' } });
    const [area, port] = [settled(properties.meshArea, part.meshArea), settled(properties.portBore, part.portBore)];
    return {
      links: [
        {
          id: part.id,
          from: 'in',
          to: 'out',
          law: ({ liquid, point }) =>
            byMesh
              ? meshLaw(opening, area, port, liquid, point.strainerDirt)
              : sheetLaw(properties, part, liquid, point.strainerDirt),
        },
      ],
      through: part.id,
    };
  },
});
