/** A rectangle on the canvas, px. */
type Box = readonly [left: number, top: number, right: number, bottom: number];

const LINE = 14; // px
const MOVES = [0, -1, 1, -2, 2, -3, 3, -4, 4].map((lines) => lines * LINE);

/** The canvas as far as text on it goes. */
export type TextCanvas = Pick<CanvasRenderingContext2D, 'fillText' | 'measureText' | 'textAlign'> & {
  readonly canvas: { readonly clientWidth: number; readonly clientHeight: number };
};

type Pixel = readonly [x: number, y: number];

/**
 * Writes texts over a chart so that none covers another or runs off the sheet: each stands where it is wanted, or the nearest line
 * above or below that is free. What is drawn first has the first choice.
 *
 * @param curves - lines of the chart, px; a text keeps off them too where it can.
 */
export function textPlacer(
  ctx: TextCanvas,
  curves: readonly (readonly Pixel[])[] = [],
): (text: string, x: number, y: number) => void {
  const taken: Box[] = [];
  const { clientWidth: width, clientHeight: height } = ctx.canvas;
  return (text, x, y) => {
    const long = ctx.measureText(text).width;
    const before =
      ctx.textAlign === 'right' || ctx.textAlign === 'end' ? long : ctx.textAlign === 'center' ? long / 2 : 0;
    const left = Math.max(2, Math.min(x - before, width - long - 2));
    const boxAt = (base: number): Box => [left, base - 11, left + long, base + 3];
    const isFree = (box: Box) =>
      box[1] >= 0 &&
      box[3] <= height &&
      !taken.some((other) => box[0] < other[2] && other[0] < box[2] && box[1] < other[3] && other[1] < box[3]);
    const isOff = (box: Box) => !curves.some((curve) => curve.some((to, i) => i > 0 && passes(curve[i - 1]!, to, box)));
    const free = MOVES.filter((m) => isFree(boxAt(y + m)));
    const move = free.find((m) => isOff(boxAt(y + m))) ?? free[0] ?? 0;
    taken.push(boxAt(y + move));
    ctx.fillText(text, left + before, y + move);
  };
}

/** Whether a straight stretch passes through a box, by Liang and Barsky's clipping. */
function passes([x0, y0]: Pixel, [x1, y1]: Pixel, [left, top, right, bottom]: Box): boolean {
  let [from, to] = [0, 1];
  const sides = [
    [x0 - x1, x0 - left],
    [x1 - x0, right - x0],
    [y0 - y1, y0 - top],
    [y1 - y0, bottom - y0],
  ] as const;
  for (const [step, room] of sides) {
    if (step === 0 && room < 0) return false;
    if (step < 0) from = Math.max(from, room / step);
    else if (step > 0) to = Math.min(to, room / step);
  }
  return from <= to;
}
