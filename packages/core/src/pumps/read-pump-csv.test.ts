import { expect } from 'chai';
import { litresPerHour, psi } from '../units/quick.ts';
import { pumpLibrary } from './library.ts';
import { pumpTableFault } from '../hydraulics/pump-curve.ts';
import { readPumpCsv } from './read-pump-csv.ts';

const cells = (text: string) =>
  text
    .trim()
    .split('\n')
    .map((line) => line.split(','));

describe('a pump table from CSV', () => {
  it('is read by its heading and units, a table for each voltage', () => {
    const read = readPumpCsv(
      cells('pressure,flow,current,voltage\npsi,L/h,A,V\n40,255,8.1,13.5\n60,210,9.4,13.5\n40,205,7.5,12\n60,160,,12'),
    );
    if (!read.ok) throw new Error(JSON.stringify(read.fault));
    expect(read.value.map((t) => t.voltage.si)).to.deep.equal([13.5, 12]);
    expect(read.value[0]!.rows[1]!.pressure.si).to.be.closeTo(psi(60), 1e-6);
    expect(read.value[1]!.rows[0]!.flow.si).to.be.closeTo(litresPerHour(205), 1e-15);
    expect(read.value[1]!.rows[1]!.current).to.equal(undefined);
  });
  it('with bad rows gives none, and names each row and what is wrong with it', () => {
    const read = readPumpCsv(cells('voltage,pressure,flow\nV,kPa,L/h\n13.5,300,two\n13.5,-20,250\n13.5,400,240'));
    expect(!read.ok && read.fault.map((f) => f.row)).to.deep.equal([3, 4]);
    expect(!read.ok && read.fault[1]!.message).to.include('cannot be negative');
  });
  it('that rises where it must fall is refused by the row', () => {
    const read = readPumpCsv(cells('voltage,pressure,flow\nV,kPa,L/h\n13.5,300,250\n13.5,400,260'));
    expect(!read.ok && read.fault).to.deep.equal([
      { row: 4, message: 'Flow must fall as pressure rises at one voltage.' },
    ]);
  });
  it('without heading, units or a known unit is refused', () => {
    const first = (text: string) => {
      const read = readPumpCsv(cells(text));
      return read.ok ? 'read' : read.fault[0]!.message;
    };
    expect(first('13.5,300,250')).to.include('needs a heading');
    expect(first('voltage,flow\nV,L/h\n1,2')).to.equal('The heading has no pressure.');
    expect(first('voltage,pressure,flow\nV,furlong,L/h\n1,2,3')).to.equal('“furlong” is not a unit of pressure.');
  });
});

describe('the pump library', () => {
  for (const [key, { tables }] of Object.entries(pumpLibrary))
    it(`${key}: its tables fall as they must, at two voltages, with current`, () => {
      const plain = tables.map((t) => ({
        voltage: t.voltage.si,
        rows: t.rows.map((r) => ({ pressure: r.pressure.si, flow: r.flow.si })),
      }));
      expect(pumpTableFault(plain)).to.equal(undefined);
      expect(tables).to.have.length(2);
      expect(tables.every((t) => t.rows.every((r) => r.current !== undefined))).to.equal(true);
    });
});
