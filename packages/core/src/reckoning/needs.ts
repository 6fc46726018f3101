import { briefProperties, isBoosted } from '../job/brief.ts';
import { kindOf, propertiesOf, type Part } from '../parts/kinds.ts';
import { circuitsOf } from '../run/circuits.ts';
import type { Job } from '../job/job.ts';
import type { Stage } from '../job/stage.ts';
import type { FieldPath } from '../fields/field-path.ts';
import type { Property } from '../fields/property.ts';
import { missingReadings } from '../gauge/gauge-findings.ts';
import { surveyedTank } from '../tanks/surveyed-tank.ts';
import { gaugeProperties } from '../job/gauge.ts';
import { hangerProperties } from '../job/hanger.ts';
import { surveyProperties } from '../job/survey.ts';
import { tankProperties } from '../job/tank.ts';
import { deviceKinds, protective, protects } from '../harness/devices/index.ts';
import { wireProperties } from '../harness/harness.ts';
import { truthTable } from '../harness/cut-off.ts';
import { pumpFeeds } from '../harness/pump-feeds.ts';

/** A measurement or choice that results wait for. */
export interface Need {
  readonly stage: Stage;
  readonly path: FieldPath;
  /** "tank depth" */
  readonly name: string;
  /** The part it belongs to, if any. */
  readonly part?: string;
  /** What is asked, where its name alone does not say it. */
  readonly asks?: string;
  /** A number is read, anything else is chosen. */
  readonly isMeasured: boolean;
  /** true: the flow cannot be computed without it. */
  readonly blocksSolution: boolean;
}

/** Everything still unmeasured that a result waits for, in the order of the work. */
export function needsOf(job: Job): Need[] {
  const needs: Need[] = [];
  const add = (stage: Stage, path: FieldPath, name: string, blocks: boolean, part?: Part, isMeasured = true) =>
    needs.push({
      stage,
      path,
      name,
      part: part?.id,
      isMeasured,
      blocksSolution: blocks,
    });
  const group = (stage: Stage, base: FieldPath, properties: Record<string, Property>, held: object, blocks = true) => {
    for (const [key, property] of Object.entries(properties))
      if (isNeeded(property) && (held as Record<string, unknown>)[key] === undefined)
        add(stage, [...base, key], property.name, blocks, undefined, isRead(property));
  };
  group('brief', ['brief'], briefNeeds(job), job.brief);
  group('survey', ['survey', 'tank'], tankProperties, job.survey.tank);
  group('survey', ['survey'], surveyProperties, job.survey);
  if (!job.layout.key) add('layout', ['layout', 'key'], 'layout', false, undefined, false);
  if (needsOutletHeight(job) && job.survey.tank.outletHeight === undefined)
    add('survey', ['survey', 'tank', 'outletHeight'], tankProperties.outletHeight.name, false);
  for (const need of wiringNeeds(job)) needs.push(need);
  if (hasSuppliedPump(job))
    for (const key of ['stopsWithEngine', 'crashShutOff'] as const)
      if (job.survey[key] === undefined)
        add('survey', ['survey', key], `whether ${surveyProperties[key].name}`, false, undefined, false);
  if (job.hanger && Object.keys(job.hanger).length > 0)
    group('hanger', ['hanger'], hangerProperties, job.hanger, false);
  for (const part of circuitsOf(job).parts)
    for (const { key, property } of partNeeds(part))
      add('run', ['parts', part.id, key], property.name, kindOf(part).blocks(key), part, isRead(property));
  if (job.gauge && Object.keys(job.gauge).length > 0) {
    for (const key of missingReadings(job.gauge)) add('gauge', ['gauge', key], gaugeProperties[key].name, false);
    const tank = surveyedTank(job.survey.tank);
    for (const key of tank.kind === 'needs' ? tank.needs : [])
      if (key !== 'depth') add('survey', ['survey', 'tank', key], tankNeedNames[key] ?? key, false);
  }
  return needs;
}

