import type { Shape } from '@endrel/core/drawings/drawing';

interface DrawnShapeProps {
  readonly shape: Shape;
  readonly ink?: string;
  /** Drawn bolder, and its lines easier to hit. */
  readonly isChosen?: boolean;
}

const OUTLINE = 1.4;
const paper = { paper: 'var(--sheet)', none: 'none' } as const;

/** One stroke or word of a drawing, in the page's ink. */
export function DrawnShape({ shape, ink = 'var(--ink)', isChosen = false }: DrawnShapeProps) {
  switch (shape.kind) {
    case 'path': {
      const points = shape.points.map((p) => `${p.x},${p.y}`).join(' ');
      return (
        <>
          <polyline points={points} fill="none" stroke="transparent" strokeWidth={12 * Math.min(1, shape.weight)} />
          <polyline
            points={points}
            fill="none"
            stroke={ink}
            strokeWidth={shape.weight + (isChosen ? 1.5 : 0)}
            strokeDasharray={shape.dash}
          />
        </>
      );
    }
    case 'box':
      return (
        <rect
          x={shape.x}
          y={shape.y}
          width={shape.width}
          height={shape.height}
          fill={shape.fill === 'ink' ? ink : paper[shape.fill ?? 'none']}
          stroke={ink}
          strokeWidth={(shape.weight ?? OUTLINE) + (isChosen ? 1 : 0)}
        />
      );
    case 'circle':
      return (
        <circle
          cx={shape.x}
          cy={shape.y}
          r={shape.radius}
          fill={shape.fill === 'ink' ? ink : paper[shape.fill ?? 'none']}
          stroke={ink}
          strokeWidth={shape.weight ?? OUTLINE}
          strokeDasharray={shape.dash}
        />
      );
    case 'text':
      return (
        <text
          x={shape.x}
          y={shape.y}
          fontSize={shape.size}
          textAnchor={shape.anchor}
          fill={ink}
          fontWeight={shape.bold ? 600 : undefined}
          className="figure"
          style={{ paintOrder: 'stroke', stroke: 'var(--sheet)', strokeWidth: shape.size / 4 }}
        >
          {shape.text}
        </text>
      );
  }
}
