import { cleanJob, expectSnag, get } from '../../../test/rule-cases.ts';

describe('rule filter-reversed', () => {
  it('turns a filter round', () => {
    expectSnag(
      'filter-reversed',
      cleanJob(),
      cleanJob((j) => (get(j, 'filter').reversed = true)),
      'fix',
      'filter-1',
    );
  });
});
