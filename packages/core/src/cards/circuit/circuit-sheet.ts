import type { Section, SheetDocument } from '../../documents/document.ts';
import { deviceName, kindOfDevice, protects } from '../../harness/devices/index.ts';
import type { Harness } from '../../harness/harness.ts';
import { devicesOf } from '../../harness/in-circuit.ts';
import type { Say } from '../../units/unit-system.ts';
import { diagramDrawing, sayConductor, type Diagram } from '../../wiring/diagram.ts';
import { connectorFaces, rollPlans, wireRows } from '../../wiring/wire-list.ts';

const OPEN = 'open';
const CAUTION =
  'Test by bridging 30 and 87 with the relay out, seconds at a time. If relays or crimping are unfamiliar, hand this to an auto electrician. Check the local code; the person who signs is responsible.';

/** A circuit on paper: its diagram once it has been laid out, then its wires, fuses, connectors and cuts. */
export function circuitSheet(harness: Harness, diagram: Diagram, title: string, say: Say): SheetDocument {
  const drawing = diagramDrawing(diagram, title);
  return {
    key: 'circuit',
    title: `${title}: circuit, terminals by DIN 72552`,
    about: [],
    lies: 'across',
    sections: [
      { as: 'drawing', drawing },
      ...listed('Wires', 'wire', WIRE_COLUMNS, wireCells(harness, say)),
      ...listed('Fuses and relays', 'device', ['name', 'what'], deviceCells(harness)),
      ...listed('Connector faces', 'connector', ['connector', 'cavities', 'wires', 'pins'], faceCells(harness)),
      ...listed('Cuts', 'cut', ['colour', 'conductor', 'wire', 'length', 'off'], cutCells(harness, say)),
      { as: 'caution', text: CAUTION },
    ],
  };
}

function listed(heading: string, key: string, columns: readonly string[], rows: string[][]): Section[] {
  if (rows.length === 0) return [];
  const named = columns.map((name) => ({ name, is: FIGURES.has(name) ? ('figure' as const) : ('words' as const) }));
  return [{ as: 'table', key, heading, columns: named, rows, ticks: false }];
}
const FIGURES: ReadonlySet<string> = new Set(['conductor', 'length', 'pins']);
const WIRE_COLUMNS = ['mark', 'from', 'to', 'for', 'colour', 'conductor', 'length', 'lies', 'start', 'end'];

const wireCells = (harness: Harness, say: Say): string[][] =>
  wireRows(harness)
    .filter((r) => r.stands !== 'out')
    .map((r) => [
      r.marking,
      r.from,
      r.to,
      r.use,
      r.colour,
      `${r.area === undefined ? OPEN : sayConductor(r.area)}${r.conductors > 1 ? ` × ${r.conductors}` : ''}`,
      r.length === undefined ? OPEN : say.tape(r.length),
      r.lies,
      r.startEnd,
      r.finishEnd,
    ]);

const deviceCells = (harness: Harness): string[][] =>
  devicesOf(harness)
    .filter((d) => protects(d) || d.kind === 'relay')
    .map((d) => [deviceName(d), kindOfDevice(d).buys?.(d) ?? '']);

const faceCells = (harness: Harness): string[][] =>
  connectorFaces(harness).flatMap((f) => f.ways.map((w) => [f.name, w.cavities, w.wires.join(', '), String(w.pins)]));

const cutCells = (harness: Harness, say: Say): string[][] =>
  rollPlans(harness).flatMap((p) => [
    ...p.rolls.flatMap((r) =>
      r.pieces.map((x) => [
        p.colour,
        sayConductor(p.area),
        String(x.wire),
        say.tape(x.length),
        `roll of ${say.tape(r.length)}`,
      ]),
    ),
    ...p.bought.map((x) => [p.colour, sayConductor(p.area), String(x.wire), say.tape(x.length), 'bought']),
  ]);
