import { cleanJob, expectSnag, get } from '../../../test/rule-cases.ts';

describe('rule beyond-pump-table', () => {
  it('says when the pump is reckoned at a voltage that its tables do not reach', () => {
    const bad = cleanJob((j) => (get(j, 'pump').tables = get(j, 'pump').tables!.slice(0, 1)));
    expectSnag('beyond-pump-table', cleanJob(), bad, 'note', 'pump-1');
  });
});
