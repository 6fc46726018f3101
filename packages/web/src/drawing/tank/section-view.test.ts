import { expect } from 'chai';
import fc from 'fast-check';
import { casesOf, seedOf } from '../../../../core/test/search.ts';
import { sectionView } from './section-view.ts';

const size = { width: 400, height: 300, margin: 20 };

describe('a section fitted into a drawing', () => {
  it('is as large as it will go, in the middle, its floor below', () => {
    const wide = sectionView({ along: [0, 1], up: [0, 0.25] }, size);
    expect(wide.scale).to.equal(360);
    expect([wide.x(0), wide.x(1)]).to.deep.equal([20, 380]);
    expect(wide.y(0)).to.be.closeTo(195, 1e-9); // 260 of room, 90 used: 85 above and below
    expect(wide.y(0.25)).to.be.closeTo(105, 1e-9);
    const tall = sectionView({ along: [0, 0.1], up: [0, 0.5] }, size);
    expect(tall.scale).to.equal(520);
    expect([tall.y(0), tall.y(0.5)]).to.deep.equal([280, 20]);
  });
  it('leaves another margin on its right, and runs to the left when it is mirrored', () => {
    const asked = { along: [0, 1], up: [0, 0.1] } as const;
    const right = sectionView(asked, { ...size, right: 100 });
    expect([right.x(0), right.x(1)]).to.deep.equal([20, 300]);
    const mirrored = sectionView(asked, size, true);
    expect([mirrored.x(0), mirrored.x(1)]).to.deep.equal([380, 20]);
  });
  it('of any piece stays within its margins, and a metre is as long up as along', () => {
    const span = fc.tuple(
      fc.double({ min: -2, max: 2, noNaN: true }),
      fc.oneof(fc.constant(0), fc.double({ min: 1e-6, max: 3, noNaN: true })),
    );
    fc.assert(
      fc.property(span, span, fc.boolean(), ([a, long], [b, high], mirrored) => {
        const view = sectionView({ along: [a, a + long], up: [b, b + high] }, size, mirrored);
        for (const along of [a, a + long]) expect(view.x(along)).to.be.within(20 - 1e-6, 380 + 1e-6);
        for (const up of [b, b + high]) expect(view.y(up)).to.be.within(20 - 1e-6, 280 + 1e-6);
        expect(Math.abs(view.x(a + 0.01) - view.x(a))).to.be.closeTo(0.01 * view.scale, 1e-6);
        expect(view.y(b) - view.y(b + 0.01)).to.be.closeTo(0.01 * view.scale, 1e-6);
      }),
      { seed: seedOf(3), numRuns: casesOf(1000) },
    );
  });
});
