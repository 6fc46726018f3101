import { ownMaterialsSchema } from '../../ratings/material-fuel.ts';
import { assumptionProperties, assumptionsSchema } from '../assumption.ts';
import { briefProperties, briefSchema } from '../brief.ts';
import { bulkheadEndProperties, bulkheadSchema } from '../bulkhead.ts';
import { defineRoot, type Named } from '../define-root.ts';
import { asWords } from '../field-words.ts';
import { gaugeProperties, gaugeSchema } from '../gauge.ts';
import {
  bodyProperties,
  hangerPartProperties,
  hangerProperties,
  hangerSchema,
  platePortProperties,
  rodProperties,
  tubeProperties,
} from '../hanger.ts';
import { oldConnectionProperties } from '../old-connection.ts';
import { ownPointProperties, pointConditions, pointKeys, pointsSchema } from '../points.ts';
import { existingLineProperties, surveyProperties, surveySchema } from '../survey.ts';
import { baffleProperties, fillProperties, stationProperties, tankProperties, zoneProperties } from '../tank.ts';
import { ventProperties } from '../vent.ts';

/** Roots that are forms and lists, and need no words of their own. */
export const brief = defineRoot(briefSchema, {
  stage: 'brief',
  tab: 'engine',
  name: 'brief',
  groups: { '': { fields: briefProperties } },
});

export const assumptions = defineRoot(assumptionsSchema, {
  stage: 'brief',
  tab: 'conditions',
  name: 'assumptions',
  groups: { '': { fields: assumptionProperties } },
});

export const survey = defineRoot(surveySchema, {
  stage: 'survey',
  tab: 'heights',
  name: 'survey',
  groups: {
    '': { fields: surveyProperties },
    tank: {
      fields: tankProperties,
      special: {
        section: { name: 'traced section', tab: 'tank' },
        mesh: { name: 'mesh of the tank', tab: 'tank' },
        strapping: { name: 'strapping table or fills', tab: 'tank' },
      },
    },
    vent: { fields: ventProperties, tab: 'vent' },
  },
  lists: {
    lines: { one: 'factory line', fields: existingLineProperties },
    oldConnections: { one: 'old connection', fields: oldConnectionProperties, tab: 'old' },
    'tank/stations': { one: 'section', fields: stationProperties, tab: 'tank' },
    'tank/zones': { one: 'zone of the tank', fields: zoneProperties, tab: 'tank' },
    'tank/baffles': { one: 'baffle', fields: baffleProperties, tab: 'tank' },
    'tank/fills': { one: 'fill', fields: fillProperties, tab: 'tank' },
  },
});

/** Absent until the hanger is looked at. */
export const hanger = defineRoot(hangerSchema.optional(), {
  stage: 'hanger',
  tab: 'pickup',
  name: 'hanger',
  groups: { '': { fields: hangerProperties } },
  lists: {
    bodies: { one: 'pump body', fields: bodyProperties, tab: 'opening' },
    rods: { one: 'hanger tube', fields: rodProperties, tab: 'height' },
    parts: { one: 'part on the hanger', fields: hangerPartProperties, tab: 'opening' },
    ports: { one: 'port of the plate', fields: platePortProperties, tab: 'plate' },
    tubes: { one: 'tube', fields: tubeProperties, tab: 'pickup' },
  },
});

/** Absent until the gauge is looked at. */
export const gauge = defineRoot(gaugeSchema.optional(), {
  stage: 'gauge',
  tab: 'match',
  name: 'gauge',
  groups: { '': { fields: gaugeProperties, special: { sweep: { name: 'sweep', tab: 'sweep' } } } },
});

const conditions: Named = pointConditions;

/** Absent while every operating point is reckoned under the job's usual conditions. */
export const points = defineRoot(pointsSchema.optional(), {
  stage: 'run',
  tab: 'points',
  name: 'operating points',
  groups: Object.fromEntries(pointKeys.map((key) => [key, { fields: pointConditions }])),
  lists: { own: { one: 'operating point', fields: ownPointProperties } },
  say: (_job, [, id, ...rest]) =>
    id === undefined || id === 'own'
      ? undefined
      : [asWords(id), ...rest.map((key) => conditions[key]?.name ?? asWords(key))].join(', '),
});

/** Hose ends that go through one wall; absent until one is told of. */
export const bulkhead = defineRoot(bulkheadSchema.optional(), {
  stage: 'joints',
  tab: 'room',
  name: 'bulkhead',
  lists: { '': { one: 'hose end at the wall', fields: bulkheadEndProperties } },
});

/** What the shop knows better of materials than the table; absent until somebody says so. */
export const materials = defineRoot(ownMaterialsSchema.optional(), {
  stage: 'joints',
  tab: 'ratings',
  name: 'materials',
  say: (_job, [, material]) => `what the fuel does to ${asWords(material ?? 'materials')}`,
});
