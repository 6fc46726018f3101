import { pumpCurveAt, type PumpRows } from '@endrel/core/hydraulics/pump-curve';
import { useDisplayUnits } from '../units/display-units.tsx';
import { evenly } from '@endrel/core/numerics/evenly';
import { bounded } from '../components/Boundary.tsx';

/** The ends of the axes that all sketches on a screen share: pumps can then be compared by eye. SI. */
export interface SketchScale {
  readonly flow: number; // m3/s
  readonly pressure: number; // Pa
}

const [WIDTH, HEIGHT] = [150, 112];
const box = { left: 4, right: WIDTH - 4, top: 12, bottom: HEIGHT - 14 };
const STEPS = 32;

/** A pump's curve at each voltage of its tables, with the readings on it; solid at the highest, then dashed. */
export const PumpSketch = bounded('The sketch of the pump', PumpSketchDrawn);

function PumpSketchDrawn({ tables, scale }: { tables: readonly PumpRows[]; scale: SketchScale }) {
  const units = useDisplayUnits();
  const highest = Math.max(...tables.map((t) => t.voltage));
  const x = (flow: number) => box.left + (flow / scale.flow) * (box.right - box.left);
  const y = (pressure: number) => box.bottom - (pressure / scale.pressure) * (box.bottom - box.top);
  const line = ({ voltage, rows }: PumpRows) => {
    const curve = pumpCurveAt(tables, voltage);
    if (!curve.ok) return '';
    const flows = rows.map((r) => r.flow);
    return evenly(Math.min(...flows), Math.max(...flows), STEPS)
      .map((q, i) => `${i === 0 ? 'M' : 'L'}${x(q).toFixed(1)} ${y(curve.value.rise.value(q)).toFixed(1)}`)
      .join('');
  };
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      width={WIDTH}
      height={HEIGHT}
      role="img"
      aria-label="Pressure against flow, on the same axes for all pumps"
    >
      <path
        d={`M${box.left} ${box.top}V${box.bottom}H${box.right}`}
        fill="none"
        stroke="var(--hair-strong)"
        strokeWidth={1.2}
      />
      {tables.map((table) => (
        <g key={table.voltage}>
          <path
            d={line(table)}
            fill="none"
            stroke="var(--supply)"
            strokeWidth={table.voltage === highest ? 2 : 1.5}
            strokeDasharray={table.voltage === highest ? undefined : '6 3'}
          />
          {table.rows.map((r) => (
            <circle key={r.pressure} cx={x(r.flow)} cy={y(r.pressure)} r={1.8} fill="var(--supply)" />
          ))}
        </g>
      ))}
      <g className="figure" fontSize={10.5} fill="var(--ink-soft)">
        <text x={box.left} y={box.top - 3}>
          {units.show('pressure', scale.pressure)}
        </text>
        <text x={box.right} y={HEIGHT - 2} textAnchor="end">
          {units.show('volumeFlow', scale.flow)}
        </text>
      </g>
    </svg>
  );
}
