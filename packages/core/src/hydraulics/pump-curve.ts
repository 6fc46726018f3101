import { monotoneCurve, piecewiseCurve, type Curve, type Point } from '../numerics/curve.ts';
import { lastWhere } from '../numerics/last-where.ts';
import { failure, success, type Result } from '../result.ts';

/** One row of a pump's table, SI. */
export interface PumpRow {
  readonly pressure: number; // Pa, rise
  readonly flow: number; // m3/s
  readonly current?: number; // A
}
export interface PumpRows {
  readonly voltage: number; // V
  readonly rows: readonly PumpRow[];
}

export type PumpTableFault =
  | { code: 'tooFewRows'; table: number }
  | { code: 'samePressure'; table: number; row: number; pressure: number }
  /** Flow does not fall where pressure rises: `row` gives more than the row at the next lower pressure. */
  | { code: 'notMonotone'; table: number; row: number; flow: number; before: number }
  | { code: 'sameVoltage'; table: number };

export interface PumpCurve {
  /** Pressure rise, Pa, against flow, m3/s. */
  readonly rise: Curve;
  /** A at a pressure rise; undefined when the tables give no current. */
  readonly current: (pressure: number) => number | undefined;
  /** The voltage lies outside the tables: affinity laws were used. */
  readonly extrapolated: boolean;
  /** Pressure at no flow; beyond the highest row of the table when `deadHeadBeyondTable`. */
  readonly deadHead: number;
  readonly deadHeadBeyondTable: boolean;
  /** Largest flow in the table at this voltage. */
  readonly tableFlow: number;
}

/** The first thing wrong with pump tables, or undefined. */
export function pumpTableFault(tables: readonly PumpRows[]): PumpTableFault | undefined {
  for (const [t, { rows, voltage }] of tables.entries()) {
    if (rows.length < 2) return { code: 'tooFewRows', table: t };
    if (tables.slice(0, t).some((other) => other.voltage === voltage)) return { code: 'sameVoltage', table: t };
    const order = rows.map((_, i) => i).sort((a, b) => rows[a]!.pressure - rows[b]!.pressure);
    for (let k = 1; k < order.length; k++) {
      const [low, high] = [rows[order[k - 1]!]!, rows[order[k]!]!];
      const row = order[k]!;
      if (high.pressure === low.pressure) return { code: 'samePressure', table: t, row, pressure: high.pressure };
      if (!(high.flow < low.flow)) return { code: 'notMonotone', table: t, row, flow: high.flow, before: low.flow };
    }
  }
  return undefined;
}

interface SingleVoltage {
  voltage: number;
  rise: Curve;
  current: Curve | undefined;
  leastFlow: number;
  mostFlow: number;
}

/**
 * A table that stops short of no flow, continued in the shape of a fuller table at another voltage: that one scaled by
 * the affinity laws and fitted to this table's last row. A straight continuation would overstate the dead-head pressure.
 */
function continued({ voltage, rows }: PumpRows, others: readonly PumpRows[]): Point[] {
  const own = rows.map((r): Point => [r.flow, r.pressure]).sort((a, b) => a[0] - b[0]);
  const [leastFlow, highest] = own[0]!;
  const least = (table: PumpRows) => Math.min(...table.rows.map((r) => r.flow)) * (voltage / table.voltage);
  const fuller = others.filter((o) => least(o) < leastFlow).sort((a, b) => least(a) - least(b))[0];
  if (!fuller) return own;
  const ratio = voltage / fuller.voltage;
  const shape = scaled(
    monotoneCurve(fuller.rows.map((r): Point => [r.flow, r.pressure]).sort((a, b) => a[0] - b[0])),
    ratio,
  );
  const fit = highest / shape.value(leastFlow);
  const added = fuller.rows
    .map((r) => r.flow * ratio)
    .filter((q) => q < leastFlow * 0.95)
    .map((q): Point => [q, shape.value(q) * fit]);
  return [...added.sort((a, b) => a[0] - b[0]), ...own];
}

function singleVoltage(table: PumpRows, others: readonly PumpRows[]): SingleVoltage {
  const { voltage, rows } = table;
  const sorted = [...rows].sort((a, b) => a.flow - b.flow);
  const currents = sorted
    .filter((r): r is PumpRow & { current: number } => r.current !== undefined)
    .map((r): Point => [r.pressure, r.current])
    .sort((a, b) => a[0] - b[0]);
  return {
    voltage,
    rise: monotoneCurve(continued(table, others)),
    current: currents.length > 1 ? piecewiseCurve(currents) : undefined,
    leastFlow: sorted[0]!.flow,
    mostFlow: sorted.at(-1)!.flow,
  };
}

