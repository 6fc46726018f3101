import type { Drawing, Point, Shape } from '../drawings/drawing.ts';
import { formatQuantity } from '../units/format-quantity.ts';
import { wireGauges, gaugeArea } from '../units/wire-gauge.ts';
import { deviceName, kindOfDevice, protective, type Device } from '../harness/devices/index.ts';
import type { TerminalSpec } from '../harness/devices/define-device.ts';
import type { Harness, Wire } from '../harness/harness.ts';
import { devicesOf, wiredPlaces, wiresOf } from '../harness/in-circuit.ts';
import { markingOf } from './wire-list.ts';

/** What a layered layout needs to know: boxes with ports in order on their sides, and what joins them. Lengths in drawing units. */
export interface DiagramGraph {
  readonly id: string;
  readonly layoutOptions: Readonly<Record<string, string>>;
  readonly children: readonly DiagramBox[];
  readonly edges: readonly DiagramEdge[];
}
interface DiagramBox {
  readonly id: string;
  readonly width: number;
  readonly height: number;
  readonly layoutOptions: Readonly<Record<string, string>>;
  readonly ports: readonly {
    readonly id: string;
    readonly x: number;
    readonly y: number;
    readonly width: number;
    readonly height: number;
    readonly layoutOptions: Readonly<Record<string, string>>;
  }[];
}
interface DiagramEdge {
  readonly id: string;
  readonly sources: readonly string[];
  readonly targets: readonly string[];
}

/** The same with places, as the layout engine gives it back. */
export interface LaidGraph {
  readonly width?: number;
  readonly height?: number;
  readonly children?: readonly {
    readonly id: string;
    readonly x?: number;
    readonly y?: number;
    readonly width?: number;
    readonly height?: number;
  }[];
  readonly edges?: readonly {
    readonly id: string;
    readonly sections?: readonly {
      readonly startPoint: Point;
      readonly endPoint: Point;
      readonly bendPoints?: readonly Point[];
    }[];
  }[];
}

const PITCH = 24; // between ports of a side
const HEAD = 18; // above a box, for its name
const LETTER = 6.4; // width of one, about
const [LEAST_WIDTH, MOST_WIDTH, LEAST_HEIGHT] = [84, 140, 40];
const [NAME, SMALL] = [12.5, 11.5]; // heights of letters

type Side = TerminalSpec['side'];
const sides: Record<Side, string> = { feed: 'WEST', back: 'EAST', control: 'SOUTH' };
/** Terminals by `device:terminal` on which a wire ends. */
type Wired = ReadonlySet<string>;
const isUnit = (device: Device): boolean => device.kind === 'controlUnit' || device.kind === 'pumpController';
/** What is drawn of a device: of a unit only what is wired, or it would be all terminals. */
const terminalsOn = (device: Device, side: Side, wired: Wired) =>
  Object.entries(kindOfDevice(device).terminals(device)).filter(
    ([key, t]) => t.side === side && (!isUnit(device) || wired.has(`${device.id}:${key}`)),
  );

function sizeOf(device: Device, wired: Wired): { width: number; height: number } {
  const named = Math.min(MOST_WIDTH, deviceName(device).length * LETTER + 10);
  if (device.kind === 'earthPoint') return { width: Math.max(54, named), height: 34 + HEAD };
  if (device.kind === 'splice') return { width: Math.max(40, named), height: 24 + HEAD };
  const rows = Math.max(terminalsOn(device, 'feed', wired).length, terminalsOn(device, 'back', wired).length, 1);
  const below = terminalsOn(device, 'control', wired).length;
  const width = Math.max(LEAST_WIDTH, below * (isUnit(device) ? 92 : 44), isUnit(device) ? 140 : 0, named);
  return { width, height: Math.max(LEAST_HEIGHT, rows * PITCH + (below > 0 ? 32 : 10)) + HEAD };
}

