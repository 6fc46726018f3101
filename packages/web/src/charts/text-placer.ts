/** A rectangle on the canvas, px. */
type Box = readonly [left: number, top: number, right: number, bottom: number];

const LINE = 14; // px
const MOVES = [0, -1, 1, -2, 2, -3, 3, -4, 4].map((lines) => lines * LINE);

/** The canvas as far as text on it goes. */
export type TextCanvas = Pick<CanvasRenderingContext2D, 'fillText' | 'measureText' | 'textAlign'> & {
  readonly canvas: { readonly clientWidth: number; readonly clientHeight: number };
};

/**
 * Writes texts over a chart so that none covers another or runs off the sheet: each stands where it is wanted, or the nearest line
 * above or below that is free. What is drawn first has the first choice.
 */
export function textPlacer(ctx: TextCanvas): (text: string, x: number, y: number) => void {
  const taken: Box[] = [];
  const { clientWidth: width, clientHeight: height } = ctx.canvas;
  return (text, x, y) => {
    const long = ctx.measureText(text).width;
    const before = ctx.textAlign === 'right' || ctx.textAlign === 'end' ? long : ctx.textAlign === 'center' ? long / 2 : 0; // prettier-ignore
    const left = Math.max(2, Math.min(x - before, width - long - 2));
    const boxAt = (base: number): Box => [left, base - 11, left + long, base + 3];
    const isFree = (box: Box) => box[1] >= 0 && box[3] <= height && !taken.some((other) => box[0] < other[2] && other[0] < box[2] && box[1] < other[3] && other[1] < box[3]); // prettier-ignore
    const move = MOVES.find((m) => isFree(boxAt(y + m))) ?? 0;
    taken.push(boxAt(y + move));
    ctx.fillText(text, left + before, y + move);
  };
}
