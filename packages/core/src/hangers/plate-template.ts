import type { Drawing, Shape } from '../drawings/drawing.ts';
import type { OringGroove } from './oring-groove.ts';
import type { SockAdapter } from './sock-adapter.ts';
import { studHole, type RingPlate } from './ring-plate.ts';

/** One line of a drawing at true size, mm, y up, origin in the middle of the plate. */
export type TemplateShape =
  | { readonly kind: 'circle'; readonly x: number; readonly y: number; readonly radius: number; readonly layer: Layer }
  | {
      readonly kind: 'line';
      readonly from: readonly [number, number];
      readonly to: readonly [number, number];
      readonly layer: Layer;
    }
  | {
      readonly kind: 'text';
      readonly x: number;
      readonly y: number;
      readonly height: number;
      readonly text: string;
      readonly layer: Layer;
    };
export type Layer = 'cut' | 'centre' | 'note';

export interface Template {
  readonly title: string;
  readonly shapes: readonly TemplateShape[];
  /** Size with margins, mm, centred on the origin but for the ruler below. */
  readonly width: number;
  readonly height: number;
  /** y of the top edge. */
  readonly top: number;
}

const RULER = 100; // mm, the length that is checked with a rule after printing
const MARGIN = 8;

export const templateKinds = ['ring', 'drill', 'cover', 'adapter'] as const;
export type TemplateKind = (typeof templateKinds)[number];

/**
 * The ring to cut (`ring`), what to drill in the tank (`drill`), or the hanger's own plate with its ports (`cover`), with a
 * ruler to check the print by. A port whose hole is not measured is marked by its middle only.
 */
export function plateTemplate(
  plate: RingPlate,
  kind: Exclude<TemplateKind, 'adapter'>,
  title: string,
  groove?: OringGroove,
): Template {
  const mm = (v: number) => v * 1000;
  const outer = mm(kind !== 'drill' ? plate.outside : (plate.boltCircle ?? plate.hole) + 3 * plate.studSize) / 2;
  const shapes: TemplateShape[] = [];
  const circle = (x: number, y: number, diameter: number, layer: Layer) =>
    shapes.push({ kind: 'circle', x: mm(x), y: mm(y), radius: mm(diameter) / 2, layer });
  const line = (from: readonly [number, number], to: readonly [number, number], layer: Layer) =>
    shapes.push({ kind: 'line', from, to, layer });
  const text = (x: number, y: number, words: string, height = 3) =>
    shapes.push({ kind: 'text', x, y, height, text: words, layer: 'note' });
  if (kind !== 'drill') circle(0, 0, plate.outside, 'cut');
  if (kind !== 'cover') circle(0, 0, plate.hole, 'cut');
  else
    for (const port of plate.ports) {
      if (port.hole !== undefined) circle(port.x, port.y, port.hole, 'cut');
      cross(mm(port.x), mm(port.y), mm(port.hexagon) / 2);
      text(mm(port.x) + 1.5, mm(port.y) + 1.5, port.is === 'stud' ? `${port.label}: insulated stud` : port.label, 2.6);
    }
  if (plate.boltCircle !== undefined) circle(0, 0, plate.boltCircle, 'centre');
  if (groove && kind === 'ring') {
    circle(0, 0, groove.inside, 'cut');
    circle(0, 0, groove.outside, 'cut');
  }
  for (const { x, y } of plate.studs) {
    circle(x, y, studHole(plate.studSize), 'cut');
    cross(mm(x), mm(y), mm(plate.studSize));
  }
  cross(0, 0, mm(plate.hole) / 8);
  text(-outer + 2, outer + 3, title, 3.5);
  text(
    -outer + 2,
    -outer - 4.5,
    [
      ...(kind === 'cover' ? [] : [`hole ${size(plate.hole)}`]),
      ...(plate.boltCircle === undefined
        ? ['moulded lid']
        : [`bolt circle ${size(plate.boltCircle)}`, `${plate.studs.length} × ${size(studHole(plate.studSize))}`]),
      ...(groove && kind === 'ring'
        ? [
            `O-ring groove ${size(groove.inside)} to ${size(groove.outside)}, ${Number((groove.depth * 1000).toFixed(2))} mm deep`,
          ]
        : []),
    ].join(', '),
  );
  return withRuler(title, shapes, outer);

  function cross(x: number, yy: number, reach: number) {
    line([x - reach, yy], [x + reach, yy], 'centre');
    line([x, yy - reach], [x, yy + reach], 'centre');
  }
}

