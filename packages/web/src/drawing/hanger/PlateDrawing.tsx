import type { RingPlate } from '@endrel/core/hangers/ring-plate';
import { studHole } from '@endrel/core/hangers/ring-plate';
import type { OringGroove } from '@endrel/core/hangers/oring-groove';
import { Dimension } from '../tank/Dimension.tsx';
import { bounded } from '../../components/Boundary.tsx';

const SIZE = 360;
const CORNERS = 2 / Math.sqrt(3);

/** The ring plate from above: hole, bolt circle, studs, and ports with their hexagons and the room a spanner sweeps. */
export const PlateDrawing = bounded('The drawing of the plate', PlateDrawingDrawn);

function PlateDrawingDrawn({ plate, groove }: { plate: RingPlate; groove?: OringGroove }) {
  const scale = (SIZE - 80) / plate.outside;
  const [cx, cy] = [SIZE / 2 + 40, SIZE / 2 - 10];
  const bottom = cy + (plate.outside / 2) * scale;
  const ring = (diameter: number, dash?: string, strokeWidth = 1.6) => (
    <circle
      cx={cx}
      cy={cy}
      r={(diameter / 2) * scale}
      fill="none"
      stroke="var(--ink)"
      strokeWidth={strokeWidth}
      strokeDasharray={dash}
    />
  );
  return (
    <figure className="sheet">
      <svg
        viewBox={`0 0 ${SIZE + 80} ${SIZE}`}
        className="block h-auto w-full"
        role="img"
        aria-label={`${plate.boltCircle === undefined ? 'Moulded lid' : `Ring plate with ${plate.studs.length} studs`} and ${plate.ports.length} ports`}
      >
        {ring(plate.outside, undefined, 2.2)}
        {ring(plate.hole)}
        {plate.boltCircle !== undefined && ring(plate.boltCircle, '10 3 2 3', 0.9)}
        {groove && ring(groove.inside, undefined, 0.9)}
        {groove && ring(groove.outside, undefined, 0.9)}
        {plate.boltCircle === undefined && ring(plate.room, '3 3', 0.9)}
        {plate.studs.map(({ x, y }, i) => (
          <circle
            key={i}
            cx={cx + x * scale}
            cy={cy - y * scale}
            r={(studHole(plate.studSize) / 2) * scale}
            fill="none"
            stroke="var(--ink)"
            strokeWidth={1.4}
          />
        ))}
        {plate.ports.map((port, i) => (
          <g key={i} transform={`translate(${cx + port.x * scale} ${cy - port.y * scale})`}>
            <circle r={1.1 * port.hexagon * scale} fill="none" stroke="var(--hair-strong)" strokeDasharray="3 3" />
            <path
              d={`M${Array.from({ length: 6 }, (_, k) => `${((CORNERS * port.hexagon) / 2) * scale * Math.cos((k * Math.PI) / 3)} ${((CORNERS * port.hexagon) / 2) * scale * Math.sin((k * Math.PI) / 3)}`).join('L')}Z`}
              fill={port.is === 'port' ? 'var(--supply)' : 'var(--fix)'}
              fillOpacity={0.12}
              stroke="var(--supply)"
              strokeWidth={1.6}
            />
            <text textAnchor="middle" y={4} fontSize={11} fill="var(--ink)">
              {port.label}
            </text>
          </g>
        ))}
        <Dimension
          from={[cx - (plate.hole / 2) * scale, bottom + 16]}
          to={[cx + (plate.hole / 2) * scale, bottom + 16]}
          value={plate.hole}
          ends={cy}
          soft
        />
        <Dimension
          from={[cx - (plate.outside / 2) * scale, bottom + 36]}
          to={[cx + (plate.outside / 2) * scale, bottom + 36]}
          value={plate.outside}
          ends={cy}
          soft
        />
      </svg>
      <figcaption className="label border-t border-hair px-3 py-1">
        From above, to scale. Dotted: what a spanner’s head sweeps round each port.
      </figcaption>
    </figure>
  );
}
