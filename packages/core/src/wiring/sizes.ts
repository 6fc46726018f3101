import { gaugeArea, wireGauges } from '../units/wire-gauge.ts';
import { ampacityIn, carries, isMore } from '../harness/ampacity.ts';
import { kindOfDevice, protective, type Protective } from '../harness/devices/index.ts';
import { FUSE_FACTOR, fuseFor } from '../harness/fuse.ts';
import { mostDropOf, type Harness, type Wire } from '../harness/harness.ts';
import { devicesOf, linkId, temperatureOf, wiresOf } from '../harness/in-circuit.ts';
import type { PumpPort } from '../harness/pump-feeds.ts';
import type { Protections } from './protection.ts';
import { atLeastOne, wireResistance } from '../harness/wire.ts';

/** A wire or a fuse that is to be another. */
export type SizeChange =
  | { readonly kind: 'wire'; readonly id: string; readonly awg: number; readonly was: number | undefined }
  | { readonly kind: 'fuse'; readonly id: string; readonly amps: number; readonly was: number | undefined };

/** What a pump draws: at the point that the drop is reckoned for, and at most. */
export interface PumpDraw {
  readonly port: PumpPort;
  readonly amps: number;
  readonly mostAmps: number;
}

export type Sized =
  | { readonly ok: true; readonly changes: readonly SizeChange[]; readonly drop: ReadonlyMap<string, number> }
  /** Why no set of the table's wires and fuses will do. */
  | {
      readonly ok: false;
      readonly why: 'fuse' | 'wire' | 'contacts' | 'drop';
      readonly id: string;
      readonly amps?: number;
    };

const MOST_STATES = 400;
const TIGHT = 1e-9;

/**
 * The cheapest set of wires and fuses, by copper: every fuse at least 1.25 times what passes it, every wire carrying what its fuse
 * passes and what its pumps draw where it lies, and, with a budget, no pump losing more volts than that in supply and earth.
 *
 * What stands is kept where it will do and is never made thinner. The set is found stretch by stretch, keeping of all sets so far
 * those that no other beats in copper and in every pump's volts.
 *
 * @param budget - V of each pump; null: for safety alone.
 */
