import { onceFor } from '../reckoning/once-for.ts';
import { powerLaw, type CircuitElement, type CircuitFault, type SolvedCircuit } from './circuit.ts';
import { cutOff } from './cut-off.ts';
import { DRIVING } from './cut-off-state.ts';
import { deviceName, kindOfDevice, type Device } from './devices/index.ts';
import type { Harness } from './harness.ts';
import { devicesOf, joinedUp, linkId, lowerHarness, ohmsOf, wiresOf, type Feed } from './lower-harness.ts';
import { solveCircuit } from './solve-circuit.ts';
import { success, type Result } from '../result.ts';

/** A pump as it hangs in the circuit. */
export interface PumpPort {
  /** The part of the run. */
  readonly part: string;
  readonly device: string;
  /** What one ampere that it draws sends through wires and contacts, by wire and by device's link. Signed as elements are. */
  readonly shares: ReadonlyMap<string, number>;
  /** Wires on its way that nobody has measured: then its voltage is not reckoned. */
  readonly unmeasured: readonly string[];
}

/**
 * What the circuit is to its pumps: a source behind resistances that they may share (Thévenin's equivalent with as many ports as
 * there are pumps). Contacts as when it drives.
 */
export interface PumpFeeds {
  readonly ports: readonly PumpPort[];
  /** V at a pump with no pump drawing. @param part - of the run. */
  readonly open: (part: string, feed: Feed) => number;
  /** V that pump a loses for each A that pump b draws. */
  readonly ohms: (a: string, b: string, by: Feed['by']) => number;
  /** The whole circuit with its pumps at work, each drawing so many A: by superposition, for it is linear then. */
  readonly at: (feed: Feed, drawn: ReadonlyMap<string, { readonly amps: number }>) => SolvedCircuit;
}

interface PumpPlace {
  readonly device: string;
  readonly part: string;
  readonly a: string;
  readonly b: string;
}
const loads = (devices: readonly Device[]): PumpPlace[] =>
  devices.flatMap((device) => {
    const load = kindOfDevice(device).load?.(device);
    return load?.part === undefined ? [] : [{ device: device.id, part: load.part, a: `${device.id}:${load.from}`, b: `${device.id}:${load.to}` }]; // prettier-ignore
  });

/** Relays that pull while it drives. */
export const pulledWhenDriving = /* @__PURE__ */ onceFor((harness: Harness) => cutOff(harness, DRIVING).pulled);

/** V at which the circuit is tried out: a short shows there. */
const TRIED = 12;

/** The feeds of a harness; a fault where the circuit has no answer. */
export const pumpFeeds = /* @__PURE__ */ onceFor((harness: Harness): Result<PumpFeeds, CircuitFault> => {
  const all = loads(devicesOf(harness));
  const across = ({ volts }: SolvedCircuit, part: string): number => {
    const load = all.find((l) => l.part === part)!;
    return (volts.get(load.a) ?? 0) - (volts.get(load.b) ?? 0);
  };
  const found = new Map<Feed['by'], Result<Ports, CircuitFault>>();
  const ports = (by: Feed['by']): Result<Ports, CircuitFault> => {
    if (!found.has(by)) found.set(by, portsUnder(harness, by, all));
    return found.get(by)!;
  };
  const running = ports('running');
  if (!running.ok) return running;
  const under = (by: Feed['by']): Ports => {
    const there = ports(by);
    return there.ok ? there.value : running.value;
  };
  const unread = wiresOf(harness).filter((w) => ohmsOf(w) === undefined);
  const isThrough = (amps: number | undefined) => Math.abs(amps ?? 0) > 1e-9;
  return success({
    ports: [...running.value.unit].map(
      ([
        part,
        {
          way: { amps },
        },
      ]) => ({
        part,
        device: all.find((l) => l.part === part)!.device,
        shares: amps,
        unmeasured: unread.filter((w) => isThrough(amps.get(w.id))).map((w) => w.id),
      }),
    ),
    open: (part, { by, volts }) => {
      const { idle, dead } = under(by);
      const [offset, at] = [across(dead, part), across(idle, part)];
      return offset + ((at - offset) * volts) / TRIED;
    },
    ohms: (a, b, by) => {
      const one = under(by).unit.get(b);
      return one ? -across(one.all, a) : 0;
    },
    at: ({ by, volts }, drawn) => {
      const { idle, dead, unit } = under(by);
      const rising = volts / TRIED;
      const sum = (of: (c: SolvedCircuit) => ReadonlyMap<string, number>): Map<string, number> => {
        const total = new Map([...of(idle)].map(([key, v]) => { const off = of(dead).get(key) ?? 0; return [key, off + (v - off) * rising]; })); // prettier-ignore
        for (const [part, { amps }] of drawn)
          for (const [key, v] of unit.get(part) ? of(unit.get(part)!.all) : []) total.set(key, (total.get(key) ?? 0) + amps * v); // prettier-ignore
        return total;
      };
      return { volts: sum((c) => c.volts), amps: sum((c) => c.amps) };
    },
  });
});

