import { zoneKinds } from '../../job/routes.ts';
import { sayMm, sayMoveCure, zoneName } from '../../routes/places-in-words.ts';
import { figure } from '../../units/quantity.ts';
import { quotedId } from '../../reckoning/reading.ts';
import type { Rule, SnagReport } from '../snag.ts';

/** Zones that burn, cut or pull a line apart; the others wear it through. */
const STOPS = new Set(['hot', 'axle', 'moving', 'belts', 'cabin']);

/** Lines nearer to something than they may be, at its full travel; and lines that touch one another or themselves. */
export const lineTooNear: Rule = {
  key: 'line-too-near',
  check: ({ job, routes }) =>
    routes.clearances
      .filter((c) => c.gap < c.least)
      .map((c): SnagReport => {
        const vent = c.line === 'vent';
        const name = vent ? 'The vent' : quotedId(job, c.line);
        const base = {
          ...(vent ? {} : { part: c.line }),
          stage: 'routes',
          figure: { label: 'between them', ...figure('length', Math.max(c.gap, 0)) },
          limit: { label: 'least', ...figure('length', c.least) },
          source: 'common practice; geometry',
        } as const;
        const where = `${sayMm(c.along)} along it`;
        if (!('zone' in c.to))
          return {
            ...base,
            grade: 'fix',
            which: 'line' in c.to ? `line ${c.to.line}` : 'itself',
            path: ['routes', 'lines', c.line, 'through'],
            what:
              'line' in c.to
                ? `${name} touches ${quotedId(job, c.to.line)}, ${where}.`
                : `${name} touches itself, ${where}.`,
            why: 'Lines that touch chafe through, more so where one of them moves.',
            cure: 'Lead one of them another way, or clip them together with a spacer.',
          };
        const id = c.to.zone;
        const zone = routes.zones.find((z) => z.id === id)!;
        const move = routes.moveCures[c.line];
        return {
          ...base,
          grade: STOPS.has(zone.kind) ? 'stop' : 'fix',
          which: `zone ${id}`,
          path: ['routes', 'zones', id, 'gap'],
          what:
            c.gap < 0
              ? `${name} runs through ${zoneName(routes, id)}, ${where}.`
              : `${name} is too near to ${zoneName(routes, id)}, ${where}.`,
          why: zoneKinds[zone.kind].why,
          cure: move
            ? sayMoveCure(move)
            : zone.kind === 'hot'
              ? 'Lead it further off, or put a shield between.'
              : 'Lead it another way.',
          ...(move ? { act: move.act, actLabel: 'Move it' } : {}),
        };
      }),
};
