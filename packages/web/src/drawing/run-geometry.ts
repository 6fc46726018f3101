import type { Component } from '@endrel/core/job/component';
import type { Job } from '@endrel/core/job/job';

/** Where a component stands on the run's drawing. */
export interface Slot {
  readonly component: Component;
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
  readonly slotWidth: number;
}

const MARGIN = 14;
const LEAST_SLOT = 70; // room for a symbol and two lines of name
const SUPPLY_Y = 58;
const RETURN_Y = 136;
const HEIGHT = 178;

/** How many of the supply's first parts lie in the tank: all up to a pump in it, and the immersed hoses that follow. */
function countInTank(supply: readonly Component[]): number {
  const pump = supply.findIndex((c) => c.kind === 'pump');
  const inTank = pump >= 0 && (supply[pump] as { place?: string }).place === 'inTank';
  let count = inTank ? pump + 1 : 0;
  while (count < supply.length && isImmersed(supply[count]!)) count++;
  return count;
}
const isImmersed = (component: Component): boolean =>
  component.kind === 'sock' || (component.kind === 'hose' && component.immersed === true);

/**
 * Lays the run out: supply left to right, return back below it, what lies in the tank inside its outline.
 *
 * @param available - px; the drawing grows wider when the run needs it.
 */
export function runGeometry(job: Job, available: number): RunGeometry {
  const supply = job.run.supply.filter((c) => c.kind !== 'tank');
  const back = job.run.return;
  const drop = back.filter((c) => c.kind === 'returnDrop');
  const outside = back.filter((c) => c.kind !== 'returnDrop');
  const inTank = countInTank(supply);
  const tankSlots = Math.max(inTank, 1);
  const spill = supply.findIndex((c) => c.kind === 'regulator' && c.action === 'bypass');
  // the return needs room between the spill and the tank: the supply is pushed out where it would not have it
  const push = spill < 0 ? 0 : Math.max(0, outside.length - (spill - inTank) - 0.4);
  const columns = tankSlots + (supply.length - inTank) + push + (inTank === 0 ? 0.2 : 0);
  const slotWidth = Math.max(LEAST_SLOT, (available - 2 * MARGIN) / Math.max(columns, 6));
  const tankRight = MARGIN + tankSlots * slotWidth;
  const x = (i: number) => {
    const column = i < inTank ? i : tankSlots + (i - inTank) + (i >= spill && spill >= 0 ? push : 0);
    return MARGIN + (column + 0.5) * slotWidth;
  };
  const slots: Slot[] = supply.map((component, i) => ({ component, line: 'supply', x: x(i), y: SUPPLY_Y }));
  const spillX = spill < 0 ? undefined : x(spill);
  const from = spillX ?? MARGIN + columns * slotWidth;
  const room = (from - tankRight) / Math.max(outside.length, 1);
  outside.forEach((component, i) => {
    slots.push({ component, line: 'return', x: from - room * (i + 0.5), y: RETURN_Y });
  });
  drop.forEach((component, i) =>
    slots.push({
      component,
      line: 'return',
      x: tankRight - slotWidth * 0.5 - i * Math.min(slotWidth * 1.35, room),
      y: RETURN_Y,
    }),
  );
  return {
    width: Math.max(available, MARGIN * 2 + columns * slotWidth),
    height: HEIGHT,
    tank: { left: MARGIN, right: tankRight, top: 24, bottom: HEIGHT - 6 },
    slots,
    supplyY: SUPPLY_Y,
    returnY: RETURN_Y,
    spillX,
    slotWidth,
  };
}
