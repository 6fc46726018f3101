import { z } from 'zod';
import { benderProperties } from './bender.ts';
import { mm } from '../units/quick.ts';
import { placeProperties, placeSchema, portPlaceSchema, tapeSchema } from '../parts/place.ts';
import { choice, flag, idSchema, namesOf, objectOf, prose, quantity, rowOf, text } from '../fields/property.ts';

/** What room in the vehicle is to a line: how far it has to stay off, and why. Gaps are common practice and can be set. */
export const zoneKinds = {
  hot: {
    name: 'hot: exhaust, turbo, catalyst',
    gap: mm(100),
    shielded: mm(25),
    why: 'Heat boils fuel and softens hose.',
  },
  axle: { name: 'axle or suspension', gap: mm(50), why: 'It comes up on a bump and cuts or pinches what it meets.' },
  moving: { name: 'shaft, linkage or engine', gap: mm(25), why: 'What moves wears through what it touches.' },
  belts: {
    name: 'plane of the belts',
    gap: mm(25),
    why: 'A belt that breaks or flings a stone whips along its plane.',
  },
  electrical: { name: 'unprotected wiring', gap: mm(50), why: 'A chafed wire sparks beside a line that weeps.' },
  debris: {
    name: 'thrown debris: behind a wheel, lowest underneath',
    gap: 0,
    why: 'Stones and road junk hit what lies there.',
  },
  cabin: { name: 'cabin', gap: 0, why: 'Fuel lines stay out of where people breathe.' },
  belt: {
    name: 'seat or seat-belt anchorage',
    gap: mm(50),
    why: 'Its bolt is drilled, drawn and strained from either side.',
  },
  panel: { name: 'panel', gap: 0, why: 'Lines pass it by a hole with a grommet.' },
  tank: { name: 'fuel tank', gap: 0, why: 'What rubs on it wears through.' },
  reach: { name: 'where a hand and a spanner get to', gap: 0, why: 'A joint that cannot be reached is not looked at.' },
} as const satisfies Record<string, { name: string; gap: number; shielded?: number; why: string }>;
export type ZoneKind = keyof typeof zoneKinds;

const travel = (name: string, hint: string) =>
  quantity(name, 'length', 'mm', { tool: 'tape', maximum: 1, likely: [0, 0.3], hint });

export const fastenerProperties = {
  label: text('fastener', 60),
  ...placeProperties,
  across: quantity('across', 'length', 'mm', {
    tool: 'calipers',
    minimum: mm(2),
    maximum: mm(120),
    hint: 'Its head, nut or plate, whichever is larger.',
  }),
  isBehind: flag('on the far side'),
};
const fastenerSchema = rowOf(fastenerProperties).extend({ from: idSchema.optional() });

export const zoneProperties = {
  label: text('zone', 60),
  kind: choice('what it is', namesOf(zoneKinds), { needed: true }),
  shape: choice('shape', { box: 'box, between two corners', pipe: 'round, along its middle' }, { needed: true }),
  radius: quantity('half across', 'length', 'mm', {
    tool: 'tape',
    minimum: mm(1),
    maximum: 1,
    hint: 'Of what is round: half its outside.',
  }),
  shielded: flag('a heat shield stands between', 'With air on both sides.'),
  rises: travel('rises by', 'From where it stands now to the bump stop.'),
  falls: travel('falls by', 'From where it stands now to full droop.'),
  sways: travel('sways either side by', 'To left and right.'),
  shifts: travel('shifts fore and aft by', 'Either way.'),
  gap: quantity('least gap', 'length', 'mm', { tool: 'tape', maximum: 1, hint: 'Instead of the usual one; say why.' }),
  reason: prose('why another gap', 400),
};
const zoneSchema = rowOf(zoneProperties).extend({
  a: placeSchema.optional(),
  b: placeSchema.optional(),
  fasteners: z.array(fastenerSchema).max(60, 'holds more than 60 fasteners').optional(),
});
export type ZoneRow = z.infer<typeof zoneSchema>;

export const pointProperties = {
  label: text('point', 60),
  ...placeProperties,
  side: choice('of two places, the one further', {
    rearward: 'rearward',
    forward: 'forward',
    left: 'to the left',
    right: 'to the right',
    up: 'up',
    down: 'down',
  }),
};
const pointSchema = rowOf(pointProperties).extend({
  from: idSchema.optional(),
  tapes: z.array(tapeSchema).max(6, 'holds more than six tapes').optional(),
});
export type PointRow = z.infer<typeof pointSchema>;

/** Angles that hose ends are made in. */
export const hoseEndAngles = {
  0: 'straight',
  30: '30°',
  45: '45°',
  60: '60°',
  90: '90°',
  120: '120°',
  150: '150°',
  180: '180°',
} as const;

export const MOST_THROUGH = 60;
export const MOST_COPIED = 40;

export const waypointProperties = {
  label: text('place', 60),
  ...placeProperties,
  clip: flag('clipped there'),
};
const waypointSchema = rowOf(waypointProperties).extend({ from: idSchema.optional() });