const scaled = (curve: Curve, ratio: number): Curve => ({
  value: (q) => ratio ** 2 * curve.value(q / ratio),
  slope: (q) => ratio * curve.slope(q / ratio),
});
const blended = (a: Curve, b: Curve, weight: number): Curve => ({
  value: (x) => (1 - weight) * a.value(x) + weight * b.value(x),
  slope: (x) => (1 - weight) * a.slope(x) + weight * b.slope(x),
});

/**
 * A displacement pump at another speed than its table's: what it displaces goes with the speed, what slips back past its gears
 * with the pressure alone. Below the speed that makes up for its slip it brings nothing.
 */
const displaced = ({ rise, mostFlow }: SingleVoltage, ratio: number): Curve => {
  const free = lastWhere(0, FREE_OF_TABLE * mostFlow, (q) => rise.value(q) > 0); // against no pressure nothing slips
  const moved = free * (ratio - 1);
  return { value: (q) => rise.value(q - moved), slope: (q) => rise.slope(q - moved) };
};
const FREE_OF_TABLE = 3; // a pump's flow against no pressure is less than this many times its table's most

/** How a pump's flow follows its speed: of a turbine by the affinity laws, of a displacement pump by its slip. */
export type PumpWorks = 'turbine' | 'displacement';

/** A pump whose tables are made into curves once, to be asked at any voltage. */
export interface PumpModel {
  at(voltage: number): PumpCurve;
}

/**
 * A pump's curves: monotone through its tables, between two tables by interpolation, outside them as its kind goes with speed
 * and marked extrapolated. A turbine: flow with speed, pressure with speed squared. Speed goes with voltage.
 */
export function compilePump(
  tables: readonly PumpRows[],
  works: PumpWorks = 'turbine',
): Result<PumpModel, PumpTableFault> {
  const fault = pumpTableFault(tables);
  if (fault) return failure(fault);
  if (tables.length === 0) return failure({ code: 'tooFewRows', table: 0 });
  const curves = tables.map((t) => singleVoltage(t, tables)).sort((a, b) => a.voltage - b.voltage);
  let last: { voltage: number; curve: PumpCurve } | undefined; // the same voltage is asked for several times in a row
  const at = (voltage: number): PumpCurve => {
    const above = curves.findIndex((c) => c.voltage >= voltage);
    const high = above < 0 ? curves.at(-1)! : curves[above]!;
    const low = above <= 0 ? high : curves[above - 1]!;
    if (high.voltage === voltage || low === high) {
      const ratio = voltage / high.voltage;
      const other = works === 'displacement' ? displaced(high, ratio) : scaled(high.rise, ratio);
      return assemble(ratio === 1 ? high.rise : other, high, high, 0, ratio);
    }
    const weight = (voltage - low.voltage) / (high.voltage - low.voltage);
    return assemble(blended(low.rise, high.rise, weight), low, high, weight, 1);
  };
  return success({
    at(voltage) {
      if (last?.voltage !== voltage) last = { voltage, curve: at(voltage) };
      return last.curve;
    },
  });
}

/** The curve at one voltage, where no other is asked for. */
export function pumpCurveAt(
  tables: readonly PumpRows[],
  voltage: number,
  works?: PumpWorks,
): Result<PumpCurve, PumpTableFault> {
  const model = compilePump(tables, works);
  return model.ok ? success(model.value.at(voltage)) : model;
}

function assemble(rise: Curve, low: SingleVoltage, high: SingleVoltage, weight: number, ratio: number): PumpCurve {
  const mix = (a: number, b: number) => (1 - weight) * a + weight * b;
  return {
    rise,
    current: (pressure) =>
      low.current && high.current
        ? Math.max(0, mix(low.current.value(pressure), high.current.value(pressure)))
        : undefined,
    extrapolated: ratio !== 1,
    deadHead: rise.value(0),
    deadHeadBeyondTable: mix(low.leastFlow, high.leastFlow) > 0,
    tableFlow: mix(low.mostFlow, high.mostFlow) * ratio,
  };
}

/** Flow at which a pump's curve gives a pressure, m3/s. */
export const flowAgainst = (curve: PumpCurve, pressure: number): number =>
  lastWhere(0, 2 * curve.tableFlow, (flow) => curve.rise.value(flow) > pressure);