export function sizeHarness(
  harness: Harness,
  draws: readonly PumpDraw[],
  protections: Protections,
  budget: number | null = mostDropOf(harness),
): Sized {
  const through = (id: string, amps: (d: PumpDraw) => number) =>
    Math.abs(draws.reduce((sum, d) => sum + (d.port.shares.get(id) ?? 0) * amps(d), 0));
  /** A fuse that stands will do where it leaves its pumps in hand and no wire behind it is known to carry less. */
  const keeps = ({ id, rating }: Protective): boolean => {
    if (!rating || rating.si < FUSE_FACTOR * through(linkId(id, 0), (d) => d.mostAmps) * (1 - TIGHT)) return false;
    return wiresOf(harness).every((w) => {
      const carried = carries(w);
      return (
        carried === undefined ||
        !protections.of(w.id)?.fuses.includes(id) ||
        protections.isEarthSide(w.id) ||
        !isMore(rating.si, carried)
      );
    });
  };
  const changes: SizeChange[] = [];
  const fuses = new Map<string, number>();
  for (const any of devicesOf(harness)) {
    const device = protective(any);
    if (!device) continue;
    const amps = through(linkId(device.id, 0), (d) => d.mostAmps);
    if (amps <= TIGHT) {
      if (device.rating) fuses.set(device.id, device.rating.si);
      continue;
    }
    const size = keeps(device) ? device.rating!.si : fuseFor(amps, kindOfDevice(any).fuseSizes);
    if (size === undefined) return { ok: false, why: 'fuse', id: device.id, amps };
    fuses.set(device.id, size);
    if (device.rating?.si !== size) changes.push({ kind: 'fuse', id: device.id, amps: size, was: device.rating?.si });
  }
  /** A that a stretch has to stand: what its fuses will pass, or what flows. */
  const stands = (id: string): number => {
    const names = protections.of(id)?.fuses ?? [];
    const ratings = names.flatMap((f) => (fuses.has(f) ? [fuses.get(f)!] : []));
    const fused = protections.isEarthSide(id) ? ratings.reduce((a, b) => a + b, 0) : Math.min(...ratings, Infinity);
    return Math.max(
      Number.isFinite(fused) ? fused : 0,
      through(id, (d) => d.mostAmps),
    );
  };
  const fixed = new Map(draws.map((d) => [d.port.part, 0]));
  const choices: { wire: Wire; options: { awg?: number; copper: number; drop: number[] }[] }[] = [];
  for (const wire of wiresOf(harness)) {
    // what stays of the factory's harness is measured, not chosen
    if (wire.length?.si === 0 || (wire.stands === 'kept' && !wire.area)) continue;
    const conductors = atLeastOne(wire.conductors);
    const needs = stands(wire.id);
    const drops = (ohms: number) =>
      draws.map((d) => ohms * through(wire.id, (q) => q.amps) * Math.abs(d.port.shares.get(wire.id) ?? 0));
    const ohms = (area: number) => wireResistance(area, wire.length?.si ?? 0, temperatureOf(wire)) / conductors;
    const will = (area: number) => ampacityIn(area, wire) * conductors >= needs * (1 - TIGHT);
    const own = wire.area?.si;
    const thicker = [...wireGauges]
      .reverse()
      .filter((awg) => will(gaugeArea(awg)) && (own === undefined || gaugeArea(awg) > own * (1 + TIGHT)))
      .map((awg) => ({
        awg,
        copper: gaugeArea(awg) * (wire.length?.si ?? 1) * conductors,
        drop: drops(ohms(gaugeArea(awg))),
      }));
    const options = own !== undefined && will(own) ? [{ copper: 0, drop: drops(ohms(own)) }, ...thicker] : thicker;
    // what takes no volts of any pump is as thin as it may be
    const isFree = budget === null || options.every((o) => o.drop.every((v) => v < TIGHT));
    if (isFree) options.splice(1);
    if (options.length === 0) return { ok: false, why: 'wire', id: wire.id, amps: needs };
    choices.push({ wire, options });
  }
  // contacts, fuses and body take theirs whatever the wire
  for (const d of draws) {
    const rest = contactDrop(harness, d.port, fuses, (id) => through(id, (q) => q.amps));
    fixed.set(d.port.part, rest);
    if (budget !== null && rest >= budget) return { ok: false, why: 'contacts', id: d.port.part };
  }
  /** V that the stretches still to come take at least, by draw. */
  const least = choices.map((_, i) =>
    draws.map((__, k) => sum(choices.slice(i + 1).map(({ options }) => Math.min(...options.map((o) => o.drop[k]!))))),
  );
  // what stands is cheapest where it will do
  const asIs = choices.map(({ options }) => options[0]!);
  const standing = draws.map((d, k) => fixed.get(d.port.part)! + sum(asIs.map((o) => o.drop[k]!)));
  if (asIs.every((o) => o.awg === undefined) && (budget === null || standing.every((v) => v <= budget)))
    return { ok: true, changes, drop: new Map(draws.map((d, k) => [d.port.part, standing[k]!])) };
  interface State {
    copper: number;
    drop: number[];
    picks: (number | undefined)[];
  }
  let states: State[] = [{ copper: 0, drop: draws.map((d) => fixed.get(d.port.part)!), picks: [] }];
  for (const [at, { wire, options }] of choices.entries()) {
    const next = states.flatMap((s) =>
      options.map((o): State => ({
        copper: s.copper + o.copper,
        drop: s.drop.map((v, i) => v + o.drop[i]!),
        picks: [...s.picks, o.awg],
      })),
    );
    states = unbeaten(
      budget === null ? next : next.filter((s) => s.drop.every((v, k) => v + least[at]![k]! <= budget * (1 + TIGHT))),
    );
    if (states.length === 0) return { ok: false, why: 'drop', id: wire.id };
  }
  const best = states.reduce((a, b) => (b.copper < a.copper - 1e-15 ? b : a));
  best.picks.forEach((awg, i) => {
    const { wire } = choices[i]!;
    if (awg !== undefined) changes.push({ kind: 'wire', id: wire.id, awg, was: wire.area?.si });
  });
  return { ok: true, changes, drop: new Map(draws.map((d, i) => [d.port.part, best.drop[i]!])) };
}

/** V that contacts, fuses and the body take of a pump. */
function contactDrop(
  harness: Harness,
  port: PumpPort,
  fuses: ReadonlyMap<string, number>,
  through: (id: string) => number,
): number {
  return sum(
    devicesOf(harness).flatMap((device) => {
      const size = fuses.get(device.id);
      const sized = size === undefined ? device : { ...device, rating: { si: size, unit: 'A' } };
      return kindOfDevice(device)
        .links(sized)
        .map((link, i) => {
          const id = linkId(device.id, i);
          return link.draws ? 0 : link.ohms * through(id) * Math.abs(port.shares.get(id) ?? 0);
        });
    }),
  );
}

/** Of all sets those that no other beats in copper and in every pump's volts at once. */
function unbeaten<S extends { copper: number; drop: number[] }>(states: readonly S[]): S[] {
  const sorted = [...states].sort((a, b) => a.copper - b.copper || sum(a.drop) - sum(b.drop));
  const kept: S[] = [];
  for (const s of sorted) {
    if (kept.some((k) => k.drop.every((v, i) => v <= s.drop[i]! + 1e-12))) continue;
    kept.push(s);
    if (kept.length >= MOST_STATES) break;
  }
  return kept;
}
const sum = (values: readonly number[]): number => values.reduce((a, b) => a + b, 0);
