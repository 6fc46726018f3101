import { expect } from 'chai';
import { inches } from '@endrel/core/units/quick';
import { toSi, unitById } from '@endrel/core/units/unit-table';
import { stepped } from './stepped.ts';

const of = (value: number, unit: string) => ({ si: toSi(value, unitById(unit)), unit });
const tape = { tool: 'tape' } as const;
const calipers = { tool: 'calipers' } as const;

describe('what the arrow keys make of a value', () => {
  it('is the next in its second figure, with Shift ten times that, in the unit it is in', () => {
    expect(stepped(of(412, 'kPa'), {}, 1, false)).to.equal('422 kPa');
    expect(stepped(of(412, 'kPa'), {}, -1, true)).to.equal('312 kPa');
    expect(stepped(of(0.85, 'mm'), calipers, 1, false)).to.equal('0.86 mm');
    expect(stepped(of(9.9, 'mm'), calipers, 1, false)).to.equal('10 mm');
    expect(stepped(of(-20, '°C'), {}, 1, false)).to.equal('-19 °C');
    expect(stepped({ si: 0, unit: 'mm' }, {}, -1, false)).to.equal('-1 mm');
  });
  it('is on a tape the next sixteenth, with Shift the next inch, from between two marks too', () => {
    const at = (value: number) => ({ si: inches(value), unit: 'in' });
    expect(stepped(at(9), tape, 1, false)).to.equal('9 1/16 in');
    expect(stepped(at(9), tape, -1, false)).to.equal('8 15/16 in');
    expect(stepped(at(9.3), tape, 1, false)).to.equal('9 5/16 in');
    expect(stepped(at(9.3), tape, -1, false)).to.equal('9 1/4 in');
    expect(stepped(at(9.3), tape, 1, true)).to.equal('10 in');
    expect(stepped(at(9), calipers, 1, false), 'no tape').to.equal('9.1 in');
  });
  it('is the next dash size, and stays at the last', () => {
    const dash = (size: number) => of(size, 'dash');
    expect([stepped(dash(6), {}, 1, false), stepped(dash(6), {}, -1, false)]).to.deep.equal(['−8', '−5']);
    let size = 6;
    for (let i = 0; i < 40; i++) size = -Number(stepped(dash(size), {}, 1, false).replace('−', '-'));
    expect(stepped(dash(size), {}, 1, false)).to.equal(`−${size}`);
  });
});
