import { failure, success, type Result } from '../result.ts';
import { dashSizes, tubeOutsideDiameter, typicalHoseBore } from './dash-size.ts';
import type { QuantityField } from './field.ts';
import { formatIn, formatNumber, partnerUnit } from './format-quantity.ts';
import { parseNumber, plainText, type NumberRefusal, tooLargeSentence } from './parse-number.ts';
import { findUnit, fromSi, toSi, unitById, type Unit } from './unit-table.ts';

/** A typed reading: the SI value, the unit it was measured in, how it was read, and what is doubtful about it. */
export interface Reading {
  readonly si: number;
  readonly unit: string;
  readonly typed: string;
  /** "9 1/16 in = 230.2 mm" */
  readonly echo: string;
  readonly doubt?: string;
}

export interface Refusal {
  readonly code:
    | NumberRefusal['code']
    | 'unknownUnit'
    | 'wrongKind'
    | 'dashNotHere'
    | 'unknownDash'
    | 'belowMinimum'
    | 'aboveMaximum';
  /** One sentence that names the thing and says what to do. */
  readonly message: string;
}

const refuse = (code: Refusal['code'], message: string) => failure({ code, message });
const LONGEST_TEXT = 60;

/**
 * Reads one quantity as a fitter types it.
 *
 * @param text - such as `9 1/16 in`, `230mm`, `58 psi`, `-6`, `3/8`, `5 ft 6 in`.
 * @param field - what the field accepts.
 * @param unitId - the unit of a bare number; the field's own when absent.
 */
export function parseQuantity(text: string, field: QuantityField, unitId = field.unit): Result<Reading, Refusal> {
  if (text.length > LONGEST_TEXT) return refuse('notANumber', `That is too long to be a ${field.name}.`);
  const plain = plainText(text);
  if (plain === '') return refuse('empty', `Type a ${field.name}, or leave it unknown.`);
  const read = readDash(plain, field) ?? readFeetAndInches(plain, field) ?? readNumberAndUnit(plain, field, unitId);
  if (!read.ok) return read;
  const { si, unit, doubt } = read.value;
  const limit = limitOf(si, unit, field);
  if (!limit.ok) return limit;
  return success({ si, unit: unit.id, typed: text.trim(), echo: echoOf(si, unit, plain), doubt: doubt ?? limit.value });
}

type Raw = Result<{ si: number; unit: Unit; doubt?: string }, Refusal>;

/** `-6`, `dash 6`, `AN 6`: only where a size may be named so, and only in whole sizes. */
function readDash(text: string, field: QuantityField): Raw | undefined {
  const bare = /^-(\d+)$/.exec(text);
  const named = /^(?:dash|an) ?-? ?(\d+)$|^(\d+) ?-?(?:an|dash)$/i.exec(text);
  if (!named && !(bare && field.dash)) return undefined;
  if (!field.dash) return refuse('dashNotHere', `A dash size is not a ${field.name}: give it in mm or inches.`);
  const dash = Number(bare?.[1] ?? named?.[1] ?? named?.[2]);
  if (!(dashSizes as readonly number[]).includes(dash))
    return refuse('unknownDash', `There is no dash ${dash}: sizes are ${dashSizes.map((d) => `−${d}`).join(', ')}.`);
  if (field.dash === 'tubeOutsideDiameter') return success({ si: tubeOutsideDiameter(dash), unit: unitById('dash') });
  const bore = typicalHoseBore(dash);
  if (bore === undefined) return refuse('unknownDash', `No typical bore is known for −${dash} hose: measure the bore.`);
  return success({
    si: bore,
    unit: unitById('mm'),
    doubt: `Typical bore of −${dash} hose: verify against the hose's data sheet.`,
  });
}

