import type { JointPlace } from '../fittings/allowed-here.ts';
import { heatZones } from '../heat/line-heat.ts';
import { assumed } from '../job/assumption.ts';
import { isLine } from '../parts/kinds.ts';
import { circuitsOf } from '../run/circuits.ts';
import type { Findings } from '../reckoning/findings.ts';
import type { JointFinding } from '../run/joints.ts';
import { jointPressure } from './joint-wants.ts';
import { lineStress } from './line-matrix.ts';

/** What a joint meets where it is: the pressure as solved, the heat of the hotter of its two neighbours, the fuel, its clamp. */
export function placeOf(findings: Findings, { id, from, to, joint }: JointFinding): JointPlace {
  const { job, fuel, solution } = findings;
  const pressure = jointPressure(id, solution);
  const temperature = Math.max(...[from, to].map((part) => heatAt(findings, part)));
  return {
    temperature,
    ...(pressure === undefined ? {} : { pressure }),
    ...(fuel ? { fuel } : {}),
    ...(job.materials ? { own: job.materials } : {}),
    ...(joint.clamp ? { clamp: joint.clamp } : {}),
  };
}

/** Of a line its skin after stopping hot; of what is no line the fuel, or the air of the bay that it stands in. */
function heatAt(findings: Findings, id: string): number {
  const { job } = findings;
  const part = job.parts[id]!;
  if (isLine(part)) return lineStress(findings, part).temperature!;
  const hotFuel = assumed(job.assumptions, 'hotFuelTemperature');
  const isInBay = heatZones(circuitsOf(job)).get(id) === 'bay';
  return isInBay ? Math.max(hotFuel, assumed(job.assumptions, 'soakAir')) : hotFuel;
}
