import { circuitsOf } from '@endrel/core/run/circuits';
import { lineOfZone } from '@endrel/core/run/zones';
import { layRun, type Cell } from './lay-run.ts';
import { openPorts, type DrawnJob, type RunGeometry, type Slot } from './run-drawing.ts';
import { heightsInTank, partsInTank, tankOutline } from './tank-on-run.ts';
import { OVERFLOW_LANE, wiresOf } from './wires.ts';

const MARGIN = 14;
const LEAST_SLOT = 70; // room for a symbol and two lines of name
const MAIN_Y = 58;
const ROW = 66;
const TAP_ROW = 54;
const OVERFLOW_ROW = 52;
const BELOW = 44; // a name in two lines
const LEAST_TANK = 98;
const LID = 20; // below the main path

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