function readFeetAndInches(text: string, field: QuantityField): Raw | undefined {
  const parts = /^(\d+) ?(?:ft|feet|foot|'|’|′) ?(.+?) ?(?:in|inch|inches|"|”|″|'')?$/i.exec(text);
  if (!parts || field.kind !== 'length') return undefined;
  const inchPart = parseNumber(parts[2]!);
  if (!inchPart.ok || inchPart.value.value < 0) return undefined;
  return success({ si: toSi(Number(parts[1]) * 12 + inchPart.value.value, unitById('in')), unit: unitById('in') });
}

function readNumberAndUnit(text: string, field: QuantityField, unitId: string): Raw {
  const split = /^([+-]?(?:\d+[- ]\d+\/\d+|[\d.,/ ]*)(?:(?<=\d)e[+-]?\d+)?)(.*)$/i.exec(text)!;
  const [, numberText = '', unitText = ''] = split;
  const number = parseNumber(numberText);
  if (!number.ok) return refuse(number.fault.code, numberSentence(number.fault, text, field));
  const { value, fraction } = number.value;
  if (unitText.trim() === '') {
    // a bare fraction of a length is inches: nobody measures 3/8 mm
    const unit = fraction && field.kind === 'length' ? unitById('in') : unitById(unitId);
    return success({ si: toSi(value, unit), unit });
  }
  const unit = findUnit(unitText, field.kind);
  if (!unit || unit.id === 'dash' || unit.id === '')
    return refuse(
      'unknownUnit',
      `“${unitText.trim()}” is not a unit Endrel knows; a ${field.name} is in ${field.unit}.`,
    );
  if (unit.kind !== field.kind)
    return refuse(
      'wrongKind',
      `${unit.label} measures ${kindWords[unit.kind]}, but ${field.name} is ${kindWords[field.kind]}.`,
    );
  return success({ si: toSi(value, unit), unit });
}

const kindWords: Record<QuantityField['kind'], string> = {
  length: 'a length',
  head: 'a head of fuel',
  pressure: 'a pressure',
  volumeFlow: 'a volume flow',
  massFlow: 'a mass flow',
  power: 'a power',
  bsfc: 'fuel per power and time',
  temperature: 'a temperature',
  voltage: 'a voltage',
  current: 'a current',
  rotation: 'a number of revolutions',
  resistance: 'a resistance',
  fraction: 'a share',
  volume: 'a volume',
  velocity: 'a velocity',
  density: 'a density',
  viscosity: 'a viscosity',
  time: 'a time',
  angle: 'an angle',
  conductance: 'heat passed on per kelvin',
  heatTransfer: 'heat passed on per area and kelvin',
  number: 'a plain number',
};

function numberSentence(fault: NumberRefusal, text: string, field: QuantityField): string {
  switch (fault.code) {
    case 'empty':
      return `There is no number in “${text}”: type the ${field.name}, such as 12 ${field.unit}.`;
    case 'zeroDenominator':
      return `“${fault.text}” divides by zero.`;
    case 'tooLarge':
      return tooLargeSentence(fault.text);
    case 'ambiguousComma':
      return `“${fault.text}” could be ${fault.text.replace(',', '.')} or ${fault.text.replace(',', '')}: type it without the comma.`;
    case 'notANumber':
      return `“${text}” is not a number Endrel can read: try 12.5, 9 1/16 or 3/8.`;
  }
}

/** Refuses the impossible; returns the question to ask about the unlikely. */
function limitOf(si: number, unit: Unit, field: QuantityField): Result<string | undefined, Refusal> {
  const minimum = field.minimum ?? 0;
  const maximum = field.maximum ?? Infinity;
  const own = unitById(field.unit);
  if (!(si >= minimum))
    return refuse(
      'belowMinimum',
      minimum >= 0 && si < 0
        ? `A ${field.name} cannot be negative: ${formatIn(si, unit)} was read.`
        : `A ${field.name} cannot be under ${formatIn(minimum, own)}: ${formatIn(si, unit)} was read.`,
    );
  if (!(si <= maximum))
    return refuse(
      'aboveMaximum',
      `A ${field.name} cannot be over ${formatIn(maximum, own)}: ${formatIn(si, unit)} was read.`,
    );
  if (!field.likely) return success(undefined);
  const [low, high] = field.likely;
  if (si < low) return success(`A ${field.name} of ${formatIn(si, unit)}? It is seldom under ${formatIn(low, own)}.`);
  if (si > high) return success(`A ${field.name} of ${formatIn(si, unit)}? It is seldom over ${formatIn(high, own)}.`);
  return success(undefined);
}

function echoOf(si: number, unit: Unit, plain: string): string {
  const partner = partnerUnit(unit);
  const asRead = /\/\d/.test(plain) && unit.id === 'in' ? fractionEcho(si, unit) : formatIn(si, unit);
  return partner ? `${asRead} = ${formatIn(si, partner)}` : asRead;
}

/** Keeps an inch fraction as the fraction it was typed as, in sixty-fourths at the finest. */
function fractionEcho(si: number, unit: Unit): string {
  const value = fromSi(si, unit);
  const sixtyFourths = Math.round(Math.abs(value) * 64);
  if (Math.abs(sixtyFourths / 64 - Math.abs(value)) > 1e-9) return formatIn(si, unit);
  let [top, bottom] = [sixtyFourths % 64, 64];
  while (top > 0 && top % 2 === 0) [top, bottom] = [top / 2, bottom / 2];
  const whole = Math.floor(sixtyFourths / 64);
  const text = top === 0 ? formatNumber(whole, 0) : whole === 0 ? `${top}/${bottom}` : `${whole} ${top}/${bottom}`;
  return `${value < 0 ? '−' : ''}${text} in`;
}
