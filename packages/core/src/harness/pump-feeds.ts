import { onceFor } from '../memory/once-for.ts';
import { success, type Result } from '../result.ts';
import type { CircuitElement, CircuitFault, SolvedCircuit } from './circuit.ts';
import { electricalOf } from './electrical.ts';
import type { Harness } from './harness.ts';
import { linksOf, ohmsOf, pumpPlaces, wiresOf, type PumpPlace } from './in-circuit.ts';
import { joinedUp, lowerHarness, pumpLaw, type Feed } from './lower-harness.ts';
import { solveCircuit } from './solve-circuit.ts';

/** A pump as it hangs in the circuit. */
export interface PumpPort extends PumpPlace {
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

/** V at which the circuit is tried out: a short shows there. */
const TRIED = 12;

/** V between the two places of a pump. @param at - V of a place. */
export const across = (at: (place: string) => number | undefined, { a, b }: Pick<PumpPlace, 'a' | 'b'>): number =>
  (at(a) ?? 0) - (at(b) ?? 0);

/** Whether any of a pump's current goes through a wire or a device's link. */
export const isOnWay = ({ shares }: Pick<PumpPort, 'shares'>, id: string): boolean =>
  Math.abs(shares.get(id) ?? 0) > 1e-9;

/** The feeds of a harness; a fault where the circuit has no answer. */
export const pumpFeeds = (harness: Harness): Result<PumpFeeds, CircuitFault> => feedsOf(electricalOf(harness));

const feedsOf = /* @__PURE__ */ onceFor((harness: Harness): Result<PumpFeeds, CircuitFault> => {
  const all = new Map(pumpPlaces(harness).map((place) => [place.part, place]));
  const voltsAt = ({ volts }: SolvedCircuit, part: string): number =>
    across((place) => volts.get(place), all.get(part)!);
  const found = new Map<Feed['by'], Result<Ports, CircuitFault>>();
  const ports = (by: Feed['by']): Result<Ports, CircuitFault> => {
    if (!found.has(by)) found.set(by, portsUnder(harness, by));
    return found.get(by)!;
  };
  const running = ports('running');
  if (!running.ok) return running;
  const under = (by: Feed['by']): Ports => {
    const there = ports(by);
    return there.ok ? there.value : running.value;
  };
  const unread = wiresOf(harness).filter((w) => ohmsOf(w) === undefined);
  return success({
    ports: [...running.value.unit].map(([part, { way }]) => ({
      ...all.get(part)!,
      shares: way.amps,
      unmeasured: unread.filter((w) => isOnWay({ shares: way.amps }, w.id)).map((w) => w.id),
    })),
    open: (part, { by, volts }) => {
      const { idle, dead } = under(by);
      return between(voltsAt(dead, part), voltsAt(idle, part), volts);
    },
    ohms: (a, b, by) => {
      const one = under(by).unit.get(b);
      return one ? -voltsAt(one.all, a) : 0;
    },
    at: ({ by, volts }, drawn) => {
      const { idle, dead, unit } = under(by);
      const sum = (of: (c: SolvedCircuit) => ReadonlyMap<string, number>): Map<string, number> => {
        const total = new Map([...of(idle)].map(([key, v]) => [key, between(of(dead).get(key) ?? 0, v, volts)]));
        for (const [part, { amps }] of drawn)
          for (const [key, v] of unit.has(part) ? of(unit.get(part)!.all) : [])
            total.set(key, (total.get(key) ?? 0) + amps * v);
        return total;
      };
      return { volts: sum((c) => c.volts), amps: sum((c) => c.amps) };
    },
  });
});

/** What is so much with the source dead and so much at 12 V, at any voltage. */
const between = (dead: number, idle: number, volts: number): number => dead + ((idle - dead) * volts) / TRIED;

function portsUnder(harness: Harness, by: Feed['by']): Result<Ports, CircuitFault> {
  const idle = solveHarness(harness, { by, volts: TRIED }, new Map());
  if (!idle.ok) return idle;
  const elements = frames(harness)(by);
  // with nothing but the source in it there is nothing left when that is off
  const isFedOtherwise = elements.some((e) => e.law.kind === 'current' || e.id.endsWith('/holds'));
  const dead = isFedOtherwise ? solveHarness(harness, { by, volts: 0 }, new Map()) : success(NOTHING);
  if (!dead.ok) return dead;
  const still = elements.map(withoutSources).filter((e) => e !== undefined);
  // what a coil beside the pump takes of its current is no part of its way
  const draws = new Set(linksOf(harness).flatMap((l) => (l.link.draws ? [l.id] : [])));
  const passing = joinedUp(still.filter((e) => !draws.has(e.id)));
  const unit = new Map<string, Unit>();
  for (const place of pumpPlaces(harness)) {
    const load = elements.find((e) => e.id === `${place.device}/load`);
    if (!load || unit.has(place.part)) continue;
    const drawn: CircuitElement = { ...load, law: { kind: 'current', amps: 1 } };
    const all = solveCircuit([...still, drawn]);
    // the way is the same whatever feeds it
    const way = by === 'running' ? solveCircuit([...passing, drawn]) : all;
    if (all.ok && way.ok) unit.set(place.part, { all: all.value, way: way.value });
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

/** Sources at nothing, steady draws left out: what is left is passive. */
function withoutSources(e: CircuitElement): CircuitElement | undefined {
  if (e.law.kind === 'source') return { ...e, law: { kind: 'resistor', ohms: 0 } };
  return e.law.kind === 'resistor' ? e : undefined;
}

/** The circuit of a harness under each way of feeding it, all pumps in it: laid out once, solved for many points. */
const frames = /* @__PURE__ */ onceFor((harness: Harness) => {
  const found = new Map<Feed['by'], readonly CircuitElement[]>();
  return (by: Feed['by']): readonly CircuitElement[] => {
    if (!found.has(by)) found.set(by, lowerHarness(harness, { by, volts: TRIED }));
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
  const parts = new Map(pumpPlaces(harness).map((p) => [`${p.device}/load`, p.part]));
  const elements = frames(harness)(feed.by).flatMap((e): CircuitElement[] => {
    if (e.law.kind === 'source' && e.id.endsWith('/emf')) return [{ ...e, law: { kind: 'source', volts: feed.volts } }];
    const part = parts.get(e.id);
    if (part !== undefined) {
      const at = drawn.get(part);
      if (!at) return [];
      return [
        {
          ...e,
          law:
            at.volts === undefined
              ? { kind: 'current', amps: at.amps }
              : { kind: 'load', law: pumpLaw(at.amps, at.volts) },
        },
      ];
    }
    const own = e.law.kind === 'resistor' ? ohms?.get(e.id.split('/')[0]!) : undefined;
    return own === undefined ? [e] : [{ ...e, law: { kind: 'resistor', ohms: own } }];
  });
  return elements.length === 0 ? success(NOTHING) : solveCircuit(elements);
}
