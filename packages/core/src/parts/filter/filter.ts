import { kPa, litresPerHour, micrometres } from '../../units/quick.ts';
import { flag, quantity, TYPICAL } from '../../job/property.ts';
import { formatQuantity } from '../../units/format-quantity.ts';
import { definePart, settled, twoEnds } from '../define-part.ts';
import { mediumLaw } from '../line-loss.ts';
import { specification } from '../list-line.ts';

const properties = {
  rating: quantity('filter rating', 'length', 'µm', {
    minimum: micrometres(0.5),
    maximum: 2e-3,
    likely: [micrometres(3), micrometres(200)],
    needed: true,
  }),
  ratedFlow: quantity('rated flow', 'volumeFlow', 'L/h', {
    minimum: litresPerHour(1),
    typical: { si: litresPerHour(200), source: TYPICAL },
  }),
  ratedDrop: quantity('drop at rated flow, new', 'pressure', 'kPa', {
    maximum: kPa(500),
    typical: { si: kPa(5), source: TYPICAL },
  }),
  dirt: quantity('dirt factor', 'number', '', {
    minimum: 1,
    maximum: 20,
    likely: [1, 4],
    typical: { si: 1, source: 'common practice' },
    hint: '1 new, 4 change me.',
  }),
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
  symbol: () => 'filter',
  lower({ id, ratedFlow, ratedDrop, dirt }) {
    const [flow, drop] = [settled(properties.ratedFlow, ratedFlow), settled(properties.ratedDrop, ratedDrop)];
    const own = settled(properties.dirt, dirt);
    return {
      links: [
        {
          id,
          from: 'in',
          to: 'out',
          law: ({ liquid, point }) => mediumLaw(liquid, flow, drop, Math.max(own, point.dirt)),
        },
      ],
      through: id,
    };
  },
});
