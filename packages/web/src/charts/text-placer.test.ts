import { expect } from 'chai';
import { textPlacer, type TextCanvas } from './text-placer.ts';

/** A canvas on which every letter is 6 px wide. */
function sheet(width = 300, height = 200) {
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
  return { ctx, written, write: textPlacer(ctx) };
}

describe('texts over a chart', () => {
  it('stand where they are wanted, and a line away where another stands', () => {
    const { write, written } = sheet();
    write('full load', 100, 100);
    write('what the run asks', 90, 102);
    write('elsewhere', 10, 100);
    expect(written.map((w) => w.base)).to.deep.equal([100, 116, 100]);
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
