import { isBypass, type Part } from '@endrel/core/parts/kinds';
import type { Job } from '@endrel/core/job/job';

/** Where a part stands on the run's drawing. */
export interface Slot {
  readonly part: Part;
  readonly line: 'supply' | 'return';
  readonly x: number;
  readonly y: number;
}
export interface RunGeometry {
  readonly width: number;
  readonly height: number;
  readonly tank: { readonly left: number; readonly right: number; readonly top: number; readonly bottom: number };
  readonly slots: readonly Slot[];
  readonly supplyY: number;
  readonly returnY: number;
  /** x at which the spill leaves the supply, when there is a bypass regulator. */
  readonly spillX?: number;
  /** x at which the return ends: the tank's wall, or the swirl pot that it is led into. */
  readonly returnEndX: number;
  readonly potX?: number;
  /** Pumps side by side stand under the first of them. */
  readonly groups: readonly { readonly x: number; readonly top: number; readonly bottom: number }[];
  readonly slotWidth: number;
}

const MARGIN = 14;
const LEAST_SLOT = 70; // room for a symbol and two lines of name
const SUPPLY_Y = 58;
const RETURN_Y = 136;
const HEIGHT = 178;
const BELOW_PUMP = 46; // its name, and the tank's floor
/** Where a swirl pot's overflow runs back over the supply. */
export const OVERFLOW_Y = 17;
const BESIDE = 50; // between pumps that stand under each other

/** How many of the supply's first parts lie in the tank: all up to a pump in it, and the immersed hoses that follow. */
function countInTank(supply: readonly Part[]): number {
  const pump = supply.findIndex((c) => c.kind === 'pump');
  const inTank = pump >= 0 && (supply[pump] as { place?: string }).place === 'inTank';
  let count = inTank ? pump + 1 : 0;
  while (count < supply.length && isImmersed(supply[count]!)) count++;
  return count;
}
const isImmersed = (part: Part): boolean =>
  part.kind === 'sock' || (part.kind === 'hose' && part.immersed === true);

/**
 * Lays the run out: supply left to right, return back below it, what lies in the tank inside its outline.
 *
 * @param available - px; the drawing grows wider when the run needs it.
 */
export function runGeometry(job: Job, available: number): RunGeometry {
  const all = job.run.supply.filter((c) => c.kind !== 'tank');
  const isBeside = (i: number) =>
    all[i]!.kind === 'pump' && (all[i] as { beside?: boolean }).beside === true && all[i - 1]?.kind === 'pump';
  const supply = all.filter((_, i) => !isBeside(i));
  const back = job.run.return;
  const drop = back.filter((c) => c.kind === 'returnDrop');
  const outside = back.filter((c) => c.kind !== 'returnDrop');
  const inTank = countInTank(supply);
  const tankSlots = Math.max(inTank, 1);
  const spill = supply.findIndex(isBypass);
  const pot = supply.findIndex((c) => c.kind === 'swirlPot');
  const toPot = job.run.returnTo === 'pot' && pot >= 0;
  // the return needs room between the spill and the tank: the supply is pushed out where it would not have it
  const push = spill < 0 ? 0 : Math.max(0, outside.length - (spill - (toPot ? pot + 0.5 : inTank)) - 0.4);
  const columns = tankSlots + (supply.length - inTank) + push + (inTank === 0 ? 0.2 : 0);
  const slotWidth = Math.max(LEAST_SLOT, (available - 2 * MARGIN) / Math.max(columns, 6));
  const tankRight = MARGIN + tankSlots * slotWidth;
  const x = (i: number) => {
    const column = i < inTank ? i : tankSlots + (i - inTank) + (i >= spill && spill >= 0 ? push : 0);
    return MARGIN + (column + 0.5) * slotWidth;
  };
  const slots: Slot[] = [];
  const groups: { x: number; top: number; bottom: number }[] = [];
  all.forEach((part, i) => {
    const last = slots.at(-1);
    const beside = isBeside(i) && last !== undefined;
    slots.push({
      part,
      line: 'supply',
      x: beside ? last.x : x(supply.indexOf(part)),
      y: beside ? last.y + BESIDE : SUPPLY_Y,
    });
    if (!beside) return;
    const open = groups.at(-1);
    if (open && open.x === last.x) groups[groups.length - 1] = { ...open, bottom: last.y + BESIDE };
    else groups.push({ x: last.x, top: last.y, bottom: last.y + BESIDE });
  });
  const potX = pot < 0 ? undefined : x(pot);
  const spillX = spill < 0 ? undefined : x(spill);
  const from = spillX ?? MARGIN + columns * slotWidth;
  const returnEndX = toPot ? potX! : tankRight;
  const room = (from - returnEndX) / Math.max(outside.length, 1);
  outside.forEach((part, i) => {
    slots.push({ part, line: 'return', x: from - room * (i + 0.5), y: RETURN_Y });
  });
  drop.forEach((part, i) =>
    slots.push({
      part,
      line: 'return',
      x: tankRight - slotWidth * 0.5 - i * Math.min(slotWidth * 1.35, room),
      y: RETURN_Y,
    }),
  );
  // three pumps under each other need more room than the return does
  const height = Math.max(HEIGHT, ...groups.map((g) => g.bottom + BELOW_PUMP));
  return {
    width: Math.max(available, MARGIN * 2 + columns * slotWidth),
    height,
    tank: { left: MARGIN, right: tankRight, top: 24, bottom: height - 6 },
    slots,
    supplyY: SUPPLY_Y,
    returnY: RETURN_Y,
    spillX,
    returnEndX,
    potX,
    groups,
    slotWidth,
  };
}
