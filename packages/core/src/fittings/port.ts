import { z } from 'zod';
import { choice, quantity } from '../job/property.ts';
import { lineSchema } from '../job/text.ts';
import { failure, success, type Result } from '../result.ts';
import { mm } from '../units/quick.ts';
import { fittingMaterials } from './fitting-material.ts';
import { portForm, portFormKeys, portSize, type PortFormKey } from './port-form.ts';

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

/** “male 37° flare −6” */
export const describePort = ({ form, size, gender, swivel }: Port): string =>
  portForm(form).only ? `${portForm(form).name} ${size}` : `${gender} ${portForm(form).name} ${size}${swivel ? ', swivel' : ''}`; // prettier-ignore

const plain = (size: string) => size.replace('−', '-').replace('×', 'x');

/** In the notation that commands, the shelf's CSV and codes use: `male flare37 -6`, `hose -6 PTFE`, `swivel female flare37 -6`. */
export const sayPort = ({ form, size, gender, swivel }: Port): string =>
  [swivel ? 'swivel' : '', portForm(form).only ? '' : gender, portForm(form).word, plain(size)]
    .filter(Boolean)
    .join(' ');

/** Other words for a form, as people write them. */
const otherWords: Readonly<Record<string, PortFormKey>> = {
  an: 'flare37',
  jic: 'flare37',
  flare: 'flare37',
  inverted: 'invertedFlare',
  g: 'bspp',
  r: 'bspt',
  banjo: 'metricBanjo',
  metricoring: 'metricORing',
  quickconnector: 'quickConnector',
};
const byWord = new Map<string, PortFormKey>([
  ...portFormKeys.map((key) => [portForm(key).word, key] as const),
  ...portFormKeys.map((key) => [key.toLowerCase(), key] as const),
  ...Object.entries(otherWords),
]);

/** Reads a port from its notation: gender, form, size, in that order; `swivel` anywhere. */
export function readPort(text: string): Result<Port, string> {
  const words = text.trim().split(/\s+/);
  const swivel = words.some((w) => /^swivel$/i.test(w));
  const rest = words.filter((w) => !/^swivel$/i.test(w));
  const given = rest.find((w) => /^(male|female)$/i.test(w))?.toLowerCase() as Port['gender'] | undefined;
  const [word = '', ...sizeWords] = rest.filter((w) => !/^(male|female)$/i.test(w));
  const form = byWord.get(word.toLowerCase());
  const known = [...new Set(portFormKeys.map((key) => portForm(key).word))].join(', ');
  if (!form) return failure(`“${word}” is no form of port; there are ${known}`);
  const gender = portForm(form).only ?? given;
  if (!gender) return failure(`“${text.trim()}” says neither male nor female`);
  if (given && given !== gender) return failure(`a ${portForm(form).name} is always ${gender}`);
  const size = Object.keys(portForm(form).sizes).find((s) => plain(s).toLowerCase() === plain(sizeWords.join(' ')).toLowerCase()); // prettier-ignore
  if (size === undefined || !portSize(form, size))
    return failure(`${portForm(form).name} has no size “${sizeWords.join(' ')}”; it has ${Object.keys(portForm(form).sizes).map(plain).join(', ')}`); // prettier-ignore
  return success({ form, size, gender, ...(swivel ? { swivel } : {}) });
}
