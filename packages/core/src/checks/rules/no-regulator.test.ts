import { expect } from 'chai';
import { act, cleanJob, expectSnag } from '../../../test/rule-cases.ts';

describe('rule no-regulator', () => {
  it('stops at a pump that nothing holds: the rail climbs to the relief or dead-head pressure', () => {
    const bad = cleanJob((j) => {
      act(j, ...['regulator-1', 'hose-3', 'return-drop-1'].map((id) => ({ act: 'takeOut', id }) as const));
    });
    const snag = expectSnag('no-regulator', cleanJob(), bad, 'stop', 'pump-1');
    expect(snag.figure!.si).to.be.greaterThan(600e3);
  });
});
