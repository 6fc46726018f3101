import Papa from 'papaparse';
import { fuelPlane } from '@endrel/core/meshes/fuel-plane';
import { closedMesh, meshBounds } from '@endrel/core/meshes/mesh';
import { readStl } from '@endrel/core/tanks/read-stl';
import { describeStrappingFault, LARGEST_STRAPPING_CSV, readStrappingCsv } from '@endrel/core/tanks/read-strapping-csv';
import { volumeAtLevel, type StrappingTable } from '@endrel/core/tanks/strapping-table';
import { describeMeshFault, describeTankFault } from '@endrel/core/tanks/tank-fault';
import { partedSolids, partedTankSchema } from '@endrel/core/tanks/parted-tank';
import { describeIssue, LARGEST_JOB_FILE, readJobFile } from '@endrel/core/job/read-job-file';
import { solidVolume, type Solid } from '@endrel/core/tanks/solid';
import { surveyedTank } from '@endrel/core/tanks/surveyed-tank';
import { formatQuantity } from '@endrel/core/units/format-quantity';
import { findUnit } from '@endrel/core/units/unit-table';
import { BadInput } from './bad-input.ts';
import { jsonText, type Output } from './output.ts';
import { angleOption, quantityOption } from './parse-options.ts';
import { readInput, readText } from './read-input.ts';
import { checkedValue, parsedJson } from './read-json.ts';

const LARGEST_STL = 120 * 1024 * 1024; // bytes; two million triangles in binary are 100 MB
const LEVEL = { kind: 'length', name: 'fuel level', unit: 'mm', minimum: -20, maximum: 20 } as const;

export interface TankOptions {
  readonly level?: string;
  readonly pitch?: string;
  readonly roll?: string;
  readonly 'stl-unit'?: string;
  readonly json?: boolean;
}

/** `endrel tank volume FILE`: litres below a level surface, of the whole and of each part. */
export async function tankCommand(
  [verb, file, ...more]: readonly string[],
  options: TankOptions,
  output: Output,
): Promise<number> {
  if (verb !== 'volume' || file === undefined || more.length > 0)
    throw new BadInput('tank takes “volume” and one file: endrel tank volume FILE --level 120mm');
  if (options.level === undefined) throw new BadInput('tank volume needs a --level, such as --level 120mm');
  const level = quantityOption('level', options.level, LEVEL);
  const pitch = angleOption('pitch', options.pitch ?? '0');
  const roll = angleOption('roll', options.roll ?? '0');
  const parts = await volumesOf(file, level, pitch, roll, options['stl-unit'] ?? 'mm');
  const total = parts.reduce((sum, p) => sum + p.volume, 0);
  const litres = (volume: number) => Number((volume * 1000).toPrecision(9));
  if (options.json) output.out(jsonText({ volume_L: litres(total), parts_L: parts.map((p) => litres(p.volume)) }));
  else {
    output.out(formatQuantity('volume', total));
    if (parts.length > 1)
      for (const part of parts) output.out(`  ${part.name}: ${formatQuantity('volume', part.volume)}`);
  }
  return 0;
}

async function volumesOf(
  file: string,
  level: number,
  pitch: number,
  roll: number,
  stlUnit: string,
): Promise<{ name: string; volume: number }[]> {
  const kind = /\.(json|stl|csv)$/i.exec(file)?.[1]?.toLowerCase();
  if (kind === undefined) throw new BadInput(`${file} is neither .json, .stl nor .csv`);
  const tank =
    kind === 'csv'
      ? { table: csvTable(file, await readText(file, LARGEST_STRAPPING_CSV)) }
      : kind === 'stl'
        ? stlTank(file, await readInput(file, LARGEST_STL), stlUnit)
        : jsonTank(file, await readText(file, LARGEST_JOB_FILE));
  if ('table' in tank) {
    if (pitch !== 0 || roll !== 0)
      throw new BadInput(`${file} is a strapping table: it holds level volumes only, so pitch and roll must be 0`);
    return [{ name: 'tank', volume: volumeAtLevel(tank.table, level) }];
  }
  const plane = fuelPlane(level, pitch, roll, tank.datum);
  return tank.solids.map((solid) => ({ name: solid.name, volume: solidVolume(solid, plane) }));
}

function csvTable(file: string, text: string): StrappingTable {
  const { data } = Papa.parse<string[]>(text.trim(), { skipEmptyLines: true });
  const table = readStrappingCsv(data);
  if (table.ok) return table.value;
  throw new BadInput(`${file}: ${describeStrappingFault(table.fault).replace(/[.]$/, '')}`);
}

interface PlacedTank {
  readonly solids: readonly Solid[];
  /** Where in plan the level is read: the tank tilts about it. */
  readonly datum: readonly [number, number];
}

function stlTank(file: string, bytes: Uint8Array, unitName: string): PlacedTank {
  const unit = findUnit(unitName, 'length');
  if (unit?.kind !== 'length') throw new BadInput(`--stl-unit: “${unitName}” is not a length unit`);
  const read = readStl(bytes, unit.factor);
  if (!read.ok) throw new BadInput(`${file}: ${describeMeshFault(read.fault)}`);
  const closed = closedMesh(read.value);
  if (!closed.ok) throw new BadInput(`${file}: ${describeMeshFault(closed.fault)}`);
  const { least, most } = meshBounds(closed.value);
  // tilted about the middle of its footprint, where a level would be read
  return {
    solids: [{ kind: 'mesh', name: 'mesh', mesh: closed.value }],
    datum: [(least[0] + most[0]) / 2, (least[1] + most[1]) / 2],
  };
}

/** A tank given as parts, or the surveyed tank of a job file. */
function jsonTank(file: string, text: string): PlacedTank | { table: StrappingTable } {
  const parsed = parsedJson(file, text);
  if (typeof parsed === 'object' && parsed !== null && 'schemaVersion' in parsed) return jobTank(file, text);
  const tank = checkedValue(file, parsed, partedTankSchema, 'the tank');
  return { solids: partedSolids(tank), datum: tank.datum_xy };
}

function jobTank(file: string, text: string): PlacedTank | { table: StrappingTable } {
  const read = readJobFile(text);
  if (!read.ok) throw new BadInput(`${file}: ${describeIssue(read.fault[0]!)}`);
  const outcome = surveyedTank(read.value.job.survey.tank);
  if (outcome.kind === 'needs') throw new BadInput(`${file}: the tank still needs ${outcome.needs.join(', ')}`);
  if (outcome.kind === 'fault') throw new BadInput(`${file}: ${describeTankFault(outcome.fault)}`);
  const { solids, table } = outcome.tank;
  return solids ? { solids, datum: [0, 0] } : { table };
}
