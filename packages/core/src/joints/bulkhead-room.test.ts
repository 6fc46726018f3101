import { expect } from 'chai';
import { endPairs, placedEnds } from './bulkhead-room.ts';

describe('room for spanners between ends through one wall', () => {
  it('is judged for every two that have a place and a size', () => {
    const placed = placedEnds([
      { id: 'a', size: '−6' },
      { id: 'b', size: '−6', along: { si: 0.03, unit: 'mm' } },
      { id: 'c', hexagon: { si: 0.02, unit: 'mm' }, along: { si: 0.03, unit: 'mm' }, across: { si: 0.04, unit: 'mm' } },
      { id: 'd', size: '−6' }, // nobody has said where
    ]);
    expect(placed.map((p) => p.id)).to.deep.equal(['a', 'b', 'c']);
    expect(placed.map((p) => p.label)).to.deep.equal(['end 1', 'end 2', 'end 3']);
    const named = placedEnds([
      { id: 'a', label: 'Feed', size: '−6' },
      { id: 'b', along: { si: 0.03, unit: 'mm' } },
    ]);
    expect(
      named.map((p) => p.label),
      'without a size none',
    ).to.deep.equal(['Feed']);
    const pairs = endPairs(placed);
    expect(pairs.map((p) => `${p.a.id}${p.b.id}`)).to.deep.equal(['ab', 'bc', 'ac']);
    expect(pairs[0]!.distance).to.be.closeTo(0.03, 1e-12);
    // half of 2.2 × 17.46 mm of spanner and half of 1.1547 × 17.46 mm of hexagon
    expect(pairs[0]!.needed).to.be.closeTo(0.02929, 1e-5);
    expect(pairs[2]!.distance).to.be.closeTo(0.05, 1e-12);
  });
});
