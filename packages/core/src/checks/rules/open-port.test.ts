import { cleanJob, expectSnag, open } from '../../../test/rule-cases.ts';

describe('rule open-port', () => {
  it('stops at a second rail port that nothing closes, and caps it', () => {
    expectSnag(
      'open-port',
      cleanJob(),
      cleanJob((j) => open(j, 'rail-1')),
      'stop',
      'rail-1',
    );
  });
});
