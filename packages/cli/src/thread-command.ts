import Papa from 'papaparse';
import { findThread } from '@endrel/core/threads/find-thread';
import { measurements } from '@endrel/core/threads/measure-next';
import { LARGEST_READINGS_CSV, readReadingsCsv } from '@endrel/core/threads/read-readings-csv';
import { readPitch } from '@endrel/core/threads/read-pitch';
import { findSmooth } from '@endrel/core/fittings/smooth-end';
import { looks, sayThread, type Look } from '@endrel/core/threads/thread';
import type { PitchReading, ThreadReading } from '@endrel/core/threads/thread-reading';
import { mm } from '@endrel/core/units/quick';
import type { QuantityField } from '@endrel/core/units/field';
import { parseNumber } from '@endrel/core/units/parse-number';
import { BadInput } from './bad-input.ts';
import { jsonText, rounded, type Output } from './output.ts';
import { oneOf, quantityOption } from './parse-options.ts';
import { readText } from './read-input.ts';

type Options = Partial<
  Record<'od' | 'bore' | 'pitch' | 'crests' | 'count' | 'over' | 'taper' | 'seat' | 'error' | 'readings', string>
> & { readonly json?: boolean };

const length = (name: string, minimum: number, maximum: number): QuantityField => ({
  kind: 'length',
  name,
  unit: 'mm',
  minimum: mm(minimum),
  maximum: mm(maximum),
});
const diameter = length('diameter', 3, 60);
const span = length('length', 1, 100);
const caliper = length('reading error', 0.001, 1);

/** `endrel thread --od 14.2mm --pitch 18tpi`: the threads that readings allow, and what to measure next. */
export async function threadCommand(operands: readonly string[], options: Options, output: Output): Promise<number> {
  if (operands.length > 0) throw new BadInput('thread takes options only: endrel thread --od 14.2mm --pitch 18tpi');
  if (options.readings !== undefined) {
    const read = readReadingsCsv(Papa.parse<string[]>(await readText(options.readings, LARGEST_READINGS_CSV)).data);
    if (!read.ok)
      throw new BadInput(
        `${options.readings}: ${read.fault
          .slice(0, 5)
          .map((f) => (f.row === 0 ? f.message : `row ${f.row}: ${f.message}`))
          .join('; ')}${read.fault.length > 5 ? `; and ${read.fault.length - 5} more` : ''}`,
      );
    const results = read.value.map(({ name, reading }) => ({ case: name, ...report(reading) }));
    output.out(options.json ? jsonText({ results }) : results.map((r) => `${r.case}: ${lines(r)}`).join('\n'));
    return 0;
  }
  if (options.pitch === 'none') {
    const { gender, diameter, error } = readingOf({ ...options, pitch: undefined });
    const found = findSmooth(gender, diameter, error).map(({ end, probability, deviation }) => ({
      code: end.code,
      name: end.name,
      where: end.where,
      probability: rounded(probability),
      deviation_mm: rounded(deviation * 1000),
    }));
    const said = found.map((f) => `${Math.round(f.probability * 100)} %  ${f.name}, read ${f.where}`).join('\n');
    output.out(
      options.json ? jsonText({ candidates: found, measure_next: [] }) : said || 'no end without a thread fits',
    );
    return 0;
  }
  const result = report(readingOf(options));
  output.out(options.json ? jsonText(result) : lines(result));
  return 0;
}

function report(reading: ThreadReading) {
  const { candidates, bySize, nearMisses, next } = findThread(reading);
  return {
    candidates: candidates.map(({ thread, fit, probability }) => ({
      code: thread.code,
      name: sayThread(thread),
      probability: rounded(probability),
      deviation_sigma: rounded(fit.sigma),
      deviation_mm: rounded(fit.deviation * 1000),
    })),
    by_size_alone: bySize.map((t) => t.code),
    near_misses: nearMisses.map((c) => c.thread.code),
    measure_next: next.best,
    alternatives: next.sets.slice(1),
    ...(next.pitches === undefined ? {} : { over_pitches: next.pitches.pitches }),
  };
}

function lines({ candidates, measure_next: next, near_misses: near }: ReturnType<typeof report>): string {
  const found = candidates.map((c) => `${Math.round(c.probability * 100)} %  ${c.name}`);
  const todo = next.map((m) => `  ${measurements[m]}`);
  return [
    found.length > 0
      ? found.join('\n')
      : `no thread fits${near.length > 0 ? `; worn, it may be ${near.join(', ')}` : ''}`,
    ...(todo.length > 0 ? ['Measure next:', ...todo] : []),
  ].join('\n');
}

function readingOf(options: Options): ThreadReading {
  if ((options.od === undefined) === (options.bore === undefined))
    throw new BadInput('give either --od, over the crests of a male thread, or --bore, across a female one');
  const gender = options.od === undefined ? 'female' : 'male';
  const taper = oneOf('taper', options.taper ?? 'unknown', ['yes', 'no', 'unknown'] as const);
  const seat = oneOf('seat', options.seat ?? 'unknown', [...(Object.keys(looks) as Look[]), 'unknown'] as const);
  return {
    gender,
    diameter: quantityOption(gender === 'male' ? 'od' : 'bore', (options.od ?? options.bore)!, diameter),
    pitch: pitchOf(options),
    ...(options.error === undefined ? {} : { error: quantityOption('error', options.error, caliper) }),
    ...(taper === 'unknown' ? {} : { taper: taper === 'yes' }),
    ...(seat === 'unknown' ? {} : { seen: seat }),
  };
}

function pitchOf({ pitch, crests, count, over }: Options): PitchReading {
  if ([pitch, crests, count].filter((given) => given !== undefined).length > 1)
    throw new BadInput('give the pitch once: --pitch, --crests with --over, or --count with --over');
  if (pitch !== undefined) {
    const read = readPitch(pitch);
    if (!read.ok) throw new BadInput(`--pitch: ${read.fault}`);
    return { by: 'gauge', pitch: read.value };
  }
  const name = crests === undefined ? 'count' : 'crests';
  const counted = crests ?? count;
  if (counted === undefined) return { by: 'unknown' };
  if (over === undefined) throw new BadInput(`--${name} needs --over, the length that they take`);
  const number = parseNumber(counted);
  const least = name === 'crests' ? 2 : 1;
  if (!number.ok || !Number.isInteger(number.value.value) || number.value.value < least || number.value.value > 200)
    throw new BadInput(`--${name}: “${counted}” is not a whole number from ${least} to 200`);
  const length = quantityOption('over', over, span);
  return name === 'crests'
    ? { by: 'crests', crests: number.value.value, over: length }
    : { by: 'count', count: number.value.value, over: length };
}
