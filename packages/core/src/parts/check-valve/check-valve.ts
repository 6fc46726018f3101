import { kPa, mm } from '../../units/quick.ts';
import { flag, quantity, TYPICAL } from '../../fields/property.ts';
import { DRAWN_TUBE_ROUGHNESS } from '../../ratings/line-material.ts';
import { definePart, settled, twoEnds } from '../define-part.ts';
import { lowerLine } from '../line-loss.ts';
import { specification } from '../list-line.ts';

const CHECK_VALVE_LOSS = 2; // K above what it takes to crack, typical, from memory

const properties = {
  cracking: quantity('cracking pressure', 'pressure', 'kPa', {
    maximum: kPa(200),
    typical: { si: kPa(3), source: TYPICAL },
  }),
  bore: quantity('bore', 'length', 'mm', {
    tool: 'calipers',
    minimum: mm(0.5),
    maximum: mm(60),
    needed: true,
  }),
  reversed: flag('arrow points against the flow'),
};

export const checkValve = definePart('checkValve', 'Check valve', properties, {
  ports: twoEnds,
  blocks: () => true,
  bore: ({ bore }) => bore?.si,
  buys: ({ cracking }, say) =>
    specification('check valve', `cracks at ${say('pressure', settled(properties.cracking, cracking))}`),
  symbol: () => 'checkValve',
  holdsBack: () => true,
  lower: ({ id, bore, cracking }, site) =>
    lowerLine(
      id,
      site,
      {
        length: 0,
        bore: bore!.si,
        roughness: DRAWN_TUBE_ROUGHNESS,
        loss: { k1: 0, kInfinity: CHECK_VALVE_LOSS },
      },
      { checkValve: true, cracking: settled(properties.cracking, cracking) },
    ),
});
