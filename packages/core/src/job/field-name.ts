import { commonProperties } from '../parts/define-part.ts';
import { partName, propertiesOf } from '../parts/kinds.ts';
import { assumptionProperties } from './assumption.ts';
import { briefProperties } from './brief.ts';
import { gaugeProperties } from './gauge.ts';
import { hangerProperties } from './hanger.ts';
import type { Job } from './job.ts';
import type { FieldPath } from './needs.ts';
import { benderProperties } from '../routes/bender.ts';
import { wayProperties } from './place.ts';
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
  zoneProperties,
} from './routes.ts';
import { surveyProperties } from './survey.ts';
import { tankProperties } from './tank.ts';
import { ventProperties } from './vent.ts';
import { deviceKinds, deviceName } from '../wiring/devices/index.ts';
import { commonDeviceProperties } from '../wiring/devices/define-device.ts';
import { harnessProperties, rollProperties, schemeProperties, wireProperties } from '../wiring/harness.ts';

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

/** A field's address in words, for a person: "tank depth", "Feed hose, hose length". */
export function sayField(job: Job, path: FieldPath): string {
  const [root, id, ...rest] = path;
  const part = root === 'parts' && typeof id === 'string' ? job.parts[id] : undefined;
  if (part) {
    const names = { ...commonProperties, ...propertiesOf(part.kind) } as Named;
    const [key, ...inner] = rest.map(String);
    return [partName(part), ...(key === undefined ? [] : [names[key]?.name ?? key]), ...inner].join(', ');
  }
  if (root === 'routes') return sayRouteField(job, path);
  if (root === 'wiring') return sayWiringField(job, path);
  if (root === 'materials') return `what the fuel does to ${String(id)}`;
  if (root === 'bench') return `what lies on the bench of “${String(id)}”`;
  const own = groups[path.slice(0, -1).join('/')]?.[String(path.at(-1))];
  if (own) return own.name;
  const isRecord = root === 'parts' || root === 'joints' || root === 'overrules';
  return (isRecord ? path : path.filter((p) => typeof p === 'string')).join(' ');
}

/** "Pump relay, rated current", "wire 4, conductor" */
function sayWiringField({ wiring }: Job, [, key, id = '', ...rest]: FieldPath): string {
  const last = String(rest.at(-1) ?? '');
  if (key === 'devices') {
    const device = wiring?.devices?.find((d) => d.id === id);
    if (!device) return ['device', last].filter(Boolean).join(', ');
    const names: Named = { ...commonDeviceProperties, ...deviceKinds[device.kind].properties };
    return [deviceName(device), names[last]?.name ?? last].filter(Boolean).join(', ');
  }
  const rows: readonly { id: string }[] | undefined = key === 'wires' ? wiring?.wires : key === 'rolls' ? wiring?.rolls : undefined; // prettier-ignore
  if (key === 'wires' || key === 'rolls') {
    const at = rows?.findIndex((row) => row.id === id) ?? -1;
    const names: Named = { ...wireProperties, ...rollProperties, from: { name: 'from' }, to: { name: 'to' } };
    return [`${key === 'wires' ? 'wire' : 'roll'}${at < 0 ? '' : ` ${at + 1}`}`, names[String(rest[0] ?? '')]?.name ?? last].filter(Boolean).join(', '); // prettier-ignore
  }
  const own: Named = { ...harnessProperties, ...schemeProperties, scheme: { name: 'colours' } };
  return key === undefined ? 'circuit' : (own[String(id || key)]?.name ?? String(key));
}

const inRoutes: Readonly<Record<string, readonly [one: string, properties: Named]>> = {
  points: ['point', pointProperties],
  zones: ['zone', { ...zoneProperties, ...fastenerProperties, a: { name: 'one end' }, b: { name: 'the other end' } }],
  candidates: ['place', { ...candidateProperties, part: { name: 'part' } }],
};
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
    const name = key === 'vent' ? 'vent' : line ? partName(line) : String(id);
    const named = ofLine[last] ?? ofLine[String(id)];
    return [name, named?.name ?? last].filter(Boolean).join(', ');
  }
  const [one, properties] = inRoutes[String(key)] ?? ['', { ...routesProperties, ...routeLimits }];
  if (one === '') return properties[String(key)]?.name ?? String(key);
  const rows = routes?.[key as 'points'] as readonly { id: string; label?: string }[] | undefined;
  const at = rows?.findIndex((row) => row.id === id) ?? -1;
  const name = rows?.[at]?.label?.trim() ? `“${rows[at].label}”` : `${one} ${at < 0 ? '' : at + 1}`.trim();
  return [name, properties[last]?.name ?? last].filter(Boolean).join(', ');
}
