import { deviceName, kindOfDevice } from '../harness/devices/index.ts';
import type { Harness, Roll, Wire, WireEnd } from '../harness/harness.ts';
import { devicesOf } from '../harness/in-circuit.ts';
import { insulations, wireEnds, wirePlaces, wireUses } from '../harness/wire-kinds.ts';
import { atLeastOne } from '../harness/wire.ts';

/** A wire as it stands in the list. */
export interface WireRow {
  readonly id: string;
  readonly number: number;
  readonly marking: string;
  readonly from: string;
  readonly to: string;
  readonly use: string;
  readonly colour: string;
  readonly area?: number;
  readonly length?: number;
  readonly conductors: number;
  readonly insulation: string;
  readonly lies: string;
  readonly startEnd: string;
  readonly finishEnd: string;
  readonly stands: 'new' | 'kept' | 'out';
}

const PASSED: ReadonlySet<string> = new Set(['connector', 'splice', 'stud', 'inertiaSwitch', 'oilSwitch']);

/** “Pump relay, 87” by what is stamped on it; “Lift pump, negative (31)” where nothing is; “Earth of Lift pump”, which has no other. */
export function sayEnd(harness: Harness, end: WireEnd | undefined): string {
  const device = end && (harness.devices ?? []).find((d) => d.id === end.device);
  if (!device) return 'nothing yet';
  const terminals = kindOfDevice(device).terminals(device);
  const terminal = terminals[end.terminal];
  if (!terminal) return `${deviceName(device)}, a terminal that it does not have`;
  // of what is only passed through, either side is as good
  if (terminal.din === undefined && PASSED.has(device.kind)) return deviceName(device);
  if (Object.keys(terminals).length === 1) return deviceName(device);
  const said =
    terminal.din === undefined || terminal.din === end.terminal ? terminal.din : `${terminal.name} (${terminal.din})`;
  return `${deviceName(device)}, ${said ?? terminal.name}`;
}

/** An end as one key, of the device and its terminal, for a list to choose from. */
export const endKey = ({ device, terminal }: WireEnd): string => `${device}:${terminal}`;

/** @returns undefined for what is no key of an end. */
export function endOfKey(key: string): WireEnd | undefined {
  const [device, terminal] = key.split(':');
  return device && terminal ? { device, terminal } : undefined;
}

/** Every terminal of the circuit by its key, each with a name of its own: both sides of a connector, too. */
export function endChoices(harness: Harness): Record<string, string> {
  const ends = (harness.devices ?? []).flatMap((device) =>
    Object.entries(kindOfDevice(device).terminals(device)).map(([terminal, { name }]) => {
      const end = { device: device.id, terminal };
      return { key: endKey(end), said: sayEnd(harness, end), name };
    }),
  );
  return Object.fromEntries(
    ends.map(({ key, said, name }) => [
      key,
      ends.filter((e) => e.said === said).length > 1 ? `${said}, ${name}` : said,
    ]),
  );
}

/** By its own word, else by the shop's scheme, else by the usual one. */
export const colourOf = ({ scheme }: Harness, { colour, use }: Pick<Wire, 'colour' | 'use'>): string =>
  colour?.trim() || (use ? scheme?.[use]?.trim() || wireUses[use].colour : '');

export const markingOf = ({ scheme }: Harness, wire: Wire, number: number): string =>
  wire.marking?.trim() || `${scheme?.prefix?.trim() ?? ''}${number}`;

/** Every wire, those that are taken out too. */
export const wireRows = (harness: Harness): WireRow[] =>
  (harness.wires ?? []).map((wire, i): WireRow => ({
    id: wire.id,
    number: i + 1,
    marking: markingOf(harness, wire, i + 1),
    from: sayEnd(harness, wire.from),
    to: sayEnd(harness, wire.to),
    use: wire.use ? wireUses[wire.use].name : '',
    colour: colourOf(harness, wire),
    conductors: atLeastOne(wire.conductors),
    insulation: wire.insulation ? insulations[wire.insulation].name : '',
    lies: wire.lies ? wirePlaces[wire.lies].name : '',
    startEnd: wire.startEnd ? wireEnds[wire.startEnd].name : '',
    finishEnd: wire.finishEnd ? wireEnds[wire.finishEnd].name : '',
    stands: wire.stands ?? 'new',
    ...(wire.area ? { area: wire.area.si } : {}),
    ...(wire.length && wire.length.si > 0 ? { length: wire.length.si } : {}),
  }));

/** The wires as a table for other programs: comma separated, lengths in mm, conductors in mm². */
export const wireCells = (harness: Harness): string[][] => [
  [
    'number',
    'marking',
    'from',
    'to',
    'use',
    'colour',
    'conductor mm2',
    'conductors',
    'length mm',
    'insulation',
    'lies',
    'start',
    'end',
    'stands',
  ],
  ...wireRows(harness).map((r) => [
    String(r.number),
    r.marking,
    r.from,
    r.to,
    r.use,
    r.colour,
    r.area === undefined ? '' : (r.area * 1e6).toFixed(3),
    String(r.conductors),
    r.length === undefined ? '' : (r.length * 1000).toFixed(0),
    r.insulation,
    r.lies,
    r.startEnd,
    r.finishEnd,
    r.stands,
  ]),
];

