import { failure, success, type Result } from '../result.ts';
import { dashSizes, tubeOutsideDiameter, typicalHoseBore } from './dash-size.ts';
import { plainText } from './parse-number.ts';
import { inches, mm } from './quick.ts';
import { fromSi, unitById } from './unit-table.ts';
import { gaugeArea } from './wire-gauge.ts';

/** A size that goes by a name or a number of its own, read where a field says that it may be named so. */
interface NamedSize {
  /** What it is, for the field that does not take it: "a dash size". */
  readonly called: string;
  /** Written so that it can be nothing else: elsewhere that is refused in words instead of misread. */
  readonly plainly: RegExp;
  /** Also written so where the field takes it. */
  readonly here?: RegExp;
  /** @param match - of either pattern; the number stands in the first group that is set. */
  read(match: RegExpExecArray): Result<{ readonly si: number; readonly unit: string; readonly doubt?: string }, string>;
}

const numberIn = (match: RegExpExecArray): number => Number(match.slice(1).find((group) => group !== undefined));

const PLAIN_DASH = /^(?:dash|an) ?[-#]? ?0?(\d+)$|^[-#]? ?0?(\d+) ?-?(?:an|dash)$/i; // `AN-6`, `6AN`, `-6 AN`, `#6AN`, `dash 6`
const DASH_HERE = /^[-#] ?0?(\d+)$/;

const listed = dashSizes.map((d) => `−${d}`).join(', ');
const asDash = (dash: number): Result<number, string> =>
  (dashSizes as readonly number[]).includes(dash)
    ? success(dash)
    : failure(`There is no dash ${dash}: sizes are ${listed}.`);

/**
 * Wall of tube by gauge number, m: Birmingham or Stubs gauge, by which tube is sold in inch countries.
 * From memory of the published table: verify with calipers.
 */
const tubeWalls: Readonly<Record<number, number>> = Object.fromEntries(
  Object.entries({
    10: 0.134,
    11: 0.12,
    12: 0.109,
    13: 0.095,
    14: 0.083,
    15: 0.072,
    16: 0.065,
    17: 0.058,
    18: 0.049,
    19: 0.042,
    20: 0.035,
    21: 0.032,
    22: 0.028,
    23: 0.025,
    24: 0.022,
  }).map(([gauge, wall]) => [gauge, inches(wall)]),
);

/** Sheet steel by gauge number, m: manufacturers' standard gauge, by which tanks are made. From memory: verify with calipers. */
const sheets: Readonly<Record<number, number>> = Object.fromEntries(
  Object.entries({
    10: 0.1345,
    11: 0.1196,
    12: 0.1046,
    13: 0.0897,
    14: 0.0747,
    15: 0.0673,
    16: 0.0598,
    17: 0.0538,
    18: 0.0478,
    19: 0.0418,
    20: 0.0359,
    21: 0.0329,
    22: 0.0299,
    23: 0.0269,
    24: 0.0239,
  }).map(([gauge, thickness]) => [gauge, inches(thickness)]),
);

const SHEET_GAUGE = /^#? ?(\d{1,2}) ?(?:ga|gauge)\.?$/i;

function byGauge(
  table: Readonly<Record<number, number>>,
  what: string,
  match: RegExpExecArray,
): ReturnType<NamedSize['read']> {
  const gauge = numberIn(match);
  const si = table[gauge];
  const known = Object.keys(table);
  return si === undefined
    ? failure(
        `Gauge ${gauge} is not in the table of ${what}, which runs from ${known[0]} to ${known.at(-1)}: measure it.`,
      )
    : success({ si, unit: 'mm', doubt: `${gauge} gauge taken as ${what}: verify with calipers.` });
}

/** Major diameter of a unified screw by its number, m: 0.060 in + 0.013 in a number, ASME B1.1. */
const screwByNumber = (number: number): number => inches(0.06 + 0.013 * number);
const screwNumbers = [0, 1, 2, 3, 4, 5, 6, 8, 10, 12];
const LARGEST_WIRE_NUMBER = 40;

export const namedSizes = {
  /** Tube by its outside diameter. */
  dashOfTube: {
    called: 'a dash size',
    plainly: PLAIN_DASH,
    here: DASH_HERE,
    read(match) {
      const dash = asDash(numberIn(match));
      return dash.ok ? success({ si: tubeOutsideDiameter(dash.value), unit: 'dash' }) : dash;
    },
  },
  /** Hose by its typical bore. */
  dashOfHose: {
    called: 'a dash size',
    plainly: PLAIN_DASH,
    here: DASH_HERE,
    read(match) {
      const dash = asDash(numberIn(match));
      if (!dash.ok) return dash;
      const bore = typicalHoseBore(dash.value);
      return bore === undefined
        ? failure(`No typical bore is known for −${dash.value} hose: measure the bore.`)
        : success({
            si: bore,
            unit: 'mm',
            doubt: `Typical bore of −${dash.value} hose: verify against the hose's data sheet.`,
          });
    },
  },
  gaugeOfTube: {
    called: 'a gauge number',
    plainly: SHEET_GAUGE,
    read: (match) => byGauge(tubeWalls, 'tube wall (Birmingham gauge)', match),
  },
  gaugeOfSheet: {
    called: 'a gauge number',
    plainly: SHEET_GAUGE,
    read: (match) => byGauge(sheets, 'sheet steel (manufacturers’ standard gauge)', match),
  },
  /** Conductor area by American wire gauge, ASTM B258. */
  gaugeOfWire: {
    called: 'a wire gauge',
    plainly: /^#? ?(\d{1,2}) ?awg\.?$|^awg ?#? ?(\d{1,2})$/i,
    here: /^#? ?(\d{1,2}) ?(?:ga|gauge)\.?$/i,
    read(match) {
      const gauge = numberIn(match);
      return gauge > LARGEST_WIRE_NUMBER
        ? failure(`There is no ${gauge} AWG wire: sizes run from 0 to ${LARGEST_WIRE_NUMBER}.`)
        : success({ si: gaugeArea(gauge), unit: 'mm²' });
    },
  },
  /** Screw or stud by its thread: number sizes, inch fractions and metric. */
  screwSize: {
    called: 'a thread',
    plainly: /^#? ?(\d{1,2})-\d{2}$|^m ?(\d{1,2}(?:[.,]5)?)(?: ?x ?\d(?:[.,]\d+)?)?$/i,
    here: /^# ?(\d{1,2})$|^(\d\/\d{1,2})-\d{1,2}$/i,
    read(match) {
      const text = match[0];
      if (/^m/i.test(text)) return success({ si: mm(Number((match[2] ?? '').replace(',', '.'))), unit: 'mm' });
      if (text.includes('/')) {
        const [top = 0, bottom = 1] = text.split('-')[0]!.split('/').map(Number);
        return success({ si: inches(top / bottom), unit: 'in' });
      }
      const number = numberIn(match);
      return screwNumbers.includes(number)
        ? success({ si: screwByNumber(number), unit: 'in' })
        : failure(`There is no number ${number} screw: sizes are ${screwNumbers.join(', ')}.`);
    },
  },
  /** A blend by its share of ethanol, as fuel is sold. */
  ethanolBlend: {
    called: 'a blend',
    plainly: /^e ?(\d{1,3})$/i,
    read: (match) => success({ si: numberIn(match) / 100, unit: '%' }),
  },
} as const satisfies Record<string, NamedSize>;
export type NamedSizeKey = keyof typeof namedSizes;

/** Every kind of named size, for text that names one where the field takes none. */
export const anyNamedSize = (text: string): NamedSize | undefined =>
  Object.values<NamedSize>(namedSizes).find(({ plainly }) => plainly.test(text));

/** Reads a size by its name; `undefined` where the text is no such name. */
export function readNamedSize(key: NamedSizeKey, text: string): ReturnType<NamedSize['read']> | undefined {
  const size: NamedSize = namedSizes[key];
  const match = size.plainly.exec(text) ?? size.here?.exec(text);
  return match ? size.read(match) : undefined;
}

/** The dash size that a value was given by, if it was. */
export function dashOf({ unit, si, typed }: { unit: string; si: number; typed?: string }): number | undefined {
  if (unit === 'dash') return Math.round(fromSi(si, unitById(unit)));
  const plain = typed && plainText(typed);
  const match = plain ? (PLAIN_DASH.exec(plain) ?? DASH_HERE.exec(plain)) : null;
  return match ? numberIn(match) : undefined;
}
