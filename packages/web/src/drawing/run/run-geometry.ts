import { hasVentLine } from '@endrel/core/vents/air-path';
import { assumed } from '@endrel/core/job/assumption';
import { pickupPlace } from '@endrel/core/hangers/hanger-findings';
import type { PortAsItIs } from '@endrel/core/parts/graph';
import type { Job } from '@endrel/core/job/job';
import { tankProperties } from '@endrel/core/job/tank';
import { isBypass, isPump, kindOf, type Part } from '@endrel/core/parts/kinds';
import { circuitsOf, type Circuits } from '@endrel/core/run/circuits';
import { lineOfZone, type Line } from '@endrel/core/run/zones';
import { layRun, type Band, type Cell, type LaidRun } from './lay-run.ts';

/** Where a part stands on the run's drawing, px. */
export interface Slot {
  readonly part: Part;
  readonly line: Line;
  readonly band: Band;
  readonly x: number;
  readonly y: number;
  readonly isInTank: boolean;
  /** Ports that nothing closes and nothing is joined to. */
  readonly open: readonly PortAsItIs[];
}
export type Place = readonly [x: number, y: number];
/** A joint as a line. */
export interface Wire {
  readonly joint: string;
  readonly from: string;
  readonly line: Line;
  readonly path: readonly Place[];
  /** Where its pressure is written; absent where there is no room for it, or nothing flows. */
  readonly number?: Place;
  /** Where a regulator lets go what is too much. */
  readonly isSpill: boolean;
}
export interface TankOutline {
  readonly part: Part;
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
  /** Its depth is known: heights in it are where they are. */
  readonly isMeasured: boolean;
  /** y of the fuel's surface. */
  readonly level: number;
  /** The vent line over the lid, with its valve, where the tank has one; `end` is where it opens. */
  readonly vent?: {
    readonly path: readonly Place[];
    readonly valve?: Place;
    readonly end: Place;
    readonly name: string;
  };
  readonly open: readonly PortAsItIs[];
}
export interface RunGeometry {
  readonly width: number;
  readonly height: number;
  readonly tank: TankOutline | undefined;
  readonly slots: readonly Slot[];
  readonly wires: readonly Wire[];
  readonly slotWidth: number;
  /** y of the main path. */
  readonly mainY: number;
}

/** What of a job its drawing shows. */
export type DrawnJob = Pick<Job, 'parts' | 'joints' | 'hanger' | 'assumptions'> & {
  readonly survey: Pick<Job['survey'], 'tank'>;
};

const MARGIN = 14;
const LEAST_SLOT = 70; // room for a symbol and two lines of name
const MAIN_Y = 58;
const ROW = 66;
const TAP_ROW = 54;
const OVERFLOW_LANE = 17;
const OVERFLOW_ROW = 52;
const BELOW = 44; // a name in two lines
const LEAST_TANK = 98;
const LID = 20; // below the main path
const FLOOR = 4;

/**
 * Lays the run out in px: what lies in the tank inside its outline, each at its height against the fuel.
 *
 * @param available - px; the drawing grows wider when the run needs it.
 */
export function runGeometry(job: DrawnJob, available: number): RunGeometry {
  const run = circuitsOf(job);
  const inside = partsInTank(run);
  const laid = layRun(
    run.parts.map((part) => ({
      id: part.id,
      line: run.lineOf(part.id),
      isTank: part.kind === 'tank' && part.id === run.tank?.id,
      isTap: run.isTap(part.id) && run.into(part.id).length + run.outOf(part.id).length > 0,
      isInTank: inside.has(part.id),
    })),
    run.flows.map(({ from, to, zone }) => ({ from, to, line: lineOfZone(zone) })),
  );
  const { rows } = laid;
  const slotWidth = Math.max(LEAST_SLOT, (available - 2 * MARGIN) / Math.max(laid.columns, 6));
  const mainY = MAIN_Y + rows.tap * TAP_ROW + Math.max(0, rows.overflow * OVERFLOW_ROW - 14);
  const returnY = mainY + Math.max(rows.supply, 1) * ROW + 12;
  const height = Math.max(returnY + (Math.max(rows.return, 1) - 1) * ROW + BELOW, mainY + LID + LEAST_TANK + 6);
  const tank = tankOutline(job, run, {
    left: MARGIN,
    right: MARGIN + laid.tankColumns * slotWidth,
    top: mainY + LID,
    bottom: height - 6,
  });
  const y = ({ band, row }: Cell): number =>
    band === 'supply'
      ? mainY + row * ROW
      : band === 'return'
        ? returnY + row * ROW
        : band === 'tap'
          ? mainY - (row + 1) * TAP_ROW
          : OVERFLOW_LANE + 16 + row * OVERFLOW_ROW;
  const inTank = tank && heightsInTank(job, run, tank, inside);
  const slots = run.parts.flatMap((part): Slot[] => {
    const cell = laid.cells.get(part.id);
    if (!cell) return [];
    const depth = inTank?.get(part.id);
    return [
      {
        part,
        line: run.lineOf(part.id),
        band: cell.band,
        x: MARGIN + (cell.column + 0.5) * slotWidth,
        y: depth ?? y(cell),
        isInTank: depth !== undefined,
        open: openPorts(run, part.id),
      },
    ];
  });
  return {
    width: Math.max(available, MARGIN * 2 + laid.columns * slotWidth),
    height,
    tank,
    slots,
    wires: wiresOf(run, slots, tank, { laid, slotWidth, mainY, returnY }),
    slotWidth,
    mainY,
  };
}

