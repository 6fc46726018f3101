import { expect } from 'chai';
import { cleanJob, expectSnag, snagsOfRule } from '../../../test/rule-cases.ts';

describe('rule pump-keeps-running', () => {
  it('stops at a pump that stays live, or that nothing stops in a crash', () => {
    expectSnag(
      'pump-keeps-running',
      cleanJob(),
      cleanJob((j) => {
        delete j.wiring;
        j.survey.stopsWithEngine = false;
      }),
      'stop',
    );
    expectSnag(
      'pump-keeps-running',
      cleanJob(),
      cleanJob((j) => {
        delete j.wiring;
        j.survey.crashShutOff = false;
      }),
      'stop',
    );
    expect(
      snagsOfRule(
        cleanJob((j) => {
          delete j.wiring;
          delete j.survey.crashShutOff;
        }),
        'pump-keeps-running',
      ),
    ).to.deep.equal([]);
  });
});
