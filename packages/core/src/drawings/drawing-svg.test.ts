import { expect } from 'chai';
import { drawingSchema, type Drawing, type Shape } from './drawing.ts';
import { drawingSvg } from './drawing-svg.ts';

const drawing = (...shapes: Shape[]): Drawing => ({
  title: 'A & B',
  left: -10,
  top: -5,
  width: 20,
  height: 10.5,
  isTrueSize: true,
  groups: [{ id: 'one', shapes }],
});
const text = (words: string): Shape => ({
  kind: 'text',
  x: 1,
  y: 2,
  text: words,
  size: 3,
  anchor: 'middle',
  bold: true,
});

describe('a drawing as SVG', () => {
  it('is in millimetres at true size, else in its own units', () => {
    expect(drawingSvg(drawing())).to.include('width="20mm" height="10.5mm" viewBox="-10 -5 20 10.5"');
    expect(drawingSvg({ ...drawing(), isTrueSize: false })).to.include('width="20" height="10.5" viewBox');
  });
  it('has every stroke where it is, thick as it is, and filled only where it says so', () => {
    const svg = drawingSvg(
      drawing(
        { kind: 'path', points: [{ x: 0, y: -0 }, { x: 1.23456, y: 2 }], weight: 0.3, dash: '4 1 1 1' }, // prettier-ignore
        { kind: 'path', points: [{ x: 0, y: 0 }, { x: 1, y: 0 }, { x: 1, y: 1 }], weight: 2.6 }, // prettier-ignore
        { kind: 'box', x: 1, y: 2, width: 3, height: 4, fill: 'paper' },
        { kind: 'circle', x: 5, y: 6, radius: 7, fill: 'ink', weight: 0.2 },
        { kind: 'circle', x: 5, y: 6, radius: 8 },
      ),
    );
    expect(svg).to.include(
      '<line x1="0" y1="0" x2="1.235" y2="2" stroke="#111" stroke-width="0.3" stroke-dasharray="4 1 1 1"/>',
    );
    expect(svg).to.include('<polyline points="0,0 1,0 1,1" fill="none" stroke="#111" stroke-width="2.6"/>');
    expect(svg).to.include('<rect x="1" y="2" width="3" height="4" fill="#fff" stroke="#111" stroke-width="1.4"/>');
    expect(svg).to.include('<circle cx="5" cy="6" r="7" fill="#111" stroke="#111" stroke-width="0.2"/>');
    expect(svg).to.include('r="8" fill="none"');
  });
  it('cannot be broken by a name, nor written in a face that whoever shows it lacks', () => {
    const svg = drawingSvg(drawing(text('<b>"&')), 'Roboto');
    expect(svg).to.include('<title>A &amp; B</title>').and.include('>&lt;b&gt;&quot;&amp;</text>');
    expect(svg).to.include('font-size="3" text-anchor="middle" font-family="Roboto" font-weight="600"');
  });
});

describe('what is no drawing', () => {
  const reads = (shape: object) => drawingSchema.safeParse(drawing(shape as Shape)).success;
  it('is refused: a place off the sheet, a stroke of no width, a dash that is a script', () => {
    expect(reads(text('a'))).to.equal(true);
    expect(reads({ ...text('a'), x: 1e6 })).to.equal(true);
    expect(reads({ ...text('a'), x: 1.001e6 })).to.equal(false);
    expect(reads({ ...text('a'), x: NaN })).to.equal(false);
    const path = { kind: 'path', points: [{ x: 0, y: 0 }, { x: 1, y: 1 }], weight: 1 }; // prettier-ignore
    expect(reads(path)).to.equal(true);
    expect(reads({ ...path, weight: 0 })).to.equal(false);
    expect(reads({ ...path, points: path.points.slice(1) })).to.equal(false);
    expect(reads({ ...path, dash: '4 1"/><script>' })).to.equal(false);
  });
});
