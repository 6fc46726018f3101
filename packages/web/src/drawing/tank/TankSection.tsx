import { useId, useMemo, type ReactNode } from 'react';
import { isShell, sectionObstacles } from '@endrel/core/senders/float-findings';
import type { Job } from '@endrel/core/job/job';
import type { FuelPlane } from '@endrel/core/meshes/fuel-plane';
import { joinMeshes, meshBounds } from '@endrel/core/meshes/mesh';
import { sectionCut } from '@endrel/core/tanks/section-cut';
import { solidMesh } from '@endrel/core/tanks/solid';
import type { Tank } from '@endrel/core/tanks/surveyed-tank';
import { Dimension } from './Dimension.tsx';
import { sectionView, type SectionView } from './section-view.ts';
import { bounded } from '../../components/Boundary.tsx';

interface TankSectionProps {
  readonly job: Job;
  readonly tank: Tank;
  /** 1: side view, cut at y = place; 0: seen from behind, cut at x = place. */
  readonly axis: 0 | 1;
  readonly place: number;
  readonly plane: FuelPlane;
  readonly label: string;
  readonly caption: string;
  /** Room kept over the tank's roof and under its floor, m. */
  readonly above?: number;
  readonly below?: number;
  readonly height?: number;
  readonly children?: (view: SectionView) => ReactNode;
}

const WIDTH = 520;

/** A tank cut upright, to scale, with its fuel at any tilt; what hangs in it is drawn over it. */
export const TankSection = bounded('The section of the tank', TankSectionDrawn);

function TankSectionDrawn(props: TankSectionProps) {
  const { job, tank, axis, place, plane, label, caption, above = 0.06, below = 0.02, height = 300, children } = props;
  const id = useId();
  const { loops, walls, bounds } = useMemo(() => {
    const meshes = (tank.solids ?? []).map(solidMesh);
    const { least, most } = meshBounds(joinMeshes(meshes));
    const other = axis === 0 ? 1 : 0;
    return {
      loops: meshes.flatMap((mesh) => sectionCut(mesh, axis, place)),
      walls: sectionObstacles(job, tank, axis, place).filter(isShell),
      bounds: { along: [least[other], most[other]] as const, up: [least[2], most[2]] as const },
    };
  }, [job, tank, axis, place]);
  const view = sectionView(
    { along: bounds.along, up: [bounds.up[0] - below, bounds.up[1] + above] },
    { width: WIDTH, height, margin: 26, right: 74 },
    axis === 0,
  );
  const slope = axis === 0 ? plane.slopeY : plane.slopeX;
  const offset = plane.height + (axis === 0 ? plane.slopeX : plane.slopeY) * place;
  const [a, b] = [bounds.along[0] - 1, bounds.along[1] + 1];
  const surface = (along: number) => offset + slope * along;
  const path = loops.map((loop) => `M${loop.map(([s, z]) => `${view.x(s)} ${view.y(z)}`).join('L')}Z`).join('');
  const level = Math.min(Math.max(surface((bounds.along[0] + bounds.along[1]) / 2), bounds.up[0]), bounds.up[1]);
  const lidEdge = view.x(axis === 0 ? bounds.along[0] : bounds.along[1]);
  return (
    <figure className="sheet">
      <svg viewBox={`0 0 ${WIDTH} ${height}`} className="block h-auto w-full" role="img" aria-label={label}>
        <defs>
          <clipPath id={`${id}-inside`}>
            <path d={path} />
          </clipPath>
          <pattern id={`${id}-fuel`} width="7" height="5" patternUnits="userSpaceOnUse">
            <rect width="7" height="5" fill="var(--fuel)" />
            <path d="M0 2.500H4" stroke="var(--hair-strong)" strokeWidth={0.7} />
          </pattern>
        </defs>
        <g clipPath={`url(#${id}-inside)`}>
          <path
            d={`M${view.x(a)} ${view.y(surface(a))}L${view.x(b)} ${view.y(surface(b))}V${view.y(bounds.up[0] - 1)}H${view.x(a)}Z`}
            fill={`url(#${id}-fuel)`}
          />
          <path
            d={`M${view.x(a)} ${view.y(surface(a))}L${view.x(b)} ${view.y(surface(b))}`}
            stroke="var(--ink-soft)"
            strokeWidth={1.3}
          />
        </g>
        {walls.map(({ line: [p, q] }, i) => (
          <path
            key={i}
            d={`M${view.x(p[0])} ${view.y(p[1])}L${view.x(q[0])} ${view.y(q[1])}`}
            stroke="var(--ink)"
            strokeWidth={2}
            strokeLinecap="square"
          />
        ))}
        {(job.survey.tank.baffles ?? []).map((baffle) => {
          if (!baffle.place || (baffle.across === 'across') === (axis === 0)) return null;
          const x = view.x(baffle.place.si);
          return (
            <path
              key={baffle.id}
              d={`M${x} ${view.y(baffle.opening?.si ?? 0)}V${view.y(baffle.top?.si ?? bounds.up[1])}`}
              stroke="var(--ink)"
              strokeWidth={1.4}
              strokeDasharray="7 2"
            />
          );
        })}
        {children?.(view)}
        <Dimension
          from={[lidEdge + 22, view.y(0)]}
          to={[lidEdge + 22, view.y(bounds.up[1])]}
          value={bounds.up[1]}
          ends={lidEdge}
        />
        {level > bounds.up[0] && level < bounds.up[1] && slope === 0 && (
          <Dimension
            from={[lidEdge + 52, view.y(0)]}
            to={[lidEdge + 52, view.y(level)]}
            value={level}
            ends={lidEdge}
            soft
          />
        )}
        <text x={14} y={height - 8} fontSize={11} fill="var(--ink-soft)">
          {axis === 0 ? '← left' : '← back'}
        </text>
        <text x={WIDTH - 14} y={height - 8} fontSize={11} fill="var(--ink-soft)" textAnchor="end">
          {axis === 0 ? 'right →' : 'front →'}
        </text>
      </svg>
      <figcaption className="label border-t border-hair px-3 py-1">{caption}</figcaption>
    </figure>
  );
}
