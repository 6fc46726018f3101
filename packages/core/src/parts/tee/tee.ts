import { fittingLoss } from '../../hydraulics/loss-coefficient.ts';
import { definePart } from '../define-part.ts';
import { junctionBore } from '../junction-bore.ts';
import { lowerJunction } from '../line-loss.ts';
import { sizeOf, specification } from '../list-line.ts';

const properties = { bore: junctionBore };

/** A tee: two ends of the run and a branch. */
export const tee = definePart('tee', 'Tee', properties, {
  ports: () => ({
    a: { name: 'run, first end', use: 'either' },
    b: { name: 'run, second end', use: 'either' },
    branch: { name: 'branch', use: 'either' },
  }),
  blocks: () => false,
  bore: ({ bore }) => bore?.si,
  buys: ({ bore }, say) => specification('tee', bore && `bore ${sizeOf(bore, say)} or larger`),
  symbol: () => 'tee',
  lower({ id, bore }, site) {
    if (!bore) return lowerJunction(id, site, undefined, () => ({ k1: 0, kInfinity: 0 }));
    // half of the loss straight through on either side, the rest of the loss round the corner on the branch
    const [run, branch] = [fittingLoss('teeRun', bore.si), fittingLoss('teeBranch', bore.si)];
    return lowerJunction(id, site, bore.si, (port) =>
      port === 'branch'
        ? { k1: branch.k1 - run.k1 / 2, kInfinity: branch.kInfinity - run.kInfinity / 2 }
        : { k1: run.k1 / 2, kInfinity: run.kInfinity / 2 },
    );
  },
});
