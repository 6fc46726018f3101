import { definePart } from '../define-part.ts';
import { specification } from '../list-line.ts';
import type { PortSpec } from '../port.ts';
import { regulatorLaw, regulatorWords } from './regulator-law.ts';
import { regulatorProperties } from './regulator-properties.ts';

const gauge: PortSpec = { name: 'gauge port', use: 'tap' };
const reference: PortSpec = { name: 'manifold reference', use: 'dry' };

/** A plain regulator: a bypass one spills, and its two inlets are one chamber; a dead-head one blocks. */
export const regulator = definePart('regulator', 'Regulator', regulatorProperties, {
  ports: ({ action }): Record<string, PortSpec> =>
    action === 'deadHead'
      ? { in: { name: 'inlet', use: 'either' }, out: { name: 'outlet', use: 'either' } }
      : { in: { name: 'inlet', use: 'either' }, return: { name: 'return port', use: 'spill' } },
  mayHave: (port) =>
    port === 'out'
      ? { name: 'second inlet', use: 'either' }
      : port === 'return'
        ? { name: 'return port', use: 'spill' }
        : port === 'gauge'
          ? gauge
          : port === 'reference'
            ? reference
            : undefined,
  blocks: () => true,
  buys: (part, say) => specification(...regulatorWords(part, say)),
  symbol: ({ action }) => (action === 'bypass' ? 'bypassRegulator' : 'deadHeadRegulator'),
  lower(part, site) {
    const { id } = part;
    const law = regulatorLaw(part);
    if (part.action === 'deadHead')
      return {
        links: [{ id, from: 'in', to: 'out', law }],
        ties: site.ports.filter((port) => port === 'gauge').map((port) => [port, 'out'] as const),
        through: id,
      };
    return {
      links: site.isMated('return') ? [{ id, from: '.body', to: 'return', law }] : [],
      ties: site.ports.filter((p) => p !== 'return' && p !== 'reference').map((port) => [port, '.body'] as const),
      through: id,
      spill: id,
    };
  },
});
