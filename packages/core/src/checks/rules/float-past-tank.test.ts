import { cleanJob, expectSnag } from '../../../test/rule-cases.ts';

describe('rule float-past-tank', () => {
  it('stops at a float whose top stop lies above the lid', () => {
    expectSnag(
      'float-past-tank',
      cleanJob(),
      cleanJob((j) => (j.gauge!.floatHigh = { si: 0.26, unit: 'mm' })),
      'stop',
    );
  });
  it('stops at a float whose bottom stop lies below the floor', () => {
    expectSnag(
      'float-past-tank',
      cleanJob(),
      cleanJob((j) => (j.gauge!.floatLow = { si: -0.02, unit: 'mm' })),
      'stop',
    );
  });
});
