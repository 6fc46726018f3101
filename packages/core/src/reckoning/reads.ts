import type { RunInputs } from '../run/point-result.ts';
import type { Joint } from '../parts/joint.ts';
import type { Vent } from '../job/vent.ts';
import type { Part } from '../parts/kinds.ts';
import type { Harness } from '../harness/harness.ts';

/** What is said of a part and moves no fuel. */
const SAID = new Set(['label', 'note', 'seals', 'tag', 'ports', 'years', 'bend']);

/** What of a job decides how its run is solved: names, notes, fittings, clamps and sealants do not. */
export function runReads({ parts, joints, brief, survey, hanger, assumptions, points, wiring }: RunInputs): unknown {
  const { wishes: _wishes, ...asked } = brief;
  return {
    parts: Object.values(parts).map(physical),
    joints: Object.values(joints).map(({ id, a, b, height, chain }: Joint) => ({ id, a, b, height, chain })),
    brief: asked,
    depth: survey.tank.depth,
    outletHeight: survey.tank.outletHeight,
    vent: { by: survey.tank.vent, line: airWay(survey.vent), cap: [survey.tank.cap, survey.tank.capOpensAt] },
    railHeight: survey.railHeight,
    jet: hanger && { drill: hanger.jetDrill, edge: hanger.jetEdge },
    reserve: hanger?.reserveLevel,
    assumptions,
    points,
    wiring: electric(wiring),
  };
}

/** What is written on a wire or a device and carries no current. */
const WRITTEN = new Set(['label', 'note', 'colour', 'marking', 'startEnd', 'startBarrel', 'startSeal', 'finishEnd', 'finishBarrel', 'finishSeal', 'outside', 'face', 'cavities']); // prettier-ignore
/** What of a harness decides the voltage at the pumps. */
const electric = (wiring: Harness | undefined): unknown =>
  wiring && [wiring.devices, wiring.wires].map((rows) => rows?.map((row) => Object.entries(row).filter(([key]) => !WRITTEN.has(key)))); // prettier-ignore

/** What of a vent holds air back. */
const airWay = (vent: Vent | undefined): unknown =>
  vent && [vent.bore, vent.length, vent.bends, vent.valveFlow, vent.valveDrop, vent.valveCracking, vent.airTemperature];

const physical = (part: Part): Record<string, unknown> =>
  Object.fromEntries(Object.entries(part).filter(([key]) => !SAID.has(key)));