/** One piece to cut. */
export interface WirePiece {
  readonly wire: number;
  readonly length: number;
}
/** Pieces of one colour and conductor: off which roll each comes, and what has to be bought. */
export interface RollPlan {
  readonly colour: string;
  readonly area: number;
  readonly rolls: readonly {
    readonly id: string;
    readonly length: number;
    readonly pieces: readonly WirePiece[];
    readonly left: number;
  }[];
  readonly bought: readonly WirePiece[];
  /** m of wire to buy. */
  readonly buy: number;
}

const SAME = 0.02; // of the conductor: what is printed is rounded
const MOST_NODES = 20_000;

/** Every new wire cut off the shop's rolls, as much as fits; the rest is bought. */
export function rollPlans(harness: Harness): RollPlan[] {
  const groups = new Map<string, { colour: string; area: number; pieces: WirePiece[] }>();
  for (const row of wireRows(harness)) {
    if (row.stands !== 'new' || row.area === undefined || row.length === undefined) continue;
    const key = `${row.colour.toLowerCase()} ${row.area.toExponential(2)}`;
    const group = groups.get(key) ?? { colour: row.colour, area: row.area, pieces: [] };
    groups.set(key, group);
    for (let i = 0; i < row.conductors; i++) group.pieces.push({ wire: row.number, length: row.length });
  }
  return [...groups.values()].map(({ colour, area, pieces }) => {
    const rolls = (harness.rolls ?? []).filter((r) => isOf(r, colour, area));
    return { colour, area, ...nested(rolls, pieces) };
  });
}

const isOf = (roll: Roll, colour: string, area: number): boolean =>
  roll.length !== undefined &&
  roll.area !== undefined &&
  Math.abs(roll.area.si / area - 1) < SAME &&
  (roll.colour ?? '').trim().toLowerCase() === colour.toLowerCase();

/** Most metres off the rolls: longest pieces first, every roll or none tried for each, as far as a bound still allows better. */
function nested(rolls: readonly Roll[], pieces: readonly WirePiece[]): Pick<RollPlan, 'rolls' | 'bought' | 'buy'> {
  const order = [...pieces].sort((a, b) => b.length - a.length || a.wire - b.wire);
  const rest = order.map((_, i) => order.slice(i).reduce((sum, p) => sum + p.length, 0));
  let best: (number | undefined)[] = [];
  let most = -1;
  let nodes = 0;
  const left = rolls.map((r) => r.length!.si);
  const picks: (number | undefined)[] = [];
  const go = (at: number, cut: number): void => {
    if (cut > most + 1e-12) {
      most = cut;
      best = [...picks];
    }
    if (at >= order.length || nodes++ > MOST_NODES || cut + rest[at]! <= most + 1e-12) return;
    const piece = order[at]!;
    const tried = new Set<number>();
    for (const [i, length] of left.entries()) {
      if (length < piece.length - 1e-9 || tried.has(length)) continue;
      tried.add(length);
      left[i] = length - piece.length;
      picks.push(i);
      go(at + 1, cut + piece.length);
      picks.pop();
      left[i] = length;
    }
    picks.push(undefined);
    go(at + 1, cut);
    picks.pop();
  };
  go(0, 0);
  const bought = order.filter((_, i) => best[i] === undefined);
  return {
    rolls: rolls.map((roll, i) => {
      const own = order.filter((_, k) => best[k] === i);
      const length = roll.length!.si;
      return { id: roll.id, length, pieces: own, left: length - own.reduce((sum, p) => sum + p.length, 0) };
    }),
    bought,
    buy: bought.reduce((sum, p) => sum + p.length, 0),
  };
}

/** Ways through connectors, by the name of their shell: what is seen looking at its face. */
export interface ConnectorFace {
  readonly name: string;
  readonly ways: readonly {
    readonly device: string;
    readonly cavities: string;
    readonly pins: number;
    readonly wires: readonly string[];
  }[];
}
export function connectorFaces(harness: Harness): ConnectorFace[] {
  const faces = new Map<string, ConnectorFace['ways'][number][]>();
  const rows = wireRows(harness);
  for (const device of devicesOf(harness)) {
    if (device.kind !== 'connector') continue;
    const name = device.face?.trim() || deviceName(device);
    const at = (harness.wires ?? []).flatMap((w, i) =>
      w.stands !== 'out' && [w.from?.device, w.to?.device].includes(device.id) ? [i] : [],
    );
    const wires = at.map((i) => `${rows[i]!.marking} ${rows[i]!.colour}`.trim());
    const ways = faces.get(name) ?? [];
    faces.set(name, ways);
    ways.push({ device: device.id, cavities: device.cavities?.trim() ?? '', pins: atLeastOne(device.pins), wires });
  }
  return [...faces].map(([name, ways]) => ({ name, ways }));
}
