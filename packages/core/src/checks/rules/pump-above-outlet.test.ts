import { carburettorJob, expectSnag, get } from '../../../test/rule-cases.ts';

describe('rule pump-above-outlet', () => {
  it('stops at an external pump above the tank outlet', () => {
    const bad = carburettorJob((j) => (get(j, 'pump').inletHeight = { si: 0.15, unit: 'mm' }));
    expectSnag('pump-above-outlet', carburettorJob(), bad, 'stop', 'pump-1');
  });
});
