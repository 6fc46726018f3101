import { definePart } from '../define-part.ts';

/** Where a pump controller, a control unit or a gauge in the dash reads the pressure. */
export const pressureSensor = definePart(
  'pressureSensor',
  'Pressure sensor',
  {},
  {
    ports: () => ({ port: { name: 'port', use: 'tap' } }),
    blocks: () => false,
    buys: () => 'fuel pressure sensor',
    symbol: () => 'sensor',
    lower: () => ({ links: [] }),
  },
);
