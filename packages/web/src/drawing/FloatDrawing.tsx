import type { Job } from '@endrel/core/job/job';
import { useDisplayUnits } from '../units/display-units.tsx';

const WIDTH = 360;
const HEIGHT = 190;

/** Tank in section to scale with the float at both stops and its arc. */
export function FloatDrawing({ job }: { job: Job }) {
  const units = useDisplayUnits();
  const depth = job.survey.tank.depth?.si;
  const { floatLow, floatHigh, armLength, pivotHeight } = job.gauge ?? {};
  if (depth === undefined || !floatLow || !floatHigh) return null;
  const heights = [0, depth, floatLow.si, floatHigh.si, pivotHeight?.si ?? 0];
  const [low, high] = [Math.min(...heights), Math.max(...heights)];
  const scale = (HEIGHT - 40) / (high - low);
  const y = (h: number) => HEIGHT - 20 - (h - low) * scale;
  const pivotX = 60;
  const arm = armLength && pivotHeight ? { length: armLength.si, pivot: pivotHeight.si } : undefined;
  const xAt = (h: number) =>
    arm && Math.abs(h - arm.pivot) < arm.length
      ? pivotX + Math.sqrt(arm.length ** 2 - (h - arm.pivot) ** 2) * scale
      : pivotX + 130;
  const stops = [
    { name: 'bottom stop', h: floatLow.si },
    { name: 'top stop', h: floatHigh.si },
  ];
  const right = Math.min(WIDTH - 90, Math.max(...stops.map((s) => xAt(s.h))) + 40);
  return (
    <figure className="sheet">
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        className="block h-auto w-full"
        role="img"
        aria-label={`Float between ${units.show('length', floatLow.si)} and ${units.show('length', floatHigh.si)} in a tank ${units.show('length', depth)} deep`}
      >
        <rect
          x={24}
          y={y(depth)}
          width={right - 24}
          height={y(0) - y(depth)}
          fill="none"
          stroke="var(--ink)"
          strokeWidth={2}
        />
        {arm && (
          <path
            d={`M${xAt(floatLow.si)} ${y(floatLow.si)}A${arm.length * scale} ${arm.length * scale} 0 0 0 ${xAt(floatHigh.si)} ${y(floatHigh.si)}`}
            fill="none"
            stroke="var(--hair-strong)"
            strokeDasharray="4 4"
          />
        )}
        {stops.map(({ name, h }) => (
          <g key={name}>
            {arm && (
              <path d={`M${pivotX} ${y(arm.pivot)}L${xAt(h)} ${y(h)}`} stroke="var(--electrical)" strokeWidth={2} />
            )}
            <rect
              x={xAt(h) - 11}
              y={y(h) - 6}
              width={22}
              height={12}
              rx={6}
              fill="var(--sheet)"
              stroke="var(--electrical)"
              strokeWidth={2}
            />
            <path d={`M${xAt(h) + 12} ${y(h)}H${right + 10}`} stroke="var(--hair-strong)" />
            <text x={right + 14} y={y(h) + 4} fontSize={12} fill="var(--ink)">
              <tspan className="figure">{units.show('length', h)}</tspan>
              <tspan fill="var(--ink-soft)" x={right + 14} dy={13}>
                {name}
              </tspan>
            </text>
          </g>
        ))}
        {arm && <circle cx={pivotX} cy={y(arm.pivot)} r={4} fill="var(--electrical)" />}
      </svg>
      <figcaption className="label border-t border-hair px-3 py-1">
        Section, to scale{arm ? '' : '; arm and pivot not measured'}.
      </figcaption>
    </figure>
  );
}
