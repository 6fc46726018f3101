import { adapterSchema, adapterShapes, endMakings, type Adapter } from '../fittings/adapter.ts';
import { genericAdapter } from '../fittings/adapter-catalogue.ts';
import { fittingMaterials } from '../ratings/fitting-material.ts';
import { portSize } from '../fittings/port-size.ts';
import { readPort } from '../fittings/read-port.ts';
import { sayPort, type Port } from '../fittings/port.ts';
import { lineSchema } from '../fields/text.ts';
import { failure, success, type Result } from '../result.ts';
import type { QuantityField } from '../units/field.ts';
import { parseNumber } from '../units/parse-number.ts';
import { parseQuantity } from '../units/parse-quantity.ts';
import { mm, toDegrees } from '../units/quick.ts';
import type { ShelfPart } from '../fittings/stock.ts';

/** What is wrong in one row of the file, counted from 1 with its heading; row 0: with the file as a whole. */
export interface ShelfCsvFault {
  readonly row: number;
  readonly message: string;
}

/** Columns of a shelf file. Of a generic part its code and count are enough. */
export const shelfColumns = [
  'code',
  'name',
  'shape',
  'port 1',
  'port 2',
  'port 3',
  'angle',
  'bore',
  'length',
  'flats',
  'material',
  'making',
  'price',
  'max pressure',
  'count',
  'note',
] as const;
type Column = (typeof shelfColumns)[number];

/** Most parts on one shop's shelf. */
export const MOST_SHELF = 5000;
/** Faults that are told one by one; a file with more is wrong as a whole. */
export const MOST_FAULTS = 1000;

const size = (name: string, most: number, least = 0): QuantityField => ({
  kind: 'length',
  name,
  unit: 'mm',
  minimum: mm(least),
  maximum: mm(most),
});
const bore = size('bore', 100, 0.1);
const long = size('length', 500);
const flats = size('flats', 200);
const pressure: QuantityField = { kind: 'pressure', name: 'max pressure', unit: 'kPa', minimum: 0, maximum: 1e9 };
const turn: QuantityField = { kind: 'angle', name: 'angle', unit: '°', minimum: 0, maximum: Math.PI };

/** The parts of a shelf file: all of it, or every fault by its row and nothing. */
export function readShelfCsv(cells: readonly (readonly string[])[]): Result<ShelfPart[], ShelfCsvFault[]> {
  const rows = cells
    .map((row, i) => ({ row: i + 1, cells: row }))
    .filter(({ cells: c }) => c.some((t) => t.trim() !== ''));
  const [heading, ...body] = rows;
  if (!heading || body.length === 0)
    return failure([{ row: 0, message: 'It needs a heading and a row for each part.' }]);
  const place = new Map(heading.cells.map((cell, i) => [cell.trim().toLowerCase(), i]));
  const missing = (['code', 'count'] as const).filter((c) => !place.has(c));
  if (missing.length > 0)
    return failure([{ row: heading.row, message: `The heading has no ${missing.join(' and no ')}.` }]);
  const faults: ShelfCsvFault[] = [];
  if (body.length > MOST_SHELF)
    faults.push({ row: 0, message: `It has ${body.length} parts; a shelf holds ${MOST_SHELF} at most.` });
  const seen = new Map<string, number>();
  const parts: ShelfPart[] = [];
  for (const { row, cells: texts } of body) {
    const text = (column: Column) => texts[place.get(column) ?? -1]?.trim() ?? '';
    const read = readPart(text);
    const code = text('code');
    const first = seen.get(code);
    if (first !== undefined) read.faults.push(`“${code}” stands in row ${first} already`);
    else seen.set(code, row);
    for (const message of read.faults) if (faults.length < MOST_FAULTS) faults.push({ row, message });
    if (faults.length >= MOST_FAULTS) break; // nothing of it is taken anyway
    if (read.part) parts.push(read.part);
  }
  return faults.length > 0 ? failure(faults) : success(parts);
}

