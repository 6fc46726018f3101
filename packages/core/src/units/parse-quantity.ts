import { failure, success, type Result } from '../result.ts';
import type { QuantityField } from './field.ts';
import { formatIn, partnerUnit } from './format-quantity.ts';
import { exactSixtyFourths } from './inch-fraction.ts';
import { anyNamedSize, readNamedSize } from './named-sizes.ts';
import { parseNumber, plainText, tooLargeSentence, type NumberRefusal, type TypedNumber } from './parse-number.ts';
import { findUnit, fromSi, toSi, unitById, type Unit } from './unit-table.ts';

/** A typed reading: the SI value, the unit it was measured in, how it was read, and what is doubtful about it. */
export interface Reading {
  readonly si: number;
  readonly unit: string;
  /** How far it may be off, SI, where that was given: `230 mm ±1`. */
  readonly error?: number;
  /** As typed, with the unit that a bare number got: read again it gives the same, whatever units are shown by then. */
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
    | 'namedSizeNotHere'
    | 'unknownSize'
    | 'badError'
    | 'belowMinimum'
    | 'aboveMaximum';
  /** One sentence that names the thing and says what to do. */
  readonly message: string;
}

const refuse = (code: Refusal['code'], message: string) => failure({ code, message });
/** Asked where another unit stands in the field: whoever meant millimetres sees it before it is a tank of another size. */
const INCHES_DOUBT = 'A fraction without a unit is read as inches: are they?';
const LONGEST_TEXT = 60;

/**
 * Reads one quantity as a fitter types it.
 *
 * @param text - such as `9 1/16 in`, `230 mm ±1`, `58 psi`, `-6`, `3/8`, `5 ft 6 in`, `3 m 20 cm`.
 * @param field - what the field accepts.
 * @param unitId - the unit of a bare number; the field's own when absent.
 */
export function parseQuantity(text: string, field: QuantityField, unitId = field.unit): Result<Reading, Refusal> {
  if (text.length > LONGEST_TEXT) return refuse('notANumber', `That is too long for a quantity.`);
  const plain = plainText(text);
  if (plain === '') return refuse('empty', `Type a value for “${field.name}”, or leave it empty.`);
  const [valueText = '', errorText, more] = plain.split(/ ?(?:±|\+\/-|\+-) ?/);
  if (more !== undefined) return refuse('badError', `“${plain}” gives a reading error twice.`);
  const split = valueText === '' ? undefined : readValue(valueText, field, unitId);
  if (!split) return refuse('empty', `There is no number before the reading error in “${plain}”.`);
  if (!split.ok) return split;
  let { unit } = split.value;
  let raw = split.value;
  let error: number | undefined;
  if (errorText !== undefined) {
    const read = readError(errorText, raw, field);
    if (!read.ok) return read;
    ({ error, unit } = read.value);
    // `230 ±1 mm`: the unit stands behind both
    if (raw.isBare && unit !== raw.unit) raw = { ...raw, si: toSi(raw.number!, unit), unit, isBare: false };
  }
  const { si, isBare, isFraction } = raw;
  const limit = limitOf(si, unit, field);
  if (!limit.ok) return limit;
  return success({
    si,
    unit: unit.id,
    ...(error === undefined ? {} : { error }),
    // a bare fraction of a length is inches wherever it is read
    typed: isBare && !(isFraction && field.kind === 'length') ? withUnit(text.trim(), unit) : text.trim(),
    echo: `${raw.isNamed && unit.id !== 'dash' ? '= ' : ''}${echoOf({ si, unit, error }, { ...field, tool: isFraction ? 'tape' : field.tool }, isFraction === true)}`,
    doubt:
      raw.doubt ??
      limit.value ??
      (isBare && isFraction && field.kind === 'length' && unitId !== 'in' ? INCHES_DOUBT : undefined),
  });
}

