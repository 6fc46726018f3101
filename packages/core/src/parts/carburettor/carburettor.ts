import { kPa, psi } from '../../units/quick.ts';
import { quantity } from '../../fields/property.ts';
import { definePart } from '../define-part.ts';

const properties = {
  needleLimit: quantity('needle and seat floods above', 'pressure', 'psi', {
    maximum: kPa(200),
    typical: { si: psi(6.5), source: 'common practice' },
  }),
  leastPressure: quantity('least inlet pressure', 'pressure', 'psi', {
    maximum: kPa(100),
    typical: { si: psi(3), source: 'common practice' },
  }),
};

export const carburettor = definePart('carburettor', 'Carburettor', properties, {
  ports: () => ({ in: { name: 'inlet', use: 'in' } }),
  blocks: () => false,
  buys: () => undefined, // the vehicle's own
  symbol: () => 'carburettor',
  meters: 'float',
  lower: (_part, site) => ({ links: [], heights: [['in', site.railHeight]], draws: ['in'] }),
});
