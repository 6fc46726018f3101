import { expect } from 'chai';
import { cleanJob, expectSnag, fit, jointInto } from '../../../test/rule-cases.ts';

describe('rule sealant-wrong', () => {
  it('wants liquid sealant on a tapered thread, and none on a flare', () => {
    const taper = (sealant: 'none' | 'tape' | 'liquid') =>
      cleanJob((j) => {
        fit(j, 'hose-2', 'out', { form: 'npt', size: '1/4', gender: 'male' });
        fit(j, 'rail-1', 'in', { form: 'npt', size: '1/4', gender: 'female' });
        jointInto(j, 'rail-1').sealant = sealant;
      });
    const dry = expectSnag('sealant-wrong', taper('liquid'), taper('none'), 'fix', 'rail-1');
    expect(dry.what).to.match(/^The tapered joint .* has no sealant/);
    expect(dry.act).to.deep.include({ act: 'setOnJoints' });
    expectSnag('sealant-wrong', taper('liquid'), taper('tape'), 'fix', 'rail-1');
    const flare = cleanJob((j) => {
      fit(j, 'hose-2', 'out', { form: 'flare37', size: '−6', gender: 'female' });
      fit(j, 'rail-1', 'in', { form: 'flare37', size: '−6', gender: 'male' });
      jointInto(j, 'rail-1').sealant = 'liquid';
    });
    const wet = expectSnag('sealant-wrong', cleanJob(), flare, 'fix', 'rail-1');
    expect([wet.what, wet.cure].join(' ')).to.match(/has sealant on it.*join it dry/);
  });
});
