import { LEAST_SUCTION_MARGIN, MOST_CREEP } from '@endrel/core/run/limits';
import type { Assessment } from '@endrel/core/assess';
import type { Job } from '@endrel/core/job/job';
import { pointName } from '@endrel/core/run/operating-point';
import { resultAt } from '@endrel/core/run/solve-run';
import { fromSi, unitById } from '@endrel/core/units/unit-table';
import { isConsumer, isPump } from '@endrel/core/parts/kinds';
import { circuitsOf } from '@endrel/core/run/circuits';
import { useDisplayUnits } from '../../units/display-units.tsx';
import type { RunGeometry } from './run-geometry.ts';

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
  const flowOf = (id: string) => result.parts.find((c) => c.id === id);
  const pumps = geometry.slots.filter((s) => isPump(s.part));
  // pumps side by side: the flow of all of them stands at the last
  const fed = new Set(circuitsOf(job).feedPumps);
  const lastFeed = pumps.findLast((s) => fed.has(s.part.id));
  const duty = result.duty === undefined ? '' : `, ${units.show('fraction', result.duty)} duty`;
  const { wanted } = result;
  const spills = geometry.wires.filter((w) => w.isSpill).map((w) => ({ ...w, slot: geometry.slots.find((s) => s.part.id === w.from)! })); // prettier-ignore
  const creeping = (id: string) =>
    wanted !== undefined && flowOf(id)?.state === 'wideOpen' && result.railPressure > wanted * (1 + MOST_CREEP)
      ? result.railPressure - wanted
      : undefined;
  const consumer = geometry.slots.find((s) => isConsumer(s.part));
  const pot = result.pot && geometry.slots.find((s) => s.part.id === result.pot!.id);
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
      {geometry.wires.map(({ joint, number: at }) => {
        const there = result.joints[joint];
        return at && there ? (
          <g key={joint}>
            <path d={`M${at[0]} ${at[1] - 5}V${at[1] + 5}`} stroke="var(--ink)" strokeWidth={1.4} />
            <text x={at[0]} y={at[1] - 10} fill="var(--ink)">
              {number(there.pressure)}
            </text>
          </g>
        ) : null;
      })}
      {pumps.map((slot) => {
        const own = flowOf(slot.part.id);
        const margin = own?.suctionMargin;
        const text = slot === lastFeed ? `${units.show('volumeFlow', result.pumpFlow)}${duty}` : units.show('volumeFlow', own?.flow ?? 0); // prettier-ignore
        return (
          <g key={slot.part.id}>
            {slot.isInTank ? (
              <Flow x={slot.x + 19} anchor="start" y={slot.y + 13} text={text} colour="var(--supply)" />
            ) : (
              <Flow x={slot.x - 10} anchor="start" y={slot.y - 21} text={text} colour="var(--supply)" />
            )}
            {margin !== undefined && (margin < LEAST_SUCTION_MARGIN || own?.state === 'choked') && (
              <Boiling
                x={slot.x}
                y={slot.y}
                textY={slot.isInTank ? slot.y - 46 : slot.y + 55}
                text={own?.state === 'choked' ? 'choked: it draws vapour' : `${units.show('head', margin)} to boiling`}
              />
            )}
          </g>
        );
      })}
      {spills.map(({ joint, slot, path }) => {
        const creep = creeping(slot.part.id);
        const [x, bottom] = path.at(path.length > 2 && path[1]![0] === slot.x ? 1 : 0)!;
        const y = slot.y + Math.max(54, Math.min(bottom - slot.y - 24, 66)); // over the number of the line below
        return (
          <g key={joint}>
            <Flow
              x={x + 6}
              y={y}
              anchor="start"
              text={units.show('volumeFlow', flowOf(slot.part.id)?.flow ?? 0)}
              colour="var(--return)"
            />
            {creep !== undefined && (
              <Flow
                x={x - 8}
                anchor="end"
                y={y}
                text={`creeps up by ${units.show('pressure', creep)}`}
                colour="var(--fix)"
              />
            )}
          </g>
        );
      })}
      {pot && (
        <Flow
          x={pot.x + 6}
          anchor="start"
          y={pot.y - 26}
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
          x={consumer.x - 6}
          anchor="end"
          y={consumer.y - 21}
          text={`${units.show('volumeFlow', result.delivered)} drawn`}
          colour="var(--supply)"
        />
      )}
    </g>
  );
}

/** Fuel that boils, or nearly: bubbles at the pump's inlet, and how much is left. */
function Boiling({ x, y, textY, text }: { x: number; y: number; textY: number; text: string }) {
  return (
    <g>
      <g fill="var(--sheet)" stroke="var(--stop)" strokeWidth={1.4} paintOrder="fill">
        <circle cx={x - 21} cy={y - 4} r={3.2} />
        <circle cx={x - 27} cy={y + 3} r={2.2} />
        <circle cx={x - 20} cy={y + 6} r={1.7} />
      </g>
      <Flow x={x + 30} y={textY} anchor="end" text={text} colour="var(--stop)" />
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
