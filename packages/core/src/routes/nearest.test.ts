import { expect } from 'chai';
import { seeded } from '../../test/seeded.ts';
import { centreLine, lengthOfLine, placeAt } from './centre-line.ts';
import { betweenPieces, nearestLines, nearestOn } from './nearest.ts';
import { boxBetween, distanceTo, pipeBetween, type Shape } from './shape.ts';
import { add, length, sub, times, type Vec } from './vector.ts';

const next = seeded(31);
const vec = (size = 1): Vec => [size * (next() - 0.5), size * (next() - 0.5), size * (next() - 0.5)];

/** The least distance between a place and a shape at places of its travel, by trying them: the brute force it is held against. */
function tried(p: Vec, a: Vec, b: Vec, low: Vec, high: Vec): number {
  let best = Infinity;
  const n = 9;
  for (let i = 0; i <= 200; i++)
    for (let j = 0; j <= n ** 3 - 1; j++) {
      const share = [j % n, Math.floor(j / n) % n, Math.floor(j / n / n)].map((k) => k / (n - 1));
      const moved = low.map((l, k) => l + share[k]! * (high[k]! - l)) as unknown as Vec;
      best = Math.min(best, length(sub(p, add(add(a, times(i / 200, sub(b, a))), moved))));
    }
  return best;
}

describe('distances', () => {
  it('to what moves are those to the nearest of all places that it moves to', () => {
    for (let i = 0; i < 12; i++) {
      const [a, b, p] = [vec(), vec(), vec(2)];
      const [low, high]: Vec[] = [times(-0.1, [next(), next(), next()]), times(0.1, [next(), next(), next()])];
      const pipe = pipeBetween(a, b, 0.05, low, high);
      const brute = tried(p, a, b, low!, high!) - 0.05;
      // the brute force tries places 13 mm apart at most, and so is a little more
      expect(distanceTo(pipe, p)).to.be.within(brute - 0.02, brute + 1e-9);
      const box = boxBetween(a, b, low, high);
      const moved = [low!, high!].map((t) => distanceTo(boxBetween(add(a, t), add(b, t)), p));
      expect(distanceTo(box, p)).to.be.at.most(Math.min(...moved) + 1e-12);
    }
  });
  it('to a still pipe and box are the closed forms', () => {
    expect(distanceTo(pipeBetween([0, 0, 0], [1, 0, 0], 0.1), [0.5, 0.3, 0.4])).to.be.closeTo(0.4, 1e-12);
    expect(distanceTo(pipeBetween([0, 0, 0], [1, 0, 0], 0.1), [1.3, 0.4, 0])).to.be.closeTo(0.4, 1e-12);
    const box = boxBetween([1, 1, 1], [0, 0, 0]);
    expect(distanceTo(box, [1.3, 1.4, 0.5])).to.be.closeTo(0.5, 1e-12);
    expect(distanceTo(box, [0.5, 0.5, 0.9])).to.be.closeTo(-0.1, 1e-12);
  });
  it('along a line are the least of those at a thousand places of it', () => {
    for (let i = 0; i < 30; i++) {
      const line = centreLine(Array.from({ length: 2 + Math.floor(next() * 8) }, () => vec(2)));
      const shape: Shape =
        i % 2 ? boxBetween(vec(), vec()) : pipeBetween(vec(), vec(), 0.04, [-0.1, 0, -0.05], [0, 0.02, 0.08]);
      const found = nearestOn(line, (p) => distanceTo(shape, p));
      const many = Array.from({ length: 4001 }, (_, k) =>
        distanceTo(shape, placeAt(line, (lengthOfLine(line) * k) / 4000)),
      );
      const brute = Math.min(...many);
      expect(found.distance).to.be.within(brute - lengthOfLine(line) / 8000, brute + 1e-9);
      expect(length(sub(placeAt(line, found.along), found.at))).to.be.below(1e-9);
      expect(distanceTo(shape, found.at)).to.be.closeTo(found.distance, 1e-9);
    }
  });
  it('between straight pieces, and between lines, are the least of those between places of them', () => {
    for (let i = 0; i < 200; i++) {
      const [a, b, c, d] = [vec(), vec(), i % 7 === 0 ? vec(1e-3) : vec(), vec()];
      const { distance, u, v } = betweenPieces(a, b, c, d);
      expect(length(sub(add(a, times(u, sub(b, a))), add(c, times(v, sub(d, c)))))).to.be.closeTo(distance, 1e-12);
      for (let k = 0; k < 40; k++) {
        const [s, t] = [next(), next()];
        expect(length(sub(add(a, times(s, sub(b, a))), add(c, times(t, sub(d, c)))))).to.be.at.least(distance - 1e-12);
      }
    }
    const straight = (y: number) =>
      centreLine([
        [0, y, 0],
        [1, y, 0],
      ]);
    expect(nearestLines(straight(0), straight(0.2))!.distance).to.be.closeTo(0.2, 1e-12);
    for (let i = 0; i < 20; i++) {
      const [one, other] = [0, 1].map(() => centreLine(Array.from({ length: 6 }, () => vec(1.5))));
      const found = nearestLines(one!, other!)!;
      const places = (l: typeof one) =>
        Array.from({ length: 301 }, (_, k) => placeAt(l!, (lengthOfLine(l!) * k) / 300));
      const brute = Math.min(...places(one).flatMap((p) => places(other).map((q) => length(sub(p, q)))));
      expect(found.distance).to.be.within(brute - (lengthOfLine(one!) + lengthOfLine(other!)) / 600, brute + 1e-9);
    }
  });
  it('of a line to itself leave out what is one bend, and find where it comes back', () => {
    const hairpin = centreLine([[0, 0, 0], [1, 0, 0], [1, 0.05, 0], [0, 0.05, 0]]); // prettier-ignore
    const found = nearestLines(hairpin, hairpin, 0.2)!;
    expect(found.distance).to.be.closeTo(0.05, 1e-9);
    expect(found.onOther - found.along).to.be.at.least(0.2 - 1e-9);
  });
});
