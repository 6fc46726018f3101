import { cleanJob, expectSnag } from '../../../test/rule-cases.ts';

describe('rule tank-vent', () => {
  it('stops at a sealed cap with no vent', () => {
    expectSnag(
      'tank-vent',
      cleanJob(),
      cleanJob((j) => (j.survey.tank.vent = 'none')),
      'stop',
    );
  });
  it('asks for the vent to rise above the filler neck', () => {
    expectSnag(
      'tank-vent',
      cleanJob(),
      cleanJob((j) => (j.survey.tank.ventHeight = { si: 0.4, unit: 'mm' })),
      'fix',
    );
  });
});
