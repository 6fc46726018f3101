import { tankWalls } from '../ratings/material-fuel.ts';
import { z } from 'zod';
import { tankMeshSchema } from '../attachments/tank-mesh.ts';
import { kPa, litres, mm } from '../units/quick.ts';
import { measuredSchema } from '../fields/measured.ts';
import {
  namesOf,
  choice,
  flag,
  objectOf,
  quantity,
  rowOf,
  text,
  TYPICAL,
  type Guide,
  onTabs,
} from '../fields/property.ts';

/** Heights are above the tank floor. */
const HEIGHT = { minimum: -3, maximum: 3 };
const SIDE = { minimum: mm(5), maximum: 5, likely: [mm(80), 2] as const };
const tape = (mark: string, where: string, why: string, tolerance = mm(3)): { guide: Guide } => ({
  guide: { mark, tool: 'tape measure', where, tolerance, why },
});

export const tankShapes = {
  box: 'box, corners rounded or not',
  cylinder: 'cylinder lying down, depth its diameter',
  prism: 'one section all along, traced point by point',
  loft: 'sections that change along the tank',
  saddle: 'saddle: two lobes and a bridge',
  stepped: 'stepped floor, with or without a sump',
  mesh: 'mesh from an STL file',
  strapping: 'strapping table, or fills of known volume',
} as const;
export type TankShape = keyof typeof tankShapes;