function readPart(text: (column: Column) => string): { part?: ShelfPart; faults: string[] } {
  const faults: string[] = [];
  const fault = (message: string) => void faults.push(message);
  const measured = (column: Column, field: QuantityField): number | undefined => {
    if (text(column) === '') return undefined;
    const read = parseQuantity(text(column), field);
    if (read.ok) return read.value.si;
    fault(`${column}: ${read.fault.message}`);
    return undefined;
  };
  const word = <W extends string>(column: Column, words: Readonly<Record<W, string>>): W | undefined => {
    const given = text(column);
    if (given === '') return undefined;
    const found = (Object.keys(words) as W[]).find(
      (w) => w.toLowerCase() === given.toLowerCase() || words[w] === given,
    );
    if (!found) fault(`${column}: “${given}” is none of ${Object.keys(words).join(', ')}`);
    return found;
  };
  const counted = (column: Column, whole: boolean): number | undefined => {
    if (text(column) === '') return undefined;
    const read = parseNumber(text(column));
    if (read.ok && read.value.value >= 0 && read.value.value <= 1e5 && (!whole || Number.isInteger(read.value.value)))
      return read.value.value;
    fault(`${column}: “${text(column)}” is not ${whole ? 'a whole number' : 'a number'} from 0 to 100 000`);
    return undefined;
  };
  const ports = (['port 1', 'port 2', 'port 3'] as const).flatMap((column): Port[] => {
    if (text(column) === '') return [];
    const read = readPort(text(column));
    if (read.ok) return [read.value];
    fault(`${column}: ${read.fault}`);
    return [];
  });
  const code = text('code');
  if (!lineSchema(120).safeParse(code).success || code === '') fault('code: it needs one of up to 120 characters');
  const count = counted('count', true);
  if (text('count') === '') fault('count: how many lie there');
  const price = counted('price', false);
  const generic = genericAdapter(code);
  const [own, length, across, rated, angle] = [
    measured('bore', bore),
    measured('length', long),
    measured('flats', flats),
    measured('max pressure', pressure),
    measured('angle', turn),
  ];
  const [shape, material, making] = [
    word('shape', adapterShapes),
    word('material', fittingMaterials),
    word('making', endMakings),
  ];
  const note = text('note');
  if (note.length > 200) fault('note: it is longer than 200 characters');
  if (!generic) {
    if (text('port 1') === '') fault('port 1: a part that is not generic needs its ports, such as “male flare37 -6”');
    if (text('bore') === '') fault('bore: a part that is not generic needs its smallest hole');
  }
  if (faults.length > 0) return { faults };
  const base: Adapter = generic ?? {
    code,
    name: text('name') || code,
    shape: ports.length === 1 ? 'cap' : ports.length > 2 ? 'tee' : 'straight',
    ports,
    angle: 0,
    bore: own!,
    length: mm(30),
    flats: Math.max(0, ...ports.map((p) => portSize(p.form, p.size)!.flats[p.gender])),
    material: 'steel',
    price: 0,
  };
  const adapter: Adapter = {
    ...base,
    ...(text('name') ? { name: text('name') } : {}),
    ...(ports.length > 0 ? { ports } : {}),
    ...(shape ? { shape } : {}),
    ...(material ? { material } : {}),
    ...(making ? { making } : {}),
    ...(own === undefined ? {} : { bore: own }),
    ...(length === undefined ? {} : { length }),
    ...(across === undefined ? {} : { flats: across }),
    ...(angle === undefined ? {} : { angle }),
    ...(rated === undefined ? {} : { maximumPressure: rated }),
    ...(price === undefined ? {} : { price }),
  };
  const judged = adapterSchema.safeParse(adapter);
  if (!judged.success) return { faults: judged.error.issues.map((i) => `${i.path.join(' ')}: ${i.message}`) };
  return { part: { adapter: judged.data, count: count!, ...(note ? { note } : {}) }, faults };
}

const short = (value: number) => String(Number(value.toPrecision(6)));

/** The same file, to be read again or kept elsewhere. */
export const shelfCsvCells = (parts: readonly ShelfPart[]): string[][] => [
  [...shelfColumns],
  ...parts.map(({ adapter: a, count, note }) => [
    a.code,
    a.name,
    a.shape,
    ...[0, 1, 2].map((i) => (a.ports[i] ? sayPort(a.ports[i]) : '')),
    short(toDegrees(a.angle)),
    short(a.bore * 1000),
    short(a.length * 1000),
    short(a.flats * 1000),
    a.material,
    a.making ?? '',
    short(a.price),
    a.maximumPressure === undefined ? '' : short(a.maximumPressure / 1000),
    String(count),
    note ?? '',
  ]),
];
