import fc from 'fast-check';
import type { Act } from '../src/job/acts/act.ts';
import { applyAct, valueAt } from '../src/job/acts/apply-act.ts';
import { assumptionProperties } from '../src/job/assumption.ts';
import { briefProperties } from '../src/job/brief.ts';
import { partKinds, propertiesOf, type Part, type PartKind } from '../src/job/PARTKINDS.ts';
import { gaugeProperties } from '../src/job/gauge.ts';
import {
  bodyProperties,
  hangerPartProperties,
  hangerProperties,
  platePortProperties,
  rodProperties,
} from '../src/job/hanger.ts';
import type { Job } from '../src/job/job.ts';
import { layouts, type LayoutKey } from '../src/job/layout.ts';
import { regulatorPlaces } from '../src/job/acts/move-regulator.ts';
import { oldConnectionProperties } from '../src/job/old-connection.ts';
import { ownPointProperties, pointConditions, pointKeys } from '../src/job/points.ts';
import type { Property, QuantityProperty } from '../src/job/property.ts';
import { existingLineProperties, surveyProperties } from '../src/job/survey.ts';
import {
  baffleProperties,
  fillProperties,
  stationProperties,
  tankProperties,
  zoneProperties,
} from '../src/job/tank.ts';
import { ventProperties } from '../src/job/vent.ts';
import { allParts } from '../src/job/needs.ts';

/** Numbers from 0 to 1 that decide what an edit is on the job that it meets. */
export type Dice = readonly [kind: number, place: number, key: number, size: number, spread: number];
const die = fc.noBias(fc.integer({ min: 0, max: 99_999 })).map((n) => n / 1e5); // fc.double favours tiny numbers
export const anyDice: fc.Arbitrary<Dice> = fc.tuple(die, die, die, die, die);

const pick = <T>(list: readonly T[], thrown: number): T => list[Math.floor(thrown * list.length)]!;

/** Any size that the field takes, small and large ones alike; sometimes its limits. */
function anyQuantity({ field, typical }: QuantityProperty, size: number, spread: number) {
  const [least, most] = [field.minimum ?? 0, field.maximum ?? (typical?.si ?? 1) * 100];
  const at = size < 0.06 ? 0 : size > 0.94 ? 1 : spread < 0.5 ? size ** 4 : size;
  return { si: least + (most - least) * at, unit: field.unit };
}

/** A value that the property's form lets in, or undefined: unknown again. */
function anyValue(property: Property, size: number, spread: number): unknown {
  if (spread > 0.85) return undefined;
  switch (property.type) {
    case 'quantity':
      return anyQuantity(property, size, spread);
    case 'choice':
      return pick(Object.keys(property.options), size);
    case 'flag':
      return size < 0.5;
    case 'count':
      return Math.round(size * property.most);
    default:
      return undefined;
  }
}

const groups: [readonly string[], Record<string, Property>][] = [
  [['brief'], briefProperties],
  [['survey'], surveyProperties],
  [['survey', 'tank'], tankProperties],
  [['survey', 'vent'], ventProperties],
  [['hanger'], hangerProperties],
  [['gauge'], gaugeProperties],
  [['assumptions'], assumptionProperties],
  ...pointKeys.map((key): [readonly string[], Record<string, Property>] => [['points', key], pointConditions]),
];

const lists: [readonly string[], Record<string, Property>][] = [
  [['survey', 'tank', 'stations'], stationProperties],
  [['survey', 'tank', 'zones'], zoneProperties],
  [['survey', 'tank', 'baffles'], baffleProperties],
  [['survey', 'tank', 'fills'], fillProperties],
  [['survey', 'lines'], existingLineProperties],
  [['survey', 'oldConnections'], oldConnectionProperties],
  [['hanger', 'bodies'], bodyProperties],
  [['hanger', 'rods'], rodProperties],
  [['hanger', 'parts'], hangerPartProperties],
  [['hanger', 'ports'], platePortProperties],
  [['points', 'own'], ownPointProperties],
];

/** A new row in a list, or one figure of a row that is there. */
function rowEdit(job: Job, [, place, key, size, spread]: Dice, nth: number): Act {
  const [path, properties] = pick(lists, place);
  const rows = (valueAt(job, path) as { id: string }[] | undefined) ?? [];
  if (rows.length === 0 || (key < 0.2 && rows.length < 4))
    return { act: 'set', path, value: [...rows, { id: `row-${nth}` }] };
  const [name, property] = pick(Object.entries(properties), key);
  return {
    act: 'set',
    path: [...path, Math.floor(size * 997) % rows.length, name],
    value: anyValue(property, size, spread),
  };
}

/** The edit that these dice are on this job. */
function editOf(job: Job, dice: Dice, nth: number): Act {
  const [kind, place, key, size, spread] = dice;
  const parts = allParts(job);
  const line = spread < 0.7 ? 'supply' : 'return';
  const index = Math.floor(size * (job.run[line].length + 1));
  if (kind < 0.12) return rowEdit(job, dice, nth);
  if (kind < 0.4 || parts.length === 0) {
    const [path, properties] = pick(groups, place);
    const [name, property] = pick(Object.entries(properties), key);
    return { act: 'set', path: [...path, name], value: anyValue(property, size, spread) };
  }
  const { id, kind: of } = pick(parts, place);
  if (kind < 0.68) {
    const [name, property] = pick(Object.entries(propertiesOf(of)), key);
    return { act: 'setOnPart', id, key: name, value: anyValue(property, size, spread) };
  }
  if (kind < 0.75) return { act: 'removeComponent', id };
  if (kind < 0.82) return { act: 'moveComponent', id, line, index };
  if (kind < 0.9) {
    const added = pick(Object.keys(partKinds) as PartKind[], key);
    return { act: 'insertComponent', line, index, part: { kind: added, id: `added-${nth}` } as Part };
  }
  if (kind < 0.95) return { act: 'chooseLayout', key: pick(Object.keys(layouts) as LayoutKey[], place) };
  const to = pick(Object.keys(regulatorPlaces) as (keyof typeof regulatorPlaces)[], key);
  return { act: 'moveRegulator', id: parts.find((c) => c.kind === 'regulator')?.id ?? id, to };
}

export const edited = (job: Job, dice: readonly Dice[]): Job =>
  dice.reduce((changed, d, i) => applyAct(changed, editOf(changed, d, i)), job);

/** Infinite here means that there is no limit, or no such resistor. */
const MAY_BE_INFINITE = /\.(mayBePressed|passage\.headroom|network\.parallel)$/;

/** Where in a plain value a number is none, as "snags.0.figure.si". */
export function notNumbers(value: unknown, path = ''): string[] {
  if (typeof value === 'number')
    return Number.isFinite(value) || (value === Infinity && MAY_BE_INFINITE.test(path)) ? [] : [`${path} is ${value}`];
  if (typeof value !== 'object' || value === null) return [];
  return Object.entries(value).flatMap(([key, inner]) => notNumbers(inner, path ? `${path}.${key}` : key));
}