export const lineRouteProperties = {
  startEnd: choice('hose end at its start', hoseEndAngles),
  startClock: quantity('clocked', 'angle', '°', {
    minimum: 0,
    maximum: 2 * Math.PI,
    hint: 'Facing the port, anticlockwise from straight up; from rearward where the port points up or down.',
  }),
  finishEnd: choice('hose end at its finish', hoseEndAngles),
  finishClock: quantity('clocked', 'angle', '°', { minimum: 0, maximum: 2 * Math.PI }),
  moves: flag('one end moves with the engine', 'It gets slack for that.'),
  grommet: flag('a grommet in every hole'),
  stock: quantity('stock comes in lengths of', 'length', 'mm', {
    tool: 'tape',
    minimum: mm(100),
    maximum: 30,
    hint: 'A longer line is made of pieces with unions.',
  }),
  nutsOn: flag('nuts and sleeves go on before the bends and flares'),
};
/** Behind the last bend of a copied line. */
export const copiedProperties = {
  copiedLast: quantity('straight behind the last bend', 'length', 'mm', { tool: 'tape', maximum: 10 }),
};

/** A stretch of a line that is kept from heat. */
export const sleeveProperties = {
  kind: choice(
    'what keeps the heat off',
    { sleeve: 'heat sleeve on the line', shield: 'shield beside it' },
    { needed: true },
  ),
  from: quantity('from', 'length', 'mm', { tool: 'tape', maximum: 20, hint: 'Along the line from its start.' }),
  to: quantity('to', 'length', 'mm', { tool: 'tape', maximum: 20 }),
};
/** One bend of a line that was measured: the straight before it, how it is turned against the bend before, how far it bends. */
export const bentProperties = {
  straight: quantity('straight before it', 'length', 'mm', { tool: 'tape', maximum: 10 }),
  rotation: quantity('turned', 'angle', '°', {
    minimum: -Math.PI,
    maximum: Math.PI,
    hint: 'Against the bend before, by the right hand along the line.',
  }),
  bend: quantity('bend', 'angle', '°', { maximum: Math.PI }),
};

export const lineRouteSchema = objectOf(lineRouteProperties).extend({
  /** The bender that it is bent with: the shop’s own, as it was when it was chosen. */
  bender: objectOf(benderProperties).optional(),
  sleeves: z.array(rowOf(sleeveProperties)).max(20, 'holds more than 20 sleeves and shields').optional(),
  /** A factory line copied bend by bend; its last straight follows. */
  copied: z.array(rowOf(bentProperties)).max(MOST_COPIED, `holds more than ${MOST_COPIED} bends`).optional(),
  copiedLast: copiedProperties.copiedLast.schema.optional(),
  through: z.array(waypointSchema).max(MOST_THROUGH, `goes through more than ${MOST_THROUGH} places`).optional(),
});
export type LineRoute = z.infer<typeof lineRouteSchema>;

export const routesProperties = {
  datum: text('datum', 160, 'What everything is measured from: a corner that can be found again, on level ground.'),
  tankFloor: quantity('tank floor above the datum', 'length', 'mm', { tool: 'tape', minimum: -3, maximum: 3 }),
};

const COMMON = 'common practice';
const limit = (name: string, usual: number, hint: string) =>
  quantity(name, 'length', 'mm', { tool: 'tape', maximum: 2, typical: { si: mm(usual), source: COMMON }, hint });

/** Limits of how lines are laid: common practice, each can be set otherwise with a reason. */
export const routeLimits = {
  clipSpacing: limit('clips at most apart', 450, 'Of a line that is not held otherwise.'),
  clipFromEnd: limit('first clip from an end', 100, 'So that the joint carries nothing.'),
  linesApart: limit('lines keep apart', 6, 'Where they are not clipped together.'),
  fastenerGap: limit('a hole keeps off a fastener by', 10, 'From edge to edge, on either side of the panel.'),
  dropWithin: limit('a joint for the tank to drop within', 600, 'Along the line from the tank.'),
  limitsReason: prose('why other limits', 400),
};
type LimitKey = Exclude<keyof typeof routeLimits, 'limitsReason'>;
/** A limit as it is set for this job, else as common practice has it; m. */
export const routeLimit = (routes: Routes | undefined, key: LimitKey): number =>
  routes?.[key]?.si ?? routeLimits[key].typical!.si;
/** The name under which the vent is routed, beside the lines of the run. */
export const VENT = 'vent';

/** A place where a part may go, to be compared with others before a hole is drilled. */
export const candidateProperties = {
  label: text('place', 60),
  ...placeProperties,
  reason: prose('why here', 400),
};
const candidateSchema = rowOf(candidateProperties).extend({
  from: idSchema.optional(),
  /** The part that may go there. */
  part: idSchema.optional(),
});
export type CandidateRow = z.infer<typeof candidateSchema>;

/** Where things are under the vehicle, and how lines go between them. Metres rearward, left and up from the datum. */
export const routesSchema = objectOf({ ...routesProperties, ...routeLimits }).extend({
  points: z.array(pointSchema).max(200, 'holds more than 200 points').optional(),
  zones: z.array(zoneSchema).max(60, 'holds more than 60 zones').optional(),
  /** The vent line: which way it leaves the tank, and where it ends. */
  vent: z
    .strictObject({
      start: portPlaceSchema.optional(),
      finish: placeSchema.optional(),
      through: z.array(waypointSchema).max(MOST_THROUGH, `goes through more than ${MOST_THROUGH} places`).optional(),
    })
    .optional(),
  /** Places where a part may go, to be compared. */
  candidates: z.array(candidateSchema).max(40, 'holds more than 40 places to compare').optional(),
  /** By the line, a hose or a hard line; kept while it is set aside. */
  lines: z
    .record(idSchema, lineRouteSchema)
    .refine((held) => Object.keys(held).length <= 200, 'holds more than 200 routes')
    .optional(),
});
export type Routes = z.infer<typeof routesSchema>;
