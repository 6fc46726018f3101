import { kPa, litresPerHour, micrometres, mm } from '../../units/quick.ts';
import { flag, quantity } from '../../fields/property.ts';
import { formatQuantity } from '../../units/format-quantity.ts';
import { definePart, settled, twoEnds } from '../define-part.ts';
import { dropBy, elementLaw, fuelHeld, isElementRelevant, meshProperties, sheetProperties } from '../filter-element.ts';
import { specification } from '../list-line.ts';

const properties = {
  rating: quantity('filter rating', 'length', 'µm', {
    minimum: micrometres(0.5),
    maximum: 2e-3,
    likely: [micrometres(3), micrometres(200)],
    needed: true,
  }),
  dropBy,
  ...sheetProperties(litresPerHour(200), kPa(5)),
  ...meshProperties(50e-4, mm(8)),
  dirt: quantity('dirt factor', 'number', '', {
    minimum: 1,
    maximum: 20,
    likely: [1, 4],
    typical: { si: 1, source: 'common practice' },
    hint: '1 new, 4 change me.',
  }),
  fuelHeld,
  maximumPressure: quantity('maximum pressure', 'pressure', 'kPa', { maximum: 1e7, hint: 'Printed on the body.' }),
  reversed: flag('arrow points against the flow'),
};

export const filter = definePart('filter', 'Filter', properties, {
  ports: twoEnds,
  blocks: () => false,
  buys: ({ rating, ratedFlow, maximumPressure }, say) =>
    specification(
      rating && formatQuantity('length', rating.si, 'µm'),
      ratedFlow && `for ${say('volumeFlow', ratedFlow.si)}`,
      maximumPressure && `up to ${say('pressure', maximumPressure.si)}`,
    ),
  isRelevant: isElementRelevant,
  holds: (part) => settled(properties.fuelHeld, part.fuelHeld),
  symbol: () => 'filter',
  lower(part, site) {
    const own = settled(properties.dirt, part.dirt);
    // a strainer before a pump clogs apart from the fine filter behind it
    const isStrainer = site.isSuction;
    return {
      links: [
        {
          id: part.id,
          from: 'in',
          to: 'out',
          law: ({ liquid, point }) =>
            elementLaw(properties, part, liquid, Math.max(own, isStrainer ? point.strainerDirt : point.dirt)),
        },
      ],
      through: part.id,
    };
  },
});
