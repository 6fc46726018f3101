import { drawingSvg } from '../drawings/drawing-svg.ts';
import { expect } from 'chai';
import type { Hanger } from '../job/hanger.ts';
import { measured } from '../fields/measured.ts';
import { templateOf } from './template-of.ts';
import {
  plateTemplate,
  templateDrawing,
  type Template,
  type TemplateKind,
  type TemplateShape,
} from './plate-template.ts';
import { ringPlate } from './ring-plate.ts';
import { tiltIn } from './tilt-in.ts';

const svgOf = (template: Template): string => drawingSvg(templateDrawing(template));

const mm = (value: number) => measured(value / 1000, 'mm');
const hanger: Hanger = {
  boltCircle: mm(128),
  plateHole: mm(104),
  plateOutside: mm(148),
  studs: 6,
  studSize: mm(5),
  ports: [
    { id: 'a', label: 'feed', hexagon: mm(20), hole: mm(14) },
    { id: 'b', label: 'return', hexagon: mm(16) },
  ],
};

const shapes = (kind: TemplateKind, given = hanger) => templateOf(given, kind, 'Plate')!.shapes;
const circles = (list: readonly TemplateShape[]) =>
  list.flatMap((s) =>
    s.kind === 'circle' ? [`${s.layer} ${s.x.toFixed(2)} ${s.y.toFixed(2)} r${s.radius.toFixed(3)}`] : [],
  );
const texts = (list: readonly TemplateShape[]) => list.flatMap((s) => (s.kind === 'text' ? [s] : []));
const lines = (list: readonly TemplateShape[], layer: string) =>
  list.flatMap((s) =>
    s.kind === 'line' && s.layer === layer ? [[...s.from, ...s.to].map((v) => Number(v.toFixed(6)))] : [],
  );

describe('the drawing of a ring plate', () => {
  it('has the hole, the rim and a hole of 1.1 studs at each stud, the first at twelve o’clock', () => {
    const cut = circles(shapes('ring')).filter((c) => c.startsWith('cut'));
    // 64 mm at 90°, 150°, ...: 64 cos 30° = 55.43
    expect(cut).to.have.members([
      'cut 0.00 0.00 r74.000',
      'cut 0.00 0.00 r52.000',
      'cut 0.00 64.00 r2.750',
      'cut -55.43 32.00 r2.750',
      'cut -55.43 -32.00 r2.750',
      'cut -0.00 -64.00 r2.750',
      'cut 55.43 -32.00 r2.750',
      'cut 55.43 32.00 r2.750',
    ]);
    expect(circles(shapes('ring'))).to.include('centre 0.00 0.00 r64.000');
  });
  it('drilled into the tank it has no rim, and as a cover no hole but its ports’', () => {
    expect(circles(shapes('drill'))).to.not.include('cut 0.00 0.00 r74.000');
    const cover = circles(shapes('cover'));
    expect(cover).to.not.include('cut 0.00 0.00 r52.000');
    expect(cover.filter((c) => c.endsWith('r7.000'))).to.have.length(1);
    expect(cover.filter((c) => c.startsWith('cut'))).to.have.length(1 + 1 + 6); // the port without a hole is marked only
  });
  it('marks middles by crosses: of the plate an eighth of its hole, of studs a stud, of ports half a hexagon', () => {
    const crosses = lines(shapes('cover'), 'centre');
    const [feed] = ringPlate(hanger)!.ports;
    const [x, y] = [feed!.x * 1000, feed!.y * 1000].map((v) => Number(v.toFixed(6))) as [number, number];
    const close = (a: number[]) => crosses.some((c) => c.every((v, i) => Math.abs(v - a[i]!) < 1e-5));
    for (const cross of [
      [-13, 0, 13, 0],
      [0, -13, 0, 13],
      [-5, 64, 5, 64],
      [0, 59, 0, 69],
      [x - 10, y, x + 10, y],
      [x, y - 10, x, y + 10],
    ])
      expect(close(cross), cross.join()).to.equal(true);
  });
  it('names itself above, its sizes and ruler below, and its ports beside their middles', () => {
    const [ring, cover] = [texts(shapes('ring')), texts(shapes('cover'))];
    const at = (list: typeof ring, words: RegExp) => {
      const found = list.find((t) => words.test(t.text))!;
      return [found.x, found.y].map((v) => Number(v.toFixed(6)));
    };
    expect(at(ring, /^Plate$/)).to.deep.equal([-72, 77]);
    expect(at(ring, /bolt circle/)).to.deep.equal([-72, -78.5]);
    expect(at(ring, /Check with a rule/)).to.deep.equal([-50, -95]);
    expect(ring.find((t) => t.text.includes('bolt circle'))!.text).to.equal(
      'hole ⌀ 104 mm, bolt circle ⌀ 128 mm, 6 × ⌀ 5.5 mm',
    );
    expect(cover.find((t) => t.text.includes('bolt circle'))!.text).to.equal('bolt circle ⌀ 128 mm, 6 × ⌀ 5.5 mm');
    const [feed] = ringPlate(hanger)!.ports;
    expect(at(cover, /^feed$/)).to.deep.equal(
      [feed!.x * 1000 + 1.5, feed!.y * 1000 + 1.5].map((v) => Number(v.toFixed(6))),
    );
  });
  it('has a ruler of 100 mm with a tick each 5 mm, longer at the tens', () => {
    const ruler = lines(shapes('ring'), 'note');
    const ticks = Array.from({ length: 21 }, (_, i) => [-50 + 5 * i, -90, -50 + 5 * i, i % 2 ? -88 : -86]);
    const expected = [[-50, -90, 50, -90], ...ticks];
    expect(ruler).to.deep.equal(expected);
  });
  it('as an SVG stands upright: y runs the other way there', () => {
    const template = plateTemplate(ringPlate(hanger)!, 'ring', 'Plate');
    const svg = svgOf(template);
    expect(svg).to.include('<circle cx="0" cy="-64" r="2.75"');
    expect(svg)
      .to.include('<line x1="-50" y1="90" x2="50" y2="90"')
      .and.include('<line x1="-50" y1="90" x2="-50" y2="86"');
    expect(svg).to.include('<text x="-72" y="-77"');
    expect([template.width, template.top, template.height]).to.deep.equal([164, 88.5, 88.5 + 103]);
  });
});

