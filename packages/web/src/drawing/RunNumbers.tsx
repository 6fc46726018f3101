import { LEAST_SUCTION_MARGIN, MOST_CREEP } from '@endrel/core/run/limits';
import type { Assessment } from '@endrel/core/assess';
import type { Job } from '@endrel/core/job/job';
import { pointName } from '@endrel/core/run/operating-point';
import { resultAt, wantedRailPressure } from '@endrel/core/run/solve-run';
import { fromSi, unitById } from '@endrel/core/units/unit-table';
import { useDisplayUnits } from '../units/display-units.tsx';
import { OVERFLOW_Y, type RunGeometry } from './run-geometry.ts';
import { variantOf } from './symbols/variant-of.ts';
import { isBypass, isConsumer } from '@endrel/core/parts/kinds';

/** Pressure above the line between parts, flow where it changes, at the chosen operating point. */
export function RunNumbers({
  geometry,
  assessment,
  point,
  job,
}: {
  geometry: RunGeometry;
  assessment: Assessment | undefined;
  point: string;
  job: Job;
}) {
  const units = useDisplayUnits();
  const result = assessment?.findings.solution && resultAt(assessment.findings.solution, point);
  if (!result) return null;
  const unit = unitById(units.unitOf('pressure') ?? 'kPa');
  const number = (pascals: number) => {
    const value = fromSi(pascals, unit);
    const text = Math.abs(value) < 20 ? value.toFixed(1) : value.toFixed(0);
    return /^-0\.0$/.test(text) ? '0.0' : text.replace('-', '−');
  };
  const supply = geometry.slots.filter((s) => s.line === 'supply');
  const back = geometry.slots.filter((s) => s.line === 'return');
  const flowOf = (id: string) => result.parts.find((c) => c.id === id);
  const pumps = supply
    .filter((s) => s.part.kind === 'pump')
    .map((slot) => {
      const flow = flowOf(slot.part.id);
      return { slot, flow: flow?.flow ?? 0, margin: flow?.suctionMargin };
    });
  const lastGroup = pumps.findLastIndex(({ slot }) => slot.y === geometry.supplyY);
  const duty = result.duty === undefined ? '' : `, ${units.show('fraction', result.duty)} duty`;
  const wanted = wantedRailPressure(job, result.point);
  const spilling = geometry.slots.find((s) => isBypass(s.part));
  const creep =
    wanted !== undefined &&
    spilling &&
    flowOf(spilling.part.id)?.state === 'wideOpen' &&
    result.railPressure > wanted * (1 + MOST_CREEP)
      ? result.railPressure - wanted
      : undefined;
  const consumer = supply.find((s) => isConsumer(s.part));
  const inLine = supply.filter((s) => s.y === geometry.supplyY);
  const joints = [
    ...inLine
      .slice(1)
      .map((slot, i) => ({ x: (inLine[i]!.x + slot.x) / 2, y: geometry.supplyY, flow: flowOf(slot.part.id) })),
    ...back
      .slice(1)
      .map((slot, i) => ({ x: (back[i]!.x + slot.x) / 2, y: geometry.returnY, flow: flowOf(slot.part.id) })),
  ];
  return (
    <g
      className="figure"
      fontSize={13}
      textAnchor="middle"
      paintOrder="stroke"
      stroke="var(--sheet)"
      strokeWidth={4}
      aria-hidden="true"
    >
      <text x={geometry.width - 8} y={14} textAnchor="end" fontSize={11.5} fill="var(--ink-soft)">
        {`${unit.label} at each joint, ${pointName(job, point)}`}
      </text>
      {joints.map(({ x, y, flow }) =>
        flow ? (
          <g key={`${x}:${y}`}>
            <path d={`M${x} ${y - 5}V${y + 5}`} stroke="var(--ink)" strokeWidth={1.4} />
            <text x={x} y={y - 10} fill="var(--ink)">
              {number(flow.inletPressure)}
            </text>
          </g>
        ) : null,
      )}
      {pumps.map(({ slot, flow, margin }, i) => (
        <g key={slot.part.id}>
          {slot.y === geometry.supplyY && (
            <Flow
              x={slot.x - 10}
              anchor="start"
              y={geometry.supplyY - 21}
              text={
                i === lastGroup ? `${units.show('volumeFlow', result.pumpFlow)}${duty}` : units.show('volumeFlow', flow)
              }
              colour="var(--supply)"
            />
          )}
          {margin !== undefined && margin < LEAST_SUCTION_MARGIN && (
            <Boiling
              x={slot.x}
              y={slot.y}
              text={
                margin < 0 ? `boils, ${units.show('head', -margin)} short` : `${units.show('head', margin)} to boiling`
              }
            />
          )}
        </g>
      ))}
      {creep !== undefined && geometry.spillX !== undefined && (
        <Flow
          x={geometry.spillX - 8}
          anchor="end"
          y={(geometry.supplyY + geometry.returnY) / 2 + 24}
          text={`creeps up by ${units.show('pressure', creep)}`}
          colour="var(--fix)"
        />
      )}
      {result.pot && geometry.potX !== undefined && (
        <Flow
          x={geometry.potX - 14}
          anchor="end"
          y={OVERFLOW_Y - 4}
          text={
            result.pot.overflow < 0
              ? `short of ${units.show('volumeFlow', -result.pot.overflow)}`
              : units.show('volumeFlow', result.pot.overflow)
          }
          colour={result.pot.overflow < 0 ? 'var(--stop)' : 'var(--return)'}
        />
      )}
      {consumer && (
        <Flow
          x={consumer.x - 10}
          anchor="start"
          y={geometry.supplyY - (variantOf(consumer.part) === 'two' ? 25 : 21)}
          text={`${units.show('volumeFlow', result.delivered)} drawn`}
          colour="var(--supply)"
        />
      )}
      {spilling && geometry.spillX !== undefined && (
        <Flow
          x={geometry.spillX + 6}
          y={(geometry.supplyY + geometry.returnY) / 2 + 24}
          anchor="start"
          text={units.show('volumeFlow', result.returnFlow)}
          colour="var(--return)"
        />
      )}
    </g>
  );
}

/** Fuel that boils, or nearly: bubbles at the pump's inlet, and how much is left. */
function Boiling({ x, y, text }: { x: number; y: number; text: string }) {
  return (
    <g>
      <g fill="var(--sheet)" stroke="var(--stop)" strokeWidth={1.4} paintOrder="fill">
        <circle cx={x - 21} cy={y - 4} r={3.2} />
        <circle cx={x - 27} cy={y + 3} r={2.2} />
        <circle cx={x - 20} cy={y + 6} r={1.7} />
      </g>
      <Flow x={x + 30} y={y + 55} anchor="end" text={text} colour="var(--stop)" />
    </g>
  );
}

function Flow({
  x,
  y,
  text,
  colour,
  anchor,
}: {
  x: number;
  y: number;
  text: string;
  colour: string;
  anchor?: 'start' | 'end';
}) {
  return (
    <text
      x={x}
      y={y}
      textAnchor={anchor}
      fontSize={12}
      fill={colour}
      paintOrder="stroke"
      stroke="var(--sheet)"
      strokeWidth={4}
    >
      {text}
    </text>
  );
}
