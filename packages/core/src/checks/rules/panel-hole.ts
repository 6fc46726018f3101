import { routeLimit } from '../../job/routes.ts';
import type { PanelHole } from '../../routes/panels.ts';
import { sayMm, zoneName } from '../../routes/places-in-words.ts';
import { figure } from '../../units/quantity.ts';
import { quotedId } from '../../reckoning/reading.ts';
import type { Rule, SnagReport } from '../snag.ts';

/** Holes that would be drilled into a fastener on either side of a panel, and holes without a grommet. */
export const panelHoleRule: Rule = {
  key: 'panel-hole',
  check: ({ job, routes }) => {
    const keepOff = routeLimit(job.routes, 'fastenerGap');
    return routes.holes.flatMap((hole): SnagReport[] => {
      const isVent = hole.line === 'vent';
      const line = isVent ? 'The vent' : quotedId(job, hole.line);
      const base = { ...(isVent ? {} : { part: hole.line }), stage: 'routes', source: 'common practice' } as const;
      const panel = zoneName(routes, hole.panel);
      const found: SnagReport[] = [];
      if (hole.nearest && hole.nearest.gap < keepOff) {
        const { fastener, isBehind, gap } = hole.nearest;
        const row = routes.zones.find((z) => z.id === hole.panel)?.fasteners.find((f) => f.id === fastener);
        found.push({
          ...base,
          grade: 'stop',
          which: `fastener ${hole.panel}`,
          path: ['routes', 'zones', hole.panel, 'fasteners'],
          what: `The hole for ${line} through ${panel} meets “${row?.label ?? 'a fastener'}”${isBehind ? ' on its far side' : ''}.`,
          figure: { label: 'from edge to edge', ...figure('length', Math.max(gap, 0)) },
          limit: { label: 'least', ...figure('length', keepOff) },
          why: 'A drill that comes out at a bolt, a belt anchorage or a loom ruins it, and nobody sees it from this side.',
          cure: safePlace(hole),
        });
      }
      if (!isVent && job.routes?.lines?.[hole.line]?.grommet !== true)
        found.push({
          ...base,
          grade: 'fix',
          which: `grommet ${hole.panel}`,
          path: ['routes', 'lines', hole.line, 'grommet'],
          what: `${line} goes through ${panel} without a grommet.`,
          figure: { label: 'hole', ...figure('length', hole.diameter) },
          why: 'The edge of the hole saws through the line.',
          cure: 'Put a grommet in the hole.',
          act: { act: 'set', path: ['routes', 'lines', hole.line, 'grommet'], value: true },
          actLabel: 'A grommet goes in',
        });
      return found;
    });
  },
};

/** The nearest place level with a hole where it is clear of every fastener on both sides. */
function safePlace({ at, axis, safe }: PanelHole): string {
  const here = at[axis];
  const ways = safe.map(([from, to]) => (here < from ? from - here : here > to ? to - here : 0));
  const least = ways.reduce<number | undefined>(
    (a, b) => (a !== undefined && Math.abs(a) <= Math.abs(b) ? a : b),
    undefined,
  );
  if (least === undefined) return 'Drill at another height: level with it no place of the panel is clear.';
  const towards = axis === 0 ? (least > 0 ? 'rearward' : 'forward') : least > 0 ? 'to the left' : 'to the right';
  return `Drill ${sayMm(Math.abs(least))} further ${towards}, where both sides are clear.`;
}
