import { joinedTo } from '../harness/circuit-shape.ts';
import { EARTH, type CircuitElement } from '../harness/circuit.ts';
import { kindOfDevice } from '../harness/devices/index.ts';
import type { Harness } from '../harness/harness.ts';
import { devicesOf, linkId, passingLinks, placeOf, sourcePlaces, wiresOf } from '../harness/in-circuit.ts';

/** Every way for current through wires and contacts, whatever the state of key and engine; what draws passes none on. */
const waysOf = (harness: Harness): Pick<CircuitElement, 'id' | 'a' | 'b'>[] => [
  ...passingLinks(harness),
  ...wiresOf(harness).map((w) => ({ id: w.id, a: placeOf(w.from), b: placeOf(w.to) })),
];

/** What protects a stretch of wire or a contact: fuses, or nothing. */
export interface Protection {
  /** A: the most that passes for long before something opens; undefined while a fuse is unread, or with none. */
  readonly amps: number | undefined;
  /** Nothing stands before it. */
  readonly isBare: boolean;
  /** The fuses, by device. */
  readonly fuses: readonly string[];
}

export interface Protections {
  /** By wire and device's link. What is neither fed nor a pump's way back has none. */
  of(id: string): Protection | undefined;
  /** Whether both ends are joined to the battery's negative. */
  isEarthSide(id: string): boolean;
}

/**
 * Which fuses stand before what: without a fuse's link nothing feeds it any more. On the way back from a load it is what stands
 * before that load; where loads share an earth, their fuses together.
 *
 * @param backOf - loads whose current a stretch carries back, by the place where each is fed.
 */
export function protectionsOf(
  harness: Harness,
  backOf: (id: string) => readonly { readonly fedAt: string }[],
): Protections {
  const ways = waysOf(harness);
  const { plus, minus } = sourcePlaces(harness);
  const fed = joinedTo(ways, plus);
  const earthed = joinedTo(ways, [EARTH, ...minus]);
  const byId = new Map(ways.map((w) => [w.id, w]));
  const fuses = devicesOf(harness).flatMap((d) => {
    const opensAt = kindOfDevice(d).fuse?.(d);
    if (opensAt === undefined) return [];
    const without = joinedTo(
      ways.filter((w) => w.id !== linkId(d.id, 0)),
      plus,
    );
    return [{ id: d.id, opensAt, without }];
  });
  const before = (place: string): Protection => {
    const standing = fuses.filter((f) => !f.without.has(place));
    if (standing.length === 0) return { amps: undefined, isBare: true, fuses: [] };
    const read = standing.flatMap((f) => (f.opensAt === null ? [] : [f.opensAt]));
    return { amps: read.length > 0 ? Math.min(...read) : undefined, isBare: false, fuses: standing.map((f) => f.id) };
  };
  const isFuseLink = (id: string) => fuses.some((f) => linkId(f.id, 0) === id);
  const isEarthSide = (id: string) => {
    const way = byId.get(id);
    return way !== undefined && earthed.has(way.a) && earthed.has(way.b);
  };
  const found = new Map<string, Protection | undefined>();
  return {
    isEarthSide,
    of(id) {
      if (!found.has(id)) found.set(id, reckon(id));
      return found.get(id);
    },
  };
  function reckon(id: string): Protection | undefined {
    const way = byId.get(id);
    if (!way) return undefined;
    if (isEarthSide(id)) {
      const all = backOf(id).map(({ fedAt }) => before(fedAt));
      if (all.length === 0) return undefined;
      const names = [...new Set(all.flatMap((p) => p.fuses))];
      const distinct = new Map(all.map((p) => [p.fuses.join(), p.amps]));
      const amps = [...distinct.values()].reduce<number | undefined>(
        (sum, a) => (sum === undefined || a === undefined ? undefined : sum + a),
        0,
      );
      return { amps, isBare: all.every((p) => p.isBare), fuses: names };
    }
    if (!fed.has(way.a) && !fed.has(way.b)) return undefined;
    if (isFuseLink(id)) return undefined;
    return before(way.a); // what stands before one end stands before the other: the way itself joins them
  }
}
