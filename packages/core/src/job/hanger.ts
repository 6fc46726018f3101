import { z } from 'zod';
import { litres, mm } from '../units/quick.ts';
import { lineMaterialNames } from '../parts/hard-line/hard-line.ts';
import { choice, count, flag, objectOf, quantity, rowOf, text, TYPICAL, onTabs } from '../fields/property.ts';

const SHORT = { maximum: 1 } as const;
const PLACE = { minimum: -3, maximum: 3 } as const;
const COMMON = 'common practice' as const;

/** The pump hanger: how it stands in the tank, passes the opening and is bolted down. Heights are above the tank floor. */
export const hangerProperties = onTabs(
  {
    hold: choice(
      'hanger is',
      { rigid: 'rigid: hangs from its plate', sprung: 'sprung: pressed onto the floor' },
      { needed: true },
    ),
    depthFrom: choice(
      'tank depth was measured from',
      { lip: 'the bare lip', gasket: 'the top of the gasket lying on it' },
      { hint: 'Unknown: reckoned as from the bare lip with no gasket, which leaves the gasket as spare room.' },
    ),
    gasketFree: quantity('gasket, loose', 'length', 'mm', {
      tool: 'calipers',
      maximum: mm(30),
      likely: [mm(0.5), mm(8)],
      guide: {
        mark: 'G',
        tool: 'caliper',
        where: 'on the gasket off the tank',
        tolerance: mm(0.2),
        why: 'a hanger that touches before the gasket is squeezed never seals',
      },
    }),
    gasketSqueezed: quantity('gasket, bolted down', 'length', 'mm', {
      tool: 'calipers',
      maximum: mm(30),
      hint: 'About two thirds of its loose thickness for a flat rubber gasket.',
    }),
    floorGap: quantity('gap under a rigid hanger', 'length', 'mm', {
      tool: 'tape',
      maximum: mm(60),
      likely: [mm(0.5), mm(12)],
      typical: { si: mm(1.6), source: COMMON },
      hint: 'Just off the floor, sock touching: 9 1/16 in deep, set 9 in.',
    }),
    preload: quantity('preload of a sprung hanger', 'length', 'mm', {
      tool: 'calipers',
      maximum: mm(60),
      likely: [mm(8), mm(20)],
      typical: { si: mm(12), source: TYPICAL },
      hint: '10 to 15 mm pressed in when the plate is down.',
    }),
    springTravel: quantity('spring travel, free to solid', 'length', 'mm', {
      tool: 'tape',
      ...SHORT,
      maximum: mm(150),
    }),
    stack: quantity('stack height as set', 'length', 'mm', {
      tool: 'tape',
      ...SHORT,
      hint: 'Underside of the plate to the lowest point of the sock, hanging free. Unknown: Endrel’s own.',
      guide: {
        mark: 'S',
        tool: 'steel rule on the bench',
        where: 'underside of the plate to the sock’s lowest point, hanging free',
        tolerance: mm(1),
        why: 're-check it against the tank before final assembly',
      },
    }),
    oldStack: quantity('old stack height', 'length', 'mm', {
      tool: 'tape',
      ...SHORT,
      hint: 'Of the hanger before it is altered, measured the same way.',
    }),
    intoSump: flag('stands in the sump', 'Its pickup reaches into the sump, whose floor lies below the tank’s.'),
    plateRecess: quantity('plate is let in below the tank’s top by', 'length', 'mm', {
      tool: 'calipers',
      maximum: mm(200),
      hint: 'A recessed ring or a stamped well: the stack is shorter by as much.',
    }),
    pickupKind: choice(
      'fuel is drawn through',
      { sock: 'a sock', mat: 'a mat on the floor' },
      { hint: 'A mat draws from whatever part of it is wet.' },
    ),
    matLength: quantity('mat, fore and aft', 'length', 'mm', { tool: 'tape', maximum: 1, likely: [mm(100), mm(600)] }),
    matWidth: quantity('mat, across', 'length', 'mm', { tool: 'tape', maximum: 1, likely: [mm(50), mm(400)] }),
    adapterTube: quantity('sock goes onto a tube of', 'length', 'mm', {
      tool: 'calipers',
      named: 'dashOfTube',
      minimum: mm(4),
      maximum: mm(40),
      hint: 'Outside diameter of the tube that has no pump’s neck: a turned collar makes one.',
    }),
    adapterNeck: quantity('neck that the sock was made for', 'length', 'mm', {
      tool: 'calipers',
      minimum: mm(5),
      maximum: mm(60),
      hint: 'Diameter of the pump’s inlet neck.',
    }),
    sockThickness: quantity('sock hangs below the pump by', 'length', 'mm', {
      tool: 'calipers',
      maximum: mm(150),
      hint: 'From the pump’s inlet to the sock’s lowest point.',
    }),
    sockGive: quantity('sock may be pressed by', 'length', 'mm', {
      tool: 'calipers',
      maximum: mm(60),
      typical: { si: mm(5), source: TYPICAL },
    }),

    openingDiameter: quantity('opening in the tank', 'length', 'mm', {
      tool: 'calipers',
      maximum: 0.6,
      likely: [mm(50), mm(250)],
      guide: {
        mark: 'O',
        tool: 'caliper, inside jaws',
        where: 'across the hole, twice at right angles; the smaller counts',
        tolerance: mm(0.5),
        why: 'pumps that do not pass it are bought twice',
      },
    }),
    lip: quantity('clamp lip reaches in by', 'length', 'mm', {
      tool: 'calipers',
      maximum: mm(50),
      hint: 'All round, from the hole’s edge.',
    }),
    play: quantity('play wanted round the pumps', 'length', 'mm', {
      tool: 'calipers',
      maximum: mm(20),
      typical: { si: mm(0.5), source: COMMON },
    }),
    wallThickness: quantity('thickness of the opening’s edge', 'length', 'mm', {
      tool: 'calipers',
      named: 'gaugeOfSheet',
      maximum: mm(60),
      typical: { si: mm(2), source: TYPICAL },
    }),
    headroom: quantity('room above the opening', 'length', 'mm', {
      tool: 'tape',
      maximum: 3,
      hint: 'Tank in the vehicle: up to whatever is over the opening. Tank out: leave unknown.',
    }),
    stiffLength: quantity('longest stiff part, length', 'length', 'mm', {
      tool: 'tape',
      ...SHORT,
      hint: 'What neither bends nor comes off, along the hanger.',
    }),
    stiffWidth: quantity('longest stiff part, width', 'length', 'mm', { ...SHORT, tool: 'tape' }),
    reach: quantity('free room under the opening, sideways', 'length', 'mm', {
      tool: 'tape',
      maximum: 3,
      hint: 'To the nearest wall or baffle on the side it is tilted to. Unknown: from the tank’s shape.',
    }),

    openingForward: quantity('opening forward of the tank’s middle', 'length', 'mm', { ...PLACE, tool: 'tape' }),
    openingLeft: quantity('opening left of the tank’s middle', 'length', 'mm', { ...PLACE, tool: 'tape' }),
    outletRise: quantity('hoses stand above the plate by', 'length', 'mm', {
      tool: 'tape',
      ...SHORT,
      typical: { si: mm(50), source: COMMON },
      hint: 'About 50 mm (2 in) with 90° hose ends.',
    }),
    roomAbove: quantity('room above the plate', 'length', 'mm', {
      tool: 'tape',
      ...SHORT,
      hint: 'Tank in place: plate to the floor or panel over it.',
    }),

    bucket: flag('has a bucket', 'A reservoir round the pickup that holds fuel when it slops away.'),
    bucketVolume: quantity('bucket holds', 'volume', 'L', { maximum: litres(20), likely: [litres(0.2), litres(4)] }),
    bucketInlet: quantity('bucket’s inlet above the floor', 'length', 'mm', {
      tool: 'tape',
      ...SHORT,
      typical: { si: mm(3), source: TYPICAL },
    }),
    bucketInletBore: quantity('bucket’s inlet hole', 'length', 'mm', {
      tool: 'calipers',
      maximum: mm(100),
    }),
    returnIntoBucket: flag('the return ends in the bucket'),
    reserveLevel: quantity('level it must still run at', 'length', 'mm', {
      tool: 'tape',
      maximum: 1,
      typical: { si: mm(25), source: TYPICAL },
    }),

    lid: choice('lid is', {
      ring: 'a plate on a bolt circle',
      moulded: 'moulded, under a lock ring',
    }),
    lidFlat: quantity('flat of the lid, inside its wall', 'length', 'mm', {
      tool: 'calipers',
      maximum: 0.6,
      hint: 'The circle that ports may stand on: a moulded lid rises to a wall round it.',
    }),
    lidThickness: quantity('thickness of the lid', 'length', 'mm', {
      tool: 'calipers',
      maximum: mm(40),
      likely: [mm(1), mm(12)],
    }),
    oRingCord: quantity('O-ring cord', 'length', 'mm', {
      tool: 'calipers',
      maximum: mm(12),
      likely: [mm(1.5), mm(7)],
      hint: 'Instead of a flat gasket: its groove in the ring plate follows from it.',
    }),
    plateHole: quantity('hole in the ring plate', 'length', 'mm', {
      tool: 'calipers',
      maximum: 0.6,
    }),
    plateOutside: quantity('plate outside diameter', 'length', 'mm', {
      tool: 'calipers',
      maximum: 0.8,
    }),
    boltCircle: quantity('bolt circle', 'length', 'mm', {
      tool: 'calipers',
      maximum: 0.8,
      likely: [mm(60), mm(300)],
    }),
    studs: count('studs', 24),
    studSize: quantity('stud diameter', 'length', 'mm', {
      tool: 'calipers',
      named: 'screwSize',
      maximum: mm(20),
      likely: [mm(4), mm(8)],
      typical: { si: mm(5), source: TYPICAL },
    }),

    returnForward: quantity('return forward of the tank’s middle', 'length', 'mm', { ...PLACE, tool: 'tape' }),
    returnLeft: quantity('return left of the tank’s middle', 'length', 'mm', { ...PLACE, tool: 'tape' }),
    jetDrill: quantity('siphon jet drill', 'length', 'mm', {
      tool: 'calipers',
      maximum: mm(12),
      likely: [mm(1), mm(6)],
    }),
    jetKind: choice(
      'jet is',
      { drilled: 'a drilled plain tube', moulded: 'moulded, its throat widening again' },
      { hint: 'A moulded one gets back most of the speed as pressure and lifts more. A plain tube stands in.' },
    ),
    jetHeight: quantity('jet above the floor', 'length', 'mm', {
      tool: 'tape',
      maximum: 1,
      hint: 'Where it blows out: above the fuel it sucks air and froths.',
    }),
    jetEdge: choice('jet orifice is', { sharp: 'sharp-edged plate', drilled: 'drilled through' }),
    farForward: quantity('far pickup forward of the tank’s middle', 'length', 'mm', { ...PLACE, tool: 'tape' }),
    farLeft: quantity('far pickup left of the tank’s middle', 'length', 'mm', { ...PLACE, tool: 'tape' }),
    farHeight: quantity('far pickup above the floor', 'length', 'mm', {
      tool: 'tape',
      maximum: 1,
    }),
    siphonBore: quantity('siphon tube bore', 'length', 'mm', {
      tool: 'calipers',
      minimum: mm(1),
      maximum: mm(40),
    }),
    siphonLength: quantity('siphon tube length', 'length', 'mm', {
      tool: 'tape',
      maximum: 5,
    }),
    throatDrill: quantity('jet throat bore', 'length', 'mm', {
      tool: 'calipers',
      maximum: mm(30),
      hint: 'The tube that the jet blows into.',
    }),
  },
  {
    height: [
      'hold',
      'depthFrom',
      'gasketFree',
      'gasketSqueezed',
      'floorGap',
      'preload',
      'springTravel',
      'stack',
      'oldStack',
      'sockThickness',
      'sockGive',
      'outletRise',
      'roomAbove',
    ],
    opening: ['openingDiameter', 'lip', 'play', 'wallThickness', 'headroom', 'stiffLength', 'stiffWidth', 'reach'],
    plate: ['plateHole', 'plateOutside', 'boltCircle', 'studs', 'studSize'],
  },
);

