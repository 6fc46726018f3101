import { isBypass } from '@endrel/core/parts/kinds';
import type { Circuits } from '@endrel/core/run/circuits';
import { lineOfZone, type Line } from '@endrel/core/run/zones';
import type { LaidRun } from './lay-run.ts';
import { FLOOR, type Place, type Slot, type TankOutline, type Wire } from './run-drawing.ts';

/** y of the line that runs back over everything, px. */
export const OVERFLOW_LANE = 17;

interface Frame {
  readonly laid: LaidRun;
  readonly slotWidth: number;
  readonly mainY: number;
  readonly returnY: number;
}

/** Every joint as a line that keeps off the parts it passes. */
export function wiresOf(run: Circuits, slots: readonly Slot[], tank: TankOutline | undefined, frame: Frame): Wire[] {
  const slotOf = new Map(slots.map((s) => [s.part.id, s]));
  return run.flows.flatMap((flow): Wire[] => {
    const line = lineOfZone(flow.zone);
    const [a, b] = [slotOf.get(flow.from), slotOf.get(flow.to)];
    const isSpill = flow.fromPort === 'return' && isBypass(run.part(flow.from));
    const wire = (path: Place[], numbered = true, row?: number): Wire => ({
      joint: flow.joint,
      from: flow.from,
      line,
      path,
      isSpill,
      ...(numbered ? { number: longest(path, row) } : {}),
    });
    if (a && b) {
      if (a.band === 'tap' || b.band === 'tap' || run.isTap(flow.to) || run.isTap(flow.from)) {
        const [host, tap] = run.isTap(flow.to) ? [a, b] : [b, a];
        return [
          wire(
            [
              [host.x, host.y],
              [host.x, tap.y],
              [tap.x, tap.y],
            ],
            false,
          ),
        ];
      }
      if (line === 'supply' || (a.isInTank && b.isInTank))
        return [wire(between(a, b, slots, tank, frame), true, rowOf(a, b, frame.mainY))];
      const start: Place[] =
        a.band === 'supply'
          ? leaving(a, b.isInTank || b.band === 'supply' ? frame.returnY : b.y, slots, frame)
          : [[a.x, a.y]];
      if (b.isInTank && tank) return [wire(overLid(start, [b.x, b.y], tank, line))];
      return [wire([...start, [b.x, start.at(-1)![1]], [b.x, b.y]])];
    }
    if (a && tank) {
      if (line === 'supply')
        return [
          wire([
            [a.x, a.y],
            [a.x, tank.top - 8],
            [tank.right - 14, tank.top - 8],
            [tank.right - 14, tank.top + 10],
          ]),
        ];
      if (a.isInTank) return []; // it hangs in the tank
      const y =
        line === 'overflow'
          ? OVERFLOW_LANE + (a.band === 'overflow' ? 16 : 0)
          : a.band === 'return'
            ? a.y
            : frame.returnY;
      return [
        wire(
          overLid(
            leaving(a, y, slots, frame),
            [tank.right - (line === 'overflow' ? 28 : 14), tank.top + 10],
            tank,
            line,
          ),
        ),
      ];
    }
    if (b && tank) {
      if (b.isInTank) return []; // it lies in the fuel
      const outlet = tank.bottom - FLOOR - 10;
      return [
        wire([
          [tank.right, outlet],
          [tank.right + 10, outlet],
          [tank.right + 10, b.y],
          [b.x, b.y],
        ]),
      ];
    }
    return [];
  });
}

/** Down from what spills, or along from the part before, onto the row of a line that runs back. */
function leaving(a: Slot, y: number, slots: readonly Slot[], { slotWidth }: Frame): Place[] {
  if (Math.abs(a.y - y) < 1) return [[a.x, a.y]];
  const low = Math.min(a.y, y);
  const high = Math.max(a.y, y);
  const isBlocked = slots.some(
    (s) => s !== a && Math.abs(s.x - a.x) < slotWidth / 2 && s.y > low + 1 && s.y < high - 1,
  );
  if (!isBlocked)
    return [
      [a.x, a.y],
      [a.x, y],
    ];
  const aside = a.x + slotWidth / 2;
  const lane = a.y + (y > a.y ? 50 : -26);
  return [
    [a.x, a.y],
    [a.x, lane],
    [aside, lane],
    [aside, y],
  ];
}

