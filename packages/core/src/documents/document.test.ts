import { expect } from 'chai';
import { documentSchema, type SheetDocument } from './document.ts';
import { documentRows } from './document-rows.ts';

const sheet: SheetDocument = {
  key: 'hose-3',
  title: 'Hose 3',
  about: ['Mail van', 'revision 4'],
  lies: 'upright',
  sections: [
    {
      as: 'table',
      key: 'cut',
      columns: [
        { name: 'Piece', is: 'name' },
        { name: 'Length', is: 'figure' },
      ],
      rows: [
        ['Feed hose', '1190 mm'],
        [{ text: 'Return hose', open: 'its bore' }, 'not measured'],
      ],
      ticks: true,
    },
    {
      as: 'figures',
      figures: [
        { name: 'Spare', value: '150 mm', note: 'per end' },
        { name: 'Turns', value: '2' },
      ],
    },
    { as: 'steps', heading: 'Push-on', about: 'at joint 4', steps: ['Cut square.', 'Push.'] },
    { as: 'words', heading: 'Why', text: ['It is short.'] },
    { as: 'caution', text: 'Eye protection.' },
  ],
};

describe('a sheet as rows', () => {
  it('says of each row what it is, under the names of its columns; what is open stands last', () => {
    expect(documentRows([sheet])).to.deep.equal([
      ['is', 'piece', 'length', 'still open'],
      ['cut', 'Feed hose', '1190 mm', ''],
      ['cut', 'Return hose', 'not measured', 'its bore'],
      ['figure', 'Spare', '150 mm', 'per end'],
      ['figure', 'Turns', '2', ''],
      ['step 1', 'Push-on', 'Cut square.', 'at joint 4'],
      ['step 2', 'Push-on', 'Push.', 'at joint 4'],
      ['note', 'Why', 'It is short.'],
    ]);
  });
  it('begins with what stops it', () => {
    expect(documentRows([{ ...sheet, sections: [], stop: 'Do not buy.' }])).to.deep.equal([['stop', 'Do not buy.']]);
  });
  it('has no heading for a table of nothing, and no column for what is open where nothing is', () => {
    const [table] = sheet.sections as [Extract<SheetDocument['sections'][number], { as: 'table' }>];
    expect(documentRows([{ ...sheet, sections: [{ ...table, rows: [] }] }])).to.deep.equal([]);
    const closed = { ...table, rows: table.rows.slice(0, 1) };
    expect(documentRows([{ ...sheet, sections: [closed] }])[0]).to.deep.equal(['is', 'piece', 'length']);
  });
});

describe('what is no sheet', () => {
  const reads = (change: object) => documentSchema.safeParse({ ...sheet, ...change }).success;
  it('is refused: a key that is no file name, a section that nobody draws, more rows than anybody makes', () => {
    expect(reads({})).to.equal(true);
    expect(reads({ key: '../etc' })).to.equal(false);
    expect(reads({ key: 'a'.repeat(60) })).to.equal(true);
    expect(reads({ key: 'a'.repeat(61) })).to.equal(false);
    expect(reads({ sections: [{ as: 'poem', text: 'x' }] })).to.equal(false);
    const rows = (count: number) => [{ ...sheet.sections[0], rows: Array.from({ length: count }, () => ['a', 'b']) }];
    expect(reads({ sections: rows(2000) })).to.equal(true);
    expect(reads({ sections: rows(2001) })).to.equal(false);
    expect(reads({ title: 'two\nlines' })).to.equal(false);
  });
});
