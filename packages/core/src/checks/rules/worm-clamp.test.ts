import { expect } from 'chai';
import { carburettorJob, cleanJob, expectSnag, get, snagsOfRule } from '../../../test/rule-cases.ts';

describe('rule worm-clamp', () => {
  it('speaks for a worm-drive clamp on injection pressure, and not on a carburettor', () => {
    expectSnag(
      'worm-clamp',
      cleanJob(),
      cleanJob((j) => (get(j, 'hose', 1).clamp = 'worm')),
      'fix',
      'hose-2',
    );
    expect(snagsOfRule(carburettorJob(), 'worm-clamp')).to.deep.equal([]);
  });
});
