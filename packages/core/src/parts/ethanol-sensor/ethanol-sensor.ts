import { quantity } from '../../fields/property.ts';
import { DRAWN_TUBE_ROUGHNESS } from '../../ratings/line-material.ts';
import { mm } from '../../units/quick.ts';
import { definePart, twoEnds } from '../define-part.ts';
import { lowerLine } from '../line-loss.ts';

const properties = {
  bore: quantity('bore', 'length', 'mm', {
    tool: 'calipers',
    minimum: mm(1),
    maximum: mm(30),
    hint: 'Unknown: reckoned without loss of its own.',
  }),
};
const CELL_LOSS = 1.5; // K of the measuring cell on its own bore, typical, from memory

/** Tells the control unit how much ethanol passes. Most have two ends; a blind one is screwed in by one of them. */
export const ethanolSensor = definePart('ethanolSensor', 'Ethanol-content sensor', properties, {
  ports: twoEnds,
  blocks: () => false,
  bore: ({ bore }) => bore?.si,
  buys: () => 'ethanol-content sensor',
  symbol: () => 'flowSensor',
  lower: ({ id, bore }, site) =>
    bore && site.isMated('in') && site.isMated('out')
      ? lowerLine(id, site, {
          length: 0,
          bore: bore.si,
          roughness: DRAWN_TUBE_ROUGHNESS,
          loss: { k1: 0, kInfinity: CELL_LOSS },
        })
      : { links: [], ties: [['out', 'in']] },
});