export const tankProperties = onTabs(
  {
    depth: quantity('tank depth', 'length', 'mm', {
      tool: 'tape',
      minimum: mm(20),
      maximum: 3,
      likely: [mm(80), mm(800)],
      needed: true,
      hint: 'Rule down through the opening to the floor, lip to floor; measure twice.',
      guide: {
        mark: 'D',
        tool: 'steel rule or dowel through the opening',
        where: 'lip of the opening straight down to the floor, not onto a seam',
        tolerance: mm(1),
        why: 'the hanger is cut to it: 3 mm long and it never seats, 3 mm short and the sock hangs',
      },
    }),
    capacity: quantity('tank volume', 'volume', 'L', {
      minimum: litres(0.1),
      maximum: 5,
      likely: [litres(3), litres(400)],
      hint: 'Brim-full; from the plate or a fill. Endrel holds it against the shape.',
    }),
    shape: choice('tank shape', tankShapes, {
      hint: 'For litres against height. Depth stands upright; length and width lie flat.',
    }),
    length: quantity('tank length', 'length', 'mm', {
      tool: 'tape',
      ...SIDE,
      hint: 'Inside, along the vehicle.',
      ...tape('L', 'outside over the walls less twice the wall, along the vehicle', 'litres go with it one to one'),
    }),
    width: quantity('tank width', 'length', 'mm', {
      tool: 'tape',
      ...SIDE,
      hint: 'Inside, across the vehicle.',
      ...tape('W', 'outside over the walls less twice the wall, across the vehicle', 'litres go with it one to one'),
    }),
    cornerRadius: quantity('radius of the long corners', 'length', 'mm', {
      tool: 'tape',
      maximum: 1,
      ...tape('R', 'lay a coin or a can of known size into the corner', 'four 50 mm corners take 2 % off', mm(5)),
    }),
    ends: choice('ends', { flat: 'flat', dished: 'dished outwards' }),
    dish: quantity('ends stand out by', 'length', 'mm', {
      tool: 'calipers',
      maximum: 1,
      ...tape('E', 'straightedge across the end, rule to its rim', 'two dishes hold two thirds of their box'),
    }),
    leftWidth: quantity('left lobe width', 'length', 'mm', {
      tool: 'tape',
      ...SIDE,
      ...tape('A', 'across the left lobe at mid height', 'fuel stays in it when the level falls below the bridge'),
    }),
    rightWidth: quantity('right lobe width', 'length', 'mm', {
      tool: 'tape',
      ...SIDE,
      ...tape('B', 'across the right lobe at mid height', 'fuel stays in it when the level falls below the bridge'),
    }),
    bridgeWidth: quantity('bridge width', 'length', 'mm', {
      tool: 'tape',
      ...SIDE,
      ...tape('C', 'the gap between the lobes, over the propeller shaft', 'the bridge joins them'),
    }),
    bridgeFloor: quantity('bridge floor height', 'length', 'mm', {
      tool: 'tape',
      ...HEIGHT,
      minimum: 0,
      ...tape('H', 'from the lobe’s floor up to the tunnel’s top', 'below it the lobes no longer share fuel'),
    }),
    leftFloor: quantity('left lobe floor height', 'length', 'mm', {
      tool: 'tape',
      ...HEIGHT,
      minimum: 0,
      typical: { si: 0, source: 'chosen' },
    }),
    rightFloor: quantity('right lobe floor height', 'length', 'mm', {
      tool: 'tape',
      ...HEIGHT,
      minimum: 0,
      typical: { si: 0, source: 'chosen' },
    }),
    sumpLength: quantity('sump length', 'length', 'mm', {
      tool: 'tape',
      ...SIDE,
      likely: [mm(30), 1],
    }),
    sumpWidth: quantity('sump width', 'length', 'mm', {
      tool: 'tape',
      ...SIDE,
      likely: [mm(30), 1],
    }),
    sumpDepth: quantity('sump depth below the floor', 'length', 'mm', {
      tool: 'tape',
      maximum: 1,
      likely: [mm(10), mm(200)],
    }),
    sumpForward: quantity('sump middle forward of the tank’s middle', 'length', 'mm', {
      tool: 'tape',
      minimum: -3,
      maximum: 3,
    }),
    sumpLeft: quantity('sump middle left of the tank’s middle', 'length', 'mm', {
      tool: 'tape',
      minimum: -3,
      maximum: 3,
    }),
    foam: flag('filled with foam', 'Open-cell safety foam.'),
    foamShare: quantity('foam takes up', 'fraction', '%', {
      maximum: 0.5,
      likely: [0.01, 0.08],
      typical: { si: 0.03, source: TYPICAL },
    }),
    fillShare: quantity('filled to', 'fraction', '%', {
      maximum: 1,
      likely: [0.85, 1],
      typical: { si: 0.95, source: TYPICAL },
      hint: 'Share of brim-full at which the pump nozzle stops; the rest is ullage, room for the fuel to swell.',
    }),
    outletHeight: quantity('outlet height', 'length', 'mm', {
      tool: 'tape',
      ...HEIGHT,
      hint: 'Where fuel leaves the tank, above the tank floor: 0 at a bottom outlet.',
    }),
    coating: choice('tank wall inside', namesOf(tankWalls)),
    vent: choice('vent', {
      none: 'none',
      tied: 'breathers tied to one another',
      open: 'open line',
      rollOver: 'line with roll-over valve',
      canister: 'to a vapour canister',
    }),
    ventHeight: quantity('highest point of the vent', 'length', 'mm', {
      tool: 'tape',
      ...HEIGHT,
    }),
    fillerHeight: quantity('filler neck height', 'length', 'mm', {
      tool: 'tape',
      ...HEIGHT,
      hint: 'Top of the neck, above the tank floor.',
    }),
    cap: choice('filler cap', { sealed: 'sealed', vented: 'vented', capped: 'vented, but its vent is closed off' }),
    capOpensAt: quantity('cap lets air in at a vacuum of', 'pressure', 'kPa', {
      maximum: kPa(20),
      typical: { si: kPa(1), source: TYPICAL },
      hint: 'Of a vented cap, where no line vents the tank.',
    }),
  },
  {
    tank: [
      'shape',
      'capacity',
      'length',
      'width',
      'cornerRadius',
      'ends',
      'dish',
      'leftWidth',
      'rightWidth',
      'bridgeWidth',
      'bridgeFloor',
      'leftFloor',
      'rightFloor',
      'sumpLength',
      'sumpWidth',
      'sumpDepth',
      'sumpForward',
      'sumpLeft',
      'foam',
      'foamShare',
      'fillShare',
    ],
    vent: ['vent', 'ventHeight', 'fillerHeight', 'cap', 'capOpensAt'],
  },
);

