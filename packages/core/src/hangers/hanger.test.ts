import { drawingSvg } from '../drawings/drawing-svg.ts';
import { expect } from 'chai';
import fc from 'fast-check';
import { measured } from '../fields/measured.ts';
import type { Hanger } from '../job/hanger.ts';
import { blockingOff } from './blocking-off.ts';
import { openingFit } from './opening-fit.ts';
import { plateTemplate, templateDrawing, type Template } from './plate-template.ts';
import { ringPlate } from './ring-plate.ts';
import { hangerStand } from './stack-height.ts';
import { stripOrder } from './strip-order.ts';
import { mostLean, tiltIn } from './tilt-in.ts';

const svgOf = (template: Template): string => drawingSvg(templateDrawing(template));

const mm = (value: number) => measured(value / 1000, 'mm');
const inch = (value: number) => measured(value * 0.0254, 'in');

describe('the stack height', () => {
  it('of a rigid hanger in a tank 9 1/16 in deep is 9 in (common practice)', () => {
    const stand = hangerStand({ hold: 'rigid' }, 9.0625 * 0.0254);
    expect(stand.wanted / 0.0254).to.be.closeTo(9, 5e-4);
    expect(stand.gap).to.be.closeTo(0.0016, 1e-12);
  });
  it('goes up with the squeezed gasket over the bare lip, and down by its squeeze over the gasket', () => {
    const gasket: Hanger = { hold: 'rigid', gasketFree: mm(3), gasketSqueezed: mm(2), floorGap: mm(0) };
    expect(hangerStand({ ...gasket, depthFrom: 'lip' }, 0.2).wanted).to.be.closeTo(0.202, 1e-12);
    expect(hangerStand({ ...gasket, depthFrom: 'gasket' }, 0.2).wanted).to.be.closeTo(0.199, 1e-12);
  });
  it('of a sprung hanger is longer than the room by its preload', () => {
    expect(hangerStand({ hold: 'sprung', preload: mm(12) }, 0.2).wanted).to.be.closeTo(0.212, 1e-12);
  });
  it('changes every rod and tube by the same, and tells how it then stands', () => {
    const stand = hangerStand(
      {
        hold: 'rigid',
        stack: mm(230),
        oldStack: mm(205),
        rods: [{ id: 'a', label: 'rod', old: mm(182) }, { id: 'b' }],
        gasketFree: mm(3),
      },
      0.2302,
    );
    expect(stand.change).to.be.closeTo(0.025, 1e-12);
    expect(stand.rods[0]!.cut).to.be.closeTo(0.207, 1e-12);
    expect(stand.rods[1]!.cut).to.equal(undefined);
    expect(stand.gap).to.be.closeTo(0.2302 + 0.002 - 0.23, 1e-12);
  });
  it('tells recess from room over the plate', () => {
    expect(hangerStand({ hold: 'rigid', roomAbove: mm(35) }, 0.2).recess).to.be.closeTo(0.015, 1e-12);
    expect(hangerStand({ hold: 'rigid', roomAbove: mm(80) }, 0.2).recess).to.be.closeTo(-0.03, 1e-12);
  });
});

describe('the opening', () => {
  const three = [1, 2, 3].map((n) => ({ id: `b${n}`, label: `pump ${n}`, diameter: inch(1.5) }));
  it('of 3.19 in does not take three 1.5 in bodies, by a hair, but takes two (common practice)', () => {
    const fit = openingFit({ openingDiameter: inch(3.19), bodies: three, play: mm(0) })!;
    expect(fit.needed / 0.0254).to.be.closeTo(3.232, 5e-4);
    expect(fit.spare! / 0.0254).to.be.closeTo(-0.042, 5e-4);
    expect(fit.passing).to.have.length(2);
  });
  it('loses its lip on both sides, and bodies gain their sleeves', () => {
    const fit = openingFit({
      openingDiameter: mm(60),
      lip: mm(3),
      play: mm(0.5),
      bodies: [{ id: 'a', diameter: mm(39), sleeve: mm(3) }],
    })!;
    expect(fit.free).to.be.closeTo(0.054, 1e-12);
    expect(fit.needed).to.be.closeTo(0.046, 1e-12);
  });
});

describe('tilting a stiff part in', () => {
  const open = { hole: 0.1, edge: 0.002, depth: 0.25, reach: 1, headroom: Infinity };
  it('takes a part as long as the tank is deep and more, with all the room above', () => {
    const { passes, longest, mostLean: lean } = tiltIn(0.25, 0.05, open);
    expect(passes).to.equal(true);
    // at the bottom it leans as far as the hole lets it: longest = depth / cos(lean)
    expect(longest).to.be.closeTo(0.25 / Math.cos(lean), 1e-6);
  });
  it('needs room above: upright a part needs its own length', () => {
    expect(tiltIn(0.3, 0.0999, { ...open, headroom: 0.2, depth: 0.5 }).passes).to.equal(false);
    expect(tiltIn(0.3, 0.05, { ...open, headroom: 0.2, depth: 0.5 }).passes).to.equal(true);
  });
  it('leans in the hole by width/cos + edge·tan = hole, and not at all when it is wider', () => {
    const lean = mostLean(0.06, open)!;
    expect(0.06 / Math.cos(lean) + 0.002 * Math.tan(lean)).to.be.closeTo(0.1, 1e-9);
    expect(mostLean(0.11, open)).to.equal(undefined);
    expect(tiltIn(0.05, 0.11, open)).to.include({ passes: false, longest: 0 });
  });
  it('is never easier with less room anywhere', () => {
    const size = fc.double({ min: 0.05, max: 0.6, noNaN: true });
    fc.assert(
      fc.property(size, size, size, (depth, headroom, reach) => {
        const longest = tiltIn(0.1, 0.04, { hole: 0.09, edge: 0.003, depth, headroom, reach }).longest;
        for (const less of [
          { depth: depth * 0.9 },
          { headroom: headroom * 0.9 },
          { reach: reach * 0.9 },
          { hole: 0.08 },
        ])
          expect(tiltIn(0.1, 0.04, { hole: 0.09, edge: 0.003, depth, headroom, reach, ...less }).longest).to.be.at.most(
            longest + 1e-9,
          );
      }),
      { seed: 5, numRuns: 40 },
    );
  });
});

