import { expect } from 'chai';
import fc from 'fast-check';
import { casesOf, seedOf } from '../../../../core/test/search.ts';
import { layRun, type Cell, type LaidRun, type Piece, type Way } from './lay-run.ts';

const piece = (id: string, more: Partial<Piece> = {}): Piece => ({
  id,
  line: 'supply',
  isTank: false,
  isTap: false,
  isInTank: false,
  ...more,
});
const tank = piece('tank', { isTank: true });
const way = (from: string, to: string, line: Way['line'] = 'supply'): Way => ({ from, to, line });
/** Parts one after the other. */
const chain = (...ids: string[]): Way[] => ids.slice(1).map((id, i) => way(ids[i]!, id));
const at = (laid: LaidRun, id: string): Cell => laid.cells.get(id)!;

describe('where the parts of a run stand', () => {
  it('the main path runs from the tank to the right, in one row', () => {
    const ids = ['pump', 'hose', 'filter', 'rail'];
    const laid = layRun([tank, ...ids.map((id) => piece(id, { isInTank: id === 'pump' }))], chain('tank', ...ids));
    expect([laid.tank, laid.tankColumns]).to.deep.equal(['tank', 1]);
    expect(ids.map((id) => at(laid, id).column)).to.deep.equal([0, 1, 2, 3]);
    expect(ids.map((id) => at(laid, id).row)).to.deep.equal([0, 0, 0, 0]);
    expect([laid.columns, laid.rows.supply, laid.rows.return]).to.deep.equal([4, 1, 0]);
    expect(laid.cells.has('tank'), 'it is the frame').to.equal(false);
  });
  it('the tank is as wide as what lies in it: first what is drawn through, then what comes back', () => {
    const pieces = [
      tank,
      piece('drop', { isInTank: true, line: 'return' }),
      piece('sock', { isInTank: true }),
      piece('pump', { isInTank: true }),
      piece('rail'),
    ];
    const laid = layRun(pieces, [...chain('tank', 'sock', 'pump', 'rail'), way('rail', 'drop', 'return')]);
    expect(laid.tankColumns).to.equal(3);
    expect(['sock', 'pump', 'drop', 'rail'].map((id) => at(laid, id).column)).to.deep.equal([0, 1, 2, 3]);
  });
  it('a branch goes below the main path, which is the longest way', () => {
    const ids = ['y', 'long-1', 'long-2', 'short', 'end'];
    const ways = [...chain('tank', 'y', 'long-1', 'long-2', 'end'), ...chain('y', 'short', 'end')];
    const laid = layRun([tank, ...ids.map((id) => piece(id))], ways);
    expect(['y', 'long-1', 'long-2', 'end'].map((id) => at(laid, id).row)).to.deep.equal([0, 0, 0, 0]);
    expect(at(laid, 'short').row).to.equal(1);
    expect(at(laid, 'end').column).to.equal(at(laid, 'long-2').column + 1);
  });
  it('a return runs back below, from where it is spilled to the tank’s wall, and pushes the supply out for its room', () => {
    const back = ['back-1', 'back-2', 'back-3'];
    const pieces = [tank, piece('regulator'), ...back.map((id) => piece(id, { line: 'return' }))];
    const ways = [
      ...chain('tank', 'regulator'),
      way('regulator', 'back-1', 'return'),
      way('back-1', 'back-2', 'return'),
      way('back-2', 'back-3', 'return'),
      way('back-3', 'tank', 'return'),
    ];
    const laid = layRun(pieces, ways);
    const columns = back.map((id) => at(laid, id).column);
    expect(columns).to.deep.equal([...columns].sort((a, b) => b - a)); // from right to left
    expect(columns.every((c) => c >= laid.tankColumns - 0.5)).to.equal(true);
    expect(columns[0]! - columns[1]!).to.be.at.least(0.8 - 1e-9);
    expect(at(laid, 'regulator').column).to.be.greaterThan(1); // alone it would stand at the wall
    expect(back.map((id) => at(laid, id).band)).to.deep.equal(['return', 'return', 'return']);
  });
  it('an instrument stands above what it sits on, on a branch below it and on a return', () => {
    const pieces = [
      tank,
      ...['y', 'long-1', 'long-2', 'short'].map((id) => piece(id)),
      piece('on-main', { isTap: true }),
      piece('on-branch', { isTap: true }),
    ];
    const ways = [...chain('tank', 'y', 'long-1', 'long-2'), ...chain('y', 'short')];
    const laid = layRun(pieces, [...ways, way('long-1', 'on-main'), way('short', 'on-branch')]);
    expect(at(laid, 'on-main')).to.deep.include({ band: 'tap', row: 0, column: at(laid, 'long-1').column });
    expect(at(laid, 'on-branch')).to.deep.include({ band: 'supply', column: at(laid, 'short').column });
    expect(at(laid, 'on-branch').row).to.be.greaterThan(at(laid, 'short').row);
  });
  it('parts that are joined to nothing have a place, and ways to what is not there are left out', () => {
    const laid = layRun([piece('alone'), piece('other')], [way('alone', 'gone')]);
    expect([laid.tank, laid.tankColumns]).to.deep.equal([undefined, 0]);
    expect(at(laid, 'alone')).to.not.deep.equal(at(laid, 'other'));
  });
  it('of any graph: every part once, none over another, all on the sheet', () => {
    const lines = ['supply', 'return', 'overflow'] as const;
    const anyGraph = fc.integer({ min: 2, max: 16 }).chain((count) =>
      fc.record({
        kinds: fc.array(fc.record({ line: fc.constantFrom(...lines), isTap: fc.boolean(), isInTank: fc.boolean() }), {
          minLength: count,
          maxLength: count,
        }),
        ways: fc.array(fc.tuple(fc.nat(count), fc.nat(count)), { maxLength: 3 * count }),
      }),
    );
    fc.assert(
      fc.property(anyGraph, ({ kinds, ways }) => {
        const pieces = [tank, ...kinds.map((kind, i) => piece(`p${i}`, { ...kind, isTap: kind.isTap && i % 3 === 0 }))];
        const id = (n: number) => pieces[n % pieces.length]!.id;
        const laid = layRun(
          pieces,
          ways.map(([a, b]) => way(id(a), id(b), pieces[a % pieces.length]!.line)),
        );
        const cells = [...laid.cells.values()];
        expect(cells.map((c) => c.id).sort()).to.deep.equal(kinds.map((_, i) => `p${i}`).sort());
        for (const cell of cells) {
          expect(Number.isFinite(cell.column), cell.id).to.equal(true);
          expect(cell.row, cell.id).to.be.within(0, laid.rows[cell.band] - 1);
          expect(cell.column, cell.id).to.be.below(laid.columns);
        }
        const seen = new Set(cells.map((c) => `${c.band} ${c.row} ${c.column.toFixed(6)}`));
        expect(seen.size, 'no two in one place').to.equal(cells.length);
      }),
      { seed: seedOf(11), numRuns: casesOf(2000) },
    );
  });
});
