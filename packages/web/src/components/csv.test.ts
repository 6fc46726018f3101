import { expect } from 'chai';
import Papa from 'papaparse';
import { csvText, safeCell } from './csv.ts';

describe('a CSV file that goes out', () => {
  const hostile = [
    '=HYPERLINK("http://x")',
    '+1+2',
    '-2+3',
    '@SUM(A1)',
    '|cmd',
    '  =1+1',
    '\t=1+1',
    '=1+1\nsecond line',
    'first\n=1+1',
    '\r=1+1',
    '\u2028=1',
    '＝1+1',
    '＠SUM(A1)',
    '\u200b=1+1',
    '\ufeff\u2060 =1+1',
  ];
  for (const text of hostile)
    it(`takes ${JSON.stringify(text)} for text, in one cell of one row`, () => {
      const { data } = Papa.parse<string[]>(
        csvText([
          ['part', 'note'],
          [text, 'x'],
        ]),
      );
      expect(data).to.have.length(2);
      expect(data[1]![1]).to.equal('x');
      expect(data[1]![0]).to.match(/^(?!\s*[=+\-@|])/);
      expect(data[1]![0]).to.not.match(/[\r\n\u2028]/);
    });
  it('lets no formula begin after a semicolon or a tab, where those part the cells', () => {
    for (const text of ['a;=1+1', 'a; @SUM(A1)', 'a\t=1+1', 'a;\u200b+1', 'a;＝1'])
      for (const by of [';', '\t'])
        for (const cell of Papa.parse<string[]>(csvText([[text]]), { delimiter: by }).data[0]!)
          expect(cell, JSON.stringify(text)).to.match(/^(?!\s*[=+@|＝＋＠])/);
  });
  it('leaves numbers and plain words as they are, so that they can be read back', () => {
    for (const cell of ['-5', '+3.2', '-1,5', '1e-3', '240 mm', '9 1/16 in', 'a=b', '"quoted", with a comma'])
      expect(Papa.parse<string[]>(csvText([[cell]])).data[0]![0]).to.equal(cell);
    expect(safeCell(-5)).to.equal('-5');
  });
});