describe('taking the hanger apart', () => {
  it('takes off what is too wide, widest first, and names what cannot come off', () => {
    const order = stripOrder({
      openingDiameter: mm(100),
      parts: [
        { id: 'a', label: 'sock', across: mm(110), comesOff: true },
        { id: 'b', label: 'float arm', across: mm(160), comesOff: true },
        { id: 'c', label: 'bucket', across: mm(104) },
        { id: 'd', label: 'pump', across: mm(70) },
      ],
    });
    expect(order).to.deep.equal({
      off: ['float arm', 'sock'],
      stuck: [{ id: 'c', label: 'bucket' }],
      passes: ['pump'],
    });
  });
});

describe('the ring plate', () => {
  const hanger: Hanger = {
    boltCircle: mm(128),
    plateHole: mm(104),
    plateOutside: mm(148),
    studs: 6,
    studSize: mm(5),
    ports: [17.5, 17.5, 14, 22.2].map((h, i) => ({ id: `p${i}`, label: `port ${i}`, hexagon: mm(h) })),
  };
  const plate = ringPlate(hanger)!;
  it('spaces its studs evenly on the bolt circle and tells the metal left', () => {
    for (const s of plate.studs) expect(Math.hypot(s.x, s.y)).to.be.closeTo(0.064, 1e-12);
    expect(Math.hypot(plate.studs[0]!.x - plate.studs[1]!.x, plate.studs[0]!.y - plate.studs[1]!.y)).to.be.closeTo(
      0.064,
      1e-12,
    );
    expect(plate.land).to.be.closeTo((0.128 - 0.104 - 0.0055) / 2, 1e-12);
  });
  it('leaves room for a spanner’s head at any port beside the next one’s hexagon', () => {
    plate.ports.forEach((a, i) =>
      plate.ports.slice(i + 1).forEach((b) => {
        const apart = Math.hypot(a.x - b.x, a.y - b.y);
        for (const [turned, still] of [
          [a, b],
          [b, a],
        ] as const)
          expect(apart).to.be.at.least((2.2 * turned.hexagon) / 2 + still.hexagon / Math.sqrt(3) - 1e-9);
      }),
    );
  });
  it('has its ports on the hanger’s own plate, where they stand, and no hole there', () => {
    const drilled = ringPlate({
      ...hanger,
      ports: hanger.ports!.map((p, i) => (i === 0 ? { ...p, hole: mm(14.5) } : p)),
    })!;
    const { shapes } = plateTemplate(drilled, 'cover', 'x');
    const cut = shapes.flatMap((s) => (s.kind === 'circle' && s.layer === 'cut' ? [s] : []));
    expect(cut.some((c) => c.radius === 52)).to.equal(false);
    const port = cut.find((c) => Math.abs(c.radius - 7.25) < 1e-9)!;
    expect(port.x).to.be.closeTo(drilled.ports[0]!.x * 1000, 1e-9);
    expect(shapes.filter((s) => s.kind === 'text' && s.text.startsWith('port'))).to.have.length(4);
  });
  it('is drawn at true size with a ruler of 100 mm', () => {
    const template = plateTemplate(plate, 'ring', 'Ring & plate');
    const svg = svgOf(template);
    expect(svg).to.match(/width="164mm" height="[\d.]+mm" viewBox="-82 /);
    expect(svg).to.include('r="74"').and.include('r="52"').and.include('Ring &amp; plate');
    const ruler = template.shapes.find((s) => s.kind === 'line' && s.layer === 'note' && s.from[1] === s.to[1]);
    expect(ruler?.kind === 'line' && ruler.to[0] - ruler.from[0]).to.equal(100);
    expect(
      plateTemplate(plate, 'drill', 'x').shapes.filter((s) => s.kind === 'circle' && s.layer === 'cut'),
    ).to.have.length(7);
  });
});

describe('blocking off', () => {
  it('tells what is lost with a breather, and what can be put back', () => {
    const list = blockingOff([
      { id: 'a', did: 'breather', fate: 'cap' },
      { id: 'b', did: 'return', fate: 'weld', label: 'old return' },
      { id: 'c', did: 'feed', fate: 'reuse' },
      { id: 'd', did: 'drain', fate: 'open' },
      { id: 'e', did: 'sender', fate: 'remove', tagged: true },
      { id: 'f', did: 'heater' },
    ]);
    expect(list.map((b) => b.reversible)).to.deep.equal([true, false, true, false, true]);
    expect(list[0]!.lost).to.include('breathes');
    expect(list[2]!.lost).to.equal(undefined);
    expect(list.map((b) => b.dangerous)).to.deep.equal([false, false, false, true, false]);
  });
});
