import type { Act } from '../acts/act.ts';
import { measured } from '../fields/measured.ts';
import { dashSizes, tubeOutsideDiameter, typicalHoseBore } from '../units/dash-size.ts';
import { inches } from '../units/quick.ts';
import type { Job } from '../job/job.ts';
import { type Part, isLine } from '../parts/kinds.ts';
import { circuitsOf } from '../run/circuits.ts';

/** Lines are offered in these sizes: the ones that hose and tube both come in. */
export const lineSizes = dashSizes.filter((dash) => typicalHoseBore(dash) !== undefined);
const TUBE_WALL = inches(0.035); // the usual wall of fuel tube, common practice

export type LineGroup = 'suction' | 'feed' | 'return';

/** Hoses and hard lines of a group; what lies inside the tank keeps the size of the hanger's ports. */
export function linesOf(job: Job, group: LineGroup): Part[] {
  const run = circuitsOf(job);
  // what branches off or comes together again keeps its own size; a line from a lift pump to its pot sees no rail pressure
  return run.parts.filter((part) => {
    if (!isLine(part) || (part.kind === 'hose' && part.immersed) || part.role === 'branchHose') return false;
    const zone = run.zoneOf(part.id);
    if (group === 'return') return zone?.kind === 'return';
    if (group === 'suction') return zone?.kind === 'suction';
    return zone?.kind === 'pressure' && run.feedPumps.some((pump) => zone.fedBy.includes(pump));
  });
}

/** Gives lines another size: hoses the bore, tubes the outside diameter and the usual wall of it. */
export function resize(lines: readonly Part[], dash: number, title: string): Act {
  return {
    act: 'setOnParts',
    title,
    changes: lines.flatMap(({ id, kind }) =>
      kind === 'hose'
        ? [{ id, key: 'bore', value: measured(typicalHoseBore(dash)!, 'mm') }]
        : [
            { id, key: 'outsideDiameter', value: measured(tubeOutsideDiameter(dash), 'in') },
            { id, key: 'wall', value: measured(TUBE_WALL, 'in') },
          ],
    ),
  };
}
