import { lastWhere } from '../numerics/last-where.ts';
/** The passage that a stiff part takes into a tank, in section. m. */
export interface Passage {
  /** Width of the hole and thickness of its edge. */
  readonly hole: number;
  readonly edge: number;
  /** Depth under the hole, room to the side under it, and room above it (Infinity with the tank out). */
  readonly depth: number;
  readonly reach: number;
  readonly headroom: number;
}
export interface TiltIn {
  readonly passes: boolean;
  /** Longest part of this width that passes, m. */
  readonly longest: number;
  /** Most that it can lean in the hole, rad from upright. */
  readonly mostLean: number;
  /** Lean at each step down, rad, for drawing: share of its length below the hole's top. */
  readonly path: readonly { readonly share: number; readonly lean: number }[];
}

const STEPS = 120;
const FINEST = 1e-9; // m

/** How far a part of this width may lean in a hole: width / cos + edge tan = hole. 0 when it passes upright only. */
export function mostLean(width: number, { hole, edge }: Passage): number | undefined {
  if (width > hole) return undefined;
  return lastWhere(0, Math.PI / 2 - 1e-6, (lean) => width / Math.cos(lean) + edge * Math.tan(lean) <= hole);
}

/**
 * Tilts a stiff rectangle through a hole: at each depth it must lean enough to clear what is above the hole and the floor
 * below, and no more than the hole and the side wall let it. Both limits move steadily, so it passes when at every depth
 * there is a lean between them.
 */
export function tiltIn(length: number, width: number, passage: Passage): TiltIn {
  const lean = mostLean(width, passage);
  if (lean === undefined) return { passes: false, longest: 0, mostLean: 0, path: [] };
  const passes = (l: number) => {
    for (let i = 0; i <= STEPS; i++) {
      const { least, most } = leanAt(i / STEPS, l, lean, passage);
      if (least > most + 1e-12) return false;
    }
    return true;
  };
  return {
    passes: passes(length),
    longest: lastWhere(0, 4 * passage.depth + Math.min(passage.headroom, 10), passes, FINEST),
    mostLean: lean,
    path: leans(length, lean, passage).map(({ share, least, most }) => ({ share, lean: Math.min(least, most) })),
  };
}

function leans(length: number, holeLimit: number, passage: Passage) {
  return Array.from({ length: STEPS + 1 }, (_, i) => ({
    share: i / STEPS,
    ...leanAt(i / STEPS, length, holeLimit, passage),
  }));
}

/** What it must lean, and may, when this share of it is below the hole. */
function leanAt(share: number, length: number, holeLimit: number, { depth, headroom, reach }: Passage) {
  const [below, above] = [share * length, (1 - share) * length];
  return {
    least: Math.max(uprightOver(above, headroom), uprightOver(below, depth)),
    most: Math.min(holeLimit, below <= reach ? Math.PI / 2 : Math.asin(reach / below)),
  };
}

const uprightOver = (part: number, room: number): number => (part <= room ? 0 : Math.acos(room / part));
