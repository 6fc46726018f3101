import { quantity, TYPICAL } from '../../job/property.ts';
import { formatQuantity } from '../../units/format-quantity.ts';
import { kPa, litresPerHour, micrometres } from '../../units/quick.ts';
import { definePart, settled, twoEnds } from '../define-part.ts';
import { mediumLaw } from '../line-loss.ts';
import { specification } from '../list-line.ts';

const properties = {
  rating: quantity('strainer rating', 'length', 'µm', {
    maximum: 2e-3,
    likely: [micrometres(20), micrometres(300)],
    typical: { si: micrometres(70), source: TYPICAL },
  }),
  ratedFlow: quantity('rated flow', 'volumeFlow', 'L/h', {
    minimum: litresPerHour(1),
    typical: { si: litresPerHour(250), source: TYPICAL },
  }),
  ratedDrop: quantity('drop at rated flow', 'pressure', 'kPa', {
    maximum: kPa(50),
    typical: { si: kPa(0.7), source: TYPICAL },
  }),
};

export const sock = definePart('sock', 'Sock', properties, {
  ports: twoEnds,
  blocks: () => false,
  isInTank: () => true,
  buys: ({ rating }) => specification('Sock', rating && formatQuantity('length', rating.si, 'µm')),
  symbol: () => 'sock',
  lower({ id, ratedFlow, ratedDrop }) {
    const [flow, drop] = [settled(properties.ratedFlow, ratedFlow), settled(properties.ratedDrop, ratedDrop)];
    return {
      links: [{ id, from: 'in', to: 'out', law: ({ liquid }) => mediumLaw(liquid, flow, drop, 1) }],
      through: id,
    };
  },
});
