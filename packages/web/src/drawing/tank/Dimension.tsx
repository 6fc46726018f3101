import { useDisplayUnits } from '../../units/display-units.tsx';

type Spot = readonly [x: number, y: number];

interface DimensionProps {
  readonly from: Spot;
  readonly to: Spot;
  /** m, in the units of display; or a letter that stands for a measurement. */
  readonly value?: number;
  readonly letter?: string;
  /** x (for an upright one) or y (for a level one) from which its extension lines start. */
  readonly ends?: number;
  readonly soft?: boolean;
}

/** A dimension line, upright or level, with its figure beside or over it. */
export function Dimension({ from, to, value, letter, ends, soft }: DimensionProps) {
  const units = useDisplayUnits();
  const upright = from[0] === to[0];
  const words = letter ?? (value === undefined ? '' : units.tape(value));
  const colour = soft ? 'var(--ink-soft)' : 'var(--ink)';
  const [mx, my] = [(from[0] + to[0]) / 2, (from[1] + to[1]) / 2];
  const tick = ([x, y]: Spot) =>
    upright ? `M${x - 4} ${y + 4}L${x + 4} ${y - 4}` : `M${x - 4} ${y + 4}L${x + 4} ${y - 4}`;
  return (
    <g stroke={colour} strokeWidth={1} fill="none">
      <path d={`M${from.join(' ')}L${to.join(' ')}${tick(from)}${tick(to)}`} />
      {ends !== undefined && (
        <path
          d={
            upright
              ? `M${ends} ${from[1]}H${from[0] + 4}M${ends} ${to[1]}H${to[0] + 4}`
              : `M${from[0]} ${ends}V${from[1] + 4}M${to[0]} ${ends}V${to[1] + 4}`
          }
          strokeWidth={0.6}
        />
      )}
      <text
        transform={upright ? `translate(${mx - 4} ${my}) rotate(-90)` : `translate(${mx} ${my - 4})`}
        textAnchor="middle"
        fontSize={letter ? 15 : 12.5}
        className="figure"
        fill={colour}
        paintOrder="stroke"
        stroke="var(--sheet)"
        strokeWidth={4}
      >
        {words}
      </text>
    </g>
  );
}
