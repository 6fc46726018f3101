import { expect } from 'chai';
import { textPlacer, type TextCanvas } from './text-placer.ts';

/** A canvas on which every letter is 6 px wide. */
function sheet(width = 300, height = 200, curves: Parameters<typeof textPlacer>[1] = []) {
  const written: { text: string; left: number; right: number; base: number }[] = [];
  const ctx: TextCanvas = {
    textAlign: 'left',
    canvas: { clientWidth: width, clientHeight: height },
    measureText: (text: string) => ({ width: text.length * 6 }) as TextMetrics,
    fillText(text: string, x: number, base: number) {
      const left = ctx.textAlign === 'right' ? x - text.length * 6 : x;
      written.push({ text, left, right: left + text.length * 6, base });
    },
  };
  return { ctx, written, write: textPlacer(ctx, curves) };
}

describe('texts over a chart', () => {
  it('stand where they are wanted, and a line away where another stands', () => {
    const { write, written } = sheet();
    write('full load', 100, 100);
    write('what the run asks', 90, 102);
    write('elsewhere', 10, 100);
    expect(written.map((w) => w.base)).to.deep.equal([100, 116, 100]);
  });
  it('keep off the lines of the chart where they can, by less than one of their own lines and by more', () => {
    const level = sheet(300, 200, [
      [
        [0, 95],
        [300, 95],
      ],
    ]);
    level.write('full load', 100, 100); // 89 to 103: the line goes through it, one up it ends at 89 and is clear
    expect(level.written[0]!.base).to.equal(86);
    const under = sheet(300, 200, [
      [
        [0, 104],
        [300, 104],
      ],
    ]);
    under.write('full load', 100, 100);
    expect(under.written[0]!.base).to.equal(100);
    const aside = sheet(300, 200, [[[0, 0], [90, 200]], [[200, 0], [170, 200]]]); // prettier-ignore
    aside.write('full load', 100, 100);
    expect(aside.written[0]!.base).to.equal(100);
    // nowhere free of lines: it is written all the same
    const full = sheet(
      300,
      200,
      Array.from(
        { length: 40 },
        (_, i) =>
          [
            [0, i * 5],
            [300, i * 5],
          ] as const,
      ),
    );
    full.write('full load', 100, 100);
    expect(full.written[0]!.base).to.equal(100);
  });
  it('stay on the sheet, on whichever side they are held', () => {
    const { ctx, write, written } = sheet();
    write('a name that is long', 280, 50);
    ctx.textAlign = 'right';
    write('another name', 20, 90);
    for (const { left, right } of written) expect([left >= 0, right <= 300]).to.deep.equal([true, true]);
  });
  it('of ten at one place none covers another', () => {
    const { write, written } = sheet(300, 400);
    for (let i = 0; i < 9; i++) write(`name ${i}`, 100, 200);
    const bases = written.map((w) => w.base).sort((a, b) => a - b);
    for (const [i, base] of bases.slice(1).entries()) expect(base - bases[i]!).to.be.at.least(14);
  });
});
