import { cleanJob, expectSnag, get } from '../../../test/rule-cases.ts';

describe('rule sealant-wrong', () => {
  it('wants liquid sealant on a tapered thread, and none on a flare', () => {
    const taper = (sealant: 'none' | 'tape' | 'liquid') =>
      cleanJob((j) => {
        get(j, 'hose', 1).outletPort = { form: 'npt', size: '1/4', gender: 'male' };
        get(j, 'rail').inletPort = { form: 'npt', size: '1/4', gender: 'female' };
        get(j, 'rail').inletSealant = sealant;
      });
    expectSnag('sealant-wrong', taper('liquid'), taper('none'), 'fix', 'rail-1');
    expectSnag('sealant-wrong', taper('liquid'), taper('tape'), 'fix', 'rail-1');
    const flare = cleanJob((j) => {
      get(j, 'hose', 1).outletPort = { form: 'flare37', size: '−6', gender: 'female' };
      get(j, 'rail').inletPort = { form: 'flare37', size: '−6', gender: 'male' };
      get(j, 'rail').inletSealant = 'liquid';
    });
    expectSnag('sealant-wrong', cleanJob(), flare, 'fix', 'rail-1');
  });
});
