import { expect } from 'chai';
import { wire } from '../../../test/simple-wiring.ts';
import { cleanJob, expectSnag, get } from '../../../test/rule-cases.ts';

describe('rule fuse-too-small', () => {
  it('asks for 20 A or more where a 16 A pump has a 15 A fuse', () => {
    const bad = cleanJob((j) => {
      const pump = get(j, 'pump');
      wire(j, { fuse: 15 });
      for (const table of pump.tables!) for (const row of table.rows) row.current = { si: 16, unit: 'A' };
    });
    const snag = expectSnag('fuse-too-small', cleanJob(), bad, 'fix', 'pump-1');
    expect(snag.limit!.si).to.be.closeTo(20, 1e-9);
    expect(snag.act).to.deep.include({
      act: 'setAll',
      changes: [{ path: ['wiring', 'devices', 'fuse-1', 'rating'], value: { si: 20, unit: 'A' } }],
    });
  });
});
