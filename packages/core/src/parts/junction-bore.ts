import { quantity } from '../fields/property.ts';
import { mm } from '../units/quick.ts';

/** The bore of a body in which several ports meet. */
export const junctionBore = quantity('bore', 'length', 'mm', {
  tool: 'calipers',
  minimum: mm(0.5),
  maximum: mm(60),
  likely: [mm(3), mm(20)],
  hint: 'The smallest hole through it. Unknown: reckoned without loss of its own.',
});
