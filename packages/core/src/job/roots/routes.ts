import { benderProperties } from '../bender.ts';
import { wayProperties } from '../../parts/place.ts';
import { defineRoot, type Named } from '../define-root.ts';
import { asWords, partIn, sayOfRow } from '../field-words.ts';
import {
  bentProperties,
  candidateProperties,
  copiedProperties,
  fastenerProperties,
  lineRouteProperties,
  pointProperties,
  routeLimits,
  routesProperties,
  routesSchema,
  sleeveProperties,
  waypointProperties,
  zoneProperties,
} from '../routes.ts';

const ends: Named = { a: { name: 'one end' }, b: { name: 'the other end' } };
const lists = {
  points: { one: 'point', fields: pointProperties, tab: 'map' },
  zones: { one: 'zone', fields: zoneProperties, also: { ...fastenerProperties, ...ends }, tab: 'map' },
  candidates: { one: 'place', fields: candidateProperties, also: { part: { name: 'part' } }, tab: 'places' },
} as const;

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
const own: Named = { ...routesProperties, ...routeLimits };

/** Where things are under the vehicle, and how lines go; absent until something is measured there. */
export const routes = defineRoot(routesSchema.optional(), {
  stage: 'routes',
  tab: 'clearances',
  name: 'routes',
  lists,
  groups: {
    '': {
      fields: {},
      special: {
        datum: { name: routesProperties.datum.name, tab: 'map' },
        tankFloor: { name: routesProperties.tankFloor.name, tab: 'map' },
        lines: { name: 'lines', tab: 'lines' },
        vent: { name: 'vent', tab: 'lines' },
      },
    },
  },
  // "zone 2, rises by", "Feed line, clipped there"
  say(job, [, key = '', id = '', ...rest], value) {
    const last = String(rest.at(-1) ?? '');
    if (key === 'lines' || key === 'vent') {
      const line = id === 'vent' ? 'vent' : id === '' ? 'lines' : (partIn(job, String(id)) ?? 'a line that is gone');
      const named = ofLine[last] ?? ofLine[String(id)];
      return [key === 'vent' ? 'vent' : line, named?.name ?? asWords(last)].filter(Boolean).join(', ');
    }
    const list = Object.hasOwn(lists, key) ? lists[key as keyof typeof lists] : undefined;
    if (list)
      return sayOfRow(
        list.one,
        { ...list.fields, ...('also' in list ? list.also : {}) },
        value?.[key as 'points'],
        id,
        rest,
      );
    return own[key]?.name ?? (key === '' ? 'routes' : asWords(key));
  },
});
