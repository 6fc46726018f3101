import type { HeatZone } from '../heat/line-heat.ts';
import { figure, type Figure } from '../units/quantity.ts';
import type { PartOf } from '../parts/kinds.ts';
import type { Fuel } from '../fluids/fuel.ts';
import { hoseConstruction, tightestBend } from '../ratings/hose-construction.ts';
import { barlowPressure, lineMaterials } from '../ratings/line-material.ts';
import {
  fuelClasses,
  fuelClassOf,
  materialRow,
  sourceOn,
  verdictOn,
  type OwnMaterials,
  type Verdict,
} from '../ratings/material-fuel.ts';

/** What every length of line is held against. */
export const lineChecks = {
  pressure: 'pressure',
  fuel: 'fuel',
  temperature: 'temperature',
  immersion: 'immersion',
  permeation: 'permeation',
  bend: 'tightest bend',
  age: 'age',
} as const;
export type LineCheck = keyof typeof lineChecks;

/** One length against one check. `ask`: somebody has to measure or the maker to say. */
export interface Rating {
  readonly check: LineCheck;
  readonly verdict: Verdict | 'none';
  readonly required?: Figure | string;
  readonly rated?: Figure | string;
  readonly source: string;
}

/** What a length meets where it lies. SI. */
export interface LineStress {
  readonly fuel?: Fuel;
  /** What the job knows better of its materials. */
  readonly own?: OwnMaterials;
  /** Highest while the run works, and the worst that can come: dead-head, or a regulator that sticks. Pa gauge. */
  readonly running?: number;
  readonly worst?: number;
  /** Hottest that it gets there, K. */
  readonly temperature?: number;
  readonly zone: HeatZone;
}

/** Where people breathe what a hose lets through: the tank under them and the floor, not the open bay. */
const LOW_PERMEATION = 15; // g/(m2 day): SAE J30 R9, from memory
const BARLOW = 'Barlow, safety factor 4; strength typical, from memory';

type Line = PartOf<'hose'> | PartOf<'hardLine'>;

/** Every check of one length of hose or hard line. */
export function rateLine(line: Line, stress: LineStress): Rating[] {
  return line.kind === 'hose' ? rateHose(line, stress) : rateTube(line, stress);
}

function rateHose(line: PartOf<'hose'>, { fuel, own, running, worst, temperature, zone }: LineStress): Rating[] {
  const made = line.construction && hoseConstruction(line.construction);
  const source = made?.source ?? 'its construction is unknown';
  const minimum = made && line.bore ? tightestBend(made, line.bore.si) : undefined;
  const inTank = line.immersed === true || zone === 'tank';
  return [
    pressureRating(made?.workingPressure, running, worst, source),
    fuelRating(made?.name, fuel, own, source),
    rating('temperature', source, made?.hottest, temperature, 'temperature', (rated, is) => is <= rated),
    {
      check: 'immersion',
      verdict: !line.immersed ? 'none' : made ? (made.immersible ? 'fine' : 'attacked') : 'ask',
      ...(line.immersed ? { required: 'inside the tank' } : {}),
      ...(made ? { rated: made.immersible ? 'made for it' : 'outside only' } : {}),
      source,
    },
    {
      check: 'permeation',
      verdict: inTank ? 'none' : made === undefined ? 'ask' : made.permeation <= LOW_PERMEATION ? 'fine' : 'watch',
      required: `${LOW_PERMEATION} g/(m² day) for a car that stands indoors`,
      ...(made ? { rated: `${made.permeation} g/(m² day)` } : {}),
      source,
    },
    rating('bend', source, minimum, line.bend?.si, 'length', (rated, is) => is >= rated),
    {
      check: 'age',
      verdict:
        line.years === undefined ? 'ask' : made === undefined ? 'ask' : line.years <= made.lasts ? 'fine' : 'watch',
      ...(line.years === undefined ? {} : { required: `${line.years} years` }),
      ...(made ? { rated: `${made.lasts} years` } : {}),
      source,
    },
  ];
}

function rateTube(line: PartOf<'hardLine'>, { fuel, own, running, worst }: LineStress): Rating[] {
  const material = line.material && lineMaterials[line.material];
  const { outsideDiameter, wall } = line;
  const isTube = material && outsideDiameter && wall && outsideDiameter.si > 2 * wall.si;
  const rated = isTube ? barlowPressure(material.strength, wall.si, outsideDiameter.si) : undefined;
  const none = (check: LineCheck): Rating => ({ check, verdict: 'none', source: 'metal or rigid tube' });
  return [
    pressureRating(rated, running, worst, BARLOW),
    fuelRating(material?.name, fuel, own, 'material table'),
    none('temperature'),
    none('immersion'),
    none('permeation'),
    none('bend'),
    none('age'),
  ];
}

function pressureRating(
  rated: number | undefined,
  running: number | undefined,
  worst: number | undefined,
  source: string,
): Rating {
  const is = worst ?? running;
  const verdict =
    rated === undefined || is === undefined
      ? 'ask'
      : rated >= is
        ? 'fine'
        : running !== undefined && rated >= running
          ? 'watch'
          : 'attacked';
  return {
    check: 'pressure',
    verdict,
    ...(is === undefined ? {} : { required: figure('pressure', is) }),
    ...(rated === undefined ? {} : { rated: figure('pressure', rated) }),
    source,
  };
}

function fuelRating(
  name: string | undefined,
  fuel: Fuel | undefined,
  own: OwnMaterials | undefined,
  source: string,
): Rating {
  const kind = fuel && fuelClassOf(fuel);
  const row = name === undefined ? undefined : materialRow(name);
  return {
    check: 'fuel',
    verdict: kind && row ? verdictOn(row, kind, own) : 'ask',
    ...(kind ? { required: fuelClasses[kind] } : {}),
    ...(row ? { rated: row.name } : {}),
    source: kind && row ? sourceOn(row, kind, own) : source,
  };
}

function rating(
  check: LineCheck,
  source: string,
  rated: number | undefined,
  is: number | undefined,
  kind: 'temperature' | 'length',
  holds: (rated: number, is: number) => boolean,
): Rating {
  return {
    check,
    verdict: rated === undefined || is === undefined ? 'ask' : holds(rated, is) ? 'fine' : 'attacked',
    ...(is === undefined ? {} : { required: figure(kind, is) }),
    ...(rated === undefined ? {} : { rated: figure(kind, rated) }),
    source,
  };
}
