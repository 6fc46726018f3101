import type { Act } from '../job/acts/act.ts';
import type { Component } from '../job/component.ts';
import type { Job } from '../job/job.ts';
import { isOnSuction } from '../run/suction-side.ts';
import { measured } from '../job/measured.ts';
import { dashSizes, tubeOutsideDiameter, typicalHoseBore } from '../units/dash-size.ts';
import { inches } from '../units/quick.ts';

/** Lines are offered in these sizes: the ones that hose and tube both come in. */
export const lineSizes = dashSizes.filter((dash) => typicalHoseBore(dash) !== undefined);
const TUBE_WALL = inches(0.035); // the usual wall of fuel tube, common practice

export type LineGroup = 'suction' | 'feed' | 'return';

/** Hoses and hard lines of a group; what lies inside the tank keeps the size of the hanger's ports. */
export function linesOf(job: Job, group: LineGroup): Component[] {
  const { supply, return: back } = job.run;
  const isLine = (c: Component) => (c.kind === 'hose' && !c.immersed) || c.kind === 'hardLine';
  if (group === 'return') return back.filter(isLine);
  // a line from a lift pump to its pot is its own: it sees no rail pressure
  const pot = supply.findIndex((c) => c.kind === 'swirlPot');
  return supply.filter(
    (c, i) => isLine(c) && (isOnSuction(supply, i) ? group === 'suction' : group === 'feed' && i > pot),
  );
}

/** Gives lines another size: hoses the bore, tubes the outside diameter and the usual wall of it. */
export function resize(lines: readonly Component[], dash: number, title: string): Act {
  return {
    act: 'setOnComponents',
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
