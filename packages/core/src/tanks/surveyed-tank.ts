import { attachmentText } from '../attachments/attachment.ts';
import { onceFor } from '../memory/once-for.ts';
import { remembered } from '../memory/remembered.ts';
import { tankValue, type SurveyedTank } from '../job/tank.ts';
import { success, type Result } from '../result.ts';
import { tankByFills } from './fills.ts';
import { solidsOfShape } from './shape-solids.ts';
import { levelPlane } from '../meshes/fuel-plane.ts';
import { joinMeshes, meshBounds } from '../meshes/mesh.ts';
import { solidMesh, solidVolumes, type Solid } from './solid.ts';
import { strappingTable, type StrappingTable } from './strapping-table.ts';
import type { TankFault } from './tank-fault.ts';
import { evenly } from '../numerics/evenly.ts';

/** What a tank waits for: names of its measurements. */
export type TankNeed = keyof SurveyedTank;

/** A tank that is known well enough to compute litres in. */
export interface Tank {
  /** Level volumes from bottom to top, m3, foam taken off. */
  readonly table: StrappingTable;
  /** m3, brim-full. */
  readonly full: number;
  /** Lowest and highest inside, m above the tank floor. */
  readonly bottom: number;
  readonly top: number;
  /** Share of the shell that fuel can fill: 1, less in foam. */
  readonly porosity: number;
  /** Absent where only a strapping table is known: nothing can then be said about tilt or walls. */
  readonly solids?: readonly Solid[];
}

export type TankOutcome =
  { kind: 'needs'; needs: readonly TankNeed[] } | { kind: 'fault'; fault: TankFault } | { kind: 'known'; tank: Tank };

const STEPS = 120; // levels in a computed table

/** The tank as surveyed: shape or table, or what is missing or wrong. Drawings and results ask for the same one many times. */
export const surveyedTank = onceFor(
  (tank: SurveyedTank): TankOutcome => remembered('surveyedTank', tankReads(tank), () => cut(tank)),
  ({ kind }) => kind !== 'needs', // a mesh that is not here yet comes later
);

function cut(tank: SurveyedTank): TankOutcome {
  const made = tank.shape === 'strapping' ? byTable(tank) : byShape(tank);
  const empty = made.kind === 'known' && !(made.tank.full > 0);
  return empty ? { kind: 'fault', fault: { code: 'noVolume' } } : made;
}

const surveyText = onceFor((tank: SurveyedTank) => JSON.stringify(tank));

/** All that decides a tank, as text: its survey, and whether the mesh that it names is here. */
export const tankReads = (tank: SurveyedTank): string =>
  `${surveyText(tank)} ${tank.mesh && attachmentText(tank.mesh.digest) !== undefined}`;

const porosityOf = (tank: SurveyedTank): number => (tank.foam ? 1 - tankValue(tank, 'foamShare') : 1);

function byShape(tank: SurveyedTank): TankOutcome {
  const shaped = solidsOfShape(tank);
  if (shaped.kind !== 'solids') return shaped;
  const { solids } = shaped;
  const { least, most } = meshBounds(joinMeshes(solids.map(solidMesh)));
  const [bottom, top] = [least[2], most[2]];
  const levels = evenly(bottom, top, STEPS);
  const porosity = porosityOf(tank);
  const parts = solids.map((solid) => solidVolumes(solid, levelPlane(0), levels));
  const rows = levels.map((level, i) => ({ level, volume: porosity * parts.reduce((sum, p) => sum + p[i]!, 0) }));
  return { kind: 'known', tank: { table: { rows }, full: rows.at(-1)!.volume, bottom, top, porosity, solids } };
}

/** A table as typed or read in, else one made from fills. It is of real fuel: foam is already in it. */
function byTable(tank: SurveyedTank): TankOutcome {
  const made = tank.strapping?.length ? typedTable(tank) : tankByFills(tank.fills ?? []);
  if (made === undefined) return { kind: 'needs', needs: ['strapping'] };
  if (!made.ok) return { kind: 'fault', fault: made.fault };
  const { rows } = made.value;
  const [first, last] = [rows[0]!, rows.at(-1)!];
  const bottom = Math.min(0, first.level);
  return { kind: 'known', tank: { table: made.value, full: last.volume, bottom, top: last.level, porosity: 1 } };
}

function typedTable(tank: SurveyedTank): Result<StrappingTable, TankFault> {
  const table = strappingTable(tank.strapping!.map((r) => ({ level: r.level.si, volume: r.volume.si })));
  if (table.ok) return success(table.value);
  const { fault } = table;
  return { ok: false, fault: { code: 'table', what: fault.code, row: 'row' in fault ? fault.row : 0 } };
}
