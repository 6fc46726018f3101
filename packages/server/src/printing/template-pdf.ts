import { templateSvg, type Template } from '@endrel/core/hangers/plate-template';
import { pdfOf, POINTS_PER_MM } from './pdf.ts';

const A4 = { width: 210, height: 297 }; // mm, ISO 216
const MARGIN = 8; // mm, what printers leave blank

/** The template on one page at true size: A4 where it fits, else a page of its own size. */
export async function templatePdf(template: Template): Promise<Buffer> {
  const { width, height } = template;
  const fits = width <= A4.width - 2 * MARGIN && height <= A4.height - 2 * MARGIN;
  const page = fits ? A4 : { width: width + 2 * MARGIN, height: height + 2 * MARGIN };
  const svg = templateSvg(template)
    .replace(/^<\?xml.*\?>\s*/, '')
    .replaceAll('font-family="sans-serif"', 'font-family="Roboto"')
    .replaceAll('⌀', 'Ø'); // the font that comes with the library has this sign
  return pdfOf({
    pageSize: { width: page.width * POINTS_PER_MM, height: page.height * POINTS_PER_MM },
    pageMargins: MARGIN * POINTS_PER_MM,
    content: [{ svg, width: width * POINTS_PER_MM, height: height * POINTS_PER_MM }],
  });
}
