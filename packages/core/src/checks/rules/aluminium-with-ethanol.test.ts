import { cleanJob, expectSnag, get } from '../../../test/rule-cases.ts';

describe('rule aluminium-with-ethanol', () => {
  it('speaks for bare aluminium line on E85', () => {
    const blend = (material: 'aluminium3003' | 'stainless304') =>
      cleanJob((j) => {
        j.brief.ethanol = { si: 0.85, unit: '%' };
        get(j, 'hardLine').material = material;
      });
    expectSnag('aluminium-with-ethanol', blend('stainless304'), blend('aluminium3003'), 'fix', 'hard-line-1');
  });
});
