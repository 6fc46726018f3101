import type { Measured } from '../../fields/measured.ts';
import { choice, quantity, TYPICAL } from '../../fields/property.ts';
import { litresPerHour, mm } from '../../units/quick.ts';
import { definePart, settled } from '../define-part.ts';
import { specification } from '../list-line.ts';

const properties = {
  volume: quantity('pot volume', 'volume', 'L', { minimum: 5e-5, maximum: 0.02, likely: [3e-4, 5e-3], needed: true }),
  baseHeight: quantity('height of its floor', 'length', 'mm', {
    tool: 'tape',
    minimum: -2,
    maximum: 3,
    needed: true,
    hint: 'Above the tank floor; negative below it.',
  }),
  potHeight: quantity('height of the pot itself', 'length', 'mm', {
    tool: 'tape',
    minimum: mm(30),
    maximum: 1,
    typical: { si: mm(200), source: TYPICAL },
  }),
  place: choice('stands', {
    under: 'under the floor',
    boot: 'in the boot',
    cabin: 'in the cabin',
    bay: 'in the engine bay',
  }),
  liftMargin: quantity('lift pump in hand over the draw', 'volumeFlow', 'L/h', {
    maximum: litresPerHour(500),
    typical: { si: litresPerHour(10), source: TYPICAL },
    hint: 'What must still run over at the worst moment.',
  }),
  secondsWanted: quantity('seconds it must last with the pickup dry', 'time', 's', {
    maximum: 600,
    typical: { si: 10, source: TYPICAL },
  }),
};

/** A small pot that the lift pump keeps full: the high-pressure pump draws from it while the tank's pickup is dry. */
export const swirlPot = definePart('swirlPot', 'Swirl pot', properties, {
  ports: () => ({
    lift: { name: 'lift inlet', use: 'in' },
    feed: { name: 'feed outlet', use: 'out' },
    overflow: { name: 'overflow', use: 'spill' },
  }),
  mayHave: (port) => (port === 'return' ? { name: 'return inlet', use: 'in' } : undefined),
  isVessel: true,
  isPot: true,
  blocks: (key) => key === 'baseHeight',
  buys: ({ volume }, say) => specification('swirl pot', volume && say('volume', volume.si)),
  symbol: () => 'swirlPot',
  /**
   * A pot stands full and open to the tank through its overflow. Where the lift pump brings less than is drawn the overflow's
   * flow comes out negative: air follows, the pot runs down.
   */
  lower: (part, site) => ({
    links: [],
    ties: site.ports.map((port) => [port, '.pot'] as const),
    heights: [['.pot', brimOf(part)]],
    tells: 'overflow',
  }),
});

/** Height of a pot's brim above the tank floor, m; a floor that is not known yet counts as the tank's. */
export const brimOf = ({ baseHeight, potHeight }: { baseHeight?: Measured; potHeight?: Measured }): number =>
  (baseHeight?.si ?? 0) + settled(properties.potHeight, potHeight);
