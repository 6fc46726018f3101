import { mm } from '../../units/quick.ts';
import { choice, quantity } from '../../fields/property.ts';
import { fittingLoss, type LossCoefficient } from '../../hydraulics/loss-coefficient.ts';
import { DRAWN_TUBE_ROUGHNESS } from '../../ratings/line-material.ts';
import { definePart, twoEnds } from '../define-part.ts';
import { lowerLine } from '../line-loss.ts';
import { sizeOf, specification } from '../list-line.ts';

const PLAIN_FITTING_LOSS = 0.1; // K of a straight union on its own bore, typical, from memory
const QUICK_CONNECTOR_LOSS = 1; // typical, from memory
const BANJO_LOSS = 3; // typical, from memory

const properties = {
  shape: choice(
    'shape',
    {
      straight: 'straight, union or reducer',
      elbow90Tight: '90° elbow, tight',
      elbow90Swept: '90° hose end, swept',
      elbow45Tight: '45° elbow, tight',
      elbow45Swept: '45° hose end, swept',
      quickConnector: 'quick connector',
      banjo: 'banjo',
      bulkhead: 'bulkhead fitting',
    },
    { needed: true },
  ),
  bore: quantity('fitting bore', 'length', 'mm', {
    tool: 'calipers',
    minimum: mm(0.5),
    maximum: mm(60),
    likely: [mm(3), mm(20)],
    needed: true,
    hint: 'The smallest hole through it; it is smaller than the hose’s.',
  }),
  lossCoefficient: quantity('loss coefficient K', 'number', '', {
    maximum: 200,
    hint: 'Only if the maker states one; otherwise by shape.',
  }),
};

function lossOf(shape: keyof typeof properties.shape.options, bore: number): LossCoefficient {
  switch (shape) {
    case 'straight':
    case 'bulkhead':
      return { k1: 0, kInfinity: PLAIN_FITTING_LOSS };
    case 'quickConnector':
      return { k1: 0, kInfinity: QUICK_CONNECTOR_LOSS };
    case 'banjo':
      return { k1: 0, kInfinity: BANJO_LOSS };
    default:
      return fittingLoss(shape, bore);
  }
}

export const fitting = definePart('fitting', 'Fitting', properties, {
  ports: twoEnds,
  blocks: () => true,
  bore: ({ bore }) => bore?.si,
  buys: ({ shape, bore }, say) =>
    specification(shape && properties.shape.options[shape], bore && `bore ${sizeOf(bore, say)} or larger`),
  symbol: () => 'fitting',
  lower: ({ id, shape, bore, lossCoefficient }, site) =>
    lowerLine(id, site, {
      length: 0,
      bore: bore!.si,
      roughness: DRAWN_TUBE_ROUGHNESS,
      loss: lossCoefficient ? { k1: 0, kInfinity: lossCoefficient.si } : lossOf(shape!, bore!.si),
    }),
});
