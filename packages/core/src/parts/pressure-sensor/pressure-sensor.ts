import { quantity, TYPICAL } from '../../fields/property.ts';
import { kPa, psi } from '../../units/quick.ts';
import { definePart, onOnePort, settled, type PartRecord } from '../define-part.ts';

const VOLTS = { maximum: 30 } as const;

const properties = {
  fullPressure: quantity('reads up to', 'pressure', 'psi', {
    minimum: kPa(50),
    maximum: kPa(25_000),
    likely: [psi(50), psi(500)],
    typical: { si: psi(100), source: 'common practice' },
  }),
  zeroVolts: quantity('signal at no pressure', 'voltage', 'V', {
    ...VOLTS,
    typical: { si: 0.5, source: 'common practice' },
  }),
  fullVolts: quantity('signal at that', 'voltage', 'V', { ...VOLTS, typical: { si: 4.5, source: 'common practice' } }),
  zeroRead: quantity('signal read with no pressure', 'voltage', 'V', {
    ...VOLTS,
    hint: 'Pump off, pressure let go, reference open: what it is off by is taken from every reading.',
  }),
  supply: quantity('supply of the sensor', 'voltage', 'V', {
    ...VOLTS,
    minimum: 1,
    typical: { si: 5, source: TYPICAL },
    hint: 'Its signal goes with its supply: measured at its plug.',
  }),
  ratedSupply: quantity('supply that its sheet is for', 'voltage', 'V', {
    ...VOLTS,
    minimum: 1,
    typical: { si: 5, source: TYPICAL },
  }),
  alarm: quantity('low-pressure alarm at', 'pressure', 'kPa', { maximum: kPa(2500) }),
};

/** Where a pump controller, a control unit or a gauge in the dash reads the pressure. */
export const pressureSensor = definePart('pressureSensor', 'Pressure sensor', properties, {
  ...onOnePort,
  buys: ({ fullPressure, zeroVolts, fullVolts }, say) =>
    fullPressure || zeroVolts || fullVolts
      ? `fuel pressure sensor, 0 to ${say('pressure', fullPressure?.si ?? properties.fullPressure.typical!.si)}`
      : 'fuel pressure sensor',
  symbol: () => 'sensor',
  isSensor: true,
});

type Sensor = PartRecord<'pressureSensor', typeof properties>;

/** Signal expected at a gauge pressure, V: linear over its range, in proportion to its supply, shifted by what it reads at none. */
export function sensorSignal(sensor: Sensor, pressure: number): number {
  const value = (key: 'zeroVolts' | 'fullVolts' | 'fullPressure' | 'supply' | 'ratedSupply') =>
    settled(properties[key], sensor[key]);
  const ratio = value('supply') / value('ratedSupply');
  const signal =
    ratio * (value('zeroVolts') + ((value('fullVolts') - value('zeroVolts')) * pressure) / value('fullPressure'));
  return signal + sensorOffset(sensor);
}

/** What it reads at no pressure over what its sheet says, V; nothing while that was not read. */
export function sensorOffset(sensor: Sensor): number {
  if (!sensor.zeroRead) return 0;
  const nominal = settled(properties.supply, sensor.supply) / settled(properties.ratedSupply, sensor.ratedSupply);
  return sensor.zeroRead.si - nominal * settled(properties.zeroVolts, sensor.zeroVolts);
}
