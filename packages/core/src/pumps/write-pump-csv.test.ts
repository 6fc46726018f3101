import { expect } from 'chai';
import { pumpLibrary } from './library.ts';
import { readPumpCsv } from './read-pump-csv.ts';
import { pumpCsvCells } from './write-pump-csv.ts';

describe('a pump written as CSV', () => {
  for (const { name, tables } of Object.values(pumpLibrary))
    it(`${name}: reads back the same`, () => {
      const read = readPumpCsv(pumpCsvCells(tables));
      if (!read.ok) throw new Error(JSON.stringify(read.fault));
      expect(read.value.map((t) => t.voltage.si)).to.deep.equal(tables.map((t) => t.voltage.si));
      read.value.forEach((table, t) =>
        table.rows.forEach((row, r) => {
          const was = tables[t]!.rows[r]!;
          expect(row.pressure.si).to.be.closeTo(was.pressure.si, 1e-3);
          expect(row.flow.si * 3.6e6).to.be.closeTo(was.flow.si * 3.6e6, 1e-6);
          expect(row.current!.si).to.be.closeTo(was.current!.si, 1e-9);
        }),
      );
    });
  it('leaves a column of current out when none is known, and a cell empty where one is missing', () => {
    const [first] = structuredClone(pumpLibrary.injection190.tables) as [
      (typeof pumpLibrary.injection190.tables)[number],
    ];
    delete first.rows[1]!.current;
    expect(pumpCsvCells([first])[3]).to.deep.equal(['13.5', '200', '212', '']);
    for (const row of first.rows) delete row.current;
    expect(pumpCsvCells([first])[0]).to.deep.equal(['voltage', 'pressure', 'flow']);
  });
});
