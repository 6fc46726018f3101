import { createRequire } from 'node:module';
import pdfmake from 'pdfmake';

export const POINTS_PER_MM = 72 / 25.4;

// nothing is fetched, and of files only the fonts that come with the library are read
const fonts = createRequire(import.meta.url)('pdfmake/fonts/Roboto.js') as Parameters<typeof pdfmake.setFonts>[0];
const isOfLibrary = (path: string): boolean => path.includes('/pdfmake/fonts/');
pdfmake.setFonts(fonts);
pdfmake.setUrlAccessPolicy(() => false);
pdfmake.setLocalAccessPolicy(isOfLibrary);

export const pdfOf = (document: Parameters<typeof pdfmake.createPdf>[0]): Promise<Buffer> =>
  pdfmake.createPdf(document).getBuffer();
