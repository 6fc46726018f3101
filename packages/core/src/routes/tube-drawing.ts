import { toDegrees } from '../units/quick.ts';
import type { Template, TemplateShape } from '../hangers/plate-template.ts';
import type { TubeRequest } from './tube-request.ts';
import { pointsOfTable } from './bend-table.ts';
import { lengthOfLine, type CentreLine } from './centre-line.ts';
import { bentLine } from './tube-line.ts';

const PAGE = { width: 190, height: 270 }; // mm, of A4 within what printers leave blank
const STRIP = 250; // mm of tube on one strip
const GAP = 8; // mm between strips, for scissors
const RULER = 100;

/** Pages of a tube: the strips that wrap round it at true size, then its views to scale. mm. */
export function tubeTemplates(request: TubeRequest): Template[] {
  return [...stripPages(request), viewPage(request)];
}

/** As wide as the tube is round; a mark across for each bend, with a cross where the inside of the bend comes. */
function stripPages({ title, outside, cut, steps }: TubeRequest): Template[] {
  const round = Math.PI * outside * 1000;
  const onPage = Math.max(1, Math.floor((PAGE.width + GAP) / (round + GAP)));
  const strips = Math.ceil((cut * 1000) / STRIP);
  let turned = 0;
  const marks = steps.map((s) => {
    turned += s.turn;
    const share = turned / (2 * Math.PI);
    return { ...s, at: s.mark * 1000, across: (share - Math.floor(share)) * round };
  });
  return Array.from({ length: Math.ceil(strips / onPage) }, (_, page) => {
    const shapes: TemplateShape[] = [];
    const line = (
      from: readonly [number, number],
      to: readonly [number, number],
      layer: TemplateShape['layer'] = 'note',
    ) => shapes.push({ kind: 'line', from, to, layer });
    const text = (x: number, y: number, words: string, height = 2.4) =>
      shapes.push({ kind: 'text', x, y, height, text: words, layer: 'note' });
    const top = PAGE.height / 2 - 14;
    text(
      -PAGE.width / 2,
      top + 8,
      `${title}: wrap round the tube, edges together, arrow towards its end (${page + 1} of ${Math.ceil(strips / onPage)})`,
      3.2,
    );
    for (let k = 0; k < onPage; k++) {
      const strip = page * onPage + k;
      if (strip >= strips) break;
      const from = strip * STRIP;
      const to = Math.min(from + STRIP, cut * 1000);
      const x = -PAGE.width / 2 + k * (round + GAP);
      const y = (s: number) => top - (s - from);
      line([x, y(from)], [x + round, y(from)], 'cut');
      line([x, y(to)], [x + round, y(to)], 'cut');
      line([x, y(from)], [x, y(to)], 'cut');
      line([x + round, y(from)], [x + round, y(to)], 'cut');
      for (let s = Math.ceil(from / 10) * 10; s <= to; s += 10) {
        line([x, y(s)], [x + (s % 50 === 0 ? 5 : 2.5), y(s)]);
        if (s % 50 === 0) text(x + 5.5, y(s) - 0.8, String(s), 2);
      }
      text(x + 1, y(to) + 1.2, strip + 1 < strips ? `strip ${strip + 2} goes on here` : 'end', 2);
      for (const [i, m] of marks.entries()) {
        if (m.at < from || m.at > to) continue;
        line([x, y(m.at)], [x + round, y(m.at)], 'cut');
        line([x + m.across - 1.6, y(m.at) - 1.6], [x + m.across + 1.6, y(m.at) + 1.6], 'cut');
        line([x + m.across - 1.6, y(m.at) + 1.6], [x + m.across + 1.6, y(m.at) - 1.6], 'cut');
        text(x + 1, y(m.at) - 3, `${i + 1}: ${sayAngle(m.angle)}, dial ${sayAngle(m.setTo)}`, 2);
      }
    }
    const ruler = -PAGE.height / 2 + 4;
    line([-RULER / 2, ruler], [RULER / 2, ruler]);
    for (let i = 0; i <= RULER; i += 10) line([-RULER / 2 + i, ruler], [-RULER / 2 + i, ruler + 3]);
    text(-RULER / 2, ruler - 4, 'Check with a rule: this line is 100 mm long. If it is not, print at 100 %.', 2.4);
    return { title, shapes, width: PAGE.width, height: PAGE.height, top: PAGE.height / 2 };
  });
}

const sayAngle = (rad: number): string => `${toDegrees(rad).toFixed(1)}°`;

/** From above and from the side, as it lies in the vehicle where that is known, else in its own axes. */
function viewPage({ title, table, radius, corners }: TubeRequest): Template {
  const centre = bentLine(corners ? corners : pointsOfTable(table, radius), radius);
  const shapes: TemplateShape[] = [];
  const text = (x: number, y: number, words: string, height = 3) =>
    shapes.push({ kind: 'text', x, y, height, text: words, layer: 'note' });
  const half = PAGE.height / 2;
  text(
    -PAGE.width / 2,
    half - 8,
    `${title}: ${(lengthOfLine(centre) * 1000).toFixed(0)} mm developed, bends on ${(radius * 1000).toFixed(1)} mm`,
    3.6,
  );
  oneView(shapes, centre, [0, 1, -1], half - 16, 'From above');
  oneView(shapes, centre, [0, 2, 1], -4, 'From the left');
  return { title, shapes, width: PAGE.width, height: PAGE.height, top: half };
}

/** @param axes - to the right, upwards, and the sign of that. */
function oneView(
  shapes: TemplateShape[],
  { points }: CentreLine,
  [x, y, sign]: readonly [0, 1 | 2, 1 | -1],
  top: number,
  name: string,
): void {
  const flat = points.map((p): [number, number] => [p[x] * 1000, sign * p[y] * 1000]);
  const [xs, ys] = [flat.map((p) => p[0]), flat.map((p) => p[1])];
  const [left, right, low, high] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const wanted = Math.max((right - left) / (PAGE.width - 10), (high - low) / 95, 1e-6);
  const scale = SCALES.find((s) => s >= wanted) ?? Math.ceil(wanted);
  const at = ([u, v]: readonly [number, number]): [number, number] => [
    -PAGE.width / 2 + 5 + (u - left) / scale,
    top - 12 - (high - v) / scale,
  ];
  flat.slice(1).forEach((p, i) => shapes.push({ kind: 'line', from: at(flat[i]!), to: at(p), layer: 'cut' }));
  shapes.push({
    kind: 'text',
    x: -PAGE.width / 2,
    y: top - 4,
    height: 3,
    text: `${name}, 1 to ${scale}: ${(right - left).toFixed(0)} by ${(high - low).toFixed(0)} mm`,
    layer: 'note',
  });
}
const SCALES = [1, 2, 2.5, 5, 10, 20, 25, 50, 100];