/** Where a terminal is on its box, from the box's upper left corner. */
function portPlace(device: Device, terminal: string, wired: Wired): Point {
  const { width, height } = sizeOf(device, wired);
  const spec = kindOfDevice(device).terminals(device)[terminal]!;
  const row = terminalsOn(device, spec.side, wired);
  const at = row.findIndex(([key]) => key === terminal);
  if (spec.side === 'control') return { x: (width * (at + 1)) / (row.length + 1), y: height };
  const body = height - HEAD - (terminalsOn(device, 'control', wired).length > 0 ? 18 : 0);
  return { x: spec.side === 'feed' ? 0 : width, y: HEAD + (body * (at + 1)) / (row.length + 1) };
}

/** “12 AWG”, or mm² where no gauge of the table is as thick. */
export function sayConductor(area: number): string {
  const awg = wireGauges.find((g) => Math.abs(gaugeArea(g) / area - 1) < 0.01);
  return awg === undefined ? formatQuantity('area', area) : `${awg} AWG`;
}

/** The circuit as boxes with ports and wires between, fed from the left. What is taken out of the harness is not drawn. */
export function diagramGraph(harness: Harness): DiagramGraph {
  const wired = wiredPlaces(harness);
  return {
    id: 'circuit',
    layoutOptions: {
      'elk.algorithm': 'layered',
      'elk.direction': 'RIGHT',
      'elk.edgeRouting': 'ORTHOGONAL',
      'elk.spacing.nodeNode': '22',
      'elk.spacing.edgeNode': '14',
      'elk.spacing.edgeEdge': '15',
      'elk.layered.spacing.nodeNodeBetweenLayers': '64',
      'elk.layered.spacing.edgeNodeBetweenLayers': '14',
      'elk.layered.spacing.edgeEdgeBetweenLayers': '15',
      'elk.layered.considerModelOrder.strategy': 'NODES_AND_EDGES',
      'elk.layered.nodePlacement.strategy': 'NETWORK_SIMPLEX',
      'elk.layered.wrapping.strategy': 'MULTI_EDGE',
      'elk.aspectRatio': '1.05',
      'elk.layered.wrapping.correctionFactor': '1.2',
      'elk.randomSeed': '1',
      'elk.padding': '[top=12,left=12,bottom=12,right=12]',
    },
    children: devicesOf(harness).map((device): DiagramBox => ({
      id: device.id,
      ...sizeOf(device, wired),
      layoutOptions: { 'elk.portConstraints': 'FIXED_POS' },
      ports: (['feed', 'back', 'control'] as const)
        .flatMap((side) => terminalsOn(device, side, wired))
        .map(([key, spec]) => ({
          id: `${device.id}:${key}`,
          ...portPlace(device, key, wired),
          width: 0,
          height: 0,
          layoutOptions: { 'elk.port.side': sides[spec.side] },
        })),
    })),
    edges: wiresOf(harness).map((wire): DiagramEdge => ({
      id: wire.id,
      sources: [`${wire.from.device}:${wire.from.terminal}`],
      targets: [`${wire.to.device}:${wire.to.terminal}`],
    })),
  };
}

/** All strokes of one wire or device. */
export interface DiagramGroup {
  readonly id: string;
  readonly isWire: boolean;
  readonly shapes: readonly Shape[];
}
export interface Diagram {
  readonly width: number;
  readonly height: number;
  readonly groups: readonly DiagramGroup[];
}

const WEIGHT = { live: 2.6, pump: 2.6, earth: 2.6, switched: 1.5, coil: 1.5, signal: 1.3 } as const;

/** The drawing of a circuit that has been laid out. Wires first, so that boxes lie over them. */
export function diagramOf(harness: Harness, laid: LaidGraph): Diagram {
  const wired = wiredPlaces(harness);
  const wires = new Map(wiresOf(harness).map((w) => [w.id, w]));
  const devices = new Map(devicesOf(harness).map((d) => [d.id, d]));
  const drawnWires = (laid.edges ?? []).flatMap((edge): DiagramGroup[] => {
    const wire = wires.get(edge.id);
    if (!wire) return [];
    const paths = (edge.sections ?? []).map((s): Shape => ({
      kind: 'path',
      points: [s.startPoint, ...(s.bendPoints ?? []), s.endPoint],
      weight: wire.use ? WEIGHT[wire.use] : 1.5,
      ...(wire.shield && wire.shield !== 'none' ? { dash: '7 3' } : {}),
    }));
    const words = wireWords(harness, wire, paths);
    return [{ id: edge.id, isWire: true, shapes: [...paths, ...words] }];
  });
  const boxes = (laid.children ?? []).flatMap((box): DiagramGroup[] => {
    const device = devices.get(box.id);
    return device
      ? [{ id: box.id, isWire: false, shapes: deviceShapes(device, { x: box.x ?? 0, y: box.y ?? 0 }, wired) }]
      : [];
  });
  return { width: laid.width ?? 0, height: laid.height ?? 0, groups: [...drawnWires, ...boxes] };
}

