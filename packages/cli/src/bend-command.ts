import Papa from 'papaparse';
import { bendTable, pointsOfTable, sayBendFault, type BendTable } from '@endrel/core/routes/bend-table';
import { benderOf, shortStraights, TIGHTEST_BEND } from '@endrel/core/routes/bender';
import { LARGEST_ROUTE_CSV, readBendCsv, readPointsCsv, type RouteCsvFault } from '@endrel/core/routes/read-route-csv';
import { mm, toDegrees } from '@endrel/core/units/quick';
import type { QuantityField } from '@endrel/core/units/field';
import { BadInput } from './bad-input.ts';
import { jsonText, type Output } from './output.ts';
import { quantityOption } from './parse-options.ts';
import { readText } from './read-input.ts';

export interface BendOptions {
  readonly clr?: string;
  readonly od?: string;
  readonly reverse?: string;
  readonly json?: boolean;
}

const radius: QuantityField = { kind: 'length', name: 'centre-line radius', unit: 'mm', minimum: mm(1), maximum: 2 };

const outside: QuantityField = {
  kind: 'length',
  name: 'outside diameter',
  unit: 'mm',
  minimum: mm(1),
  maximum: mm(100),
};

/** What a usual hand bender for this tube cannot do. */
function cautions(table: BendTable, clr: number, tube: number): string[] {
  const short = shortStraights(table, benderOf({}, tube), [0, 0]);
  return [
    ...(clr < TIGHTEST_BEND * tube
      ? [`a bend of ${inMm(clr)} mm is tighter than ${TIGHTEST_BEND} times the tube’s outside: it flattens or kinks`]
      : []),
    ...short.map(
      (s) =>
        `straight ${s.straight + 1} is ${inMm(s.is).toFixed(1)} mm; a usual bender needs ${inMm(s.needs).toFixed(1)} mm`,
    ),
  ];
}

/** Rows and faults of a file as one complaint. */
export const complaint = (file: string, faults: readonly RouteCsvFault[]): BadInput => {
  const told = faults.slice(0, 5).map((f) => (f.row === 0 ? f.message : `row ${f.row}: ${f.message}`));
  return new BadInput(`${file}: ${told.join('; ')}${faults.length > 5 ? `; and ${faults.length - 5} more` : ''}`);
};
const inMm = (metres: number) => Number((metres * 1000).toFixed(9));
const inDegrees = (angle: number) => Number(toDegrees(angle).toFixed(9));

/** `endrel bend POINTS.csv --clr 25mm`: the bend table of a centre line; `--reverse LRA.csv`: its points again. */
export async function bendCommand(operands: readonly string[], options: BendOptions, output: Output): Promise<number> {
  const file = options.reverse ?? operands[0];
  if (file === undefined || operands.length > (options.reverse === undefined ? 1 : 0))
    throw new BadInput('bend takes one file of points: endrel bend POINTS.csv --clr 25mm, or --reverse LRA.csv');
  if (options.clr === undefined) throw new BadInput('bend needs --clr, the radius of the bender on the centre line');
  const clr = quantityOption('clr', options.clr, radius);
  const { data: cells } = Papa.parse<string[]>(await readText(file, LARGEST_ROUTE_CSV));
  if (options.reverse !== undefined) {
    const table = readBendCsv(cells);
    if (!table.ok) throw complaint(file, table.fault);
    const points = pointsOfTable(table.value, clr).map((p) => p.map(inMm));
    output.out(options.json ? jsonText({ points_mm: points }) : points.map((p) => p.join(', ')).join('\n'));
    return 0;
  }
  const points = readPointsCsv(cells);
  if (!points.ok) throw complaint(file, points.fault);
  const table = bendTable(points.value, clr);
  if (!table.ok) throw new BadInput(`${file}: ${sayBendFault(table.fault)}`);
  const { straights, rotations, bends, gains, developed, isBendable } = table.value;
  const tube = options.od === undefined ? undefined : quantityOption('od', options.od, outside);
  const report = {
    straights_mm: straights.map(inMm),
    rotations_deg: rotations.map(inDegrees),
    bends_deg: bends.map(inDegrees),
    gains_mm: gains.map(inMm),
    developed_length_mm: inMm(developed),
    bendable: isBendable,
    ...(tube === undefined ? {} : { cautions: cautions(table.value, clr, tube) }),
  };
  const rows = straights.map(
    (s, i) =>
      `straight ${inMm(s).toFixed(1)} mm${i < bends.length ? `, turn ${inDegrees(rotations[i]!).toFixed(1)}°, bend ${inDegrees(bends[i]!).toFixed(1)}°` : ''}`,
  );
  output.out(
    options.json
      ? jsonText(report)
      : [
          ...rows,
          ...(report.cautions ?? []),
          `${inMm(developed).toFixed(1)} mm of tube${isBendable ? '' : '; a straight is too short to be bent so'}`,
        ].join('\n'),
  );
  return 0;
}