/** Names of what a tank's shape waits for, lists included. */
const tankNeedNames: Partial<Record<string, string>> = {
  ...Object.fromEntries(Object.entries(tankProperties).map(([key, p]) => [key, p.name])),
  section: 'traced section',
  stations: 'sections along the tank',
  zones: 'steps of the floor',
  mesh: 'mesh of the tank',
  strapping: 'strapping table or fills',
};

/** Read off something, rather than chosen from a list. */
const isRead = (property: Property): boolean => property.type !== 'choice';

const isNeeded = (property: Property): boolean =>
  (property.type === 'quantity' || property.type === 'choice') && property.needed;

/** Boost is needed once the engine is known to be boosted, the ethanol share once it burns petrol. */
function briefNeeds({ brief }: Job): Record<string, Property> {
  const needs: Record<string, Property> = { ...briefProperties };
  if (isBoosted(brief)) needs.boost = { ...briefProperties.boost, needed: true };
  if (brief.fuel === 'petrol') needs.ethanol = { ...briefProperties.ethanol, needed: true };
  return needs;
}

const needsOutletHeight = (job: Job): boolean =>
  circuitsOf(job).parts.some((c) => kindOf(c).isElectric && kindOf(c).standsOutside?.(c));

/** An electric pump that is in a circuit, of which nobody has drawn what switches it: what cuts it off must then be known. */
const hasSuppliedPump = (job: Job): boolean => {
  const { devices = [], wires = [] } = job.wiring ?? {};
  const coils = devices.filter((d) => d.kind === 'relay' && d.stands !== 'out').map((d) => d.id);
  const isSwitched = wires.some((w) => [w.from, w.to].some((e) => e?.terminal === '85' && coils.includes(e.device)));
  return !isSwitched && devices.some((d) => d.kind === 'pumpLoad' && d.stands !== 'out');
};

/** What the circuit waits for: fuses that nobody has read, wires on a pump's way without gauge or length. */
function wiringNeeds({ wiring }: Job): Need[] {
  if (!wiring) return [];
  const need = (path: FieldPath, name: string, asks?: string): Need => ({
    stage: 'wiring',
    path: ['wiring', ...path],
    name,
    part: undefined,
    asks,
    isMeasured: true,
    blocksSolution: false,
  });
  const fuses = (wiring.devices ?? []).flatMap((d) =>
    protects(d) && d.stands !== 'out' && !protective(d)!.rating
      ? [need(['devices', d.id, 'rating'], deviceKinds[d.kind].name.toLowerCase(), 'what it is rated')]
      : [],
  );
  const feeds = pumpFeeds(wiring);
  const open = new Set(feeds.ok ? feeds.value.ports.flatMap((p) => p.unmeasured) : []);
  const wires = (wiring.wires ?? []).flatMap((w) =>
    (['area', 'length'] as const).flatMap((key) =>
      open.has(w.id) && !w[key] ? [need(['wires', w.id, key], wireProperties[key].name)] : [],
    ),
  );
  const isUntold = truthTable(wiring).some((row) => row.state.crashed && Object.values(row.pumps).includes('unknown'));
  const units = (wiring.devices ?? []).flatMap((d) =>
    isUntold &&
    (d.kind === 'controlUnit' || d.kind === 'pumpController') &&
    d.stands !== 'out' &&
    d.crashInput === undefined
      ? [{ ...need(['devices', d.id, 'crashInput'], 'whether it cuts the pump in a crash'), isMeasured: false }]
      : [],
  );
  return [...fuses, ...wires, ...units];
}

/** What a part waits for: what its kind needs, and what this one needs as it stands. */
export function partNeeds(part: Part): { key: string; property: Property }[] {
  const held = part as unknown as Record<string, unknown>;
  const properties = propertiesOf(part.kind);
  const own = new Set(kindOf(part).needs?.(part) ?? []);
  const isUnknown = (key: string) => {
    const value = held[key];
    return value === undefined || (Array.isArray(value) && value.length === 0);
  };
  const found = Object.entries(properties)
    .filter(([key, property]) => (isNeeded(property) || own.has(key)) && isUnknown(key))
    .map(([key, property]) => ({ key, property }));
  // what always is needed comes before what only this one needs
  return [...found.filter(({ key }) => !own.has(key)), ...found.filter(({ key }) => own.has(key))];
}
