import { partName, type PartOf } from '../parts/kinds.ts';
import type { Wire } from '../harness/harness.ts';
import type { HarnessBuild } from './harness-build.ts';

type Pump = PartOf<'pump'>;

export type Given = Omit<Wire, 'id' | 'from' | 'to'>;
export const live: Given = { use: 'live', lies: 'bay', insulation: 'xlpe125', startEnd: 'ring', finishEnd: 'crimp' };
/** Cables that the vehicle has. */
export const factory: Given = { ...live, stands: 'kept' };
export const coil: Given = { use: 'coil', lies: 'cabin', insulation: 'pvc105', startEnd: 'crimp', finishEnd: 'crimp' };
export const keyed: Given = { ...coil, use: 'switched' };
export const long: Given = {
  use: 'pump',
  lies: 'underbody',
  insulation: 'xlpe125',
  startEnd: 'crimp',
  finishEnd: 'crimp',
};
const inside: Given = { ...long, lies: 'tank', insulation: 'fluoropolymer' };
export const earth: Given = { ...long, use: 'earth', finishEnd: 'ring' };
export const earthOfUnit: Given = { ...coil, use: 'earth', finishEnd: 'ring' };

/** From the far side of a relay or controller to the pump and back to earth. @param doubled - two conductors on two pins. */
export function pumpLegs(build: HarnessBuild, pump: Pump, from: string, to?: string, doubled = false): void {
  const two = doubled ? { conductors: 2 } : {};
  const name = partName(pump);
  const device = build.device('pumpLoad', { label: name, part: pump.id });
  const pins = doubled ? { pins: 2 } : {};
  const inTank = pump.place === 'inTank';
  const connector = (pole: string) =>
    build.device('connector', { label: `${name}, ${pole}`, ...pins, place: inTank ? 'bulkhead' : 'plain' });
  const plus = connector('feed pin');
  const minus = connector('earth pin');
  build.wire(from, `${plus}:in`, { ...long, ...two });
  build.wire(`${plus}:out`, `${device}:plus`, { ...(inTank ? inside : long), ...two });
  build.wire(`${device}:minus`, `${minus}:in`, {
    ...(inTank ? inside : { ...earth, finishEnd: 'crimp' as const }),
    use: 'earth',
    ...two,
  });
  if (to !== undefined) build.wire(`${minus}:out`, to, { ...earth, finishEnd: 'crimp', ...two });
  else {
    const point = build.device('earthPoint', { label: `Earth of ${name}`, on: 'body' });
    build.wire(`${minus}:out`, `${point}:point`, { ...earth, ...two });
  }
}

/** Battery, key, control unit and inertia switch, whose output feeds the coils. */
export function control(build: HarnessBuild): { battery: string; coilFeed: string; unit: string; key: string } {
  const battery = build.only('battery');
  build.only('alternator');
  const key = build.only('keySwitch');
  const unit = build.only('controlUnit', { output: 'earths' });
  const inertia = build.only('inertiaSwitch');
  const fuse = build.device('fuse', { label: 'Control fuse', rating: { si: 5, unit: 'A' } });
  const point = build.device('earthPoint', { label: 'Earth of the control unit', on: 'engine' });
  build.wire(`${battery}:plus`, `${key}:30`, factory);
  build.wire('alternator-1:plus', `${battery}:plus`, { ...factory, finishEnd: 'ring' });
  build.wire(`${key}:15`, `${fuse}:in`, keyed);
  build.wire(`${fuse}:out`, `${inertia}:in`, keyed);
  build.wire(`${fuse}:out`, `${unit}:feed`, keyed);
  build.wire(`${unit}:earth`, `${point}:point`, earthOfUnit);
  return { battery, coilFeed: `${inertia}:out`, unit, key };
}

export function fusedRelay(build: HarnessBuild, battery: string, name: string): string {
  const fuse = build.device('fuse', { label: `${name} fuse` });
  const relay = build.device('relay', { label: `${name} relay` });
  build.wire(`${battery}:plus`, `${fuse}:in`, live);
  build.wire(`${fuse}:out`, `${relay}:30`, { ...live, startEnd: 'crimp' });
  return relay;
}
