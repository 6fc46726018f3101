import type { PumpCurve } from '../../hydraulics/pump-curve.ts';
import type { Measured } from '../../fields/measured.ts';
import { flag, quantity, TYPICAL } from '../../fields/property.ts';
import { monotoneCurve } from '../../numerics/curve.ts';
import { kPa, litresPerHour, psi, revolutionsPerMinute } from '../../units/quick.ts';
import { definePart, settled } from '../define-part.ts';
import { specification } from '../list-line.ts';
import type { Moment } from '../lower.ts';

const properties = {
  inletHeight: quantity('inlet height', 'length', 'mm', {
    tool: 'tape',
    minimum: -3,
    maximum: 3,
    needed: true,
    hint: 'Height of the pump’s inlet above the tank floor.',
  }),
  springPressure: quantity('pressure its spring makes', 'pressure', 'psi', {
    maximum: kPa(100),
    likely: [psi(3), psi(7)],
    typical: { si: psi(5), source: TYPICAL },
    hint: 'Measured with the outlet into a gauge: it climbs no higher.',
  }),
  freeFlow: quantity('free flow', 'volumeFlow', 'L/h', {
    minimum: litresPerHour(5),
    maximum: litresPerHour(400),
    likely: [litresPerHour(60), litresPerHour(130)],
    typical: { si: litresPerHour(100), source: TYPICAL },
    hint: 'Into a can at no pressure, at the speed below.',
  }),
  ratedSpeed: quantity('at an engine speed of', 'rotation', 'rpm', {
    minimum: revolutionsPerMinute(100),
    maximum: revolutionsPerMinute(12000),
    typical: { si: revolutionsPerMinute(2500), source: TYPICAL },
  }),
  suctionLift: quantity('lifts fuel by itself', 'length', 'mm', {
    tool: 'tape',
    maximum: 3,
    likely: [0.3, 1.5],
    typical: { si: 1, source: 'common practice' },
  }),
  reversed: flag('arrow points against the flow'),
};

const VALVES = 2e3 / litresPerHour(100); // Pa s/m3 forward through the valves of one that stands, typical, from memory

/** A carburettor pump that the engine drives: its spring limits the pressure, its stroke the flow. */
export const enginePump = definePart('enginePump', 'Engine-driven pump', properties, {
  ports: () => ({ in: { name: 'inlet', use: 'in' }, out: { name: 'outlet', use: 'out' } }),
  blocks: () => false,
  buys: ({ springPressure }, say) =>
    specification('engine-driven pump', springPressure && say('pressure', springPressure.si)),
  symbol: () => 'enginePump',
  deadHead: (part) => ({ rise: springOf(part), beyondTable: false, relieved: true }),
  holdsBack: () => true, // its valves
  standsOutside: () => true,
  lower(part) {
    const { id } = part;
    const curve = (moment: Moment) => enginePumpCurve(part, moment.point.speed);
    return {
      links: [
        {
          id,
          from: 'in',
          to: 'out',
          law: (moment) => {
            const running = curve(moment);
            return running
              ? { kind: 'pump', rise: running.rise, inletMinimum: moment.boilingAt?.(id) }
              : { kind: 'porous', linear: VALVES, quadratic: 0 };
          },
          checkValve: true,
        },
      ],
      through: id,
      heights: [
        ['in', part.inletHeight?.si],
        ['out', part.inletHeight?.si],
      ],
      pump: { link: id, curve },
    };
  },
});

interface EnginePumpFacts {
  readonly springPressure?: Measured;
  readonly freeFlow?: Measured;
  readonly ratedSpeed?: Measured;
}

/** Flow goes with speed, pressure with the spring: the shape between is typical, from memory. @param speed - rev/s. */
export function enginePumpCurve(part: EnginePumpFacts, speed: number): PumpCurve | undefined {
  if (!(speed > 0)) return undefined;
  const spring = springOf(part);
  const free = settled(properties.freeFlow, part.freeFlow) * (speed / settled(properties.ratedSpeed, part.ratedSpeed));
  const rise = monotoneCurve([
    [0, spring],
    [0.7 * free, 0.8 * spring],
    [free, 0],
  ]);
  return {
    rise,
    current: () => undefined, // no wires
    extrapolated: false,
    deadHead: spring,
    deadHeadBeyondTable: false,
    tableFlow: free,
  };
}

/** The most that it makes, Pa. */
export const springOf = ({ springPressure }: Pick<EnginePumpFacts, 'springPressure'>): number =>
  settled(properties.springPressure, springPressure);

/** How high it lifts fuel by itself, m. */
export const liftOf = ({ suctionLift }: { suctionLift?: Measured }): number =>
  settled(properties.suctionLift, suctionLift);
