import type { LinkLaw } from '../hydraulics/network.ts';
import { solveNetwork } from '../hydraulics/solve-network.ts';
import { failure, success, type Result } from '../result.ts';
import { networkOf, type PlainLink, type PlainNetwork } from '../networks/plain-network.ts';

/** A tie: what a file needs where two ports meet, a stub so wide that its wall rubs nothing. */
const LONGEST_TIE = 0.0105; // m
const LEAST_TIE_BORE = 50; // mm
const FURTHEST_SURFACES = 0.6; // m between fuel surfaces: ends of returns above the fuel stand so high in one tank
const FLAT = 1.01; // a loss that rises by less than this over its curve is what it takes to crack a valve
const STRAIGHT = 0.02; // share by which a curve may leave a straight line through nothing

/** The place of every fuel surface. */
export const TANK = '@tank';

/** One link of a network as a part of a run: in the direction of its flow, with what stands beside it in the file for its sake. */
export interface RunElement {
  readonly link: PlainLink;
  readonly law: LinkLaw;
  readonly from: string;
  readonly to: string;
  /** Of a regulator, kPa per 100 L/h. */
  readonly slope?: number;
  /** Of a check valve, kPa. */
  readonly cracking?: number;
  /** Of a pump, kPa. */
  readonly relief?: number;
}
/** Where the engine draws: a rail with its injectors, or one place. */
export interface Draw {
  readonly place: string;
  readonly draws: number;
  /** Of its own pipes: bore, mm, and how far its places stand apart, m. */
  readonly bore?: number;
  readonly pitch?: number;
}
export interface RunElements {
  readonly elements: readonly RunElement[];
  readonly rails: readonly Draw[];
}

interface Mutable extends RunElement {
  from: string;
  to: string;
  slope?: number;
  cracking?: number;
  relief?: number;
}

/**
 * A plain network taken apart as a run of fuel: ties are gone, all reservoirs are one tank, a loss curve beside a valve is the valve's
 * own slope or cracking pressure, and every link is turned the way its fuel goes.
 *
 * @returns why it is no run of fuel, in words, where it is none.
 */
export function runElements(network: PlainNetwork): Result<RunElements, string> {
  const [scenario] = network.scenarios;
  const closed = new Set(scenario!.closed);
  const open = network.links.filter((l) => !closed.has(l.id));
  const surfaces = network.nodes.filter((n) => n.type === 'reservoir');
  if (surfaces.length === 0) return failure('no reservoir stands for the tank');
  const heights = surfaces.map((n) => n.z_m);
  const apart = Math.max(...heights) - Math.min(...heights);
  if (apart > FURTHEST_SURFACES)
    return failure(`its reservoirs stand ${apart.toFixed(2)} m apart, which is no one tank`);
  if (!open.some((l) => l.type === 'pump')) return failure('it has no pump');
  const drawing = network.nodes.flatMap((n) => (n.type === 'junction' && n.demand_L_h > 0 ? [n.id] : []));
  if (drawing.length === 0) return failure('no junction has a demand, where the engine would draw');
  const hydraulic = networkOf(network, scenario!);
  const laws = new Map(hydraulic.links.map((l) => [l.id, l.law]));
  const solved = solveNetwork({ ...hydraulic, friction: 'epanet' });
  if (!solved.ok) return failure('it does not solve, so that nothing tells which way the fuel goes');
  const { flows } = solved.value;

  const places = new Places();
  for (const { id } of surfaces) places.join(id, TANK);
  for (const link of open) if (isTie(link)) places.join(link.from, link.to);
  let elements = open
    .filter((l) => !isTie(l))
    .map((link): Mutable => {
      const isBack = flows[link.id]! < 0 && (link.type === 'gpv' || (link.type === 'pipe' && !link.check_valve));
      const [from, to] = isBack ? [link.to, link.from] : [link.from, link.to];
      return { link, law: laws.get(link.id)!, from: places.of(from), to: places.of(to) };
    })
    .filter((e) => e.from !== e.to || e.link.type === 'psv');
  const draws = new Set(drawing.map((id) => places.of(id)));
  const drop = (gone: Mutable) => (elements = elements.filter((e) => e !== gone));
  const at = (place: string) => elements.filter((e) => e.from === place || e.to === place);
  const isBetween = (place: string) => place !== TANK && !draws.has(place) && at(place).length === 2;

  for (const pump of elements.filter((e) => e.link.type === 'pump')) {
    const relief = elements.find((e) => e.link.type === 'psv' && e.link.id === `${pump.link.id}:relief`);
    if (relief?.link.type !== 'psv') continue;
    pump.relief = relief.link.set_kPa;
    drop(relief);
  }
  for (const valve of elements.filter((e) => e.link.type === 'psv' || e.link.type === 'prv')) {
    const middle = valve.link.type === 'psv' ? valve.from : valve.to;
    const beside = isBetween(middle) ? at(middle).find((e) => e.link.type === 'gpv') : undefined;
    const rise = beside && straightRise(network, beside.link);
    if (!beside || rise === undefined) continue;
    valve.slope = rise;
    if (valve.link.type === 'psv') valve.from = beside.from;
    else valve.to = beside.to;
    drop(beside);
  }
  for (const valve of elements.filter((e) => e.link.type === 'pipe' && e.link.check_valve)) {
    const beside = isBetween(valve.from) ? at(valve.from).find((e) => e.link.type === 'gpv') : undefined;
    const cracking = beside && flatLoss(network, beside.link);
    if (!beside || cracking === undefined) continue;
    valve.cracking = cracking;
    valve.from = beside.from;
    drop(beside);
  }

  const rails = railsOf([...draws], elements);
  for (const { inner, place } of rails)
    for (const each of inner) for (const id of [each.from, each.to]) places.join(id, place);
  const own = new Set(rails.flatMap((r) => r.inner));
  return success({
    elements: elements.filter((e) => !own.has(e)).map((e) => ({ ...e, from: places.of(e.from), to: places.of(e.to) })),
    rails: rails.map(({ inner: _, ...rail }) => ({ ...rail, place: places.of(rail.place) })),
  });
}

