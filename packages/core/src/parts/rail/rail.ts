import { SHARP_ENTRANCE } from '../../hydraulics/loss-coefficient.ts';
import { count, quantity, TYPICAL } from '../../fields/property.ts';
import { DRAWN_TUBE_ROUGHNESS } from '../../ratings/line-material.ts';
import { mm } from '../../units/quick.ts';
import { definePart, numbered, settled } from '../define-part.ts';
import { lineLaw } from '../line-loss.ts';
import type { LoweredLink } from '../lower.ts';

const properties = {
  injectors: count('number of injectors', 16),
  bore: quantity('rail bore', 'length', 'mm', {
    tool: 'calipers',
    minimum: mm(3),
    maximum: mm(60),
    typical: { si: mm(11), source: TYPICAL },
  }),
  maximumPressure: quantity('maximum pressure', 'pressure', 'kPa', {
    maximum: 1e7,
    hint: 'If it or its dampers state one.',
  }),
  length: quantity('rail length', 'length', 'mm', {
    tool: 'tape',
    minimum: mm(20),
    maximum: 2,
    typical: { si: mm(400), source: TYPICAL },
  }),
};

const MOST_NODES = 8; // more injectors share places: the loss along a rail is small

/** One fuel rail. Side ports meet it at the injector nearest its middle. */
export const rail = definePart('rail', 'Fuel rail', properties, {
  ports: () => ({ in: { name: 'first end', use: 'either' }, out: { name: 'second end', use: 'either' } }),
  mayHave: numbered('side', { name: 'side port', use: 'either' }),
  blocks: () => false,
  bore: ({ bore }) => settled(properties.bore, bore),
  length: ({ length }) => settled(properties.length, length),
  buys: () => undefined, // the engine's own
  symbol: () => 'rail',
  meters: 'injectors',
  lower(part, site) {
    const { id } = part;
    const bore = settled(properties.bore, part.bore);
    const each = Math.min(site.injectors, MOST_NODES) || 1;
    const length = settled(properties.length, part.length) / (each + 1);
    const inner = (i: number) => `.${i}`;
    const link = (i: number, from: string, to: string, k: number): LoweredLink => ({
      id: `${id}:${i}`,
      from,
      to,
      law: lineLaw(length, bore, DRAWN_TUBE_ROUGHNESS, { k1: 0, kInfinity: k }),
    });
    const links: LoweredLink[] = [];
    const ties: [string, string][] = [];
    const entrance = (port: string) => (site.flowsIn(port) ? SHARP_ENTRANCE : 0);
    if (site.isMated('in')) links.push(link(0, 'in', inner(1), entrance('in')));
    else ties.push(['in', inner(1)]);
    for (let i = 1; i < each; i++) links.push(link(i, inner(i), inner(i + 1), 0));
    if (site.isMated('out')) links.push(link(each, inner(each), 'out', entrance('out')));
    else ties.push(['out', inner(each)]);
    const middle = inner(Math.ceil(each / 2));
    for (const port of site.ports) if (port !== 'in' && port !== 'out') ties.push([port, middle]);
    const injectors = Array.from({ length: each }, (_, i) => inner(i + 1));
    return {
      links,
      ties,
      heights: ['in', ...injectors, 'out'].map((place) => [place, site.railHeight] as const),
      through: site.isMated('in') && site.flowsIn('in') ? `${id}:0` : undefined,
      bore,
      draws: injectors,
    };
  },
});
