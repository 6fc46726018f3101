import Papa from 'papaparse';
import { fuelPlane } from '@endrel/core/tanks/fuel-plane';
import { closedMesh, meshBounds } from '@endrel/core/tanks/mesh';
import { readStl } from '@endrel/core/tanks/read-stl';
import { readStrappingCsv } from '@endrel/core/tanks/read-strapping-csv';
import { volumeAtLevel } from '@endrel/core/tanks/strapping-table';
import { partedTankSchema, partVolumes, type TankModel } from '@endrel/core/tanks/tank-model';
import { formatQuantity } from '@endrel/core/units/format-quantity';
import { findUnit } from '@endrel/core/units/unit-table';
import { BadInput } from './bad-input.ts';
import type { Output } from './output.ts';
import { angleOption, quantityOption } from './parse-options.ts';
import { readInput } from './read-input.ts';

const LARGEST_TANK_FILE = 120 * 1024 * 1024; // bytes; two million triangles of binary STL are 100 MB
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
  if (options.json)
    output.out(JSON.stringify({ volume_L: litres(total), parts_L: parts.map((p) => litres(p.volume)) }));
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
  const bytes = await readInput(file, LARGEST_TANK_FILE);
  if (kind === 'csv') {
    if (pitch !== 0 || roll !== 0)
      throw new BadInput(`${file} is a strapping table: it holds level volumes only, so pitch and roll must be 0`);
    return [{ name: 'tank', volume: tableVolume(file, bytes.toString('utf8'), level) }];
  }
  if (kind === 'stl') {
    const { model, datum } = stlTank(file, bytes, stlUnit);
    return partVolumes(model, fuelPlane(level, pitch, roll, datum));
  }
  const tank = jsonTank(file, bytes.toString('utf8'));
  return partVolumes({ kind: 'parts', tank }, fuelPlane(level, pitch, roll, tank.datum_xy));
}

function tableVolume(file: string, text: string, level: number): number {
  const { data } = Papa.parse<string[]>(text.trim(), { skipEmptyLines: true });
  const table = readStrappingCsv(data);
  if (table.ok) return volumeAtLevel(table.value, level);
  const { fault } = table;
  switch (fault.code) {
    case 'badNumber':
      throw new BadInput(`${file}: “${fault.text}” in row ${fault.row + 1} is not a number`);
    case 'volumeFalls':
      throw new BadInput(`${file}: the volume falls in row ${fault.row + 1} although the level rises`);
    case 'levelRepeats':
      throw new BadInput(`${file}: the level of row ${fault.row + 1} is there twice`);
    case 'unknownUnit':
      throw new BadInput(`${file}: “${fault.text}” in the heading is not a unit Endrel knows`);
    case 'empty':
    case 'tooFewRows':
      throw new BadInput(`${file} needs at least two rows of level and volume`);
  }
}

function stlTank(file: string, bytes: Uint8Array, unitName: string): { model: TankModel; datum: [number, number] } {
  const unit = findUnit(unitName, 'length');
  if (unit?.kind !== 'length') throw new BadInput(`--stl-unit: “${unitName}” is not a length unit`);
  const read = readStl(bytes, unit.factor);
  if (!read.ok)
    throw new BadInput(
      read.fault.code === 'cutShort'
        ? `${file} is cut short: ${read.fault.triangles} of ${read.fault.expected} triangles are there`
        : read.fault.code === 'badNumber'
          ? `${file}: line or triangle ${read.fault.line} holds something that is not a number`
          : read.fault.code === 'tooMany'
            ? `${file} has more than two million triangles`
            : `${file} is not an STL file`,
    );
  const closed = closedMesh(read.value);
  if (!closed.ok)
    throw new BadInput(
      closed.fault.code === 'notClosed'
        ? `${file} is not a closed surface: ${closed.fault.openEdges} edges are open`
        : `${file} encloses no volume`,
    );
  const { least, most } = meshBounds(closed.value);
  // tilted about the middle of its footprint, where a level would be read
  return { model: { kind: 'mesh', mesh: closed.value }, datum: [(least[0] + most[0]) / 2, (least[1] + most[1]) / 2] };
}

function jsonTank(file: string, text: string) {
  let parsed: unknown;
  try {
    parsed = JSON.parse(text);
  } catch {
    throw new BadInput(`${file} is not JSON`);
  }
  const read = partedTankSchema.safeParse(parsed);
  if (read.success) return read.data;
  const issue = read.error.issues[0]!;
  throw new BadInput(`${file}: ${issue.path.join('.') || 'the tank'} ${issue.message}`);
}
