import { expect } from 'chai';
import { jointProperties } from '../parts/joint.ts';
import { wireProperties } from '../harness/harness.ts';
import { readPasted } from './pasted.ts';

describe('a cell that is pasted', () => {
  const read = (property: Parameters<typeof readPasted>[0], text: string, unit = 'm') =>
    readPasted(property, text, unit);
  it('is read as if it were typed: with its unit, or in the one that a bare number gets', () => {
    expect(read(wireProperties.length, ' 1.25 ')).to.deep.equal({
      ok: true,
      value: { si: 1.25, unit: 'm', typed: '1.25 m' },
    });
    expect(read(wireProperties.length, '800 mm')).to.deep.include({ ok: true });
    expect((read(wireProperties.length, '800 mm') as { value: { si: number } }).value.si).to.be.closeTo(0.8, 1e-12);
    expect(read(wireProperties.length, ''), 'an empty cell clears the field').to.deep.equal({
      ok: true,
      value: undefined,
    });
  });
  it('is a choice by its words or its key, a flag, a number, a text', () => {
    expect(read(jointProperties.clamp, 'Worm-drive clamp')).to.deep.equal({ ok: true, value: 'worm' });
    expect(read(jointProperties.clamp, 'worm')).to.deep.equal({ ok: true, value: 'worm' });
    expect(read(jointProperties.tight, 'Yes')).to.deep.equal({ ok: true, value: true });
    expect(read(wireProperties.conductors, '2')).to.deep.equal({ ok: true, value: 2 });
    expect(read(wireProperties.marking, 'W7')).to.deep.equal({ ok: true, value: 'W7' });
  });
  it('is refused with the reason, just over a limit as under nothing at all', () => {
    for (const [property, text, why] of [
      [wireProperties.length, '15.1', /cannot be over 15 m/],
      [wireProperties.length, 'long', /long/],
      [jointProperties.clamp, 'string', /is none of band clamp/],
      [jointProperties.tight, 'perhaps', /neither yes nor no/],
      [wireProperties.conductors, '5', /4/],
    ] as const) {
      const cell = read(property, text);
      expect(!cell.ok && cell.why, text).to.match(why);
    }
    expect(read(wireProperties.length, '15').ok).to.equal(true);
  });
});