const isTie = (link: PlainLink): boolean =>
  link.type === 'pipe' &&
  !link.check_valve &&
  link.minor_K === 0 &&
  link.length_m <= LONGEST_TIE &&
  link.bore_mm >= LEAST_TIE_BORE;

/** Places that are one. */
class Places {
  #with = new Map<string, string>();
  of(id: string): string {
    let at = id;
    for (let next = this.#with.get(at); next !== undefined; next = this.#with.get(at)) at = next;
    return at;
  }
  /** The second one's name stays, but the tank stays the tank. */
  join(a: string, b: string): void {
    const [one, other] = [this.of(a), this.of(b)];
    if (one !== other) this.#with.set(...(one === TANK ? ([other, one] as const) : ([one, other] as const)));
  }
}

/** Drawing places with pipes between them are one rail; its ends, which the same pipe's name tells, belong to it. */
function railsOf(draws: readonly string[], elements: readonly Mutable[]) {
  const left = new Set(draws);
  const rails: (Draw & { inner: Mutable[] })[] = [];
  const pipes = elements.filter((e) => e.link.type === 'pipe');
  const stem = (e: Mutable) => /^(.+):/.exec(e.link.id)?.[1];
  for (const first of draws) {
    if (!left.delete(first)) continue;
    const [members, inner] = [new Set([first]), new Set<Mutable>()];
    for (let grew = true; grew;) {
      grew = false;
      for (const pipe of pipes) {
        if (inner.has(pipe) || !(members.has(pipe.from) || members.has(pipe.to))) continue;
        const both = (members.has(pipe.from) || left.has(pipe.from)) && (members.has(pipe.to) || left.has(pipe.to));
        if (!both) continue;
        inner.add(pipe);
        for (const place of [pipe.from, pipe.to]) if (left.delete(place)) members.add(place);
        grew = true;
      }
    }
    const named = new Set([...inner].map(stem));
    named.delete(undefined);
    const pitches = [...inner];
    for (const pipe of pipes)
      if (members.has(pipe.from) !== members.has(pipe.to) && named.has(stem(pipe))) inner.add(pipe);
    const [one] = pitches.map((e) => e.link);
    rails.push({
      place: first,
      draws: members.size,
      inner: [...inner],
      ...(one?.type === 'pipe' ? { bore: one.bore_mm, pitch: one.length_m } : {}),
    });
  }
  return rails;
}

const curveOf = (network: PlainNetwork, link: PlainLink) =>
  link.type === 'gpv' ? network.curves.find((c) => c.id === link.curve)!.points_Lh_kPa : undefined;

/** kPa per 100 L/h, where a loss curve is straight and begins with nothing. */
function straightRise(network: PlainNetwork, link: PlainLink): number | undefined {
  const points = curveOf(network, link);
  const last = points?.at(-1);
  if (!points || !last || last[0] <= 0 || last[1] <= 0) return undefined;
  const rise = last[1] / last[0];
  const isStraight = points.every(([q, p]) => Math.abs(p - rise * q) <= STRAIGHT * last[1]);
  return isStraight ? rise * 100 : undefined;
}

/** kPa, where a loss curve rises at once and then stays. */
function flatLoss(network: PlainNetwork, link: PlainLink): number | undefined {
  const points = curveOf(network, link);
  const [, second] = points ?? [];
  const last = points?.at(-1);
  return second && last && second[1] > 0 && last[1] / second[1] < FLAT ? last[1] : undefined;
}
