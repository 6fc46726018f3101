import type { Job } from '@endrel/core/job/job';
import type { HangerFindings } from '@endrel/core/hangers/hanger-findings';
import { armSection, type FloatFindings } from '@endrel/core/senders/float-findings';
import { heightAt } from '@endrel/core/senders/float-arm';
import type { SectionView } from './section-view.ts';
import { bounded } from '../../components/Boundary.tsx';

interface TankContentsProps {
  readonly job: Job;
  readonly hanger: HangerFindings;
  readonly float?: FloatFindings;
  readonly axis: 0 | 1;
  readonly top: number;
  readonly view: SectionView;
}

/** What hangs in a tank, over its section: hanger, sock, bucket, return drop, siphon and float arc. Vent and filler too. */
export const TankContents = bounded('The drawing of what is in the tank', TankContentsDrawn);

function TankContentsDrawn({ job, hanger, float, axis, top, view }: TankContentsProps) {
  const { stand, back } = hanger;
  const h = job.hanger ?? {};
  const along = (forward?: { si: number }, left?: { si: number }) => (axis === 1 ? forward?.si : left?.si) ?? 0;
  const at = along(h.openingForward, h.openingLeft);
  const half = (hanger.opening?.packing.diameter ?? 0.06) / 2;
  const sock = h.sockThickness?.si ?? 0.012;
  const returnAt = (h.returnForward ?? h.returnLeft) ? along(h.returnForward, h.returnLeft) : at + half * 1.6;
  const farAt = along(h.farForward, h.farLeft);
  return (
    <g>
      {stand && (
        <g>
          <Hanging
            view={view}
            at={at}
            half={half}
            plate={stand.plateSeated}
            bottom={Math.max(stand.gap, 0)}
            sock={sock}
          />
          {h.bucket && <Bucket view={view} at={at} half={half * 1.35} height={Math.min(0.1, top * 0.45)} />}
          <circle cx={view.x(at)} cy={view.y(stand.pickup)} r={3} fill="var(--supply)" />
        </g>
      )}
      {back && (
        <path
          d={`M${view.x(returnAt)} ${view.y(top) - 10}V${view.y(back.end)}m-4 -7l4 7l4 -7`}
          stroke="var(--return)"
          strokeWidth={2.2}
          strokeDasharray="9 4"
          fill="none"
        />
      )}
      {h.jetDrill && h.farHeight && (
        <g stroke="var(--return)" fill="none" strokeWidth={1.8}>
          <path
            d={`M${view.x(farAt)} ${view.y(h.farHeight.si)}V${view.y(top * 0.93)}H${view.x(returnAt)}`}
            strokeDasharray="2 4"
          />
          <circle cx={view.x(farAt)} cy={view.y(h.farHeight.si)} r={3.5} fill="var(--sheet)" />
        </g>
      )}
      {job.gauge && <FloatArc job={job} float={float} axis={axis} view={view} />}
    </g>
  );
}

function Hanging({
  view,
  at,
  half,
  plate,
  bottom,
  sock,
}: {
  view: SectionView;
  at: number;
  half: number;
  plate: number;
  bottom: number;
  sock: number;
}) {
  const [left, right] = [view.x(at) - half * view.scale, view.x(at) + half * view.scale];
  return (
    <g stroke="var(--supply)" strokeWidth={1.8} fill="none">
      <path d={`M${left - 9} ${view.y(plate)}H${right + 9}`} strokeWidth={4} />
      <path
        d={`M${left + 3} ${view.y(plate)}V${view.y(bottom + sock + 0.02)}M${right - 3} ${view.y(plate)}V${view.y(bottom + sock + 0.02)}`}
        strokeWidth={1.2}
      />
      <rect
        x={left + (right - left) * 0.2}
        y={view.y(Math.max(bottom + sock + 0.02, plate * 0.62))}
        width={(right - left) * 0.6}
        height={Math.max(0, view.y(bottom + sock) - view.y(Math.max(bottom + sock + 0.02, plate * 0.62)))}
        fill="var(--sheet)"
      />
      <path
        d={`M${left + 4} ${view.y(bottom + sock)}H${right - 4}L${right} ${view.y(bottom)}H${left}Z`}
        strokeDasharray="3 2"
        strokeWidth={1.2}
        fill="var(--sheet)"
      />
    </g>
  );
}

const Bucket = ({ view, at, half, height }: { view: SectionView; at: number; half: number; height: number }) => (
  <path
    d={`M${view.x(at) - half * view.scale} ${view.y(height)}V${view.y(0.002)}H${view.x(at) + half * view.scale}V${view.y(height)}`}
    stroke="var(--ink)"
    strokeWidth={1.4}
    fill="none"
  />
);

/** The arm at both stops, its arc, and where it first meets something. */
function FloatArc({ job, float, axis, view }: { job: Job; float?: FloatFindings; axis: 0 | 1; view: SectionView }) {
  const arm = float?.arm;
  const section = armSection(job.gauge!);
  if (!arm || section.axis !== axis) return null;
  const radius = job.gauge!.floatRadius?.si ?? 0.018;
  const along = (angle: number) => section.pivotAlong + section.side * arm.length * Math.cos(angle);
  const points = Array.from({ length: 31 }, (_, i) => arm.down + (i / 30) * (arm.up - arm.down));
  const meets = float.clearance?.meets;
  return (
    <g stroke="var(--electrical)" fill="none" strokeWidth={1.8}>
      <path
        d={`M${points.map((a) => `${view.x(along(a))} ${view.y(heightAt(arm, a))}`).join('L')}`}
        strokeDasharray="4 4"
        stroke="var(--hair-strong)"
      />
      {[arm.down, arm.up].map((angle) => (
        <g key={angle}>
          <path
            d={`M${view.x(section.pivotAlong)} ${view.y(arm.pivot)}L${view.x(along(angle))} ${view.y(heightAt(arm, angle))}`}
          />
          <circle
            cx={view.x(along(angle))}
            cy={view.y(heightAt(arm, angle))}
            r={radius * view.scale}
            fill="var(--sheet)"
            fillOpacity={0.7}
          />
        </g>
      ))}
      <circle cx={view.x(section.pivotAlong)} cy={view.y(arm.pivot)} r={3.5} fill="var(--electrical)" />
      {meets && (
        <g
          transform={`translate(${view.x(along(meets.angle))} ${view.y(heightAt(arm, meets.angle))})`}
          stroke="var(--stop)"
          strokeWidth={2.4}
        >
          <circle r={radius * view.scale + 3} />
          <path d="M-5 -5L5 5M5 -5L-5 5" />
        </g>
      )}
    </g>
  );
}
