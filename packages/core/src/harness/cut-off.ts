import { onceFor } from '../memory/once-for.ts';
import { EARTH } from './circuit.ts';
import { DRIVING, type CutOffState } from './cut-off-state.ts';
import { kindOfDevice, type Device } from './devices/index.ts';
import type { Harness } from './harness.ts';
import {
  devicesOf,
  passingLinks,
  placeIn,
  placeOf,
  pumpPlaces,
  sourcePlaces,
  wiredPlaces,
  wiresOf,
} from './in-circuit.ts';

/** Which coils have current and which pumps run at a state. */
export interface CutOff {
  readonly pulled: ReadonlySet<string>;
  /** Parts of the run. */
  readonly running: ReadonlySet<string>;
  /** Pumps with current the wrong way round. */
  readonly backwards: ReadonlySet<string>;
}

/** A harness as its logic needs it: places that wires and lasting contacts join are one, numbered. */
interface Logic {
  readonly earth: number;
  readonly plus: readonly number[];
  /** Contacts that open and close. */
  readonly contacts: readonly {
    readonly a: number;
    readonly b: number;
    isClosed(state: CutOffState, pulled: ReadonlySet<string>): boolean;
  }[];
  readonly coils: readonly { readonly id: string; readonly a: number; readonly b: number }[];
  readonly pumps: readonly { readonly part: string; readonly a: number; readonly b: number }[];
}

const logicOf = /* @__PURE__ */ onceFor((harness: Harness): Logic => {
  const devices = devicesOf(harness);
  const group = new Map<string, string>();
  const root = (place: string): string => {
    let at = place;
    for (let up = group.get(at); up !== undefined; up = group.get(at)) at = up;
    return at;
  };
  const join = (a: string, b: string) => {
    const [x, y] = [root(a), root(b)];
    if (x !== y) group.set(x, y);
  };
  const wired = wiredPlaces(harness);
  for (const w of wiresOf(harness)) join(placeOf(w.from), placeOf(w.to));
  const { plus, minus } = sourcePlaces(harness);
  const isWired = (d: Device, ends: readonly string[]) => ends.every((t) => wired.has(placeIn(d, t)));
  const moving = passingLinks(harness).filter((l) => l.link.isClosed !== undefined);
  for (const { link, a, b } of passingLinks(harness)) if (!link.isClosed) join(a, b);
  for (const place of minus) join(place, EARTH);
  const numbers = new Map<string, number>();
  const number = (place: string): number => {
    const at = root(place);
    if (!numbers.has(at)) numbers.set(at, numbers.size);
    return numbers.get(at)!;
  };
  return {
    earth: number(EARTH),
    plus: plus.map(number),
    contacts: moving.map(({ device, link, a, b }) => {
      const { coil } = kindOfDevice(device);
      const isCoilWired = coil !== undefined && isWired(device, coil);
      return {
        a: number(a),
        b: number(b),
        isClosed: (state, pulled) => link.isClosed!(state, { isPulled: pulled.has(device.id), isCoilWired }),
      };
    }),
    coils: devices.flatMap((d) => {
      const { coil } = kindOfDevice(d);
      return coil ? [{ id: d.id, a: number(placeIn(d, coil[0])), b: number(placeIn(d, coil[1])) }] : [];
    }),
    pumps: pumpPlaces(harness).map(({ part, a, b }) => ({ part, a: number(a), b: number(b) })),
  };
});

/** Places that closed contacts join to some. */
function reached(closed: readonly { readonly a: number; readonly b: number }[], from: readonly number[]): Set<number> {
  const seen = new Set(from);
  for (let size = -1; size !== seen.size;) {
    size = seen.size;
    for (const { a, b } of closed)
      if (seen.has(a)) seen.add(b);
      else if (seen.has(b)) seen.add(a);
  }
  return seen;
}

/**
 * Follows contacts and coils until nothing moves any more. A relay that holds itself over its own contact holds from what `from`
 * had pulled. Coils and pumps have current where one of their sides is joined to a source's plus and the other to its minus.
 */
export function cutOff(harness: Harness, state: CutOffState, from: ReadonlySet<string> = new Set()): CutOff {
  const { earth, plus, contacts, coils, pumps } = logicOf(harness);
  let pulled = from;
  for (let round = 0; round <= coils.length + 1; round++) {
    const closed = contacts.filter((c) => c.isClosed(state, pulled));
    const fed = reached(closed, plus);
    const earthed = reached(closed, [earth]);
    const goes = (a: number, b: number) => fed.has(a) && earthed.has(b);
    const now = new Set(coils.filter(({ a, b }) => goes(a, b) || goes(b, a)).map(({ id }) => id));
    if (now.size === pulled.size && [...now].every((id) => pulled.has(id)))
      return {
        pulled,
        running: new Set(pumps.filter((p) => goes(p.a, p.b) || goes(p.b, p.a)).map((p) => p.part)),
        backwards: new Set(pumps.filter((p) => !goes(p.a, p.b) && goes(p.b, p.a)).map((p) => p.part)),
      };
    pulled = now;
  }
  // it buzzes: a contact that opens its own coil; nothing is said to run
  return { pulled, running: new Set(), backwards: new Set() };
}

