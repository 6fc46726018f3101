import { cleanJob, expectSnag, get } from '../../../test/rule-cases.ts';

describe('rule hose-not-submersible', () => {
  it('stops at injection hose inside the tank', () => {
    const bad = cleanJob((j) => (get(j, 'hose').construction = 'r9'));
    expectSnag('hose-not-submersible', cleanJob(), bad, 'stop', 'hose-1');
  });
});
