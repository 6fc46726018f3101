import { failure, success, type Result } from '../result.ts';
import { portForm, portFormKeys, type PortFormKey } from './port-form.ts';
import { portSize, portSizes } from './port-size.ts';
import { plainSize, type Port } from './port.ts';

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
  const size = Object.keys(portSizes(form)).find(
    (s) => plainSize(s).toLowerCase() === plainSize(sizeWords.join(' ')).toLowerCase(),
  );
  if (size === undefined || !portSize(form, size))
    return failure(
      `${portForm(form).name} has no size “${sizeWords.join(' ')}”; it has ${Object.keys(portSizes(form)).map(plainSize).join(', ')}`,
    );
  return success({ form, size, gender, ...(swivel ? { swivel } : {}) });
}
