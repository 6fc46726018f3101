import { definePart, onOnePort } from '../define-part.ts';

/** Where a pump controller, a control unit or a gauge in the dash reads the pressure. */
export const pressureSensor = definePart(
  'pressureSensor',
  'Pressure sensor',
  {},
  {
    ...onOnePort,
    buys: () => 'fuel pressure sensor',
    symbol: () => 'sensor',
  },
);
