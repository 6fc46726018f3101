import { expect } from 'chai';
import { act, changed, cleanJob, expectSnag, get, snagsOfRule } from '../../../test/rule-cases.ts';

describe('rule part-below-dead-head', () => {
  it('stops at a 75 psi filter upstream of the regulator on a pump that reaches 122 psi at charging voltage', () => {
    const bad = cleanJob((j) => {
      get(j, 'filter').maximumPressure = { si: 75 * 6894.757, unit: 'psi' };
      delete get(j, 'pump').reliefPressure;
    });
    const snag = expectSnag('part-below-dead-head', cleanJob(), bad, 'stop', 'filter-1');
    expect(snag.limit!.si).to.be.closeTo(740e3 * (14.4 / 13.5) ** 2, 1);
  });
  it('is content where a relief valve opens below the rating', () => {
    const relieved = cleanJob((j) => {
      get(j, 'filter').maximumPressure = { si: 75 * 6894.757, unit: 'psi' };
      get(j, 'pump').reliefPressure = { si: 480e3, unit: 'kPa' };
    });
    expect(snagsOfRule(relieved, 'part-below-dead-head')).to.deep.equal([]);
  });
  it('any part that says what it is made for is held to it: a cooler of 50 kPa before the rail', () => {
    const put = (rating: number) =>
      changed(cleanJob(), (j) =>
        act(j, {
          act: 'insertPart',
          joint: Object.values(j.joints).find((joint) =>
            [joint.a, joint.b].some((end) => end.part === 'rail-1' && end.port === 'in'),
          )!.id,
          in: 'in',
          out: 'out',
          part: { kind: 'fuelCooler', id: 'fuel-cooler-1', maximumPressure: { si: rating, unit: 'kPa' } },
        }),
      );
    const [snag] = snagsOfRule(put(50e3), 'part-below-dead-head');
    expect(snag).to.include({ grade: 'stop', part: 'fuel-cooler-1' });
    expect(snagsOfRule(put(2e6), 'part-below-dead-head')).to.deep.equal([]);
  });
});
