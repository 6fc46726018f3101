import { carburettorJob, expectSnag, get } from '../../../test/rule-cases.ts';

describe('rule carburettor-flooded', () => {
  it('stops at a carburettor fed at 9 psi', () => {
    const bad = carburettorJob((j) => (get(j, 'regulator').setPressure = { si: 9 * 6894.757, unit: 'psi' }));
    expectSnag('carburettor-flooded', carburettorJob(), bad, 'stop', 'carburettor-1');
  });
});