export type Runs = 'runs' | 'stands' | 'unknown';

/** What is asked of a pump at a state. */
export type Wanted = 'run' | 'stand' | 'either';

/** One row of the truth table. */
export interface CutOffRow {
  /** Stays whatever else is drawn. */
  readonly key: string;
  readonly name: string;
  readonly state: CutOffState;
  readonly wanted: Wanted;
  /** By part of the run. */
  readonly pumps: Readonly<Record<string, Runs>>;
  /** A device that has failed, if that is what the row is about. */
  readonly failed?: string;
}

/** The situation of a row in words, with the device that has failed by its name. */
export function rowInWords({ devices = [] }: Harness, { name, failed }: CutOffRow): string {
  const device = devices.find((d) => d.id === failed);
  if (!device) return name;
  const called = device.label?.trim() || kindOfDevice(device).name.toLowerCase();
  return device.kind === 'relay' ? `contacts of ${called} welded, key off` : `${called} dead, engine stopped`;
}

const PRIMED = 0.5; // s after key on: while it primes

/**
 * Every situation that matters, each reached as it is in life: from rest, or from driving, so that a relay that holds itself is
 * found holding. What nobody has told is taken both ways: where that makes a difference the answer is unknown.
 */
export const truthTable = /* @__PURE__ */ onceFor((harness: Harness): readonly CutOffRow[] => {
  const still = { ...DRIVING, engine: 'stopped', oilPressure: false } as const;
  const failing = (id: string) => ({ failed: new Set([id]) });
  const devices = devicesOf(harness);
  const relays = devices.filter((d) => d.kind === 'relay');
  const units = devices.filter((d) => d.kind === 'controlUnit' || d.kind === 'pumpController');
  type Asked = readonly [
    key: string,
    name: string,
    wanted: Wanted,
    state: CutOffState,
    after?: 'driving',
    failed?: string,
  ];
  const rows: Asked[] = [
    ['off', 'key off', 'stand', { ...still, key: 'off' }],
    ['prime', 'key just turned on', 'either', { ...still, since: PRIMED }],
    ['keyOn', 'key on, engine never started', 'stand', still],
    ['cranking', 'cranking', 'either', { ...DRIVING, key: 'start', oilPressure: false }],
    ['driving', 'driving', 'run', DRIVING],
    ['stalled', 'stalled, key still on', 'stand', still, 'driving'],
    ['noOil', 'oil pressure lost, engine turning', 'either', { ...DRIVING, oilPressure: false }, 'driving'],
    ['crash', 'crash, engine stopped by it', 'stand', { ...still, crashed: true }, 'driving'],
    ['crashTurning', 'crash, engine still turning', 'stand', { ...DRIVING, crashed: true }, 'driving'],
    ['after', 'key off after driving', 'stand', { ...still, key: 'off' }, 'driving'],
    ...relays.map((d): Asked => [
      `welded-${d.id}`,
      'contacts welded, key off',
      'either',
      { ...still, key: 'off', ...failing(d.id) },
      'driving',
      d.id,
    ]),
    ...units.map((d): Asked => [
      `dead-${d.id}`,
      'control dead, engine stopped',
      'stand',
      { ...still, ...failing(d.id) },
      'driving',
      d.id,
    ]),
  ];
  const parts = logicOf(harness).pumps.map((p) => p.part);
  const ways = (['closed', 'open'] as const).map((untold) => {
    const held = cutOff(harness, { ...DRIVING, untold }).pulled;
    return (state: CutOffState, after: boolean) =>
      cutOff(harness, { ...state, untold }, after ? held : undefined).running;
  });
  return rows.map(([key, name, wanted, state, after, failed]) => {
    const found = ways.map((way) => way(state, after === 'driving'));
    const says = (part: string): Runs =>
      found.every((r) => r.has(part)) ? 'runs' : found.some((r) => r.has(part)) ? 'unknown' : 'stands';
    return {
      key,
      name,
      state,
      wanted,
      pumps: Object.fromEntries(parts.map((part) => [part, says(part)])),
      ...(failed === undefined ? {} : { failed }),
    };
  });
});
