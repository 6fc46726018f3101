import { assertNever } from '../result.ts';
import { briefProperties } from './brief.ts';
import { componentDefinitions, componentName, type Component } from './component.ts';
import type { Job, Line } from './job.ts';
import type { Property } from './property.ts';
import { missingReadings } from '../gauge/gauge-findings.ts';
import { surveyedTank } from '../tanks/surveyed-tank.ts';
import { gaugeProperties } from './gauge.ts';
import { hangerProperties } from './hanger.ts';
import { surveyProperties } from './survey.ts';
import { tankProperties } from './tank.ts';

export const stages = ['brief', 'survey', 'layout', 'hanger', 'run', 'gauge', 'cards'] as const;
export type Stage = (typeof stages)[number];

/** Where in the job document something is: the keys from the root. */
export type FieldPath = readonly (string | number)[];

/** A measurement or choice that results wait for. */
export interface Need {
  readonly stage: Stage;
  readonly path: FieldPath;
  /** "tank depth" */
  readonly name: string;
  /** The component it belongs to, if any. */
  readonly component?: string;
  /** "Feed hose: hose length" */
  readonly title: string;
  /** true: the flow cannot be computed without it. */
  readonly blocksSolution: boolean;
}

/** Everything still unmeasured that a result waits for, in the order of the work. */
export function needsOf(job: Job): Need[] {
  const needs: Need[] = [];
  const add = (stage: Stage, path: FieldPath, name: string, blocks: boolean, component?: Component) =>
    needs.push({
      stage,
      path,
      name,
      component: component?.id,
      title: component ? `${componentName(component)}: ${name}` : name,
      blocksSolution: blocks,
    });
  const group = (stage: Stage, base: FieldPath, properties: Record<string, Property>, held: object, blocks = true) => {
    for (const [key, property] of Object.entries(properties))
      if (isNeeded(property) && (held as Record<string, unknown>)[key] === undefined)
        add(stage, [...base, key], property.name, blocks);
  };
  group('brief', ['brief'], briefNeeds(job), job.brief);
  group('survey', ['survey', 'tank'], tankProperties, job.survey.tank);
  group('survey', ['survey'], surveyProperties, job.survey);
  if (!job.layout.key) add('layout', ['layout', 'key'], 'layout', false);
  if (needsOutletHeight(job) && job.survey.tank.outletHeight === undefined)
    add('survey', ['survey', 'tank', 'outletHeight'], tankProperties.outletHeight.name, false);
  if (job.hanger && Object.keys(job.hanger).length > 0)
    group('hanger', ['hanger'], hangerProperties, job.hanger, false);
  for (const line of ['supply', 'return'] as const)
    job.run[line].forEach((component, i) => {
      for (const { key, property } of componentNeeds(component))
        add('run', ['run', line, i, key], property.name, blocksFlow(component, key), component);
    });
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

const isNeeded = (property: Property): boolean =>
  (property.type === 'quantity' || property.type === 'choice') && property.needed;

/** Boost is needed once the engine is known to be boosted, the ethanol share once it burns petrol. */
function briefNeeds({ brief }: Job): Record<string, Property> {
  const needs: Record<string, Property> = { ...briefProperties };
  if (brief.aspiration !== undefined && brief.aspiration !== 'natural')
    needs.boost = { ...briefProperties.boost, needed: true };
  if (brief.fuel === 'petrol') needs.ethanol = { ...briefProperties.ethanol, needed: true };
  return needs;
}

function needsOutletHeight(job: Job): boolean {
  return job.run.supply.some((c) => c.kind === 'pump' && c.place === 'external');
}

function componentNeeds(component: Component): { key: string; property: Property }[] {
  const held = component as unknown as Record<string, unknown>;
  const found = Object.entries(componentDefinitions[component.kind].properties as Record<string, Property>)
    .filter(([key, property]) => isNeeded(property) && held[key] === undefined)
    .map(([key, property]) => ({ key, property }));
  if (component.kind === 'pump') {
    const { tables, inletHeight } = componentDefinitions.pump.properties;
    if (!component.tables?.length) found.push({ key: 'tables', property: tables });
    if (component.place === 'external' && component.inletHeight === undefined)
      found.push({ key: 'inletHeight', property: inletHeight });
    const { targetPressure, sensorExpected, startsAtDemand, startsAtBoost } = componentDefinitions.pump.properties;
    if (component.drive === 'pwm' && component.targetPressure === undefined)
      found.push({ key: 'targetPressure', property: targetPressure });
    if (component.drive === 'pwm' && component.sensorExpected === undefined)
      found.push({ key: 'sensorExpected', property: sensorExpected });
    if (component.runs === 'onDemand' && component.startsAtDemand === undefined)
      found.push({ key: 'startsAtDemand', property: startsAtDemand });
    if (component.runs === 'onBoost' && component.startsAtBoost === undefined)
      found.push({ key: 'startsAtBoost', property: startsAtBoost });
  }
  return found;
}

/** Choices of material and place are judged by rules; only geometry and characteristics stop the flow computation. */
function blocksFlow(component: Component, key: string): boolean {
  switch (component.kind) {
    case 'tank':
    case 'sock':
    case 'rail':
    case 'carburettor':
      return false;
    case 'hose':
      return key !== 'construction';
    case 'hardLine':
      return key !== 'material';
    case 'pump':
      return ['tables', 'targetPressure', 'startsAtDemand', 'startsAtBoost'].includes(key);
    case 'filter':
    case 'pressureSensor':
      return false;
    case 'swirlPot':
      return key === 'baseHeight';
    case 'fitting':
    case 'regulator':
    case 'checkValve':
    case 'returnDrop':
      return true;
    default:
      return assertNever(component);
  }
}

/** Which line of the run holds a component. */
export const lineOf = (job: Job, id: string): Line | undefined =>
  job.run.supply.some((c) => c.id === id) ? 'supply' : job.run.return.some((c) => c.id === id) ? 'return' : undefined;

export const allComponents = (job: Job): Component[] => [...job.run.supply, ...job.run.return];
