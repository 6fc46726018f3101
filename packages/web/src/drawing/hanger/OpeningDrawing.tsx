import type { OpeningFit } from '@endrel/core/hangers/opening-fit';
import { useDisplayUnits } from '../../units/display-units.tsx';
import { bounded } from '../../components/Boundary.tsx';

const SIZE = 300;

/** The opening with the pump bodies packed in it as tightly as they go, to scale. */
export const OpeningDrawing = bounded('The drawing of the opening', OpeningDrawingDrawn);

function OpeningDrawingDrawn({ fit }: { fit: OpeningFit }) {
  const units = useDisplayUnits();
  const widest = Math.max(fit.needed, fit.free ?? 0);
  const scale = (SIZE - 56) / widest;
  const middle = SIZE / 2;
  return (
    <figure className="sheet">
      <svg
        viewBox={`0 0 ${SIZE + 130} ${SIZE}`}
        className="block h-auto w-full"
        role="img"
        aria-label={`Pump bodies need a hole of ${units.show('length', fit.needed)}${fit.free === undefined ? '' : `; the opening gives ${units.show('length', fit.free)}`}`}
      >
        {fit.free !== undefined && (
          <circle
            cx={middle}
            cy={middle}
            r={(fit.free / 2) * scale}
            fill="var(--sheet)"
            stroke="var(--ink)"
            strokeWidth={2.4}
          />
        )}
        <circle
          cx={middle}
          cy={middle}
          r={(fit.needed / 2) * scale}
          fill="none"
          stroke={fit.spare !== undefined && fit.spare < 0 ? 'var(--stop)' : 'var(--ink-soft)'}
          strokeWidth={1.4}
          strokeDasharray="6 4"
        />
        {fit.packing.circles.map((c, i) => (
          <g key={i}>
            <circle
              cx={middle + c.x * scale}
              cy={middle - c.y * scale}
              r={c.radius * scale}
              fill="var(--supply)"
              fillOpacity={fit.passing && !fit.passing.includes(i) ? 0.05 : 0.18}
              stroke="var(--supply)"
              strokeWidth={1.8}
            />
            <text
              x={middle + c.x * scale}
              y={middle - c.y * scale + 4}
              textAnchor="middle"
              fontSize={12.5}
              className="figure"
              fill="var(--ink)"
            >
              {units.show('length', 2 * c.radius)}
            </text>
          </g>
        ))}
        <g fontSize={12.5}>
          <path
            d={`M${middle + (fit.needed / 2) * scale * 0.71} ${middle - (fit.needed / 2) * scale * 0.71}L${SIZE - 8} 30h10`}
            stroke="var(--ink-soft)"
            fill="none"
          />
          <text x={SIZE + 6} y={27} fill="var(--ink)">
            <tspan className="figure">{units.show('length', fit.needed)}</tspan>
            <tspan x={SIZE + 6} dy={15} fill="var(--ink-soft)">
              needed, with play
            </tspan>
          </text>
          {fit.free !== undefined && (
            <>
              <path
                d={`M${middle + (fit.free / 2) * scale * 0.9} ${middle + (fit.free / 2) * scale * 0.43}L${SIZE - 8} ${SIZE - 70}h10`}
                stroke="var(--ink)"
                fill="none"
              />
              <text x={SIZE + 6} y={SIZE - 73} fill="var(--ink)">
                <tspan className="figure">{units.show('length', fit.free)}</tspan>
                <tspan x={SIZE + 6} dy={15} fill="var(--ink-soft)">
                  opening less lip
                </tspan>
              </text>
            </>
          )}
        </g>
      </svg>
      <figcaption className="label border-t border-hair px-3 py-1">
        Seen from above, to scale; bodies with their sleeves.
      </figcaption>
    </figure>
  );
}
