import { cleanJob, expectSnag, get } from '../../../test/rule-cases.ts';

describe('rule return-end', () => {
  it('speaks for a return that ends above the fuel, or beside the pickup', () => {
    expectSnag(
      'return-end',
      cleanJob(),
      cleanJob((j) => (get(j, 'returnDrop').endHeight = { si: 0.15, unit: 'mm' })),
      'fix',
      'return-drop-1',
    );
    expectSnag(
      'return-end',
      cleanJob(),
      cleanJob((j) => (get(j, 'returnDrop').pickupDistance = { si: 0.03, unit: 'mm' })),
      'fix',
      'return-drop-1',
    );
  });
});
