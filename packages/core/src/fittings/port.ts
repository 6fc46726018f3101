import { z } from 'zod';
import { choice, quantity } from '../fields/property.ts';
import { lineSchema } from '../fields/text.ts';
import { mm } from '../units/quick.ts';
import { fittingMaterials } from '../ratings/fitting-material.ts';
import { portForm, portFormKeys, type PortFormKey } from './port-form.ts';

/** What else is looked at on a port: its envelope, which way it points, what it is made of. */
export const portMeasures = {
  flats: quantity('across flats', 'length', 'mm', { tool: 'calipers', minimum: mm(4), maximum: mm(80) }),
  length: quantity('length that stands out', 'length', 'mm', { tool: 'calipers', minimum: 0, maximum: mm(200) }),
  angle: quantity('points off the axis by', 'angle', '°', { maximum: Math.PI }),
  material: choice('made of', fittingMaterials),
};

export const portSchema = z.strictObject({
  form: z.enum(portFormKeys as [PortFormKey, ...PortFormKey[]]),
  /** A size that the form knows, such as `−6` or `3/8`. */
  size: lineSchema(12).min(1),
  gender: z.enum(['male', 'female']),
  /** Turns freely while it is tightened. */
  swivel: z.boolean().optional(),
  flats: portMeasures.flats.schema.optional(),
  length: portMeasures.length.schema.optional(),
  angle: portMeasures.angle.schema.optional(),
  material: portMeasures.material.schema.optional(),
});
export type Port = z.infer<typeof portSchema>;

/** For a person: “male 37° flare −6”, “female swivel 37° flare −6”, “plain hose end −6 PTFE”. */
export const describePort = ({ form, size, gender, swivel }: Port): string =>
  [...(portForm(form).only ? [] : [gender, swivel ? 'swivel' : '']), portForm(form).name, size]
    .filter(Boolean)
    .join(' ');

export const plainSize = (size: string) => size.replace('−', '-').replace('×', 'x');

/**
 * In the notation that commands, the shelf's CSV and codes use,
 * never in what a page shows: `male flare37 -6`, `hose -6 PTFE`, `swivel female flare37 -6`.
 */
export const sayPort = ({ form, size, gender, swivel }: Port): string =>
  [swivel ? 'swivel' : '', portForm(form).only ? '' : gender, portForm(form).word, plainSize(size)]
    .filter(Boolean)
    .join(' ');