/** A pump body or sleeve that must pass the opening beside the others. */
export const bodyProperties = {
  label: text('body', 60),
  diameter: quantity('diameter', 'length', 'mm', {
    tool: 'calipers',
    minimum: mm(5),
    maximum: mm(200),
    likely: [mm(30), mm(70)],
  }),
  sleeve: quantity('sleeve or cushion, thickness', 'length', 'mm', {
    tool: 'calipers',
    maximum: mm(30),
    typical: { si: 0, source: 'chosen' },
  }),
};
/** A rod or tube of the hanger that is cut to the new height. */
export const rodProperties = {
  label: text('rod or tube', 60),
  old: quantity('old length', 'length', 'mm', { ...SHORT, tool: 'tape' }),
};
/** Anything on the hanger that may have to come off for it to pass. */
export const hangerPartProperties = {
  label: text('part', 60),
  across: quantity('size across', 'length', 'mm', {
    tool: 'calipers',
    minimum: mm(1),
    maximum: mm(600),
    hint: 'Diameter of the smallest tube it would slide through.',
  }),
  comesOff: flag('comes off'),
};
/** A tube of the hanger: a drop, a pickup, a vent. */
export const tubeProperties = {
  label: text('tube', 60),
  od: quantity('outside diameter', 'length', 'mm', {
    tool: 'calipers',
    minimum: mm(3),
    maximum: mm(40),
    named: 'dashOfTube',
  }),
  wall: quantity('wall', 'length', 'mm', {
    tool: 'calipers',
    minimum: mm(0.3),
    maximum: mm(5),
    named: 'gaugeOfTube',
  }),
  material: choice('material', lineMaterialNames),
  rise: quantity('stands above the plate by', 'length', 'mm', { tool: 'tape', maximum: 0.5 }),
  end: quantity('ends above the floor', 'length', 'mm', { tool: 'tape', minimum: -1, maximum: 2 }),
  offset: quantity('goes sideways by', 'length', 'mm', { tool: 'tape', maximum: 1 }),
  bends: count('number of 90° bends', 6),
  bendRadius: quantity('bend radius, middle of the tube', 'length', 'mm', {
    tool: 'calipers',
    minimum: mm(5),
    maximum: mm(200),
    hint: 'Unknown: three times the outside diameter.',
  }),
};
/** A port on the ring plate. */
export const platePortProperties = {
  label: text('port', 60),
  is: choice('is', { port: 'a fuel port', stud: 'an insulated stud', pass: 'a sealed pass for wires' }),
  stud: quantity('stud', 'length', 'mm', {
    tool: 'calipers',
    named: 'screwSize',
    minimum: mm(2),
    maximum: mm(16),
  }),
  hexagon: quantity('hexagon across flats', 'length', 'mm', {
    tool: 'calipers',
    minimum: mm(5),
    maximum: mm(80),
    likely: [mm(7), mm(40)],
  }),
  hole: quantity('hole', 'length', 'mm', {
    tool: 'calipers',
    minimum: mm(2),
    maximum: mm(60),
  }),
};

export const hangerSchema = objectOf(hangerProperties).extend({
  bodies: z.array(rowOf(bodyProperties)).max(4, 'holds more than four bodies').optional(),
  rods: z.array(rowOf(rodProperties)).max(12).optional(),
  parts: z.array(rowOf(hangerPartProperties)).max(20).optional(),
  ports: z.array(rowOf(platePortProperties)).max(8).optional(),
  tubes: z.array(rowOf(tubeProperties)).max(8).optional(),
});
export type Hanger = z.infer<typeof hangerSchema>;