function portsUnder(harness: Harness, by: Feed['by'], all: readonly PumpPlace[]): Result<Ports, CircuitFault> {
  const at = (volts: number) => joinedUp(lowerHarness(harness, { state: DRIVING, pulled: pulledWhenDriving(harness), feed: { by, volts } })); // prettier-ignore
  const elements = at(TRIED);
  if (elements.length === 0) return success({ idle: NOTHING, dead: NOTHING, unit: new Map() });
  const idle = solveCircuit(elements);
  if (!idle.ok) return idle;
  // with nothing but the source in it there is nothing left when that is off
  const isFedOtherwise = elements.some((e) => e.law.kind === 'current' || e.id.endsWith('/holds'));
  const dead = isFedOtherwise ? solveCircuit(at(0)) : success(NOTHING);
  if (!dead.ok) return dead;
  const still = elements.map(withoutSources).filter((e) => e !== undefined);
  const draws = drawsOf(harness);
  // what a coil beside the pump takes of its current is no part of its way
  const passing = joinedUp(still.filter((e) => !draws.has(e.id)));
  const places = new Set(elements.flatMap((e) => [e.a, e.b]));
  const unit = new Map<string, Unit>();
  for (const load of all) {
    if (!places.has(load.a) || !places.has(load.b) || unit.has(load.part)) continue;
    const drawn: CircuitElement = {
      id: `${load.device}/load`,
      a: load.a,
      b: load.b,
      law: { kind: 'current', amps: 1 },
    };
    const one = solveCircuit([...still, drawn]);
    // the way is the same whatever feeds it
    const way = by === 'running' ? solveCircuit([...passing, drawn]) : one;
    if (one.ok && way.ok) unit.set(load.part, { all: one.value, way: way.value });
  }
  return success({ idle: idle.value, dead: dead.value, unit });
}
const NOTHING: SolvedCircuit = { volts: new Map(), amps: new Map() };

/** The circuit without pumps at 12 V and at none, and with one ampere at each pump alone. */
interface Ports {
  readonly idle: SolvedCircuit;
  readonly dead: SolvedCircuit;
  readonly unit: ReadonlyMap<string, Unit>;
}
/** One ampere at a pump: through everything, and through what passes current on alone. */
interface Unit {
  readonly all: SolvedCircuit;
  readonly way: SolvedCircuit;
}

/** Links that draw current rather than pass it on. */
export const drawsOf = /* @__PURE__ */ onceFor(
  (harness: Harness): ReadonlySet<string> =>
    new Set(devicesOf(harness).flatMap((d) => kindOfDevice(d).links(d).flatMap((l, i) => (l.draws ? [linkId(d.id, i)] : [])))), // prettier-ignore
);

/** Sources at nothing, steady draws left out: what is left is passive. */
function withoutSources(e: CircuitElement): CircuitElement | undefined {
  if (e.law.kind === 'source') return { ...e, law: { kind: 'resistor', ohms: 0 } };
  return e.law.kind === 'resistor' ? e : undefined;
}

/** A pump's load about where it works: pumps draw about as much more as they get voltage. */
export const pumpLaw = (amps: number, volts: number) => powerLaw(amps, volts, 1);

/** What stands in for a pump until it is known what it draws. */
const SOME = pumpLaw(1, TRIED);
/** The circuit of a harness under each way of feeding it, all pumps in it: laid out once, solved for many points. */
const frames = /* @__PURE__ */ onceFor((harness: Harness) => {
  const found = new Map<Feed['by'], readonly CircuitElement[]>();
  return (by: Feed['by']): readonly CircuitElement[] => {
    if (!found.has(by)) found.set(by, joinedUp(lowerHarness(harness, { state: DRIVING, pulled: pulledWhenDriving(harness), feed: { by, volts: TRIED }, loadOf: () => SOME }))); // prettier-ignore
    return found.get(by)!;
  };
});

/**
 * The whole circuit with its pumps at work.
 *
 * @param drawn - A that each running pump draws, by part of the run; with its volts as well it draws in proportion to what it gets.
 * @param ohms - of senders and gauges, by device, where they are known better than typical.
 */
export function solveHarness(
  harness: Harness,
  feed: Feed,
  drawn: ReadonlyMap<string, { readonly volts?: number; readonly amps: number }>,
  ohms?: ReadonlyMap<string, number>,
): Result<SolvedCircuit, CircuitFault> {
  const parts = new Map(loads(devicesOf(harness)).map((l) => [`${l.device}/load`, l.part]));
  const elements = frames(harness)(feed.by).flatMap((e): CircuitElement[] => {
    if (e.law.kind === 'source' && e.id.endsWith('/emf')) return [{ ...e, law: { kind: 'source', volts: feed.volts } }];
    const part = parts.get(e.id);
    if (part !== undefined) {
      const at = drawn.get(part);
      if (!at) return [];
      return [{ ...e, law: at.volts === undefined ? { kind: 'current', amps: at.amps } : { kind: 'load', law: pumpLaw(at.amps, at.volts) } }]; // prettier-ignore
    }
    const own = e.law.kind === 'resistor' ? ohms?.get(e.id.split('/')[0]!) : undefined;
    return own === undefined ? [e] : [{ ...e, law: { kind: 'resistor', ohms: own } }];
  });
  return elements.length === 0 ? success(NOTHING) : solveCircuit(elements);
}

/** In words for a person: a wire by its number, a device by its name. */
export function elementName(harness: Harness, id: string): string {
  const wires = harness.wires ?? [];
  const at = wires.findIndex((w) => w.id === id);
  if (at >= 0) return `wire ${at + 1}`;
  const device = (harness.devices ?? []).find(
    (d) => id === d.id || id.startsWith(`${d.id}/`) || id.startsWith(`${d.id}:`),
  );
  return device ? deviceName(device) : id;
}
