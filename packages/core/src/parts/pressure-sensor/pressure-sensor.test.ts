import { expect } from 'chai';
import { psi } from '../../units/quick.ts';
import { sensorOffset, sensorSignal } from './pressure-sensor.ts';

const si = (value: number, unit = 'V') => ({ si: value, unit });
const sensor = (rest: object = {}) =>
  ({ kind: 'pressureSensor', id: 's', ...rest }) as Parameters<typeof sensorSignal>[0];

describe('a pressure sensor', () => {
  // Common practice: 0.5 to 4.5 V for 0 to 100 psi, so 0.04 V a psi.
  it('gives 0.5 V at none, 4.5 at 100 psi, 2.82 at 58', () => {
    expect([0, 58, 100].map((p) => sensorSignal(sensor(), psi(p)).toFixed(3))).to.deep.equal([
      '0.500',
      '2.820',
      '4.500',
    ]);
  });
  it('goes with its supply: 4.8 of 5 V read 4 % low', () => {
    expect(sensorSignal(sensor({ supply: si(4.8) }), psi(58)) / sensorSignal(sensor(), psi(58))).to.be.closeTo(
      0.96,
      1e-9,
    );
  });
  it('is calibrated by what it reads at no pressure', () => {
    const shifted = sensor({ zeroRead: si(0.56) });
    expect(sensorOffset(shifted)).to.be.closeTo(0.06, 1e-12);
    expect(sensorSignal(shifted, psi(58)) - sensorSignal(sensor(), psi(58))).to.be.closeTo(0.06, 1e-12);
    expect(sensorOffset(sensor())).to.equal(0);
  });
});
