import { expect } from 'chai';
import { act, cleanJob, expectSnag, get, snagsOfRule } from '../../../test/rule-cases.ts';

describe('rule run-does-not-solve', () => {
  it('stops at a loop with no pump, and names what is missing', () => {
    const snag = expectSnag(
      'run-does-not-solve',
      cleanJob(),
      cleanJob((j) => act(j, { act: 'takeOut', id: 'pump-1' })),
      'stop',
    );
    expect(snag.what).to.equal('The loop has no pump: nothing moves the fuel.');
  });
  it('stops at a gap between the supply and the engine, and between a bypass regulator and the tank', () => {
    const noRail = cleanJob((j) => act(j, { act: 'takeOut', id: 'rail-1' }));
    expect(snagsOfRule(noRail, 'run-does-not-solve')[0]!.what).to.match(
      /^The supply ends at “Engine feed hose”: there is a gap/,
    );
    const noReturn = cleanJob((j) => act(j, { act: 'disconnect', joint: 'hose-3-in' }));
    expect(snagsOfRule(noReturn, 'run-does-not-solve')[0]!.what).to.match(/^There is a gap after “Tank regulator”/);
    const noTank = cleanJob((j) => act(j, { act: 'takeOut', id: 'tank-1' }));
    expect(snagsOfRule(noTank, 'run-does-not-solve')[0]!.what).to.match(/^The supply has no tank/);
  });
  it('stops at a pump table that is not monotone, and names the row', () => {
    const bad = cleanJob((j) => (get(j, 'pump').tables![0]!.rows[2]!.flow.si = 1e-4));
    const [snag] = snagsOfRule(bad, 'run-does-not-solve');
    expect(snag!.what).to.match(/^The flow table of “Hanger pump” is not monotone: row 3 gives 360 L.h/);
  });
  it('says nothing about an empty run: choosing a layout is the next act', () => {
    expect(
      snagsOfRule(
        cleanJob((j) => Object.assign(j, { parts: {}, joints: {} })),
        'run-does-not-solve',
      ),
    ).to.deep.equal([]);
  });
});
