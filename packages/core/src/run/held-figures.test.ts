import { expect } from 'chai';
import { act, carburettorJob, changed, cleanJob } from '../../test/rule-cases.ts';
import { findingsOf } from '../reckoning/findings.ts';
import { circuitsOf } from './circuits.ts';

const si = (value: number, unit: string) => ({ si: value, unit });

describe('what a pump is tried against', () => {
  it('a carburettor whose regulator is set low is held at four fifths of that, one set usually at its own least', () => {
    const held = (pressure: number) => {
      const job = carburettorJob((j) => {
        for (const part of Object.values(j.parts))
          if (part.kind === 'regulator') part.setPressure = si(pressure, 'kPa');
      });
      return findingsOf(job).solution!.margin!.heldPressure;
    };
    expect(held(20e3)).to.be.closeTo(16e3, 1);
    expect(held(24e3)).to.be.closeTo(19.2e3, 1);
    expect(held(40e3)).to.be.closeTo(3 * 6894.757, 1); // 3 psi, typical of float bowls
  });
});

describe('the order in which a run is read', () => {
  it('an instrument stands straight after the tee that it sits on, before what the line goes on to', () => {
    const job = changed(cleanJob(), (j) => {
      const joint = circuitsOf(j)
        .into('rail-1')
        .find((f) => f.toPort === 'in')!.joint;
      act(j, { act: 'tapIn', joint, part: { kind: 'gauge', id: 'gauge-9' }, port: 'port', tee: 'tee-9' });
    });
    const { order } = circuitsOf(job);
    expect(order.slice(order.indexOf('tee-9'), order.indexOf('tee-9') + 3)).to.deep.equal([
      'tee-9',
      'gauge-9',
      'rail-1',
    ]);
  });
});
