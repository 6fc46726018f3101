import {
  heldHose,
  nearestSize,
  usual,
  usualByBore,
  usualHose,
  type Meets,
  type UsualPort,
} from '../fittings/usual-port.ts';
import { mm } from '../units/quick.ts';
import type { Part, PartKind, PartOf } from './kinds.ts';

type Usual<K extends PartKind> = (part: PartOf<K>, port: string, meets: Meets) => UsualPort;

/** A light body with 37° ends, as wide as it is bored. */
const flared = ({ bore }: { readonly bore?: { readonly si: number } }, _port: string, meets: Meets): UsualPort =>
  heldHose(meets, 'barb', usualByBore('flare37', bore?.si, '−6'));
/** What is screwed onto a port: an instrument, a damper, a service valve. */
const instrument = (): UsualPort => usual('npt', '1/8');

const WIDE_RAIL = mm(9); // rails bored wider are usually tapped −8, common practice

/**
 * How the ports of each kind of part usually are, until somebody looks at them: common practice. Apart from the kinds themselves,
 * since a page that only shows a run needs none of the sizes. A kind that is not named has a light body with 37° ends.
 */
const usualPorts: { readonly [K in PartKind]?: Usual<K> } = {
  tank(_part, port, meets) {
    if (meets.isInTank) return 'fuel';
    const isWide = port.startsWith('vent') || port.startsWith('overflow');
    return heldHose(meets, 'bead', usual('flare37', isWide ? '−8' : '−6'));
  },
  sock: (_part, port) => (port === 'out' ? usual('neck', '11 mm', 'female') : 'fuel'),
  pump({ place }, port, meets) {
    // a strainer pushes onto the inlet of a pump in the tank, hose goes over what stands elsewhere
    if (place === 'inTank')
      return heldHose(meets, 'barb', port === 'in' && meets.isInTank ? usual('neck', '11 mm') : usual('barb', '5/16'));
    return heldHose(meets, 'barb', usual('metricBanjo', port === 'in' ? 'M18×1.5' : 'M12×1.5', 'female'));
  },
  enginePump: (_part, _port, meets) => heldHose(meets, 'barb', usual('npt', '1/4', 'female')),
  hose({ bore, construction }, _port, { clamp }) {
    const hasEnds = construction === 'ptfe' || construction === 'braidedRubber';
    const held = clamp === 'hoseEnds' || ((clamp === 'crimped' || clamp === undefined) && hasEnds);
    return usualHose(bore?.si, !held ? 'clamped' : construction === 'ptfe' ? 'ptfe' : 'rubber');
  },
  hardLine: ({ outsideDiameter }) =>
    usual('tube', outsideDiameter === undefined ? '3/8' : nearestSize('tube', 'nominal', outsideDiameter.si)),
  fitting({ shape, bore }, port, meets) {
    if (shape === 'quickConnector') return heldHose(meets, 'barb', usualByBore('quickConnector', bore?.si, '5/16'));
    if (shape === 'banjo') return heldHose(meets, 'barb', usualByBore('metricBanjo', bore?.si, 'M14×1.5'));
    return flared({ ...(bore ? { bore } : {}) }, port, meets);
  },
  bend: ({ bore }, _port, meets) => heldHose(meets, 'bead', usualByBore('tube', bore?.si, '3/8')),
  block: ({ bore }, _port, meets) => heldHose(meets, 'barb', usualByBore('oRingBoss', bore?.si, '−6', 'female')),
  filter: (_part, _port, meets) => heldHose(meets, 'bead', usual('oRingBoss', '−6', 'female')),
  rail({ bore }, port, meets) {
    if (port.startsWith('side')) return heldHose(meets, 'bead', usual('npt', '1/8', 'female'));
    return heldHose(meets, 'bead', usual('oRingBoss', (bore?.si ?? mm(11)) > WIDE_RAIL ? '−8' : '−6', 'female'));
  },
  carburettor: (_part, _port, meets) => heldHose(meets, 'barb', usual('flare37', '−6')),
  regulator(_part, port, meets) {
    if (port === 'reference') return usual('barb', '3/16');
    if (port === 'gauge') return usual('npt', '1/8', 'female');
    return heldHose(meets, 'barb', usual('oRingBoss', '−6', 'female'));
  },
  filterRegulator(_part, port, meets) {
    if (port === 'reference') return usual('barb', '3/16');
    return heldHose(meets, 'bead', usual('quickConnector', port === 'return' ? '5/16' : '3/8'));
  },
  returnDrop: ({ bore }, port, meets) =>
    port === 'out' ? 'fuel' : heldHose(meets, 'bead', usualByBore('flare37', bore?.si, '−6')),
  swirlPot: (_part, port, meets) => heldHose(meets, 'bead', usual('flare37', port === 'feed' ? '−8' : '−6')),
  pressureSensor: instrument,
  gauge: instrument,
  ethanolSensor: (_part, _port, meets) => heldHose(meets, 'bead', usual('quickConnector', '3/8')),
  damper: instrument,
  servicePoint: instrument,
};

/** How a port of a part usually is where it stands. */
export const usualPortOf = (part: Part, port: string, meets: Meets): UsualPort =>
  ((usualPorts[part.kind] ?? flared) as Usual<PartKind>)(part, port, meets);