/** The drawing with a ruler under it. @param reach - mm, from the middle to its edge. */
function withRuler(title: string, shapes: TemplateShape[], reach: number): Template {
  const y = -reach - 16;
  const left = -RULER / 2;
  const line = (from: readonly [number, number], to: readonly [number, number]) =>
    shapes.push({ kind: 'line', from, to, layer: 'note' });
  line([left, y], [left + RULER, y]);
  for (let i = 0; i <= RULER; i += 5) line([left + i, y], [left + i, y + (i % 10 === 0 ? 4 : 2)]);
  shapes.push({
    kind: 'text',
    x: left,
    y: y - 5,
    height: 2.6,
    text: 'Check with a rule: this line is 100 mm long. If it is not, print at 100 % without fitting to the page.',
    layer: 'note',
  });
  const half = Math.max(reach, RULER / 2) + MARGIN;
  const top = reach + 3 + 3.5 + MARGIN;
  return { title, shapes, width: 2 * half, height: top - (y - 5 - MARGIN), top };
}

/** A collar for a sock cut along its middle, at true size: both walls, the bore between them, the clip's groove. */
export function adapterTemplate(adapter: SockAdapter, title: string): Template {
  const mm = (v: number) => v * 1000;
  const [bore, outside, length] = [mm(adapter.bore) / 2, mm(adapter.outside) / 2, mm(adapter.length)];
  const { from, width, depth } = adapter.groove;
  const shapes: TemplateShape[] = [];
  const line = (a: readonly [number, number], b: readonly [number, number], layer: Layer = 'cut') =>
    shapes.push({ kind: 'line', from: a, to: b, layer });
  const low = -length / 2;
  const g = [low + mm(from), low + mm(from) + mm(width)] as const;
  for (const side of [-1, 1]) {
    const corners = [
      [bore, low],
      [outside, low],
      [outside, g[0]],
      [outside - mm(depth), g[0]],
      [outside - mm(depth), g[1]],
      [outside, g[1]],
      [outside, -low],
      [bore, -low],
    ] as const;
    corners.forEach(([x, y], i) => {
      const [nx, ny] = corners[(i + 1) % corners.length]!;
      line([side * x, y], [side * nx, ny]);
    });
  }
  line([0, low - 4], [0, -low + 4], 'centre');
  const reach = Math.max(outside, length / 2) + 4;
  const say = (y: number, text: string, height = 3) =>
    shapes.push({ kind: 'text', x: -reach, y, height, text, layer: 'note' });
  say(reach + 3, title, 3.5);
  say(
    -reach - 4.5,
    `bore ${size(adapter.bore)}, outside ${size(adapter.outside)}, ${Number(length.toFixed(1))} mm long, groove ${Number(mm(width).toFixed(1))} wide and ${Number(mm(depth).toFixed(1))} deep`,
  );
  return withRuler(title, shapes, reach);
}

const size = (metres: number): string => `⌀ ${Number((metres * 1000).toFixed(2))} mm`;

const pens: Record<Layer, { readonly weight: number; readonly dash?: string }> = {
  cut: { weight: 0.3 },
  centre: { weight: 0.15, dash: '4 1 1 1' },
  note: { weight: 0.2 },
};

/** The template as a drawing at true size: y runs the other way there. */
export function templateDrawing({ title, shapes, width, height, top }: Template): Drawing {
  const drawn = shapes.map((s): Shape => {
    switch (s.kind) {
      case 'circle':
        return { kind: 'circle', x: s.x, y: -s.y, radius: s.radius, ...pens[s.layer] };
      case 'line':
        return { kind: 'path', points: [s.from, s.to].map(([x, y]) => ({ x, y: -y })), ...pens[s.layer] };
      case 'text':
        return { kind: 'text', x: s.x, y: -s.y, size: s.height, text: s.text, anchor: 'start' };
    }
  });
  const groups = [{ id: 'template', shapes: drawn }];
  return { title, left: -width / 2, top: -top, width, height, isTrueSize: true, groups };
}
