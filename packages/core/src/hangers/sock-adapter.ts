import type { Hanger } from '../job/hanger.ts';
import { mm } from '../units/quick.ts';

/** A collar that makes a pump's neck of a plain tube, turned from bar. m. */
export interface SockAdapter {
  /** Slides onto the tube. */
  readonly bore: number;
  readonly outside: number;
  readonly length: number;
  /** Groove for the sock's clip: from the lower end, its width and depth. */
  readonly groove: { readonly from: number; readonly width: number; readonly depth: number };
  /** Metal left under the groove. */
  readonly wall: number;
}

const SLIDE = mm(0.1); // on the tube's diameter, for fuel-proof adhesive or a set screw; common practice
const LENGTH = mm(16); // what a sock's collar takes; typical, from memory
const GROOVE = { from: mm(5), width: mm(2), depth: mm(0.8) }; // for a sock's spring clip; typical, from memory
/** Least metal under the groove of an aluminium or brass collar; common practice. */
export const LEAST_COLLAR = mm(0.8);

/** Undefined until both diameters are known. A neck no wider than the tube leaves no collar: its wall is negative. */
export function sockAdapter({ adapterTube, adapterNeck }: Hanger): SockAdapter | undefined {
  if (!adapterTube || !adapterNeck) return undefined;
  const bore = adapterTube.si + SLIDE;
  return {
    bore,
    outside: adapterNeck.si,
    length: LENGTH,
    groove: GROOVE,
    wall: (adapterNeck.si - bore) / 2 - GROOVE.depth,
  };
}