/** To the tank's wall, over its lid, and down into it. */
function overLid(from: Place[], into: Place, tank: TankOutline, line: Line): Place[] {
  if (line === 'overflow') return [...from, [into[0], from.at(-1)![1]], into];
  const beside = tank.right + 12;
  return [...from, [beside, from.at(-1)![1]], [beside, tank.top - 9], [into[0], tank.top - 9], into];
}

/** A joint of the supply: straight where it can be, else out of the one row and into the other beside the parts. */
function between(a: Slot, b: Slot, slots: readonly Slot[], tank: TankOutline | undefined, frame: Frame): Place[] {
  const { slotWidth } = frame;
  if (a.isInTank && !b.isInTank) {
    const rise = Math.min(a.x + slotWidth * 0.4, tank!.right - 6);
    return [
      [a.x, a.y],
      [rise, a.y],
      [rise, b.y],
      [b.x, b.y],
    ];
  }
  const passed = slots.filter(
    (s) => s !== a && s !== b && s.x > Math.min(a.x, b.x) + 1 && s.x < Math.max(a.x, b.x) - 1,
  );
  if (a.isInTank && b.isInTank) {
    const inWay = passed.filter((s) => s.isInTank);
    if (inWay.length === 0) {
      const middle = (a.x + b.x) / 2;
      return [
        [a.x, a.y],
        [middle, a.y],
        [middle, b.y],
        [b.x, b.y],
      ];
    }
    const lane = Math.max(tank!.top + 6, Math.min(a.y, b.y, ...inWay.map((s) => s.y)) - 26);
    return [
      [a.x, a.y],
      [a.x, lane],
      [b.x, lane],
      [b.x, b.y],
    ];
  }
  const isFree = (y: number) => passed.every((s) => Math.abs(s.y - y) > 20);
  if (b.x > a.x) {
    const [out, into] = [a.x + slotWidth / 2, b.x - slotWidth / 2];
    if (a.y === b.y && isFree(a.y))
      return [
        [a.x, a.y],
        [b.x, b.y],
      ];
    // the horizontal stretch runs in the row that is farther from the main path
    const far = Math.abs(a.y - frame.mainY) > Math.abs(b.y - frame.mainY) ? a.y : b.y;
    if (isFree(far) && a.y !== b.y)
      return far === b.y
        ? [
            [a.x, a.y],
            [out, a.y],
            [out, b.y],
            [b.x, b.y],
          ]
        : [
            [a.x, a.y],
            [into, a.y],
            [into, b.y],
            [b.x, b.y],
          ];
    const lane = Math.max(a.y, b.y) + 54;
    return [
      [a.x, a.y],
      [out, a.y],
      [out, lane],
      [into, lane],
      [into, b.y],
      [b.x, b.y],
    ];
  }
  const lane = Math.max(a.y, b.y) + 54;
  const [out, into] = [a.x + slotWidth / 2, b.x - slotWidth / 2];
  return [
    [a.x, a.y],
    [out, a.y],
    [out, lane],
    [into, lane],
    [into, b.y],
    [b.x, b.y],
  ];
}

/** The row of a branch, for its number not to meet that of the main path. */
const rowOf = (a: Slot, b: Slot, mainY: number): number | undefined =>
  a.isInTank && b.isInTank
    ? a.y // beside the part it leaves: before the next one stands that one's mark
    : a.y === b.y || a.isInTank
      ? undefined
      : Math.abs(a.y - mainY) > Math.abs(b.y - mainY)
        ? a.y
        : b.y;

/** Middle of the longest level stretch, of those at `row` if that is given, where there is room for a number. */
function longest(path: readonly Place[], row?: number): Place | undefined {
  let best: Place | undefined;
  let most = 30;
  path.slice(1).forEach(([x, y], i) => {
    const [x0, y0] = path[i]!;
    if (y === y0 && (row === undefined || y === row) && Math.abs(x - x0) > most) {
      most = Math.abs(x - x0);
      best = [(x + x0) / 2, y];
    }
  });
  return best;
}
