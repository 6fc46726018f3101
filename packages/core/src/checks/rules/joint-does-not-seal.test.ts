import { cleanJob, expectSnag, fit } from '../../../test/rule-cases.ts';

describe('rule joint-does-not-seal', () => {
  it('stops at a 45° flare on a 37° flare', () => {
    const bad = cleanJob((j) => {
      fit(j, 'hose-2', 'out', { form: 'flare45', size: '1/2', gender: 'male' });
      fit(j, 'rail-1', 'in', { form: 'flare37', size: '−8', gender: 'female' });
    });
    expectSnag('joint-does-not-seal', cleanJob(), bad, 'stop', 'rail-1');
  });
  it('stops at a plain 37° male in an O-ring boss', () => {
    const bad = cleanJob((j) => {
      fit(j, 'hose-2', 'out', { form: 'flare37', size: '−6', gender: 'male' });
      fit(j, 'rail-1', 'in', { form: 'oRingBoss', size: '−6', gender: 'female' });
    });
    expectSnag('joint-does-not-seal', cleanJob(), bad, 'stop', 'rail-1');
  });
});
