import { expect } from 'chai';
import { genericAdapters } from '../fittings/adapter-catalogue.ts';
import { mm } from '../units/quick.ts';
import { MOST_FAULTS, MOST_SHELF, readShelfCsv, shelfColumns, shelfCsvCells } from './shelf-csv.ts';
import type { ShelfPart } from '../fittings/stock.ts';

const heading = [...shelfColumns];
const row = (given: Partial<Record<(typeof shelfColumns)[number], string>>) => heading.map((c) => given[c] ?? '');
const own = { code: 'shop 7', 'port 1': 'male flare37 -6', 'port 2': 'female npt 1/4', bore: '7 mm', count: '3' };
const faults = (...rows: string[][]) => {
  const read = readShelfCsv([heading, ...rows]);
  return read.ok ? [] : read.fault.map((f) => `${f.row}: ${f.message}`);
};

describe('a shelf file', () => {
  it('reads parts of the shop’s own, in the units that they are written in', () => {
    const read = readShelfCsv([
      heading,
      row({ ...own, length: '1.5 in', price: '12.5', material: 'brass', 'max pressure': '10 bar', note: 'drawer 4' }),
    ]);
    if (!read.ok) throw new Error(JSON.stringify(read.fault));
    const [{ adapter, count, note }] = read.value as [ShelfPart];
    expect(adapter).to.include({ code: 'shop 7', bore: mm(7), price: 12.5, material: 'brass', maximumPressure: 1e6 });
    expect(adapter.length).to.be.closeTo(0.0381, 1e-12);
    expect(adapter.ports.map((p) => p.form)).to.deep.equal(['flare37', 'npt']);
    expect([count, note]).to.deep.equal([3, 'drawer 4']);
  });
  it('of a part of one’s own takes the shape from its ports, and the flats from the largest of them', () => {
    const adapterOf = (given: Partial<Record<(typeof shelfColumns)[number], string>>) => {
      const read = readShelfCsv([heading, row({ ...own, ...given })]);
      if (!read.ok) throw new Error(JSON.stringify(read.fault));
      return (read.value as [ShelfPart])[0].adapter;
    };
    const two = adapterOf({});
    expect(two).to.deep.include({
      name: 'shop 7',
      shape: 'straight',
      angle: 0,
      length: mm(30),
      material: 'steel',
      price: 0,
    });
    expect(two).to.not.have.property('making');
    expect(two).to.not.have.property('maximumPressure');
    expect(adapterOf({ 'port 2': '' }).shape).to.equal('cap');
    expect(adapterOf({ 'port 3': 'male flare37 -6' }).shape).to.equal('tee');
    const flats = (port: string) => adapterOf({ 'port 2': port }).flats;
    expect(flats('female flare37 -12')).to.be.greaterThan(flats('female flare37 -6'));
    expect(flats('male flare37 -3')).to.be.greaterThan(0);
    const whole = adapterOf({
      name: 'Long one',
      shape: 'banjo',
      flats: '22 mm',
      angle: '90',
      making: 'crimped',
      bore: '5 mm',
    });
    expect(whole).to.deep.include({ name: 'Long one', shape: 'banjo', flats: mm(22), making: 'crimped', bore: mm(5) });
    expect(whole.angle).to.be.closeTo(Math.PI / 2, 1e-12);
  });
  it('may say of a generic part what is not as usual', () => {
    const usual = genericAdapters()[40]!;
    const read = readShelfCsv([
      heading,
      row({ code: usual.code, count: '1', name: 'Ours', bore: '3 mm', shape: 'elbow' }),
    ]);
    expect(read.ok && read.value[0]!.adapter).to.deep.equal({ ...usual, name: 'Ours', bore: mm(3), shape: 'elbow' });
  });
  it('needs but code and count of a generic part', () => {
    const { code } = genericAdapters()[40]!;
    const read = readShelfCsv([
      ['count', 'code'],
      ['5', code],
    ]);
    expect(read.ok && read.value).to.deep.equal([{ adapter: genericAdapters()[40], count: 5 }]);
  });
  it('reads back what it writes, for a sample of every shape', () => {
    const parts = genericAdapters()
      .filter((_, i) => i % 61 === 0)
      .map((adapter, i): ShelfPart => ({ adapter: { ...adapter, code: `own ${i}` }, count: i }));
    const read = readShelfCsv(shelfCsvCells(parts));
    if (!read.ok) throw new Error(JSON.stringify(read.fault.slice(0, 3)));
    read.value.forEach(({ adapter, count }, i) => {
      expect([adapter.code, adapter.ports, count]).to.deep.equal([parts[i]!.adapter.code, parts[i]!.adapter.ports, i]);
      for (const key of ['bore', 'length', 'flats', 'angle', 'price'] as const)
        expect(adapter[key]).to.be.closeTo(parts[i]!.adapter[key], 1e-5 * Math.max(1e-3, adapter[key]));
    });
  });
  it('names every fault by its row and takes nothing', () => {
    expect(faults(row({ ...own, 'port 1': 'male wobble 3' }))[0]).to.match(/^2: port 1: “wobble” is no form/);
    expect(faults(row(own), row({ ...own, count: '1' }))).to.deep.equal(['3: “shop 7” stands in row 2 already']);
    expect(faults(row({ ...own, bore: '0' }))[0]).to.match(/^2: bore: .*0\.1/);
    expect(faults(row({ ...own, bore: '' }), row({ code: 'b', count: '1' }))).to.deep.equal([
      '2: bore: a part that is not generic needs its smallest hole',
      '3: port 1: a part that is not generic needs its ports, such as “male flare37 -6”',
      '3: bore: a part that is not generic needs its smallest hole',
    ]);
    expect(faults(row({ ...own, count: 'many' }), row({ ...own, code: '', count: '-1' }))).to.have.length(3);
    expect(faults(row({ ...own, material: 'cheese', shape: 'knot', making: 'glued' }))).to.have.length(3);
    expect(faults(row({ ...own, price: 'dear', angle: '400' }))).to.have.length(2);
  });
  it('refuses a file without heading or rows', () => {
    expect(readShelfCsv([])).to.deep.include({ ok: false });
    expect(readShelfCsv([heading])).to.deep.include({ ok: false });
    expect(
      readShelfCsv([
        ['code', 'name'],
        ['a', 'b'],
      ]),
    ).to.deep.equal({ ok: false, fault: [{ row: 1, message: 'The heading has no count.' }] });
  });
  it('refuses a hundred thousand rows as a whole, and tells no more faults than can be read', () => {
    const many = Array.from({ length: 100_000 }, (_, i) => row({ code: `p${i}`, count: 'x' }));
    const read = readShelfCsv([heading, ...many]);
    if (read.ok) throw new Error('taken');
    expect(read.fault[0]).to.deep.equal({
      row: 0,
      message: `It has 100000 parts; a shelf holds ${MOST_SHELF} at most.`,
    });
    expect(read.fault.length).to.equal(MOST_FAULTS);
  });
});