/** Number and gauge, above the longest level stretch of a wire. */
function wireWords(harness: Harness, wire: Wire, paths: readonly Shape[]): Shape[] {
  const number = (harness.wires ?? []).indexOf(wire) + 1;
  const text = [markingOf(harness, wire, number), wire.area ? sayConductor(wire.area.si) : '']
    .filter(Boolean)
    .join(' · ');
  const levels = paths.flatMap((path) =>
    path.kind === 'path'
      ? path.points.slice(1).flatMap((b, i) => {
          const a = path.points[i]!;
          return Math.abs(a.y - b.y) < 0.5 ? [{ y: a.y, from: Math.min(a.x, b.x), to: Math.max(a.x, b.x) }] : [];
        })
      : [],
  );
  if (levels.length === 0) return [];
  const long = levels.reduce((a, b) => (b.to - b.from > a.to - a.from ? b : a));
  // beside one another on a long way, words stand at different places along it
  const share = long.to - long.from > 260 ? 0.15 + 0.7 * ((number * 0.381966) % 1) : 0.5;
  return [
    { kind: 'text', x: long.from + (long.to - long.from) * share, y: long.y - 4, text, size: SMALL, anchor: 'middle' },
  ];
}

function deviceShapes(device: Device, at: Point, wired: Wired): Shape[] {
  const { width, height } = sizeOf(device, wired);
  const [left, top, right, bottom] = [at.x, at.y + HEAD, at.x + width, at.y + height];
  const middle = { x: (left + right) / 2, y: (top + bottom) / 2 };
  const name = deviceName(device);
  const room = Math.max(8, Math.floor(width / LETTER) + 1);
  const head: Shape = {
    kind: 'text',
    x: middle.x,
    y: at.y + HEAD - 5,
    text: name.length > room ? `${name.slice(0, room - 1)}…` : name,
    size: NAME,
    anchor: 'middle',
    bold: true,
  };
  const line = (...points: [number, number][]): Shape => ({
    kind: 'path',
    weight: 1.5,
    points: points.map(([x, y]) => ({ x, y })),
  });
  const word = (text: string, x: number, y: number, anchor: 'start' | 'middle' | 'end' = 'middle'): Shape => ({
    kind: 'text',
    x,
    y,
    text,
    size: SMALL,
    anchor,
  });
  if (device.kind === 'earthPoint') {
    const y = at.y + portPlace(device, 'point', wired).y;
    const x = left + 18;
    return [
      head,
      line([left, y], [x, y]),
      line([x, y - 12], [x, y + 12]),
      line([x + 5, y - 8], [x + 5, y + 8]),
      line([x + 10, y - 4], [x + 10, y + 4]),
      word('31', x + 16, y + 4, 'start'),
    ];
  }
  if (device.kind === 'splice') {
    const y = at.y + portPlace(device, 'in', wired).y;
    return [head, line([left, y], [right, y]), { kind: 'circle', x: middle.x, y, radius: 4, fill: 'ink' }];
  }
  const shown = (['feed', 'back', 'control'] as const).flatMap((side) => terminalsOn(device, side, wired));
  const ports = shown.map(([key, spec]): Shape => {
    const p = portPlace(device, key, wired);
    const text = spec.din ?? (NAMED.has(device.kind) ? shortName(spec.name) : '');
    if (spec.side === 'control') return word(text, at.x + p.x, bottom - 4);
    return spec.side === 'feed'
      ? word(text, left + 4, at.y + p.y + 4, 'start')
      : word(text, right - 4, at.y + p.y + 4, 'end');
  });
  return [
    head,
    { kind: 'box', fill: 'paper', x: left, y: top, width, height: bottom - top },
    ...symbolOf(device, middle, (t) => at.y + portPlace(device, t, wired).y, line, word),
    ...ports,
  ];
}

