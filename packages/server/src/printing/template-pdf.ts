import { templateDrawing, type Template } from '@endrel/core/hangers/plate-template';
import { pdfOf, POINTS_PER_MM } from './pdf.ts';
import { printedSvg } from './printed-svg.ts';

const A4 = { width: 210, height: 297 }; // mm, ISO 216
const MARGIN = 8; // mm, what printers leave blank

/** Templates on a page each at true size, all of one size: A4 where they fit, else a page as large as the largest. */
export async function templatesPdf(templates: readonly Template[]): Promise<Buffer> {
  const width = Math.max(...templates.map((t) => t.width));
  const height = Math.max(...templates.map((t) => t.height));
  const fits = width <= A4.width - 2 * MARGIN && height <= A4.height - 2 * MARGIN;
  const page = fits ? A4 : { width: width + 2 * MARGIN, height: height + 2 * MARGIN };
  return pdfOf({
    pageSize: { width: page.width * POINTS_PER_MM, height: page.height * POINTS_PER_MM },
    pageMargins: MARGIN * POINTS_PER_MM,
    content: templates.map((template, i) => ({
      svg: printedSvg(templateDrawing(template)),
      width: template.width * POINTS_PER_MM,
      height: template.height * POINTS_PER_MM,
      ...(i > 0 ? { pageBreak: 'before' as const } : {}),
    })),
  });
}