/** A stored value as a fitter would type it: as it was typed, or in its unit with the figures that read back to the same. */
export function typedText(value: { si: number; unit: string; typed?: string }, field: QuantityField): string {
  if (value.typed !== undefined) return value.typed;
  const unit = unitById(value.unit);
  const shown = formatIn(value.si, unit, field.tool);
  const read = parseQuantity(shown, field, unit.id);
  if (read.ok && Math.abs(read.value.si - value.si) <= 1e-9 * Math.abs(value.si)) return shown;
  return `${Number(fromSi(value.si, unit).toPrecision(6))} ${unit.id}`.trim().replace('-', '−');
}

/** What was typed, with the unit that the number before a reading error got. */
function withUnit(typed: string, unit: Unit): string {
  const [value = '', ...rest] = typed.split(/\s*(?=±|\+\/-|\+-)/);
  return [`${value} ${unit.id}`.trim(), ...rest].join(' ');
}

interface Raw {
  readonly si: number;
  readonly unit: Unit;
  readonly doubt?: string;
  /** No unit was written. */
  readonly isBare?: boolean;
  readonly isFraction?: boolean;
  /** A size by its name: what it measures is to be said, whatever its unit. */
  readonly isNamed?: boolean;
  /** The number as written, in the unit. */
  readonly number?: number;
}
type Read = Result<Raw, Refusal>;

const readValue = (text: string, field: QuantityField, unitId: string): Read =>
  readNamed(text, field) ?? readTwoUnits(text, field) ?? readNumberAndUnit(text, field, unitId);

/** `-6`, `AN 6`, `20 ga`, `E10`: only where a size may be named so. */
function readNamed(text: string, field: QuantityField): Read | undefined {
  const named = field.named && readNamedSize(field.named, text);
  if (named)
    return named.ok
      ? success({ ...named.value, unit: unitById(named.value.unit), isNamed: true })
      : refuse('unknownSize', named.fault);
  const other = anyNamedSize(text);
  return (
    other && refuse('namedSizeNotHere', `“${text}” names ${other.called}; “${field.name}” is given in ${field.unit}.`)
  );
}

