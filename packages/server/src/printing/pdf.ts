import { createRequire } from 'node:module';
import path from 'node:path';
import * as fontkit from 'fontkit';
import pdfmake from 'pdfmake';
import { InvalidError } from '../errors.ts';

export const POINTS_PER_MM = 72 / 25.4;

const require = createRequire(import.meta.url);
const dejavu = path.join(path.dirname(require.resolve('dejavu-fonts-ttf/package.json')), 'ttf');
const second = {
  normal: path.join(dejavu, 'DejaVuSansCondensed.ttf'),
  bold: path.join(dejavu, 'DejaVuSansCondensed-Bold.ttf'),
  italics: path.join(dejavu, 'DejaVuSansCondensed-Oblique.ttf'),
  bolditalics: path.join(dejavu, 'DejaVuSansCondensed-BoldOblique.ttf'),
};
/** The face of every text, and one with arrows and signs for what it lacks. */
const fonts = { ...(require('pdfmake/fonts/Roboto.js') as { Roboto: Record<string, string> }), DejaVu: second };

// nothing is fetched, and of files only the fonts that come with the libraries are read
const isOfLibrary = (file: string): boolean => file.includes('/pdfmake/fonts/') || file.startsWith(dejavu);
pdfmake.setFonts(fonts);
pdfmake.setUrlAccessPolicy(() => false);
pdfmake.setLocalAccessPolicy(isOfLibrary);

type Face = 'Roboto' | 'DejaVu';
const open = (file: string) => fontkit.openSync(file) as fontkit.Font;
const faces: Record<Face, fontkit.Font> = { Roboto: open(fonts.Roboto.normal!), DejaVu: open(second.normal) };

/** Hebrew, Arabic and what is written like them would need turning and joining that no printer here does. */
const RIGHT_TO_LEFT = /[\u0590-\u08ff\ufb1d-\ufdff\ufe70-\ufeff]/;

function faceOf(sign: string): Face | undefined {
  const point = sign.codePointAt(0)!;
  if (point < 0x20 || sign.trim() === '') return 'Roboto';
  if (RIGHT_TO_LEFT.test(sign)) return undefined;
  return (['Roboto', 'DejaVu'] as const).find((face) => faces[face].hasGlyphForCodePoint(point));
}

/** A text in runs of one face each; signs that no face has are noted. */
function runsOf(text: string, missing: Set<string>): { text: string; font: Face }[] {
  const runs: { text: string; font: Face }[] = [];
  for (const sign of text) {
    const font = faceOf(sign);
    if (!font) missing.add(sign);
    const last = runs.at(-1);
    if (last && last.font === (font ?? last.font)) last.text += sign;
    else runs.push({ text: sign, font: font ?? 'Roboto' });
  }
  return runs;
}

/** The same document with every text in faces that have its signs. */
function faced(node: unknown, missing: Set<string>): unknown {
  if (Array.isArray(node)) return node.map((inner) => faced(inner, missing));
  if (typeof node !== 'object' || node === null) return node;
  const held = node as Record<string, unknown>;
  const rest = Object.fromEntries(
    Object.entries(held).map(([key, inner]) => [key, key === 'text' ? inner : faced(inner, missing)]),
  );
  if (typeof held.svg === 'string') return { ...rest, svg: facedSvg(held.svg, missing) };
  if (typeof held.text !== 'string') return rest;
  const runs = runsOf(held.text, missing);
  return runs.length === 1 && runs[0]!.font === 'Roboto' ? { ...rest, text: held.text } : { ...rest, text: runs };
}

/** A drawing has one face for all that is written in it: the second where the first lacks a sign. */
function facedSvg(svg: string, missing: Set<string>): string {
  const written = [...svg.matchAll(/>([^<>]+)</g)].map(([, text]) => text!).join('');
  const isPlain = [...written].every((sign) => faceOf(sign) === 'Roboto');
  runsOf(written, missing);
  return isPlain ? svg : svg.replaceAll('font-family="Roboto"', 'font-family="DejaVu"');
}

/** @throws InvalidError that names the signs which no face here has. */
export function pdfOf(document: Parameters<typeof pdfmake.createPdf>[0]): Promise<Buffer> {
  const missing = new Set<string>();
  const content = faced(document.content, missing);
  if (missing.size > 0)
    throw new InvalidError(
      `These signs cannot be printed, since no face that comes with Endrel has them: ${[...missing].slice(0, 20).join(' ')}. Write the names that hold them in other letters, or print the page from the browser.`,
    );
  return pdfmake.createPdf({ ...document, content } as Parameters<typeof pdfmake.createPdf>[0]).getBuffer();
}
