import { expect } from 'chai';
import { carburettorJob, clamp, cleanJob, expectSnag, snagsOfRule } from '../../../test/rule-cases.ts';

describe('rule worm-clamp', () => {
  it('speaks for a worm-drive clamp on injection pressure, and not on a carburettor', () => {
    expectSnag(
      'worm-clamp',
      cleanJob(),
      cleanJob((j) => clamp(j, 'hose-2', 'worm')),
      'fix',
      'hose-2',
    );
    expect(snagsOfRule(carburettorJob(), 'worm-clamp')).to.deep.equal([]);
  });
});