describe('a ring plate', () => {
  it('takes the opening for a hole that is not given, a land of two studs for its outside, six studs', () => {
    const plain = ringPlate({ boltCircle: mm(128), openingDiameter: mm(110), studSize: mm(6) })!;
    expect(plain).to.deep.include({ hole: 0.11, outside: 0.128 + 0.024, needed: 0, ports: [] });
    expect(plain.studs).to.have.length(6);
    expect(plain.rim).to.be.closeTo((0.024 - 0.0066) / 2, 1e-12);
    expect(plain.room).to.be.closeTo(0.128 - 1.85 * 0.006, 1e-12);
  });
  it('is none without a bolt circle, or without any hole', () => {
    expect(ringPlate({ plateHole: mm(104) })).to.equal(undefined);
    expect(ringPlate({ boltCircle: mm(128) })).to.equal(undefined);
  });
  it('sets two ports a spanner’s head and a hexagon’s corners apart, about its middle', () => {
    const { ports, needed } = ringPlate(hanger)!;
    const apart = Math.hypot(ports[0]!.x - ports[1]!.x, ports[0]!.y - ports[1]!.y);
    const corners = 2 / Math.sqrt(3);
    expect(apart).to.be.closeTo((2.2 * 0.02 + corners * 0.016) / 2, 1e-9);
    expect(needed).to.be.closeTo(Math.max(...ports.map((p) => 2 * Math.hypot(p.x, p.y) + corners * p.hexagon)), 1e-12);
    expect(ringPlate({ ...hanger, ports: [{ id: 'x' }] })!.ports).to.deep.equal([]); // a port without a size takes no room
  });
});

describe('the way in through the hole', () => {
  const passage = { hole: 0.1, edge: 0.002, depth: 0.2, reach: 0.12, headroom: 0.19 };
  it('leans as much as the ceiling, then the floor asks, step by step', () => {
    const length = 0.23;
    const { path } = tiltIn(length, 0.03, passage);
    expect(path.map((p) => p.share)).to.deep.equal(Array.from({ length: 121 }, (_, i) => i / 120));
    for (const { share, lean } of path) {
      const above = (1 - share) * length;
      const below = share * length;
      const least = Math.max(above > 0.19 ? Math.acos(0.19 / above) : 0, below > 0.2 ? Math.acos(0.2 / below) : 0);
      expect(lean, `${share}`).to.be.closeTo(least, 1e-12);
    }
  });
  it('ends where the side wall no longer lets it lean: length = depth and reach together', () => {
    // with a wide hole only the box under it counts: the diagonal of depth by reach
    const { longest } = tiltIn(0.1, 1e-6, { hole: 0.5, edge: 0, depth: 0.2, reach: 0.12, headroom: Infinity });
    expect(longest).to.be.closeTo(Math.hypot(0.2, 0.12), 1e-6);
  });
  it('is as long as there is headroom for a part that goes in upright', () => {
    const { longest } = tiltIn(0.1, 0.1, { hole: 0.1, edge: 0.002, depth: 1, reach: 1, headroom: 0.3 });
    expect(longest).to.be.closeTo(0.3, 1e-6);
  });
});
