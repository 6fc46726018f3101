import { cleanJob, expectSnag, get } from '../../../test/rule-cases.ts';

describe('rule open-port', () => {
  it('stops at a second rail port that nothing closes, and caps it', () => {
    expectSnag(
      'open-port',
      cleanJob(),
      cleanJob((j) => (get(j, 'rail').closedPorts = 0)),
      'stop',
      'rail-1',
    );
  });
});
