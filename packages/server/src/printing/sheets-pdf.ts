import type { Content, ContentTable, PageSize, TableCell } from 'pdfmake/interfaces';
import type { SheetsRequest } from '@endrel/core/contract/api';
import type { Cell, Section, SheetDocument, TableSection } from '@endrel/core/documents/document';
import type { Drawing } from '@endrel/core/drawings/drawing';
import { pdfOf, POINTS_PER_MM } from './pdf.ts';
import { printedSvg } from './printed-svg.ts';

const papers = { a4: [210, 297], letter: [215.9, 279.4] } as const; // mm, ISO 216 and ANSI A
const MARGIN = 10; // mm
const HEAD = 16; // mm above a drawing, for what stands at the head of a sheet
const SMALLEST = 0.42; // of a drawing's own size: below it, letters of 10 points cannot be read
const LEAST_BELOW = 3; // nodes of a table's head
const LONG_WORDS = 14; // characters in the mean: what is longer shares the width that is left
const TICK = 9; // points, a side of the box to tick

/** Width and height within the margins, in points. */
interface Room {
  readonly width: number;
  readonly height: number;
}

/** Sheets of one paper, each on pages of its own; a drawing is as large as it will go. @throws InvalidError for signs that no face has. */
export function sheetsPdf({ sheets, paper }: SheetsRequest): Promise<Buffer> {
  const [short, long] = papers[paper];
  const sizeOf = ({ lies }: SheetDocument): [number, number] => (lies === 'upright' ? [short, long] : [long, short]);
  const [width, height] = sizeOf(sheets[0]!);
  const page = sheets.length === 1 ? grown(sheets[0]!, inPoints(width), inPoints(height)) : undefined;
  return pdfOf({
    pageSize: page ?? { width: inPoints(short), height: inPoints(long) },
    ...(page ? {} : { pageOrientation: orientation(sheets[0]!) }),
    pageMargins: inPoints(MARGIN),
    defaultStyle: { fontSize: 9 },
    // no heading stands alone at the foot of a page
    pageBreakBefore: (node, around) =>
      node.headlineLevel === 1 && around.getFollowingNodesOnPage().length <= LEAST_BELOW,
    content: sheets.map((sheet, i): Content => {
      const [w, h] = sizeOf(sheet);
      const room = page
        ? { width: page.width - 2 * inPoints(MARGIN), height: page.height - inPoints(2 * MARGIN + HEAD) }
        : { width: inPoints(w - 2 * MARGIN), height: inPoints(h - 2 * MARGIN - HEAD) };
      return {
        stack: [head(sheet), ...sheet.sections.map((section) => drawn(section, room))],
        ...(i > 0 ? { pageBreak: 'before', pageOrientation: orientation(sheet) } : {}),
      };
    }),
  });
}

const inPoints = (mm: number): number => mm * POINTS_PER_MM;
const orientation = ({ lies }: SheetDocument) => (lies === 'upright' ? ('portrait' as const) : ('landscape' as const));

/** The page, larger than the paper where a drawing could not be read on it: to be printed larger, or looked at. */
function grown({ sections }: SheetDocument, width: number, height: number): Exclude<PageSize, string> & Room {
  const [across, down] = [inPoints(2 * MARGIN), inPoints(2 * MARGIN + HEAD)];
  const wanted = sections.flatMap((s) => (s.as === 'drawing' && !s.drawing.isTrueSize ? [s.drawing] : []));
  const least = (drawing: Drawing) => fitted(drawing, { width: width - across, height: height - down }) < SMALLEST;
  const large = wanted.filter(least);
  return {
    width: Math.max(width, ...large.map((d) => d.width * SMALLEST + across)),
    height: Math.max(height, ...large.map((d) => d.height * SMALLEST + down)),
  };
}

const fitted = (drawing: Drawing, room: Room): number =>
  Math.min(room.width / drawing.width, room.height / drawing.height, 1);

function head({ title, about, stop }: SheetDocument): Content {
  return {
    stack: [
      { text: title, bold: true, fontSize: 13 },
      ...(about.length > 0 ? [{ text: about.join(' · '), color: '#444444' }] : []),
      ...(stop === undefined ? [] : [{ text: stop, bold: true, margin: [0, 4, 0, 0] as Margins }]),
    ],
    margin: [0, 0, 0, 6],
  };
}
type Margins = [number, number, number, number];

function drawn(section: Section, room: Room): Content {
  switch (section.as) {
    case 'table':
      return [...headed(section.heading), tableOf(section)];
    case 'words':
      return [...headed(section.heading), ...section.text.map((text) => ({ text }))];
    case 'figures':
      return [
        ...headed(section.heading),
        ...section.figures.map((f) => ({ text: `${f.name}: ${f.value}${f.note ? ` (${f.note})` : ''}` })),
      ];
    case 'steps':
      return {
        stack: [
          ...headed(section.heading),
          ...(section.about ? [{ text: section.about, color: '#444444' }] : []),
          { ol: section.steps.map((text) => ({ text })) },
        ],
        unbreakable: true,
      };
    case 'drawing': {
      const { drawing } = section;
      const scale = drawing.isTrueSize ? POINTS_PER_MM : Math.max(SMALLEST, fitted(drawing, room));
      const size = { width: drawing.width * scale, height: drawing.height * scale };
      return [...headed(section.heading), { svg: printedSvg(drawing), ...size }];
    }
    case 'caution':
      return { text: section.text, fontSize: 8, margin: [0, 10, 0, 0] };
  }
}

const headed = (heading: string | undefined): Content[] =>
  heading === undefined ? [] : [{ text: heading, bold: true, fontSize: 11, margin: [0, 10, 0, 3], headlineLevel: 1 }];

/** Narrow columns are as wide as they need; the others share the rest. */
function widthOf(cells: readonly Cell[]): '*' | 'auto' {
  const letters = cells.reduce((sum, cell) => sum + (typeof cell === 'string' ? cell : cell.text).length, 0);
  return letters > LONG_WORDS * cells.length ? '*' : 'auto';
}

function tableOf({ columns, rows, ticks }: TableSection): ContentTable {
  const box: TableCell = {
    canvas: [{ type: 'rect', x: 0, y: 0, w: TICK, h: TICK, lineWidth: 0.7, lineColor: '#111111' }],
  };
  const right = (at: number) => (columns[at]?.is === 'figure' ? { alignment: 'right' as const, noWrap: true } : {});
  const cell = (content: Cell, at: number): TableCell => {
    const bold = columns[at]?.is === 'name';
    if (typeof content === 'string') return { text: content, fontSize: 8, bold, ...right(at) };
    return {
      stack: [
        { text: content.text, bold },
        { text: `Still open: ${content.open}`, italics: true },
      ],
      fontSize: 8,
    };
  };
  const heads = columns.map(({ name }, at): TableCell => ({ text: name, fontSize: 8, color: '#444444', ...right(at) }));
  return {
    layout: 'lightHorizontalLines',
    table: {
      headerRows: 1,
      dontBreakRows: true,
      widths: [...(ticks ? [TICK + 2] : []), ...columns.map((_, at) => widthOf(rows.map((row) => row[at] ?? '')))],
      body: [
        [...(ticks ? [''] : []), ...heads],
        ...rows.map((row) => [...(ticks ? [box] : []), ...columns.map((_, at) => cell(row[at] ?? '', at))]),
      ],
    },
  };
}
