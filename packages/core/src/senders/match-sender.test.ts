import { expect } from 'chai';
import fc from 'fast-check';
import { referenceJson } from '../../test/read-reference.ts';
import { e24Near } from './e-series.ts';
import { matchSender } from './match-sender.ts';
import { exactNetworks, networkResistance } from './resistor-network.ts';

interface Case {
  case: string;
  sender_empty_ohm: number;
  sender_full_ohm: number;
  gauge_empty_ohm: number;
  gauge_full_ohm: number;
  exact: { topology: 'A' | 'B'; series_ohm: number; parallel_ohm: number | 'infinite'; mid_reading: number }[];
  best_fit: { worst_end_error_fraction: number }[];
  same_direction: boolean;
}
const names = { A: 'parallelAcross', B: 'seriesAfter' } as const;

// Reference: scipy 1.10.1, closed form and numeric, test/reference/README.md, section D; 6 digits.
describe('matching a sender to a gauge with two resistors', () => {
  for (const c of referenceJson('D_electrical/results_sender.json') as Case[]) {
    const sender = { empty: c.sender_empty_ohm, full: c.sender_full_ohm };
    const gauge = { empty: c.gauge_empty_ohm, full: c.gauge_full_ohm };
    it(`${c.case}: ${sender.empty}–${sender.full} to ${gauge.empty}–${gauge.full} Ω agrees with the reference`, () => {
      const found = exactNetworks(sender, gauge);
      expect(found.length).to.equal(c.exact.length);
      for (const wanted of c.exact) {
        const near = found.find(
          (n) =>
            n.topology === names[wanted.topology] &&
            Math.abs(n.series - wanted.series_ohm) < 1e-3 + 1e-4 * wanted.series_ohm,
        );
        expect(near, `${wanted.topology} ${wanted.series_ohm}`).to.not.equal(undefined);
        if (wanted.parallel_ohm !== 'infinite') expect(near!.parallel / wanted.parallel_ohm).to.be.closeTo(1, 1e-4);
        const middle =
          (networkResistance(near!, (sender.empty + sender.full) / 2) - gauge.empty) / (gauge.full - gauge.empty);
        expect(middle).to.be.closeTo(wanted.mid_reading, 2e-5);
      }
      const match = matchSender(sender, gauge);
      if (!c.same_direction) expect(match).to.deep.equal({ kind: 'impossible', reason: 'oppositeSense' });
      else if (c.best_fit.length > 0) {
        const best = Math.min(...c.best_fit.map((b) => b.worst_end_error_fraction));
        expect(match.kind === 'nearest' && match.nearest.endError).to.be.closeTo(best, 6e-5);
      }
    });
  }
  it('is exact at both ends wherever it says so', () => {
    const ohm = fc.integer({ min: 0, max: 4000 }).map((tenths) => tenths / 10);
    fc.assert(
      fc.property(ohm, ohm, ohm, ohm, (a, b, c, d) => {
        fc.pre(Math.abs(a - b) > 5 && Math.abs(c - d) > 5);
        for (const network of exactNetworks({ empty: a, full: b }, { empty: c, full: d })) {
          expect(networkResistance(network, a)).to.be.closeTo(c, 1e-6 * (1 + c));
          expect(networkResistance(network, b)).to.be.closeTo(d, 1e-6 * (1 + d));
        }
      }),
      { seed: 51 },
    );
  });
  it('takes a sender of the gauge’s own range as it is, and says a wider gauge span is impossible to reach', () => {
    expect(matchSender({ empty: 240, full: 33 }, { empty: 240, full: 33 })).to.deep.equal({ kind: 'direct' });
    expect(matchSender({ empty: 0, full: 90 }, { empty: 10, full: 180 })).to.include({
      kind: 'nearest',
      reason: 'gaugeSpanTooWide',
    });
    expect(matchSender({ empty: 240, full: 33 }, { empty: 0, full: 90 })).to.include({ kind: 'impossible' });
  });
  it('offers E24 values (IEC 60063) that stay within a few per cent at both ends', () => {
    const match = matchSender({ empty: 10, full: 180 }, { empty: 16, full: 158 });
    if (match.kind !== 'network') throw new Error(match.kind);
    for (const value of [match.practical.network.series, match.practical.network.parallel])
      expect(e24Near(value)[0]).to.equal(value);
    expect(match.practical.endError).to.be.lessThan(0.03);
    expect(e24Near(100.4, 3)).to.deep.equal([100, 110, 91]);
  });
});