const WHOLE_AND_PART: readonly {
  readonly pattern: RegExp;
  readonly whole: string;
  readonly part: (unit: string) => string;
}[] = [
  {
    pattern: /^(\d+) ?(?:ft|feet|foot|'|’|′)\.? ?(.+?) ?(?:in|inch|inches|"|”|″|'')?\.?$/i,
    whole: 'ft',
    part: () => 'in',
  },
  { pattern: /^(\d+) ?(?:m|metres?|meters?) ?([\d.,]+) ?(mm|cm)$/i, whole: 'm', part: (unit) => unit.toLowerCase() },
  { pattern: /^(\d+) ?cm ?([\d.,]+) ?(mm)$/i, whole: 'cm', part: () => 'mm' },
];

/** `5 ft 6 1/2 in`, `3 m 20 cm`. */
function readTwoUnits(text: string, field: QuantityField): Read | undefined {
  if (field.kind !== 'length') return undefined;
  for (const { pattern, whole, part } of WHOLE_AND_PART) {
    const parts = pattern.exec(text);
    const rest = parts && parseNumber(parts[2]!);
    if (!rest?.ok || rest.value.value < 0) continue;
    const small = unitById(part(parts![3] ?? ''));
    const unit = whole === 'm' ? unitById('m') : small;
    return success({
      si: toSi(Number(parts![1]), unitById(whole)) + toSi(rest.value.value, small),
      unit,
      isFraction: rest.value.fraction,
      doubt: improper(rest.value, parts![2]!, small),
    });
  }
  return undefined;
}

/** `9 17/16`: a slip of the pen as likely as not. */
const improper = ({ value, isImproper }: TypedNumber, text: string, unit: Unit): string | undefined =>
  isImproper
    ? `${text.trim()} ${unit.label} is ${formatIn(toSi(value, unit), unit, 'tape')}: is that what was read?`
    : undefined;

/** What stands behind `±`, as a difference in the value's unit or in its own. */
function readError(
  text: string,
  { unit, isBare }: Raw,
  field: QuantityField,
): Result<{ error: number; unit: Unit }, Refusal> {
  const read = readNumberAndUnit(
    text,
    { ...field, name: 'reading error', minimum: 0, maximum: undefined, likely: undefined },
    unit.id === 'dash' ? 'mm' : unit.id,
  );
  if (!read.ok) return read;
  const { number, unit: own, isBare: hasNone } = read.value;
  if (!(number! >= 0))
    return refuse(
      'badError',
      `A reading error of ${text} is none: give how far “${field.name}” may be off, such as ±1.`,
    );
  return success({ error: number! * own.factor, unit: isBare && !hasNone ? own : unit });
}

function readNumberAndUnit(text: string, field: QuantityField, unitId: string): Read {
  const split = /^([+-]?(?:\d+[- ]\d+\/\d+|[\d.,/ ]*)(?:(?<=\d)e[+-]?\d+)?)(.*)$/i.exec(text)!;
  const [, numberText = '', unitText = ''] = split;
  const read = parseNumber(numberText);
  if (!read.ok) return refuse(read.fault.code, numberSentence(read.fault, text, field));
  const { value: number, fraction: isFraction } = read.value;
  // a bare fraction of a length is inches: nobody measures 3/8 mm
  const bare = unitText.trim() === '' ? unitById(isFraction && field.kind === 'length' ? 'in' : unitId) : undefined;
  const unit = bare ?? findUnit(unitText, field.kind) ?? findUnit(unitText.replace(/\.$/, ''), field.kind);
  if (!unit || (!bare && (unit.id === 'dash' || unit.id === '')))
    return refuse(
      'unknownUnit',
      `“${unitText.trim()}” is not a unit Endrel knows; “${field.name}” is in ${field.unit}.`,
    );
  if (unit.kind !== field.kind)
    return refuse(
      'wrongKind',
      `${unit.label} measures ${kindWords[unit.kind]}, but “${field.name}” is ${kindWords[field.kind]}.`,
    );
  return success({
    si: toSi(number, unit),
    unit,
    number,
    isFraction,
    isBare: bare !== undefined,
    doubt: improper(read.value, numberText, unit),
  });
}

const kindWords: Record<QuantityField['kind'], string> = {
  length: 'a length',
  area: 'a cross-section',
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
      return `There is no number in “${text}”: type one, such as 12 ${field.unit}.`;
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
        ? `“${field.name}” cannot be negative: ${formatIn(si, unit)} was read.`
        : `“${field.name}” cannot be under ${formatIn(minimum, own)}: ${formatIn(si, unit)} was read.`,
    );
  if (!(si <= maximum))
    return refuse(
      'aboveMaximum',
      `“${field.name}” cannot be over ${formatIn(maximum, own)}: ${formatIn(si, unit)} was read.`,
    );
  if (!field.likely) return success(undefined);
  const [low, high] = field.likely;
  if (si < low)
    return success(`${formatIn(si, unit, field.tool)} for “${field.name}”? It is seldom under ${formatIn(low, own)}.`);
  if (si > high)
    return success(`${formatIn(si, unit, field.tool)} for “${field.name}”? It is seldom over ${formatIn(high, own)}.`);
  return success(undefined);
}

function echoOf(
  { si, unit, error }: { si: number; unit: Unit; error?: number },
  { tool }: QuantityField,
  isFraction: boolean,
): string {
  const partner = partnerUnit(unit);
  const asRead =
    isFraction && unit.id === 'in' && exactSixtyFourths(fromSi(si, unit)) === undefined
      ? formatIn(si, unit)
      : formatIn(si, unit, tool);
  const give =
    error === undefined
      ? ''
      : ` ± ${formatIn(error + (unit.offset ?? 0), unit, unit.id === 'in' && isFraction ? 'tape' : undefined)}`;
  return `${asRead}${give}${partner ? ` = ${formatIn(si, partner, tool)}` : ''}`;
}
