import { commonProperties } from '../parts/define-part.ts';
import { jointProperties } from '../parts/joint.ts';
import { partName, portName, propertiesOf } from '../parts/kinds.ts';
import { assumptionProperties } from './assumption.ts';
import { briefProperties } from './brief.ts';
import { gaugeProperties } from './gauge.ts';
import { bulkheadEndProperties } from './bulkhead.ts';
import {
  bodyProperties,
  hangerPartProperties,
  hangerProperties,
  platePortProperties,
  rodProperties,
} from './hanger.ts';
import type { Job } from './job.ts';
import type { FieldPath } from '../fields/field-path.ts';
import { benderProperties } from './bender.ts';
import { wayProperties } from '../parts/place.ts';
import {
  bentProperties,
  candidateProperties,
  copiedProperties,
  fastenerProperties,
  lineRouteProperties,
  pointProperties,
  routeLimits,
  routesProperties,
  sleeveProperties,
  waypointProperties,
  zoneProperties as routeZoneProperties,
} from './routes.ts';
import { oldConnectionProperties } from './old-connection.ts';
import { ownPointProperties, pointConditions } from './points.ts';
import { existingLineProperties, surveyProperties } from './survey.ts';
import {
  baffleProperties,
  fillProperties,
  stationProperties,
  tankProperties,
  zoneProperties as tankZoneProperties,
} from './tank.ts';
import { ventProperties } from './vent.ts';
import { deviceKinds, deviceName } from '../harness/devices/index.ts';
import { commonDeviceProperties } from '../harness/devices/define-device.ts';
import { harnessProperties, rollProperties, schemeProperties, wireProperties } from '../harness/harness.ts';

type Named = Readonly<Record<string, { readonly name: string }>>;
const groups: Readonly<Record<string, Named>> = {
  brief: briefProperties,
  survey: surveyProperties,
  'survey/tank': tankProperties,
  'survey/vent': ventProperties,
  hanger: hangerProperties,
  gauge: gaugeProperties,
  assumptions: assumptionProperties,
};

/** Every list of a job: what one row is, and the names of its fields. */
const lists: Readonly<Record<string, readonly [one: string, properties: Named]>> = {
  'survey/lines': ['factory line', existingLineProperties],
  'survey/oldConnections': ['old connection', oldConnectionProperties],
  'survey/tank/stations': ['section', stationProperties],
  'survey/tank/zones': ['zone of the tank', tankZoneProperties],
  'survey/tank/baffles': ['baffle', baffleProperties],
  'survey/tank/fills': ['fill', fillProperties],
  'hanger/bodies': ['pump body', bodyProperties],
  'hanger/rods': ['hanger tube', rodProperties],
  'hanger/parts': ['part on the hanger', hangerPartProperties],
  'hanger/ports': ['port of the plate', platePortProperties],
  'points/own': ['operating point', ownPointProperties],
  bulkhead: ['hose end at the wall', bulkheadEndProperties],
  'routes/points': ['point', pointProperties],
  'routes/zones': [
    'zone',
    { ...routeZoneProperties, ...fastenerProperties, a: { name: 'one end' }, b: { name: 'the other end' } },
  ],
  'routes/candidates': ['place', { ...candidateProperties, part: { name: 'part' } }],
  'wiring/devices': ['device', commonDeviceProperties],
  'wiring/wires': ['wire', { ...wireProperties, from: { name: 'from' }, to: { name: 'to' } }],
  'wiring/rolls': ['roll', rollProperties],
};
/** What one row of a list is: “factory line”. */
export const rowOfList = (path: FieldPath): string => lists[path.join('/')]?.[0] ?? 'row';

/** Sections and collections by themselves. */
const sections: Readonly<Record<string, string>> = {
  name: 'name of the job',
  vehicle: 'vehicle',
  state: 'state of the job',
  layout: 'layout',
  parts: 'parts',
  joints: 'joints',
  points: 'operating points',
  bench: 'bench',
  bulkhead: 'bulkhead',
  overrules: 'overrules',
  lines: 'lines',
  tank: 'tank',
  vent: 'vent',
  own: 'own points',
  ports: 'ports',
  fitting: 'form and size',
  place: 'place under the vehicle',
  closed: 'cap or plug',
  chain: 'adapters',
  key: 'school',
  reason: 'reason',
  sweep: 'sweep',
  a: 'one end',
  b: 'other end',
};

/** What nobody gave a name, as words: “fuelLevel” reads “fuel level”. */
const asWords = (key: string): string => sections[key] ?? key.replace(/([a-z])([A-Z])/g, '$1 $2').toLowerCase();

/** A field's address in words, for a person: "tank depth", "Feed hose, hose length". */
export function sayField(job: Job, path: FieldPath): string {
  const [root, id, ...rest] = path;
  if (root === 'parts' && typeof id === 'string') return sayPartField(job, id, rest);
  if (root === 'joints' && typeof id === 'string') return sayJointField(job, id, rest);
  if (root === 'overrules') return id === undefined ? 'overrules' : `overrule of ${saySnag(job, String(id))}`;
  if (root === 'routes') return sayRouteField(job, path);
  if (root === 'wiring') return sayWiringField(job, path);
  if (root === 'materials') return `what the fuel does to ${asWords(String(id))}`;
  if (root === 'bench') return id === undefined ? 'bench' : `“${job.bench?.[id]?.name ?? String(id)}” on the bench`;
  if (root === 'points' && id !== 'own' && id !== undefined) {
    const conditions = pointConditions as Named;
    return [asWords(String(id)), ...rest.map((key) => conditions[key]?.name ?? asWords(String(key)))].join(', ');
  }
  const own = groups[path.slice(0, -1).join('/')]?.[String(path.at(-1))];
  if (own) return own.name;
  for (const depth of [1, 2, 3]) {
    const list = lists[path.slice(0, depth).join('/')];
    if (list && path.length > depth) return sayRow(job, path, depth, list);
    if (list) return `list of ${list[0]}s`;
  }
  return path.map((key) => asWords(String(key))).join(', ');
}

