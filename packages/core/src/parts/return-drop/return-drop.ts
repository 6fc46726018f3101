import { mm } from '../../units/quick.ts';
import { quantity } from '../../fields/property.ts';
import { DRAWN_TUBE_ROUGHNESS } from '../../ratings/line-material.ts';
import { definePart, twoEnds } from '../define-part.ts';
import { lowerLine } from '../line-loss.ts';
import { sizeOf, specification } from '../list-line.ts';

const properties = {
  endHeight: quantity('end above the tank floor', 'length', 'mm', {
    tool: 'tape',
    minimum: -1,
    maximum: 2,
    likely: [mm(-200), mm(150)],
    hint: 'Common practice: about 19 mm (3/4 in) above the sump floor; in a sump below the tank’s floor it is negative.',
  }),
  pickupDistance: quantity('distance to the pickup', 'length', 'mm', {
    tool: 'tape',
    maximum: 3,
  }),
  bore: quantity('tube bore', 'length', 'mm', {
    tool: 'calipers',
    minimum: mm(0.5),
    maximum: mm(60),
    needed: true,
  }),
  length: quantity('tube length', 'length', 'mm', {
    tool: 'tape',
    maximum: 3,
    needed: true,
  }),
};

export const returnDrop = definePart('returnDrop', 'Return drop', properties, {
  ports: twoEnds,
  blocks: () => true,
  bore: ({ bore }) => bore?.si,
  length: ({ length }) => length?.si ?? 0,
  isInTank: () => true,
  buys: ({ bore, length }, say) =>
    specification(
      'tube rated for immersion',
      bore && `bore ${sizeOf(bore, say)}`,
      length && `cut ${say.tape(length.si)}`,
    ),
  cut: () => 'End cut at 45°, deburred.',
  symbol: () => 'returnDrop',
  lower: ({ id, bore, length }, site) =>
    lowerLine(id, site, { length: length!.si, bore: bore!.si, roughness: DRAWN_TUBE_ROUGHNESS }),
});
