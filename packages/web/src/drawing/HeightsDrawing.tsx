import { returnDropOf } from '@endrel/core/hangers/hanger-findings';
import { assumed } from '@endrel/core/job/assumption';
import type { Job } from '@endrel/core/job/job';
import { circuitsOf } from '@endrel/core/run/circuits';
import { useDisplayUnits } from '../units/display-units.tsx';
import { bounded } from '../components/Boundary.tsx';

interface Mark {
  readonly name: string;
  readonly height: number;
  readonly colour: string;
  readonly needed?: boolean;
}

const WIDTH = 430;
const HEIGHT = 330;
const TANK = { left: 40, right: 210 };

/** Side view to scale: tank floor, outlet, fuel, pump, vent, filler and rail on one ruler of heights. */
export const HeightsDrawing = bounded('The drawing of the heights', HeightsDrawingDrawn);

function HeightsDrawingDrawn({ job }: { job: Job }) {
  const units = useDisplayUnits();
  const { tank, railHeight } = job.survey;
  const run = circuitsOf(job);
  const pump = run.parts.find((p) => p.kind === 'pump');
  const pumpHeight =
    pump?.kind === 'pump' ? (pump.inletHeight?.si ?? (pump.place === 'inTank' ? 0 : undefined)) : undefined;
  const drop = returnDropOf(job);
  const marks: Mark[] = [];
  const add = (name: string, height: number | undefined, colour: string) =>
    height !== undefined && marks.push({ name, height, colour });
  add('tank lid', tank.depth?.si, 'var(--ink)');
  add('tank outlet', tank.outletHeight?.si, 'var(--supply)');
  add(job.brief.induction === 'carburettor' ? 'carburettor' : 'rail', railHeight?.si, 'var(--supply)');
  add('pump inlet', pumpHeight, 'var(--supply)');
  add('filler neck', tank.fillerHeight?.si, 'var(--ink)');
  add('vent, highest', tank.ventHeight?.si, 'var(--vent)');
  add('return end', drop?.endHeight?.si, 'var(--return)');
  const known = [0, ...marks.map((m) => m.height)];
  const [low, high] = [Math.min(...known, 0), Math.max(...known, 0.3)];
  const scale = (HEIGHT - 60) / (high - low || 1);
  const y = (h: number) => HEIGHT - 28 - (h - low) * scale;
  const depth = tank.depth?.si;
  const level = depth === undefined ? undefined : depth * assumed(job.assumptions, 'fuelLevel');
  const labelled = spread(marks.map((m) => ({ ...m, y: y(m.height) })));
  return (
    <figure className="sheet">
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        className="block h-auto w-full"
        role="img"
        aria-label={`Heights above the tank floor: ${marks.map((m) => `${m.name} ${units.tape(m.height)}`).join(', ') || 'none measured yet'}`}
      >
        <path d={`M14 ${y(0)}H${WIDTH - 8}`} stroke="var(--hair-strong)" strokeDasharray="8 3 2 3" />
        <text x={16} y={y(0) + 15} fontSize={11.5} fill="var(--ink-soft)">
          tank floor, 0
        </text>
        {depth !== undefined ? (
          <>
            <rect
              x={TANK.left}
              y={y(level!)}
              width={TANK.right - TANK.left}
              height={y(0) - y(level!)}
              fill="var(--fuel)"
            />
            <path d={`M${TANK.left} ${y(level!)}H${TANK.right}`} stroke="var(--ink-soft)" strokeDasharray="5 3" />
            <text x={TANK.left + 34} y={y(level!) - 4} fontSize={11.5} fill="var(--ink-soft)">
              fuel reckoned with
            </text>
            <rect
              x={TANK.left}
              y={y(depth)}
              width={TANK.right - TANK.left}
              height={y(0) - y(depth)}
              fill="none"
              stroke="var(--ink)"
              strokeWidth={2}
            />
            <path
              d={`M${TANK.left + 18} ${y(0)}V${y(depth)}`}
              stroke="var(--ink)"
              strokeWidth={1}
              markerStart="url(#tip)"
              markerEnd="url(#tip)"
            />
            <text
              transform={`translate(${TANK.left + 14} ${(y(0) + y(depth)) / 2}) rotate(-90)`}
              textAnchor="middle"
              fontSize={13}
              className="figure"
              fill="var(--ink)"
            >
              {units.tape(depth)}
            </text>
          </>
        ) : (
          <>
            <rect
              x={TANK.left}
              y={y(0) - 110}
              width={TANK.right - TANK.left}
              height={110}
              fill="none"
              stroke="var(--hair-strong)"
              strokeDasharray="6 5"
              strokeWidth={1.5}
            />
            <text
              x={(TANK.left + TANK.right) / 2}
              y={y(0) - 50}
              textAnchor="middle"
              fontSize={13}
              fill="var(--ink-soft)"
            >
              needs tank depth
            </text>
          </>
        )}
        <defs>
          <marker
            id="tip"
            viewBox="0 0 10 10"
            refX="9"
            refY="5"
            markerWidth="7"
            markerHeight="7"
            orient="auto-start-reverse"
          >
            <path d="M0 1.500 10 5 0 8.500Z" fill="var(--ink)" />
          </marker>
        </defs>
        {labelled.map((m) => (
          <g key={m.name}>
            <path
              d={`M${TANK.right - 8} ${m.y}H${TANK.right + 20}L${TANK.right + 34} ${m.labelY}H${TANK.right + 42}`}
              fill="none"
              stroke={m.colour}
              strokeWidth={1.6}
            />
            <circle cx={TANK.right - 8} cy={m.y} r={2.6} fill={m.colour} />
            <text
              x={TANK.right + 47}
              y={m.labelY + 4}
              fontSize={12.5}
              fill="var(--ink)"
              paintOrder="stroke"
              stroke="var(--sheet)"
              strokeWidth={4}
            >
              <tspan className="figure">{units.tape(m.height)}</tspan>
              <tspan fill="var(--ink-soft)"> {m.name}</tspan>
            </text>
          </g>
        ))}
      </svg>
      <figcaption className="label border-t border-hair px-3 py-1">
        Side view, heights to scale, vehicle level. Widths are not.
      </figcaption>
    </figure>
  );
}

/** Moves labels apart that would meet, top down. */
function spread<T extends { y: number }>(marks: T[]): (T & { labelY: number })[] {
  const sorted = [...marks].sort((a, b) => a.y - b.y);
  let last = -Infinity;
  return sorted.map((m) => {
    last = Math.max(m.y, last + 17);
    return { ...m, labelY: last };
  });
}
