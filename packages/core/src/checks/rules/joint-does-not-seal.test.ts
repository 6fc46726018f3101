import { cleanJob, expectSnag, get } from '../../../test/rule-cases.ts';

describe('rule joint-does-not-seal', () => {
  it('stops at a 45° flare on a 37° flare', () => {
    const bad = cleanJob((j) => {
      get(j, 'hose', 1).outletPort = { form: 'flare45', size: '1/2', gender: 'male' };
      get(j, 'rail').inletPort = { form: 'flare37', size: '−8', gender: 'female' };
    });
    expectSnag('joint-does-not-seal', cleanJob(), bad, 'stop', 'rail-1');
  });
  it('stops at a plain 37° male in an O-ring boss', () => {
    const bad = cleanJob((j) => {
      get(j, 'hose', 1).outletPort = { form: 'flare37', size: '−6', gender: 'male' };
      get(j, 'rail').inletPort = { form: 'oRingBoss', size: '−6', gender: 'female' };
    });
    expectSnag('joint-does-not-seal', cleanJob(), bad, 'stop', 'rail-1');
  });
});
