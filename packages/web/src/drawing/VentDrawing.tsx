import { toDegrees } from '@endrel/core/units/quick';
import { hasVentLine } from '@endrel/core/vents/air-path';
import type { Job } from '@endrel/core/job/job';
import { useDisplayUnits } from '../units/display-units.tsx';
import { circuits } from './line-patterns.ts';
import { bounded } from '../components/Boundary.tsx';

const WIDTH = 520;
const HEIGHT = 300;

/** Tank, filler neck and vent on one scale of heights: what stands above what. */
export const VentDrawing = bounded('The drawing of the vent', VentDrawingDrawn);

function VentDrawingDrawn({ job }: { job: Job }) {
  const units = useDisplayUnits();
  const { tank, vent = {} } = job.survey;
  const depth = tank.depth?.si;
  if (depth === undefined) return <p className="sheet p-4 text-ink-soft">The drawing needs the tank depth.</p>;
  const top = tank.ventHeight?.si;
  const neck = tank.fillerHeight?.si;
  const end = vent.outletHeight?.si ?? vent.lowestAfterTop?.si ?? 0;
  const [low, high] = [Math.min(0, end), Math.max(depth, top ?? 0, neck ?? 0)];
  const scale = (HEIGHT - 64) / (high - low || 1);
  const y = (h: number) => HEIGHT - 30 - (h - low) * scale;
  const tankEnd = vent.tankEnd?.si ?? depth;
  const marks: [string, number | undefined, string][] = [
    ['filler neck', neck, 'var(--ink)'],
    ['vent, highest', top, 'var(--vent)'],
    ['vent opens', vent.tankEnd?.si, 'var(--vent)'],
    ['vent ends', vent.outletHeight?.si, 'var(--vent)'],
  ];
  const valve = tank.vent === 'rollOver' || tank.vent === 'canister';
  return (
    <figure className="sheet">
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        className="block h-auto w-full"
        role="img"
        aria-label={`Vent and filler: ${marks.flatMap(([name, h]) => (h === undefined ? [] : [`${name} ${units.tape(h)}`])).join(', ') || 'heights not measured yet'}`}
      >
        <rect
          x={40}
          y={y(depth)}
          width={230}
          height={y(0) - y(depth)}
          fill="none"
          stroke="var(--ink)"
          strokeWidth={2}
        />
        <rect x={41} y={y(depth * 0.9)} width={228} height={y(0) - y(depth * 0.9) - 1} fill="var(--fuel)" />
        {neck !== undefined && (
          <path
            d={`M70 ${y(depth * 0.92)}L52 ${y(neck)}M96 ${y(depth)}L78 ${y(neck)}M48 ${y(neck)}H82`}
            stroke="var(--ink)"
            strokeWidth={2}
            fill="none"
          />
        )}
        {top !== undefined && hasVentLine(tank) && (
          <path
            d={`M210 ${y(tankEnd)}V${y(top) + 14}Q210 ${y(top)} 226 ${y(top)}H314Q330 ${y(top)} 330 ${y(top) + 14}V${y(end)}`}
            fill="none"
            {...circuits.vent}
          />
        )}
        {top !== undefined && valve && (
          <g
            transform={`translate(210 ${(y(tankEnd) + y(top)) / 2}) rotate(${toDegrees(vent.valveTilt?.si ?? 0)})`}
            stroke="var(--vent)"
            strokeWidth={1.8}
          >
            <rect x={-11} y={-15} width={22} height={30} fill="var(--sheet)" />
            <circle cy={4} r={5} fill="none" />
            <path d="M-6 -8H6" />
          </g>
        )}
        {marks.map(([name, h, colour]) =>
          h === undefined ? null : (
            <g key={name}>
              <path d={`M${name === 'filler neck' ? 84 : 334} ${y(h)}H376`} stroke={colour} strokeWidth={0.9} />
              <text x={382} y={y(h) + 4} fontSize={12.5} fill="var(--ink)">
                <tspan className="figure">{units.tape(h)}</tspan>
                <tspan fill="var(--ink-soft)"> {name}</tspan>
              </text>
            </g>
          ),
        )}
        <path d={`M16 ${y(0)}H${WIDTH - 16}`} stroke="var(--hair-strong)" strokeDasharray="8 3 2 3" />
        <text x={18} y={y(0) + 15} fontSize={11.5} fill="var(--ink-soft)">
          tank floor, 0
        </text>
      </svg>
      <figcaption className="label border-t border-hair px-3 py-1">
        Heights to scale, vehicle level. Widths are not.
      </figcaption>
    </figure>
  );
}
