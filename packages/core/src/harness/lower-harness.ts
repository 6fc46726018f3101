import { EARTH, powerLaw, type CircuitElement, type LoadLaw } from './circuit.ts';
import { joinedTo } from './circuit-shape.ts';
import { cutOff } from './cut-off.ts';
import { DRIVING } from './cut-off-state.ts';
import { isDevice, kindOfDevice, type Device } from './devices/index.ts';
import { innerOhms } from './devices/sources.ts';
import type { Harness } from './harness.ts';
import { devicesOf, linksOf, ohmsOf, placeIn, placeOf, UNMEASURED, wiredPlaces, wiresOf } from './in-circuit.ts';

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

/** A pump's load about where it works: pumps draw about as much more as they get voltage. */
export const pumpLaw = (amps: number, volts: number): LoadLaw => powerLaw(amps, volts, 1);
/** What stands in for a pump until it is known what it draws. */
const SOME_PUMP = pumpLaw(1, 12);

/** The circuit as it drives, every pump in it; without what hangs on nothing, behind an open contact or a loose wire: nothing flows there. */
export function lowerHarness(harness: Harness, feed: Feed): CircuitElement[] {
  const elements: CircuitElement[] = [];
  const devices = devicesOf(harness);
  const wired = wiredPlaces(harness);
  const isWired = (device: Device, ends: readonly string[]) => ends.every((t) => wired.has(placeIn(device, t)));
  const hasAlternator = devices.some((d) => d.kind === 'alternator' && isWired(d, ['plus']));
  const { pulled } = cutOff(harness, DRIVING);
  for (const { id, device, link, a, b } of linksOf(harness)) {
    const { coil } = kindOfDevice(device);
    const pull = { isPulled: pulled.has(device.id), isCoilWired: coil !== undefined && isWired(device, coil) };
    if (!link.isClosed || link.isClosed(DRIVING, pull))
      elements.push({ id, a, b, law: { kind: 'resistor', ohms: link.ohms } });
  }
  for (const device of devices) {
    const kind = kindOfDevice(device);
    const at = (terminal: string) => placeIn(device, terminal);
    if (kind.source) {
      const [plus, minus] = kind.source;
      // the battery's negative is where voltages count from; an alternator's body is bolted to the engine
      elements.push({ id: `${device.id}/minus`, a: at(minus), b: EARTH, law: { kind: 'resistor', ohms: 0 } });
      const source = sourceUnder(device, feed, hasAlternator);
      if (source) {
        const inside = `${device.id}:.emf`;
        elements.push({ id: `${device.id}/emf`, a: inside, b: EARTH, law: { kind: 'source', volts: source.volts } });
        elements.push({
          id: `${device.id}/inner`,
          a: inside,
          b: at(plus),
          law: { kind: 'resistor', ohms: source.ohms },
        });
      }
    }
    const held = kind.holds?.(device);
    if (held && isWired(device, [held.plus]))
      elements.push({
        id: `${device.id}/holds`,
        a: at(held.plus),
        b: at(held.minus),
        law: { kind: 'source', volts: held.volts },
      });
    const drawn = kind.load?.(device);
    if (drawn?.part !== undefined || drawn?.amps)
      elements.push({
        id: `${device.id}/load`,
        a: at(drawn.from),
        b: at(drawn.to),
        law: drawn.part === undefined ? { kind: 'current', amps: drawn.amps! } : { kind: 'load', law: SOME_PUMP },
      });
  }
  for (const wire of wiresOf(harness))
    elements.push({
      id: wire.id,
      a: placeOf(wire.from),
      b: placeOf(wire.to),
      law: { kind: 'resistor', ohms: ohmsOf(wire) ?? UNMEASURED },
    });
  return joinedUp(elements);
}

/** What is joined to the battery's negative by more than what draws. */
export function joinedUp(elements: readonly CircuitElement[]): CircuitElement[] {
  const holds = elements.filter((e) => e.law.kind === 'source' || e.law.kind === 'resistor');
  const held = joinedTo(holds, [EARTH]);
  return elements.filter((e) => held.has(e.a) && held.has(e.b));
}
