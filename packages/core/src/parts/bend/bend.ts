import { bendLoss } from '../../hydraulics/loss-coefficient.ts';
import { quantity } from '../../fields/property.ts';
import { DRAWN_TUBE_ROUGHNESS } from '../../ratings/line-material.ts';
import { degrees, mm } from '../../units/quick.ts';
import { definePart, twoEnds } from '../define-part.ts';
import { lowerLine } from '../line-loss.ts';
import { sizeOf, specification } from '../list-line.ts';

const properties = {
  angle: quantity('turns by', 'angle', '°', {
    minimum: degrees(5),
    maximum: degrees(360),
    likely: [degrees(15), degrees(180)],
    needed: true,
  }),
  centreLineRadius: quantity('centre-line radius (CLR)', 'length', 'mm', {
    tool: 'calipers',
    minimum: mm(3),
    maximum: 1,
    likely: [mm(10), mm(120)],
    needed: true,
  }),
  bore: quantity('bore', 'length', 'mm', {
    tool: 'calipers',
    minimum: mm(0.5),
    maximum: mm(60),
    likely: [mm(3), mm(20)],
    needed: true,
  }),
};

/** A bent tube or hose end by itself: 180° where a hose would kink, and every other angle. */
export const bend = definePart('bend', 'Bend', properties, {
  ports: twoEnds,
  blocks: () => true,
  bore: ({ bore }) => bore?.si,
  length: ({ angle, centreLineRadius }) => (angle?.si ?? 0) * (centreLineRadius?.si ?? 0),
  buys: ({ angle, centreLineRadius, bore }, say) =>
    specification(
      angle && `${say('angle', angle.si)} bend`,
      centreLineRadius && `CLR ${say('length', centreLineRadius.si)}`,
      bore && `bore ${sizeOf(bore, say)} or larger`,
    ),
  symbol: () => 'bend',
  lower: ({ id, angle, centreLineRadius, bore }, site) =>
    lowerLine(id, site, {
      length: angle!.si * centreLineRadius!.si,
      bore: bore!.si,
      roughness: DRAWN_TUBE_ROUGHNESS,
      loss: { k1: 0, kInfinity: bendLoss(angle!.si, centreLineRadius!.si, bore!.si) },
    }),
});
