import { quantity } from '../../fields/property.ts';
import { formatQuantity } from '../../units/format-quantity.ts';
import { kPa, litresPerHour, micrometres } from '../../units/quick.ts';
import { definePart, settled } from '../define-part.ts';
import { fuelHeld, sheetLaw, sheetProperties } from '../filter-element.ts';
import { specification } from '../list-line.ts';
import type { LoweredLink } from '../lower.ts';
import { regulatorLaw, regulatorWords } from '../regulator/regulator-law.ts';
import { regulatorProperties } from '../regulator/regulator-properties.ts';

const properties = {
  ...regulatorProperties,
  rating: quantity('filter inside, rating', 'length', 'µm', {
    minimum: micrometres(0.5),
    maximum: 2e-3,
    likely: [micrometres(3), micrometres(100)],
    needed: true,
  }),
  ...sheetProperties(litresPerHour(200), kPa(8)),
  fuelHeld,
  maximumPressure: quantity('maximum pressure', 'pressure', 'kPa', { maximum: 1e7, hint: 'Printed on the body.' }),
};

/** Filter and regulator in one body: what is too much is let go behind the element. */
export const filterRegulator = definePart('filterRegulator', 'Filter and regulator', properties, {
  ports: () => ({
    in: { name: 'inlet', use: 'either' },
    out: { name: 'outlet', use: 'either' },
    return: { name: 'return port', use: 'spill' },
  }),
  mayHave: (port) => (port === 'reference' ? { name: 'manifold reference', use: 'dry' } : undefined),
  blocks: (key) => key !== 'rating',
  buys: (part, say) =>
    specification(
      ...regulatorWords(part, say),
      part.rating && `filter inside, ${formatQuantity('length', part.rating.si, 'µm')}`,
    ),
  holds: (part) => settled(properties.fuelHeld, part.fuelHeld),
  symbol: () => 'filterRegulator',
  lower(part, site) {
    const { id } = part;
    const filter: LoweredLink = {
      id: `${id}:filter`,
      from: 'in',
      to: '.body',
      law: ({ liquid, point }) => sheetLaw(properties, part, liquid, point.dirt),
    };
    const law = regulatorLaw(part);
    if (part.action === 'deadHead') return { links: [filter, { id, from: '.body', to: 'out', law }], through: id };
    return {
      links: [filter, ...(site.isMated('return') ? [{ id, from: '.body', to: 'return', law }] : [])],
      ties: [['out', '.body']],
      through: id,
      spill: id,
    };
  },
});
