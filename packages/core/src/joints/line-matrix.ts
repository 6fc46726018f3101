import { heatZones, lineHeat } from '../heat/line-heat.ts';
import { assumed } from '../job/assumption.ts';
import { isLine, partName, type Part, type PartOf } from '../parts/kinds.ts';
import {
  fuelClasses,
  fuelClassOf,
  seals,
  sourceOn,
  verdictOn,
  wireCovers,
  type MaterialRow,
} from '../ratings/material-fuel.ts';
import { rateLine, type LineStress, type Rating } from './line-ratings.ts';
import { circuitsOf } from '../run/circuits.ts';
import type { Findings } from '../reckoning/findings.ts';
import { deviceWord } from '../wiring/circuit-words.ts';
import { highestPressure, worstPressure } from '../reckoning/reading.ts';
import { wiresOf } from '../harness/in-circuit.ts';
import { insulations } from '../harness/wire-kinds.ts';
import { capital } from '../units/capital.ts';

/** One length, or what else the fuel wets, against every check that concerns it. */
export interface MatrixRow {
  /** Absent for what is no part of the run: a wire. */
  readonly part?: string;
  readonly name: string;
  readonly ratings: readonly Rating[];
}

/** What a length of line meets where it lies. */
export function lineStress(findings: Findings, line: PartOf<'hose' | 'hardLine'>): LineStress {
  const { job, fuel } = findings;
  const zone = heatZones(circuitsOf(job)).get(line.id) ?? 'underbody';
  const value = (key: Parameters<typeof assumed>[1]) => assumed(job.assumptions, key);
  const hotFuel = value('hotFuelTemperature');
  const air = zone === 'bay' ? value('soakAir') : value('ambientTemperature');
  // as it stands after stopping: between the air around it, the exhaust that it faces and the metal it is clipped along
  const heat = lineHeat(line, zone);
  const sum = heat.air + heat.exhaust + heat.metal;
  const skin = (air * (heat.air + heat.metal) + value('exhaustTemperature') * heat.exhaust) / sum;
  const temperature = zone === 'tank' ? hotFuel : Math.max(hotFuel, skin);
  return {
    zone,
    temperature,
    ...(fuel ? { fuel } : {}),
    ...(job.materials ? { own: job.materials } : {}),
    running: highestPressure(findings, line.id),
    worst: worstPressure(findings, line.id),
  };
}

/** Every length of hose and hard line, the seals that are known, and the wires inside the tank. */
export function lineMatrix(findings: Findings): MatrixRow[] {
  const parts = circuitsOf(findings.job).parts;
  return [
    ...parts.filter(isLine).map((part): MatrixRow => ({
      part: part.id,
      name: partName(part),
      ratings: rateLine(part, lineStress(findings, part)),
    })),
    ...parts.flatMap((part) => wetRow(findings, part, `Seals of ${partName(part)}`, part.seals && seals[part.seals])),
    ...(findings.job.wiring ? wiresOf(findings.job.wiring) : []).flatMap((wire) =>
      wire.lies === 'tank'
        ? wetRow(
            findings,
            undefined,
            capital(deviceWord(findings.job, wire.id)),
            wire.insulation && wireCovers[insulations[wire.insulation].cover],
            true,
          )
        : [],
    ),
  ];
}

function wetRow(
  { fuel, job }: Findings,
  part: Part | undefined,
  name: string,
  row: MaterialRow | undefined,
  isAsked = false,
): MatrixRow[] {
  if (!row && !isAsked) return [];
  const kind = fuel && fuelClassOf(fuel);
  const rating: Rating = {
    check: 'fuel',
    verdict: row && kind ? verdictOn(row, kind, job.materials) : 'ask',
    ...(kind ? { required: fuelClasses[kind] } : {}),
    ...(row ? { rated: row.name } : {}),
    source: row && kind ? sourceOn(row, kind, job.materials) : 'nobody has said what covers them',
  };
  return [{ ...(part ? { part: part.id } : {}), name, ratings: [rating] }];
}
