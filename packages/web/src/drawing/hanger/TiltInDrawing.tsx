import { toDegrees } from '@endrel/core/units/quick';
import type { HangerFindings } from '@endrel/core/hangers/hanger-findings';
import { useDisplayUnits } from '../../units/display-units.tsx';
import { sectionView } from '../tank/section-view.ts';
import { bounded } from '../../components/Boundary.tsx';

const WIDTH = 430;
const HEIGHT = 300;

/** A stiff part on its way through the opening, at a few steps, in section and to scale. */
export const TiltInDrawing = bounded('The drawing of the hanger going in', TiltInDrawingDrawn);

function TiltInDrawingDrawn({ tilt }: { tilt: NonNullable<HangerFindings['tilt']> }) {
  const units = useDisplayUnits();
  const { length, width, passage, path } = tilt;
  const over = Math.min(passage.headroom, length * 1.05);
  const reach = Math.min(passage.reach, Math.max(length, passage.depth));
  const view = sectionView(
    {
      along: [-Math.max(length * 0.75, passage.hole), Math.max(reach, passage.hole) * 1.05],
      up: [-passage.depth, over],
    },
    { width: WIDTH, height: HEIGHT, margin: 18 },
  );
  const half = passage.hole / 2;
  const steps = [0.08, 0.4, 0.75]
    .map((share) => path[Math.round(share * (path.length - 1))])
    .filter((s) => s !== undefined);
  return (
    <figure className="sheet">
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        className="block h-auto w-full"
        role="img"
        aria-label={`A part ${units.tape(length)} long ${tilt.passes ? 'passes' : 'does not pass'} the opening; the longest that passes is ${units.tape(tilt.longest)}`}
      >
        <g stroke="var(--ink)" strokeWidth={2} fill="none">
          <path d={`M${view.x(-half * 3)} ${view.y(0)}H${view.x(-half)}v${passage.edge * view.scale}`} />
          <path
            d={`M${view.x(half)} ${view.y(0) + passage.edge * view.scale}V${view.y(0)}H${view.x(reach)}V${view.y(-passage.depth)}H${view.x(-half * 3)}`}
          />
          {Number.isFinite(passage.headroom) && (
            <path d={`M${view.x(-half * 4)} ${view.y(passage.headroom)}H${view.x(half * 4)}`} strokeDasharray="8 4" />
          )}
        </g>
        {steps.map(({ share, lean }) => (
          <g
            key={share}
            transform={`translate(${view.x(0)} ${view.y(0)}) rotate(${toDegrees(-lean)})`}
            stroke={tilt.passes ? 'var(--supply)' : 'var(--stop)'}
            fill="var(--supply)"
            fillOpacity={0.06}
            strokeWidth={1.4}
          >
            <rect
              x={(-width / 2) * view.scale}
              y={-(1 - share) * length * view.scale}
              width={width * view.scale}
              height={length * view.scale}
            />
          </g>
        ))}
      </svg>
      <figcaption className="label border-t border-hair px-3 py-1">
        In section, to scale. It may lean {Math.round(toDegrees(tilt.mostLean))}° in the hole.
      </figcaption>
    </figure>
  );
}
