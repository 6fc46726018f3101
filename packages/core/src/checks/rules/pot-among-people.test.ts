import { expect } from 'chai';
import { changed, expectSnag, get, snagsOfRule } from '../../../test/rule-cases.ts';
import { demoJobs } from '../../demo/index.ts';

describe('rule pot-among-people', () => {
  const at = (place: 'cabin' | 'boot' | 'under' | 'bay') =>
    changed(demoJobs.rescuePickup, (j) => (get(j, 'swirlPot').place = place));
  it('wants a pot out of the cabin, and says so of the boot', () => {
    expectSnag('pot-among-people', at('under'), at('cabin'), 'fix', 'swirl-pot-1');
    expectSnag('pot-among-people', at('bay'), at('boot'), 'note', 'swirl-pot-1');
    expect(snagsOfRule(demoJobs.rescuePickup, 'pot-among-people')).to.deep.equal([]);
  });
});