/** Kinds whose terminals have no numbers of their own. */
const NAMED: ReadonlySet<string> = new Set(['controlUnit', 'pumpController', 'pressureSensorPlug', 'converter']);
const shortName = (name: string): string =>
  name
    .replace(/^(sensor|second) /, (m) => `${m.slice(0, 3)}. `)
    .replace('output', 'out')
    .replace('supply, 5 V', '5 V')
    .slice(0, 13);

type Line = (...points: [number, number][]) => Shape;
type Word = (text: string, x: number, y: number) => Shape;

/** What is drawn inside a box: the graphical symbols of IEC 60617, plainly. */
function symbolOf(device: Device, m: Point, level: (terminal: string) => number, line: Line, word: Word): Shape[] {
  const circle = (radius: number, text: string, y = m.y): Shape[] => [
    { kind: 'circle', fill: 'paper', x: m.x, y, radius },
    word(text, m.x, y + 4),
  ];
  const contact = (y: number): Shape[] => [
    line([m.x - 18, y], [m.x - 8, y], [m.x + 8, y - 9]),
    line([m.x + 8, y], [m.x + 18, y]),
  ];
  const resistor = (y: number): Shape[] => [
    { kind: 'box', fill: 'paper', x: m.x - 12, y: y - 5, width: 24, height: 10 },
  ];
  const opens = protective(device);
  if (opens)
    return [
      ...resistor(level('in')),
      line([m.x - 20, level('in')], [m.x + 20, level('in')]),
      word(opens.rating ? `${opens.rating.si} A` : '? A', m.x, level('in') - 9),
    ];
  switch (device.kind) {
    case 'battery':
      return [line([m.x - 6, m.y - 12], [m.x - 6, m.y + 12]), line([m.x + 2, m.y - 6], [m.x + 2, m.y + 6])];
    case 'alternator':
      return circle(12, 'G');
    case 'relay':
      return [
        ...contact(level('30')),
        { kind: 'box', fill: 'paper', x: m.x - 10, y: level('30') + 9, width: 20, height: 9 },
      ];
    case 'keySwitch':
      return contact(level('15'));
    case 'inertiaSwitch':
      return [...contact(level('in')), word('m', m.x, level('in') + 13)];
    case 'oilSwitch':
      return [...contact(level('in')), word('p', m.x, level('in') + 13)];
    case 'connector':
      return [
        line([m.x - 4, level('in') - 6], [m.x + 4, level('in')], [m.x - 4, level('in') + 6]),
        word((device.pins ?? 1) > 1 ? `× ${device.pins}` : '', m.x, level('in') + 16),
      ];
    case 'stud':
      return [{ kind: 'circle', fill: 'paper', x: m.x, y: level('in'), radius: 6 }];
    case 'pumpLoad':
      return circle(13, 'M', level('plus'));
    case 'otherLoad':
      return [line([m.x - 8, m.y - 8], [m.x + 8, m.y + 8]), line([m.x - 8, m.y + 8], [m.x + 8, m.y - 8])];
    case 'levelSender':
      return [...resistor(level('signal')), line([m.x - 12, level('signal') + 11], [m.x + 12, level('signal') - 11])];
    case 'levelGauge':
      return [...circle(12, '', level('feed')), line([m.x, level('feed') + 6], [m.x + 7, level('feed') - 7])];
    case 'stabiliser':
      return [word(`${device.volts?.si ?? 10} V`, m.x, m.y + 4)];
    default:
      return [];
  }
}

/** The same as a drawing of its own. */
export const diagramDrawing = ({ width, height, groups }: Diagram, title: string): Drawing => ({
  title,
  left: 0,
  top: 0,
  width,
  height,
  isTrueSize: false,
  groups: groups.map(({ id, shapes }) => ({ id, shapes: [...shapes] })),
});