const openPorts = (run: Circuits, id: string): PortAsItIs[] =>
  run.ports(id).filter((p) => p.state === 'open' && p.spec.use !== 'dry');

function tankOutline(
  job: DrawnJob,
  run: Circuits,
  box: { left: number; right: number; top: number; bottom: number },
): TankOutline | undefined {
  const part = run.tank;
  if (!part) return undefined;
  const share = Math.min(1, Math.max(0, assumed(job.assumptions, 'fuelLevel')));
  const level = box.bottom - FLOOR - (box.bottom - box.top - FLOOR) * share;
  return {
    part,
    ...box,
    isMeasured: job.survey.tank.depth !== undefined,
    level,
    open: openPorts(run, part.id),
    vent: ventOver(job, box),
  };
}

/** Up from the lid beside the tank's name, over and down to its end: drawn, not measured. */
function ventOver({ survey }: DrawnJob, { left, top }: { left: number; top: number }): TankOutline['vent'] {
  const { vent } = survey.tank;
  if (!vent || !hasVentLine(survey.tank)) return undefined;
  const [x, high, low, end] = [left + 12, top - 27, top - 14, left + 30];
  return {
    path: [
      [x, top],
      [x, high],
      [end, high],
      [end, low],
    ],
    valve: vent === 'open' ? undefined : [x, top - 8],
    end: [end, low],
    name: tankProperties.vent.options[vent],
  };
}

/** What lies in the tank: parts of that kind, and whatever a pump in it draws through. */
function partsInTank(run: Circuits): Set<string> {
  if (!run.tank) return new Set();
  const inside = new Set(run.parts.filter((p) => kindOf(p).isInTank?.(p) === true).map((p) => p.id));
  for (const id of [...inside])
    if (isPump(run.part(id)))
      for (const { from } of run.into(id))
        for (const before of [from, ...run.upstream(from)])
          if (run.zoneOf(before) === run.zoneBefore(id) && before !== run.tank.id) inside.add(before);
  for (const stretch of stretchesBetween(run, inside)) for (const id of stretch) inside.add(id);
  return inside;
}

/** What stands between parts that lie in the tank and has no place of its own: a check valve, a filter with its regulator on the hanger. */
function stretchesBetween(run: Circuits, inside: ReadonlySet<string>): string[][] {
  const isOpen = (id: string) => !inside.has(id) && id !== run.tank?.id && !kindOf(run.part(id)).isInTank;
  const neighbours = (id: string) => [run.into(id).map((f) => f.from), run.outOf(id).map((f) => f.to)] as const;
  const seen = new Set<string>();
  return run.parts.flatMap(({ id: first }): string[][] => {
    if (!isOpen(first) || seen.has(first)) return [];
    const stretch: string[] = [];
    const ends = { before: [] as string[], behind: [] as string[] };
    const wait = [first];
    for (let id = wait.pop(); id !== undefined; id = wait.pop()) {
      if (seen.has(id)) continue;
      seen.add(id);
      stretch.push(id);
      const [before, behind] = neighbours(id);
      ends.before.push(...before.filter((other) => !isOpen(other)));
      ends.behind.push(...behind.filter((other) => !isOpen(other)));
      wait.push(...[...before, ...behind].filter(isOpen));
    }
    const isWithin = (ids: readonly string[]) => ids.length > 0 && ids.every((id) => inside.has(id));
    return isWithin(ends.before) && isWithin(ends.behind) ? [stretch.filter((id) => !run.isTap(id))] : [];
  });
}

/** y of what lies in the tank: pickup, pump inlet and return end at their heights; what leads up from them, on its way. */
function heightsInTank(
  job: DrawnJob,
  run: Circuits,
  tank: TankOutline,
  inside: ReadonlySet<string>,
): Map<string, number> {
  const depth = job.survey.tank.depth?.si;
  const at = (height: number) =>
    tank.bottom - FLOOR - ((tank.bottom - tank.top - FLOOR) * Math.max(0, height)) / depth!;
  const pickup = depth && job.hanger ? pickupPlace(job.hanger, job.survey.tank)?.[2] : undefined;
  // a filter before the pump stands at the pickup; one behind it hangs where it leads up
  const isPickup = (part: Part) =>
    part.kind === 'sock' || (part.kind === 'filter' && !run.upstream(part.id).some((id) => isPump(run.part(id))));
  const isLow = (part: Part) => isPickup(part) || isPump(part);
  const places = new Map<string, number>();
  let last = tank.bottom - 22;
  for (const part of run.parts) {
    if (!inside.has(part.id)) continue;
    // where the symbol is entered, below its middle
    const [height, reach] = isPickup(part)
      ? [pickup, 13]
      : isPump(part)
        ? [part.inletHeight?.si ?? 0, 15]
        : part.kind === 'returnDrop'
          ? [part.endHeight?.si, 13]
          : [undefined, 0];
    const isKnown = height !== undefined && depth !== undefined;
    const lowest = tank.bottom - FLOOR - reach;
    const y = isKnown
      ? Math.max(tank.top + 8, Math.min(at(height) - reach, lowest)) // measured higher than the tank it stands at the lid
      : isLow(part)
        ? lowest
        : part.kind === 'returnDrop'
          ? (tank.top + tank.bottom) / 2
          : (last + tank.top) / 2;
    places.set(part.id, y);
    if (isLow(part)) last = y;
  }
  return places;
}

interface Frame {
  readonly laid: LaidRun;
  readonly slotWidth: number;
  readonly mainY: number;
  readonly returnY: number;
}

function wiresOf(run: Circuits, slots: readonly Slot[], tank: TankOutline | undefined, frame: Frame): Wire[] {
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
