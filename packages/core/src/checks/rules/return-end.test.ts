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
    // written down on the part, while the tank's plan is not known
    expectSnag(
      'return-end',
      cleanJob((j) => delete j.hanger),
      cleanJob((j) => {
        delete j.hanger;
        get(j, 'returnDrop').pickupDistance = { si: 0.03, unit: 'mm' };
      }),
      'fix',
      'return-drop-1',
    );
    // placed in the tank's plan
    expectSnag(
      'return-end',
      cleanJob((j) => (j.hanger!.returnIntoBucket = false)),
      cleanJob((j) =>
        Object.assign(j.hanger!, {
          returnIntoBucket: false,
          returnForward: { si: 0.1, unit: 'mm' },
          returnLeft: { si: 0.02, unit: 'mm' },
        }),
      ),
      'fix',
      'return-drop-1',
    );
  });
});
