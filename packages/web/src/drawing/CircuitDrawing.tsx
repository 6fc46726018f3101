import type { ResistorNetwork } from '@endrel/core/senders/resistor-network';
import { bounded } from '../components/Boundary.tsx';

const LINE = { fill: 'none', stroke: 'var(--electrical)', strokeWidth: 2 } as const;

function Resistor({ x, y, upright, label }: { x: number; y: number; upright?: boolean; label: string }) {
  return (
    <g transform={`translate(${x} ${y})`}>
      <rect
        x={upright ? -7 : -18}
        y={upright ? -18 : -7}
        width={upright ? 14 : 36}
        height={upright ? 36 : 14}
        fill="var(--sheet)"
        stroke="var(--electrical)"
        strokeWidth={2}
      />
      <text
        x={upright ? 13 : 0}
        y={upright ? 4 : -13}
        textAnchor={upright ? 'start' : 'middle'}
        fontSize={13}
        className="figure"
        fill="var(--ink)"
      >
        {label}
      </text>
    </g>
  );
}

/** Gauge, resistors and sender as they are wired, earth at the bottom. */
export const CircuitDrawing = bounded('The drawing of the circuit', CircuitDrawingDrawn);

function CircuitDrawingDrawn({ network, sender, label }: { network?: ResistorNetwork; sender: string; label: string }) {
  const series = network && network.series > 0 ? ohms(network.series) : undefined;
  const parallel = network && network.parallel !== Infinity ? ohms(network.parallel) : undefined;
  const across = network?.topology === 'parallelAcross';
  const seriesX = across ? 210 : 130;
  const parallelX = 170;
  return (
    <svg viewBox="0 0 400 150" className="block h-auto w-full max-w-[30rem]" role="img" aria-label={label}>
      <path d="M46 40H270V62M270 98V128M46 58V128H270M158 128V138" {...LINE} />
      <path d="M148 138H168M152 142H164M156 146H160" {...LINE} strokeWidth={1.6} />
      <circle cx={46} cy={40} r={18} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={2} />
      <path d="M46 48L54 30" stroke="var(--ink)" strokeWidth={2} />
      <text x={46} y={16} textAnchor="middle" fontSize={12} fill="var(--ink)">
        gauge
      </text>
      {series && <Resistor x={seriesX} y={40} label={series} />}
      {parallel && (
        <>
          <path d={`M${parallelX} 40V66M${parallelX} 102V128`} {...LINE} />
          <circle cx={parallelX} cy={40} r={3} fill="var(--electrical)" />
          <circle cx={parallelX} cy={128} r={3} fill="var(--electrical)" />
          <Resistor x={parallelX} y={84} upright label={parallel} />
        </>
      )}
      <Resistor x={270} y={80} upright label="" />
      <path d="M254 96L288 62M288 62h-8M288 62v8" {...LINE} stroke="var(--ink)" strokeWidth={1.6} />
      <text x={298} y={78} fontSize={12} fill="var(--ink)">
        sender
        <tspan x={298} dy={15} className="figure">
          {sender}
        </tspan>
      </text>
    </svg>
  );
}

export const ohms = (value: number): string =>
  value >= 1000 ? `${Number((value / 1000).toPrecision(3))} kΩ` : `${Number(value.toPrecision(3))} Ω`;
