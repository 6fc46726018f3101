import Papa from 'papaparse';
import { hoseShape, sayHoseFault, shortestHose } from '@endrel/core/routes/hose-shape';
import { LARGEST_ROUTE_CSV, readHoseCsv, type HoseCase } from '@endrel/core/routes/read-route-csv';
import { mm, toDegrees } from '@endrel/core/units/quick';
import type { QuantityField } from '@endrel/core/units/field';
import { BadInput } from './bad-input.ts';
import { complaint } from './bend-command.ts';
import { jsonText, type Output } from './output.ts';
import { quantityOption } from './parse-options.ts';
import { readText } from './read-input.ts';

const radiusField: QuantityField = { kind: 'length', name: 'least radius', unit: 'mm', minimum: mm(1), maximum: 5 };
const LONGER = 2; // of its own length, up to which a hose is looked for where the file does not say

/** `endrel hose FILE.csv`: how hoses lie between their ends; `--radius 75mm`: the shortest that keeps that radius. */
export async function hoseCommand(
  [file, ...more]: readonly string[],
  options: { readonly radius?: string; readonly json?: boolean },
  output: Output,
): Promise<number> {
  if (file === undefined || more.length > 0) throw new BadInput('hose takes one file: endrel hose FILE.csv --json');
  const radius = options.radius === undefined ? undefined : quantityOption('radius', options.radius, radiusField);
  const read = readHoseCsv(Papa.parse<string[]>(await readText(file, LARGEST_ROUTE_CSV)).data);
  if (!read.ok) throw complaint(file, read.fault);
  const results = read.value.map((hose) => report(hose, radius));
  output.out(options.json ? jsonText({ results }) : results.map(say).join('\n'));
  return 0;
}

const digits = (value: number, places: number) => Number(value.toFixed(places));

function report({ name, ends, length, longest = length * LONGER }: HoseCase, radius: number | undefined) {
  const shape = hoseShape(ends, length);
  const shortest = radius === undefined ? undefined : shortestHose(ends, radius, longest);
  const short =
    shortest === undefined ? {} : { shortest_length_mm: shortest.ok ? digits(shortest.value.length * 1000, 4) : null };
  if (!shape.ok) return { case: name, fault: sayHoseFault(shape.fault), ...short };
  const { leastRadius, turning, energy, points } = shape.value;
  return {
    case: name,
    least_radius_mm: Number.isFinite(leastRadius) ? digits(leastRadius * 1000, 5) : null,
    turning_deg: digits(toDegrees(turning), 6),
    energy_per_mm: Number((energy / 1000).toPrecision(8)),
    points_mm: points.map((p) => p.map((c) => digits(c * 1000, 5))),
    ...short,
  };
}

function say(r: ReturnType<typeof report>): string {
  const short =
    'shortest_length_mm' in r && r.shortest_length_mm !== undefined
      ? `; shortest ${r.shortest_length_mm === null ? 'none' : `${r.shortest_length_mm} mm`}`
      : '';
  if ('fault' in r) return `${r.case}: ${r.fault}${short}`;
  return `${r.case}: ${r.least_radius_mm === null ? 'straight' : `tightest ${r.least_radius_mm} mm`}, turns ${r.turning_deg}°${short}`;
}
