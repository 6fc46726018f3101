import { gaugeArea } from '../units/wire-gauge.ts';
import { aroundOf } from './ampacity.ts';
import { EARTH, type CircuitElement, type LoadLaw } from './circuit.ts';
import { joinedTo } from './circuit-shape.ts';
import type { CutOffState } from './cut-off-state.ts';
import { isDevice, kindOfDevice, type Device } from './devices/index.ts';
import { innerOhms } from './devices/sources.ts';
import type { Harness, Wire, WireEnd } from './harness.ts';
import { WARMER_BY } from './wire-kinds.ts';
import { wireResistance } from './wire.ts';

/** A terminal as a place of the circuit. */
export const placeOf = ({ device, terminal }: WireEnd): string => `${device}:${terminal}`;

/** A device's terminal likewise; the far side of an earth point is the battery's negative. */
export const placeIn = (device: Device, terminal: string): string =>
  device.kind === 'earthPoint' && terminal === 'earth' ? EARTH : `${device.id}:${terminal}`;

/** K of a wire's copper under load. */
export const temperatureOf = (wire: Wire): number => aroundOf(wire) + WARMER_BY;

/** Ohm of a wire, its conductors side by side; undefined while gauge or length is unknown. One of no length has none. */
export function ohmsOf(wire: Wire): number | undefined {
  if (wire.length?.si === 0) return 0;
  if (!wire.area || !wire.length) return undefined;
  return wireResistance(wire.area.si, wire.length.si, temperatureOf(wire)) / Math.max(1, wire.conductors ?? 1);
}

/** Ohm that a wire is taken for which nobody has measured, so that a circuit half drawn has its logic: 100 mm of 8 AWG. */
const UNMEASURED = wireResistance(gaugeArea(8), 0.1, aroundOf({}) + WARMER_BY);

/** What of a harness is in the circuit: what is taken out is not. */
export const devicesOf = ({ devices = [] }: Harness): readonly Device[] => devices.filter((d) => d.stands !== 'out');
export const wiresOf = (harness: Harness): readonly (Wire & { from: WireEnd; to: WireEnd })[] => {
  const known = new Map(devicesOf(harness).map((d) => [d.id, d]));
  const isThere = (end: WireEnd | undefined) => {
    const device = end && known.get(end.device);
    return device !== undefined && end!.terminal in kindOfDevice(device).terminals(device);
  };
  return (harness.wires ?? []).filter((w): w is Wire & { from: WireEnd; to: WireEnd } => w.stands !== 'out' && isThere(w.from) && isThere(w.to)); // prettier-ignore
};

/** How the circuit is fed: by a battery at rest, by one that turns the engine over, or by what the engine drives. */
export interface Feed {
  readonly by: 'resting' | 'cranking' | 'running';
  /** V at the posts of what feeds; at rest, with nothing drawn. */
  readonly volts: number;
}

/** V and ohm of a source under a feed; undefined: it feeds nothing then. */
function sourceUnder(device: Device, feed: Feed, hasAlternator: boolean): { volts: number; ohms: number } | undefined {
  if (isDevice(device, 'battery')) {
    if (feed.by === 'running' && hasAlternator) return undefined;
    return { volts: feed.volts, ohms: feed.by === 'resting' ? innerOhms(device) : 0 };
  }
  return device.kind === 'alternator' && feed.by === 'running' ? { volts: feed.volts, ohms: 0 } : undefined;
}

export interface Lowering {
  readonly state: CutOffState;
  readonly pulled: ReadonlySet<string>;
  /** Undefined: no source is in it, for what only asks what is joined. */
  readonly feed?: Feed;
  /** What a pump draws at its voltage; undefined: nothing. */
  readonly loadOf?: (part: string) => LoadLaw | undefined;
}

/** Id of a device's link, as a circuit's element. */
export const linkId = (device: string, link: number): string => `${device}/${link}`;

/** The circuit at a state of key, engine and switches; all of it, also what hangs on nothing. */
export function lowerHarness(harness: Harness, { state, pulled, feed, loadOf }: Lowering): CircuitElement[] {
  const elements: CircuitElement[] = [];
  const devices = devicesOf(harness);
  const wires = wiresOf(harness);
  const wired = new Set(wires.flatMap((w) => [placeOf(w.from), placeOf(w.to)]));
  const isWired = (device: Device, ends: readonly string[]) => ends.every((t) => wired.has(`${device.id}:${t}`));
  const hasAlternator = devices.some((d) => d.kind === 'alternator' && isWired(d, ['plus']));
  for (const device of devices) {
    const kind = kindOfDevice(device);
    const at = (terminal: string) => placeIn(device, terminal);
    const pull = {
      isPulled: pulled.has(device.id),
      isCoilWired: kind.coil !== undefined && isWired(device, kind.coil),
    };
    kind.links(device).forEach((link, i) => {
      if (link.isClosed && !link.isClosed(state, pull)) return;
      elements.push({ id: linkId(device.id, i), a: at(link.from), b: at(link.to), law: { kind: 'resistor', ohms: link.ohms } }); // prettier-ignore
    });
    if (kind.source) {
      const [plus, minus] = kind.source;
      // the battery's negative is where voltages count from; an alternator's body is bolted to the engine
      elements.push({ id: `${device.id}/minus`, a: at(minus), b: EARTH, law: { kind: 'resistor', ohms: 0 } });
      const source = feed && sourceUnder(device, feed, hasAlternator);
      if (source) {
        const inside = `${device.id}:.emf`;
        elements.push({ id: `${device.id}/emf`, a: inside, b: EARTH, law: { kind: 'source', volts: source.volts } });
        elements.push({ id: `${device.id}/inner`, a: inside, b: at(plus), law: { kind: 'resistor', ohms: source.ohms } }); // prettier-ignore
      }
    }
    const held = feed && kind.holds?.(device);
    if (held && isWired(device, [held.plus])) {
      elements.push({ id: `${device.id}/holds`, a: at(held.plus), b: at(held.minus), law: { kind: 'source', volts: held.volts } }); // prettier-ignore
    }
    const load = kind.load?.(device);
    if (load) {
      const law = load.part === undefined ? undefined : loadOf?.(load.part);
      if (law) elements.push({ id: `${device.id}/load`, a: at(load.from), b: at(load.to), law: { kind: 'load', law } });
      if (load.amps && feed) elements.push({ id: `${device.id}/load`, a: at(load.from), b: at(load.to), law: { kind: 'current', amps: load.amps } }); // prettier-ignore
    }
  }
  for (const wire of wires)
    elements.push({ id: wire.id, a: placeOf(wire.from), b: placeOf(wire.to), law: { kind: 'resistor', ohms: ohmsOf(wire) ?? UNMEASURED } }); // prettier-ignore
  return elements;
}

/** Without what hangs on nothing: behind an open contact, a loose wire. Nothing flows there. */
export function joinedUp(elements: readonly CircuitElement[]): CircuitElement[] {
  const holds = elements.filter((e) => e.law.kind === 'source' || e.law.kind === 'resistor');
  const held = joinedTo(holds, [EARTH]);
  return elements.filter((e) => held.has(e.a) && held.has(e.b));
}
