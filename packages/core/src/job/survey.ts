import { z } from 'zod';
import { mm } from '../units/quick.ts';
import { lineMaterialNames } from './components/hard-line.ts';
import { choice, flag, objectOf, quantity, text } from './property.ts';

const HEIGHT = { minimum: -3, maximum: 3 };

/** What the vehicle has. Heights are above the tank floor. */
export const tankProperties = {
  depth: quantity('tank depth', 'length', 'mm', {
    minimum: mm(20),
    maximum: 3,
    likely: [mm(80), mm(800)],
    needed: true,
    hint: 'Rule down through the opening to the floor, lip to floor; measure twice.',
  }),
  capacity: quantity('tank volume', 'volume', 'L', {
    maximum: 5,
    likely: [0.003, 0.4],
    hint: 'Brim-full; from the plate or a fill.',
  }),
  shape: choice(
    'tank shape',
    { box: 'box, corners rounded or not', cylinder: 'cylinder lying down, depth its diameter' },
    {
      hint: 'For litres against height. Depth stands upright; length and width lie flat.',
    },
  ),
  length: quantity('tank length', 'length', 'mm', { maximum: 5, likely: [mm(150), 2] }),
  width: quantity('tank width', 'length', 'mm', { maximum: 5, likely: [mm(100), 2] }),
  cornerRadius: quantity('radius of the long corners', 'length', 'mm', { maximum: 1 }),
  outletHeight: quantity('outlet height', 'length', 'mm', {
    ...HEIGHT,
    hint: 'Where fuel leaves the tank, above the tank floor: 0 at a bottom outlet.',
  }),
  coating: choice('tank wall inside', {
    bareSteel: 'bare steel',
    zinc: 'zinc (galvanised)',
    terne: 'terne (lead-tin)',
    aluminium: 'bare aluminium',
    stainless: 'stainless',
    polyethylene: 'polyethylene',
    sealer: 'epoxy sealer',
  }),
  vent: choice('vent', {
    none: 'none',
    open: 'open line',
    rollOver: 'line with roll-over valve',
    canister: 'to a vapour canister',
  }),
  ventHeight: quantity('highest point of the vent', 'length', 'mm', { ...HEIGHT }),
  fillerHeight: quantity('filler neck height', 'length', 'mm', {
    ...HEIGHT,
    hint: 'Top of the neck, above the tank floor.',
  }),
  cap: choice('filler cap', { sealed: 'sealed', vented: 'vented' }),
};

export const surveyProperties = {
  railHeight: quantity('rail or carburettor height', 'length', 'mm', {
    ...HEIGHT,
    needed: true,
    hint: 'Above the tank floor, on level ground: water-filled clear hose, or floor to each.',
  }),
  stopsWithEngine: flag('the pump stops when the engine stops', 'Control unit, oil-pressure switch or relay logic.'),
  crashShutOff: flag('the pump stops in a crash', 'Inertia switch or control unit.'),
  notes: text('notes', 4000),
};

export const existingLineProperties = {
  label: text('line', 60),
  outsideDiameter: quantity('tube outside diameter', 'length', 'mm', {
    minimum: mm(2),
    maximum: mm(40),
    dash: 'tubeOutsideDiameter',
  }),
  wall: quantity('wall', 'length', 'mm', { minimum: mm(0.2), maximum: mm(5), likely: [mm(0.5), mm(2)] }),
  length: quantity('line length', 'length', 'mm', { maximum: 15 }),
  material: choice('material', lineMaterialNames),
  condition: choice('condition', { sound: 'sound', doubtful: 'doubtful', scrap: 'scrap' }),
};
const existingLineSchema = objectOf(existingLineProperties).extend({ id: z.string().regex(/^[a-z0-9-]{1,40}$/) });
export type ExistingLine = z.infer<typeof existingLineSchema>;

export const surveySchema = objectOf(surveyProperties).extend({
  tank: objectOf(tankProperties),
  lines: z.array(existingLineSchema).max(20),
});
export type Survey = z.infer<typeof surveySchema>;