const length = (name: string, minimum = -3) =>
  measuredSchema({ kind: 'length', name, unit: 'mm', minimum, maximum: 5 });

/** A corner of a traced section: across (left positive) and up from the tank floor. */
const sectionPointSchema = z.strictObject({ across: length('distance across'), up: length('height') });
export type TracedPoint = z.infer<typeof sectionPointSchema>;

/** One section of a tank that changes along its length: a rectangle standing on `floor`. */
export const stationProperties = {
  at: quantity('distance from the front', 'length', 'mm', {
    tool: 'tape',
    maximum: 5,
  }),
  width: quantity('width', 'length', 'mm', {
    tool: 'tape',
    minimum: mm(1),
    maximum: 5,
  }),
  height: quantity('height', 'length', 'mm', {
    tool: 'tape',
    minimum: mm(1),
    maximum: 3,
  }),
  floor: quantity('floor above the tank floor', 'length', 'mm', {
    tool: 'tape',
    maximum: 3,
    typical: { si: 0, source: 'chosen' },
  }),
  radius: quantity('corner radius', 'length', 'mm', {
    tool: 'tape',
    maximum: 1,
    typical: { si: 0, source: 'chosen' },
  }),
};
/** One stretch of a stepped floor, from front to back. */
export const zoneProperties = {
  length: quantity('length along the tank', 'length', 'mm', {
    tool: 'tape',
    minimum: mm(1),
    maximum: 5,
  }),
  floor: quantity('floor above the tank floor', 'length', 'mm', {
    tool: 'tape',
    maximum: 3,
  }),
  width: quantity('width, if not the tank’s', 'length', 'mm', {
    tool: 'tape',
    minimum: mm(1),
    maximum: 5,
  }),
};
/** A wall inside the tank, across or along it. */
export const baffleProperties = {
  label: text('baffle', 60),
  across: choice('stands', { across: 'across the vehicle', along: 'along the vehicle' }),
  place: quantity('place from the tank’s middle', 'length', 'mm', {
    tool: 'tape',
    minimum: -3,
    maximum: 3,
    hint: 'Forward of the middle if it stands across, left of it if along.',
  }),
  opening: quantity('lowest hole above the floor', 'length', 'mm', {
    tool: 'tape',
    maximum: 3,
    hint: '0: fuel passes along the floor. Higher: it dams fuel behind it.',
  }),
  top: quantity('top edge above the floor', 'length', 'mm', {
    tool: 'tape',
    maximum: 3,
    hint: 'Unknown: up to the roof.',
  }),
};
/** A fill of known volume on top of what was there, and what was read then. */
export const fillProperties = {
  added: quantity('added', 'volume', 'L', { maximum: 0.2, likely: [litres(1), litres(20)] }),
  level: quantity('height read', 'length', 'mm', {
    tool: 'tape',
    minimum: -1,
    maximum: 3,
  }),
  ohms: quantity('sender reads', 'resistance', 'Ω', { maximum: 5000, likely: [0, 400] }),
};
const strappingRowSchema = z.strictObject({
  level: length('level'),
  volume: measuredSchema({ kind: 'volume', name: 'volume', unit: 'L', maximum: 5 }),
});

export const tankSchema = objectOf(tankProperties).extend({
  section: z.array(sectionPointSchema).max(200).optional(),
  stations: z.array(rowOf(stationProperties)).max(40).optional(),
  zones: z.array(rowOf(zoneProperties)).max(12).optional(),
  baffles: z.array(rowOf(baffleProperties)).max(12).optional(),
  mesh: tankMeshSchema.optional(),
  strapping: z.array(strappingRowSchema).max(400).optional(),
  fills: z.array(rowOf(fillProperties)).max(100).optional(),
});
export type SurveyedTank = z.infer<typeof tankSchema>;

/** The fitter's value, or the visible typical one. */
export const tankValue = (tank: SurveyedTank, key: 'fillShare' | 'foamShare' | 'capOpensAt'): number =>
  tank[key]?.si ?? tankProperties[key].typical!.si;
