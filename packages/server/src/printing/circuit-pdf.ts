import { createRequire } from 'node:module';
import type { ELK } from 'elkjs';
import type { CircuitRequest } from '@endrel/core/contract/api';
import { deviceName, kindOfDevice } from '@endrel/core/harness/devices/index';
import { diagramGraph, diagramOf, diagramSvg, sayConductor, type LaidGraph } from '@endrel/core/wiring/diagram';
import { devicesOf } from '@endrel/core/harness/in-circuit';
import { connectorFaces, rollPlans, wireRows } from '@endrel/core/wiring/wire-list';
import { InvalidError } from '../errors.ts';
import { POINTS_PER_MM, pdfOf } from './pdf.ts';

const papers = { a4: { width: 297, height: 210 }, letter: { width: 279.4, height: 215.9 } } as const; // mm, lying: ISO 216, ANSI
const MARGIN = 10; // mm
const HEAD = 12; // mm above the drawing, for the title
const SMALLEST = 0.42; // of the drawing's own size: below it, letters of 10 points cannot be read

// the layout engine is no module of its own
const Engine = createRequire(import.meta.url)('elkjs/lib/elk.bundled.js') as new () => ELK;

/** Diagram on a lying sheet, as large as it will go, then the lists. Widths in mm at 72 points to the inch. */
export async function circuitPdf({ title, paper, harness }: CircuitRequest): Promise<Buffer> {
  const { width, height } = papers[paper];
  if (devicesOf(harness).length === 0)
    throw new InvalidError('There is no circuit to print yet: it has no device that its wires could join.');
  const laid = (await new Engine()
    .layout(diagramGraph(harness) as unknown as Parameters<ELK['layout']>[0])
    .catch((error: unknown) => {
      throw new InvalidError(
        `The circuit cannot be laid out: ${error instanceof Error ? error.message : String(error)}.`,
      );
    })) as LaidGraph;
  const diagram = diagramOf(harness, laid);
  const room = { width: (width - 2 * MARGIN) * POINTS_PER_MM, height: (height - 2 * MARGIN - HEAD) * POINTS_PER_MM };
  const scale = Math.min(room.width / diagram.width, room.height / diagram.height, 1);
  // what would be too small goes on a sheet of its own size: to be printed larger, or looked at
  const isTooSmall = scale < SMALLEST;
  const fit = isTooSmall ? SMALLEST : scale;
  const sheet = {
    width: isTooSmall ? Math.max(diagram.width * fit + 2 * MARGIN * POINTS_PER_MM, width * POINTS_PER_MM) : width * POINTS_PER_MM, // prettier-ignore
    height: isTooSmall ? Math.max(diagram.height * fit + (2 * MARGIN + HEAD) * POINTS_PER_MM, height * POINTS_PER_MM) : height * POINTS_PER_MM, // prettier-ignore
  };
  const svg = diagramSvg(diagram, title).replace(/^<\?xml.*\?>\s*/, '').replaceAll('font-family="sans-serif"', 'font-family="Roboto"'); // prettier-ignore
  const rows = wireRows(harness).filter((r) => r.stands !== 'out');
  const heading = (text: string) => ({ text, bold: true, fontSize: 12, margin: [0, 10, 0, 3] as [number, number, number, number] }); // prettier-ignore
  const cell = (text: string) => ({ text, fontSize: 8 });
  const table = (head: readonly string[], body: readonly (readonly string[])[]) => ({
    layout: 'lightHorizontalLines',
    table: {
      headerRows: 1,
      body: [head.map((text) => ({ text, fontSize: 8, bold: true })), ...body.map((row) => row.map(cell))],
    },
  });
  const mm = (metres: number | undefined) => (metres === undefined ? 'open' : `${Math.round(metres * 1000)}`);
  const bought = devicesOf(harness).filter((d) => d.kind === 'fuse' || d.kind === 'relay');
  const faces = connectorFaces(harness).flatMap((f) => f.ways.map((w) => [f.name, w.cavities, w.wires.join(', '), String(w.pins)])); // prettier-ignore
  const cuts = rollPlans(harness).flatMap((p) => [
    ...p.rolls.flatMap((r) => r.pieces.map((x) => [p.colour, sayConductor(p.area), String(x.wire), mm(x.length), `roll of ${mm(r.length)}`])), // prettier-ignore
    ...p.bought.map((x) => [p.colour, sayConductor(p.area), String(x.wire), mm(x.length), 'bought']),
  ]);
  return pdfOf({
    pageSize: sheet,
    pageMargins: MARGIN * POINTS_PER_MM,
    content: [
      { text: `${title}: circuit, terminals by DIN 72552`, bold: true, fontSize: 12, margin: [0, 0, 0, 6] },
      { svg, width: diagram.width * fit, height: diagram.height * fit },
      { ...heading('Wires'), pageBreak: 'before' },
      table(['mark', 'from', 'to', 'for', 'colour', 'conductor', 'mm', 'lies', 'start', 'end'], rows.map((r) => [r.marking, r.from, r.to, r.use, r.colour, `${r.area === undefined ? 'open' : sayConductor(r.area)}${r.conductors > 1 ? ` × ${r.conductors}` : ''}`, mm(r.length), r.lies, r.startEnd, r.finishEnd])), // prettier-ignore
      ...(bought.length > 0 ? [heading('Fuses and relays'), table(['name', 'what'], bought.map((d) => [deviceName(d), kindOfDevice(d).buys?.(d) ?? '']))] : []), // prettier-ignore
      ...(faces.length > 0
        ? [heading('Connector faces'), table(['connector', 'cavities', 'wires', 'pins'], faces)]
        : []),
      ...(cuts.length > 0 ? [heading('Cuts'), table(['colour', 'conductor', 'wire', 'mm', 'off'], cuts)] : []),
      { text: 'Test by bridging 30 and 87 with the relay out, seconds at a time. If relays or crimping are unfamiliar, hand this to an auto electrician. Check the local code; the person who signs is responsible.', fontSize: 8, margin: [0, 10, 0, 0] }, // prettier-ignore
    ],
  });
}
