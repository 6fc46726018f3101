import { dischargeCoefficient } from '../../hydraulics/orifice.ts';
import { choice } from '../../fields/property.ts';
import { DRAWN_TUBE_ROUGHNESS } from '../../ratings/line-material.ts';
import { definePart, numbered } from '../define-part.ts';
import { lineLaw } from '../line-loss.ts';
import { SURFACE, type LoweredLink, type MomentPoint } from '../lower.ts';
import type { PortSpec } from '../port.ts';

/** The link of a siphon jet at the end of the return. */
export const JET = 'siphonJet';

const kinds: ((port: string) => PortSpec | undefined)[] = [
  numbered('pickup', { name: 'pickup', use: 'out' }),
  numbered('return', { name: 'return', use: 'in' }),
  numbered('overflow', { name: 'overflow', use: 'in' }),
  numbered('drain', { name: 'drain', use: 'tap' }),
  numbered('vent', { name: 'vent', use: 'dry' }),
];

/** The tank, as the start of the run and the end of its return. Its measurements are in the survey. */
export const tank = definePart(
  'tank',
  'Tank',
  {
    pickup: choice('fuel leaves by', {
      hanger: 'the pump hanger',
      bottomOutlet: 'a bottom or side outlet',
      tube: 'a pickup tube from above',
    }),
  },
  {
    ports: () => ({}),
    mayHave: (port) => kinds.map((kind) => kind(port)).find((spec) => spec !== undefined),
    isVessel: true,
    blocks: () => false,
    buys: () => undefined, // the vehicle's own
    symbol: () => 'tank',
    lower(part, site) {
      const links: LoweredLink[] = [];
      const ties: [string, string][] = [];
      const open: { place: string; height: (at: MomentPoint) => number }[] = [];
      for (const port of site.ports) {
        if (!port.startsWith('return-') && !port.startsWith('overflow-')) {
          ties.push([port, SURFACE]);
          continue;
        }
        // what ends above the fuel falls through the vapour space: its end is at tank pressure at its own height
        const end = site.endHeight(port) ?? 0;
        const depth = site.tankDepth ?? 0;
        const place = `.${port}`;
        open.push({ place, height: ({ point }) => Math.max(depth * point.level, end) });
        if (port === 'return-1' && site.jet) {
          const loss = { k1: 0, kInfinity: 1 / dischargeCoefficient[site.jet.edge] ** 2 };
          links.push({ id: JET, from: port, to: place, law: lineLaw(0, site.jet.drill, DRAWN_TUBE_ROUGHNESS, loss) });
        } else ties.push([port, place]);
      }
      return { links, ties, open };
    },
  },
);
