import type { TracedPoint } from '@endrel/core/job/tank';
import type { SectionPoint } from '@endrel/core/tanks/section-polygon';
import { sectionView } from './section-view.ts';
import { bounded } from '../../components/Boundary.tsx';

/** A section as it is being traced, corners numbered, with the place where it goes wrong. */
export const SectionTrace = bounded('The trace of the section', SectionTraceDrawn);

function SectionTraceDrawn({ points, fault }: { points: readonly TracedPoint[]; fault?: SectionPoint }) {
  const at = points.map((p) => [p.across.si, p.up.si] as const);
  const [xs, ys] = [at.map((p) => p[0]), at.map((p) => p[1])];
  const view = sectionView(
    { along: [Math.min(...xs), Math.max(...xs)], up: [Math.min(0, ...ys), Math.max(...ys)] },
    { width: 520, height: 300, margin: 30 },
    true,
  );
  return (
    <figure className="sheet">
      <svg
        viewBox="0 0 520 300"
        className="block h-auto w-full"
        role="img"
        aria-label={`Traced section with ${points.length} corners`}
      >
        <path
          d={`M${at.map(([a, u]) => `${view.x(a)} ${view.y(u)}`).join('L')}Z`}
          fill="var(--fuel)"
          fillOpacity={0.5}
          stroke="var(--ink)"
          strokeWidth={2}
        />
        {at.map(([a, u], i) => (
          <g key={i}>
            <circle cx={view.x(a)} cy={view.y(u)} r={3.5} fill="var(--ink)" />
            <text x={view.x(a) + 7} y={view.y(u) - 6} fontSize={12} className="figure" fill="var(--ink)">
              {i + 1}
            </text>
          </g>
        ))}
        {fault && (
          <g
            transform={`translate(${view.x(fault[0])} ${view.y(fault[1])})`}
            stroke="var(--stop)"
            strokeWidth={2.6}
            fill="none"
          >
            <circle r={11} />
            <path d="M-5 -5L5 5M5 -5L-5 5" />
          </g>
        )}
      </svg>
      <figcaption className="label border-t border-hair px-3 py-1">
        Seen from behind, to scale.{fault && ' The mark shows where it crosses itself.'}
      </figcaption>
    </figure>
  );
}