/** “hanger tube 2, end” */
function sayRow(job: Job, path: FieldPath, depth: number, [one, properties]: readonly [string, Named]): string {
  const rows = path.slice(0, depth).reduce<unknown>((at, key) => (at as Record<string, unknown> | undefined)?.[key], job); // prettier-ignore
  const at = Array.isArray(rows) ? (rows as { id?: unknown }[]).findIndex((row) => row.id === path[depth]) : -1;
  const fields = path.slice(depth + 1).map((key) => properties[key]?.name ?? asWords(String(key)));
  return [`${one}${at < 0 ? '' : ` ${at + 1}`}`, ...fields].join(', ');
}

function sayPartField(job: Job, id: string, [key, ...inner]: FieldPath): string {
  const part = Object.hasOwn(job.parts, id) ? job.parts[id] : undefined;
  if (!part) return key === undefined ? 'a part that is gone' : `${asWords(String(key))} of a part that is gone`;
  if (key === undefined) return partName(part);
  if (key === 'ports' && inner.length > 0) {
    const [port, ...of] = inner.map(String);
    return [partName(part), portName(part, port!), ...of.map(asWords)].join(', ');
  }
  const names = { ...commonProperties, ...propertiesOf(part.kind) } as Named;
  return [partName(part), names[key]?.name ?? asWords(String(key)), ...inner.map((k) => asWords(String(k)))].join(', ');
}

/** “joint of Feed hose and Fuel rail, clamp” */
function sayJointField({ joints, parts }: Job, id: string, keys: FieldPath): string {
  const joint = Object.hasOwn(joints, id) ? joints[id] : undefined;
  const name = (part: string) => (parts[part] ? partName(parts[part]) : 'a part that is gone');
  const names = jointProperties as Named;
  const whole = joint ? `joint of ${name(joint.a.part)} and ${name(joint.b.part)}` : 'a joint that is gone';
  return [whole, ...keys.map((key) => names[key]?.name ?? asWords(String(key)))].join(', ');
}

/** “pump margin of Hanger pump”: a rule by its key, and what it speaks of. */
export function saySnag(job: Job, snag: string): string {
  const [rule = '', of = ''] = snag.split(':');
  const part = Object.hasOwn(job.parts, of) ? partName(job.parts[of]!) : undefined;
  return `“${rule.replaceAll('-', ' ')}”${part === undefined ? '' : ` of ${part}`}`;
}

/** "Pump relay, rated current", "wire 4, conductor" */
function sayWiringField({ wiring }: Job, [, key, id = '', ...rest]: FieldPath): string {
  const last = String(rest.at(-1) ?? '');
  if (key === 'devices') {
    const device = wiring?.devices?.find((d) => d.id === id);
    if (!device) return ['device', last].filter(Boolean).join(', ');
    const names: Named = { ...commonDeviceProperties, ...deviceKinds[device.kind].properties };
    return [deviceName(device), names[last]?.name ?? asWords(last)].filter(Boolean).join(', ');
  }
  const list = lists[`wiring/${String(key)}`];
  if (list) {
    const rows: readonly { id: string }[] | undefined = wiring?.[key as 'wires' | 'rolls'];
    return sayOfRow(list, rows, id, rest);
  }
  const own: Named = { ...harnessProperties, ...schemeProperties, scheme: { name: 'colours' } };
  return key === undefined ? 'circuit' : (own[String(id || key)]?.name ?? asWords(String(key)));
}

const ofLine: Named = {
  ...waypointProperties,
  ...wayProperties,
  ...lineRouteProperties,
  ...benderProperties,
  ...sleeveProperties,
  ...bentProperties,
  ...copiedProperties,
  through: { name: 'way' },
  start: { name: 'start' },
  finish: { name: 'end' },
};

/** "zone 2, rises by", "Feed line, clipped there" */
function sayRouteField({ routes, parts }: Job, [, key = '', id = '', ...rest]: FieldPath): string {
  const last = String(rest.at(-1) ?? '');
  if (key === 'lines' || key === 'vent') {
    const line = parts[String(id)];
    const name =
      key === 'vent'
        ? 'vent'
        : line
          ? partName(line)
          : id === ''
            ? 'lines'
            : id === 'vent'
              ? 'vent'
              : 'a line that is gone';
    const named = ofLine[last] ?? ofLine[String(id)];
    return [name, named?.name ?? asWords(last)].filter(Boolean).join(', ');
  }
  const list = lists[`routes/${String(key)}`];
  if (list) return sayOfRow(list, routes?.[key as 'points'], id, rest);
  const own: Named = { ...routesProperties, ...routeLimits };
  return own[String(key)]?.name ?? (key === '' ? 'routes' : asWords(String(key)));
}

interface Row {
  readonly id: string;
  readonly label?: string;
}

/** “wire 4, conductor”, “Filler neck, measured to”: a row by its own name where it has one, and the last field of the address. */
function sayOfRow(
  [one, names]: readonly [string, Named],
  rows: readonly Row[] | undefined,
  id: string | number,
  rest: FieldPath,
): string {
  const at = rows?.findIndex((row) => row.id === id) ?? -1;
  const label = rows?.[at]?.label?.trim();
  const last = String(rest.at(-1) ?? '');
  return [label ? `“${label}”` : `${one}${at < 0 ? '' : ` ${at + 1}`}`, names[last]?.name ?? asWords(last)].filter(Boolean).join(', '); // prettier-ignore
}
