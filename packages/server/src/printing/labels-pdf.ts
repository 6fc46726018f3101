import type { LabelsRequest } from '@endrel/core/contract/api';
import { POINTS_PER_MM, pdfOf } from './pdf.ts';

/** Sheets of labels in mm: paper, rows and columns, and the size of one. Common formats of blank sheets. */
const sheets = {
  a4: { width: 210, height: 297, columns: 3, rows: 8, label: [64, 33.9], side: 9, top: 12.9 }, // ISO 216
  letter: { width: 215.9, height: 279.4, columns: 3, rows: 7, label: [66, 36], side: 8.9, top: 13.7 }, // ANSI A
} as const;

const PER_LINE = 26; // characters of the text on a label

/** Labels to print on blank sheets or on plain paper and cut: hairlines show where. */
export async function labelsPdf({ labels, paper }: LabelsRequest): Promise<Buffer> {
  const { width, height, columns, rows, label, side, top } = sheets[paper];
  const cell = (i: number) => {
    const one = labels[i];
    if (!one) return { text: '' };
    const isTag = one.kind !== 'joint';
    return {
      stack: [
        { text: one.head, bold: true, fontSize: isTag ? 22 : 20, characterSpacing: isTag ? 1.5 : 0 },
        {
          text: one.text,
          fontSize: one.text.length > 2 * PER_LINE ? 8 : 10,
          margin: [0, 2, 0, 0] as [number, number, number, number],
        },
      ],
      margin: [8, 6, 6, 0] as [number, number, number, number],
    };
  };
  const count = Math.ceil(labels.length / columns);
  const body = Array.from({ length: Math.max(1, count) }, (_, r) =>
    Array.from({ length: columns }, (_c, c) => cell(r * columns + c)),
  );
  const pages = Array.from({ length: Math.ceil(body.length / rows) }, (_, p) => body.slice(p * rows, (p + 1) * rows));
  return pdfOf({
    pageSize: { width: width * POINTS_PER_MM, height: height * POINTS_PER_MM },
    pageMargins: [side * POINTS_PER_MM, top * POINTS_PER_MM, side * POINTS_PER_MM, 0],
    content: pages.map((page, i) => ({
      ...(i > 0 ? { pageBreak: 'before' as const } : {}),
      table: {
        dontBreakRows: true,
        widths: Array.from({ length: columns }, () => label[0] * POINTS_PER_MM),
        heights: label[1] * POINTS_PER_MM,
        body: page,
      },
      layout: {
        hLineWidth: () => 0.3,
        vLineWidth: () => 0.3,
        hLineColor: () => '#999999',
        vLineColor: () => '#999999',
        paddingLeft: () => 0,
        paddingRight: () => 0,
        paddingTop: () => 0,
        paddingBottom: () => 0,
      },
    })),
  });
}
