import { z } from 'zod';
import { isInherited } from '../fields/names.ts';
import { choice, count, idSchema, namesOf, objectOf, quantity, rowOf, text } from '../fields/property.ts';
import { celsius } from '../units/quick.ts';
import { deviceSchema } from './devices/index.ts';
import { standsProperty } from './devices/define-device.ts';
import { barrels, insulations, seals, wireEnds, wirePlaces, wireUses, type WireUse } from './wire-kinds.ts';

export const MOST_DEVICES = 120;
export const MOST_WIRES = 240;

const AREA = { minimum: 1e-7, maximum: 1.2e-4, likely: [0.2e-6, 35e-6], named: 'gaugeOfWire' } as const;

export const wireProperties = {
  area: quantity('conductor', 'area', 'mm²', {
    ...AREA,
    hint: 'mm² or AWG, as it is printed or by a gauge on the bare strands.',
  }),
  length: quantity('length', 'length', 'm', { tool: 'tape', maximum: 15, likely: [0.05, 8] }),
  conductors: count('conductors side by side', 4, 'Two wires on two pins carry half each.'),
  insulation: choice('insulation', namesOf(insulations)),
  lies: choice('lies', namesOf(wirePlaces)),
  temperature: quantity('temperature around it', 'temperature', '°C', {
    minimum: celsius(-50),
    maximum: celsius(150),
    hint: 'Unsaid: by where it lies.',
  }),
  bundled: count('wires that carry current in its bundle', 60, 'Many together get rid of less heat.'),
  use: choice('it is for', namesOf(wireUses)),
  startEnd: choice('its start is', namesOf(wireEnds)),
  startBarrel: choice('barrel at its start', namesOf(barrels)),
  startSeal: choice('seal at its start', namesOf(seals)),
  finishEnd: choice('its end is', namesOf(wireEnds)),
  finishBarrel: choice('barrel at its end', namesOf(barrels)),
  finishSeal: choice('seal at its end', namesOf(seals)),
  outside: quantity('outside of its insulation', 'length', 'mm', {
    tool: 'calipers',
    maximum: 0.03,
    likely: [0.0012, 0.008],
    hint: 'Unsaid: as thin-wall wire of that conductor commonly is.',
  }),
  colour: text('colour', 30, 'Unsaid: by the scheme.'),
  marking: text('marking', 20, 'Unsaid: its number.'),
  shield: choice('shield', {
    oneEnd: 'earthed at one end',
    bothEnds: 'earthed at both ends',
    open: 'earthed nowhere',
    none: 'none',
  }),
  stands: standsProperty,
};

const terminalSchema = z
  .string()
  .regex(/^[A-Za-z0-9]{1,20}$/, 'is no terminal')
  .refine((name) => !isInherited(name), 'is no terminal');
const endSchema = z.strictObject({ device: idSchema, terminal: terminalSchema });
export const wireSchema = rowOf(wireProperties).extend({ from: endSchema.optional(), to: endSchema.optional() });
export type Wire = z.infer<typeof wireSchema>;
export type WireEnd = z.infer<typeof endSchema>;

const MOST_DROP = 0.5; // V in supply and earth together, common practice
const FIRST_FUSE = 0.3; // m of wire from the battery to its fuse, common practice

/** Limits of a pump's wiring; common practice, each can be set otherwise. */
export const harnessProperties = {
  mostDrop: quantity('supply and earth may take', 'voltage', 'V', {
    maximum: 5,
    likely: [0.2, 1],
    typical: { si: MOST_DROP, source: 'common practice' },
  }),
  firstFuse: quantity('fuse within', 'length', 'mm', {
    tool: 'tape',
    maximum: 5,
    typical: { si: FIRST_FUSE, source: 'common practice' },
    hint: 'Of the battery: what lies before it is protected by nothing.',
  }),
};
export const mostDropOf = (harness: Harness | undefined): number => harness?.mostDrop?.si ?? MOST_DROP;
export const firstFuseOf = (harness: Harness | undefined): number => harness?.firstFuse?.si ?? FIRST_FUSE;

const colour = (use: WireUse) => text(wireUses[use].name, 30);
/** Colours of the shop’s own scheme, by what a wire is for; wires that say their own keep it. */
export const schemeProperties = {
  live: colour('live'),
  switched: colour('switched'),
  pump: colour('pump'),
  coil: colour('coil'),
  earth: colour('earth'),
  signal: colour('signal'),
  prefix: text('numbers begin with', 8, 'Wires are marked with that and their number in the list.'),
};

export const rollProperties = {
  colour: text('colour', 30),
  area: quantity('conductor', 'area', 'mm²', AREA),
  length: quantity('on the roll', 'length', 'm', { maximum: 500, likely: [1, 100], needed: true }),
};
const rollSchema = rowOf(rollProperties);

/** The pump circuit beside the run: devices, and wires between their terminals. */
export const harnessSchema = objectOf(harnessProperties).extend({
  devices: z.array(deviceSchema).max(MOST_DEVICES, `holds more than ${MOST_DEVICES} devices`).optional(),
  wires: z.array(wireSchema).max(MOST_WIRES, `holds more than ${MOST_WIRES} wires`).optional(),
  scheme: objectOf(schemeProperties).optional(),
  /** Wire that lies in the shop, to cut from. */
  rolls: z.array(rollSchema).max(60, 'holds more than 60 rolls').optional(),
});
export type Harness = z.infer<typeof harnessSchema>;
export type Roll = z.infer<typeof rollSchema>;
