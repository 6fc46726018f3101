import type { Drawing, Shape } from './drawing.ts';

const WEIGHT = 1.4; // of an outline that does not say its own
const INK = '#111';
const fills = { ink: INK, paper: '#fff' } as const;

const escaped = (text: string): string =>
  text.replace(/[&<>"]/g, (c) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[c]!);
const n = (value: number): string => String(Number(value.toFixed(3)) || 0); // no -0

/** A drawing as an SVG file of its own; at true size its millimetres are millimetres. @param font - a face that whoever shows it has. */
export function drawingSvg(
  { title, left, top, width, height, isTrueSize, groups }: Drawing,
  font = 'sans-serif',
): string {
  const body = groups.map((g) => `<g id="${escaped(g.id)}">${g.shapes.map((s) => element(s, font)).join('')}</g>`);
  const unit = isTrueSize ? 'mm' : '';
  return `<?xml version="1.0" encoding="UTF-8"?>
<svg xmlns="http://www.w3.org/2000/svg" width="${n(width)}${unit}" height="${n(height)}${unit}" viewBox="${n(left)} ${n(top)} ${n(width)} ${n(height)}"><title>${escaped(title)}</title>
${body.join('\n')}
</svg>
`;
}

function element(s: Shape, font: string): string {
  switch (s.kind) {
    case 'path':
      return pathElement(s);
    case 'box':
      return `<rect x="${n(s.x)}" y="${n(s.y)}" width="${n(s.width)}" height="${n(s.height)}" ${outline(s)}/>`;
    case 'circle':
      return `<circle cx="${n(s.x)}" cy="${n(s.y)}" r="${n(s.radius)}" ${outline(s)}/>`;
    case 'text':
      return `<text x="${n(s.x)}" y="${n(s.y)}" font-size="${n(s.size)}" text-anchor="${s.anchor}" font-family="${font}"${s.bold ? ' font-weight="600"' : ''}>${escaped(s.text)}</text>`;
  }
}

function pathElement({ points, weight, dash }: Extract<Shape, { kind: 'path' }>): string {
  const pen = stroke({ weight, dash });
  const [a, b] = points;
  if (points.length === 2) return `<line x1="${n(a!.x)}" y1="${n(a!.y)}" x2="${n(b!.x)}" y2="${n(b!.y)}" ${pen}/>`;
  return `<polyline points="${points.map((p) => `${n(p.x)},${n(p.y)}`).join(' ')}" fill="none" ${pen}/>`;
}

type Pen = { readonly weight?: number | undefined; readonly dash?: string | undefined };
const stroke = ({ weight = WEIGHT, dash }: Pen): string =>
  `stroke="${INK}" stroke-width="${n(weight)}"${dash === undefined ? '' : ` stroke-dasharray="${dash}"`}`;
const outline = ({ fill, ...pen }: Pen & { readonly fill?: keyof typeof fills | undefined }): string =>
  `fill="${fill === undefined ? 'none' : fills[fill]}" ${stroke(pen)}`;
