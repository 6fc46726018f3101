import type { Clearance } from '@endrel/core/routes/clearances';
import type { PlacedZone } from '@endrel/core/routes/placed';
import type { RouteFindings } from '@endrel/core/routes/route-findings';
import { boundsOf } from '@endrel/core/routes/shape';
import type { Vec } from '@endrel/core/routes/vector';
import { useDisplayUnits } from '../../units/display-units.tsx';
import { circuits, type Circuit } from '../line-patterns.ts';
import { bounded } from '../../components/Boundary.tsx';

/** How the vehicle is looked at, and which way its axes run on paper: to the right, and down. */
export const elevations = {
  plan: { name: 'Plan, from above', x: [0, 1], y: [1, 1], across: 'rearward', down: 'to the left' },
  side: { name: 'From the left side', x: [0, 1], y: [2, -1], across: 'rearward', down: 'down' },
  rear: { name: 'From behind', x: [1, -1], y: [2, -1], across: 'to the right', down: 'down' },
} as const;
export type Elevation = keyof typeof elevations;

interface RouteElevationProps {
  readonly routes: RouteFindings;
  readonly view: Elevation;
  readonly chosen: string | undefined;
  /** Which circuit a line belongs to. */
  circuitOf(line: string): Circuit;
  nameOf(line: string): string;
  onChoose(line: string): void;
}

const WIDTH = 940;
const HEIGHT = 400;
const EDGE = 34;

/** The vehicle from one side, to scale: zones at full travel, lines, measured points, and where a gap is too small. */
export const RouteElevation = bounded('The view of the routes', RouteElevationDrawn);

function RouteElevationDrawn({ routes, view, chosen, circuitOf, nameOf, onChoose }: RouteElevationProps) {
  const units = useDisplayUnits();
  const { x, y, name, across, down } = elevations[view];
  const flat = (p: Vec): [number, number] => [p[x[0]] * x[1], p[y[0]] * y[1]];
  const placed = Object.entries(routes.points).flatMap(([id, p]) => (p.ok ? [{ id, at: p.value.at }] : []));
  const seen = [
    ...placed.map((p) => p.at),
    ...routes.lines.flatMap((l) => [...(l.centre?.points ?? []), ...l.mouths.flatMap((m) => (m ? [m.at] : []))]),
    ...routes.zones.flatMap((z) => Object.values(boundsOf(z.shape))),
  ].map(flat);
  if (seen.length === 0)
    return <p className="sheet p-5 text-ink-soft">Nothing has a place yet: measure a point, a zone or a port.</p>;
  const [left, top] = [0, 1].map((k) => Math.min(...seen.map((p) => p[k]!)));
  const [right, low] = [0, 1].map((k) => Math.max(...seen.map((p) => p[k]!)));
  const scale = Math.min(
    (WIDTH - 2 * EDGE) / Math.max(right! - left!, 0.1),
    (HEIGHT - 2 * EDGE) / Math.max(low! - top!, 0.1),
  );
  const px = (p: Vec): [number, number] => {
    const [u, v] = flat(p);
    return [EDGE + (u - left!) * scale, EDGE + (v - top!) * scale];
  };
  const path = (points: readonly Vec[]) =>
    points
      .map(
        (p, i) =>
          `${i ? 'L' : 'M'}${px(p)
            .map((n) => n.toFixed(1))
            .join(' ')}`,
      )
      .join('');
  const chosenLine = routes.lines.find((l) => l.part === chosen);
  const bad = routes.clearances.filter((c) => c.gap < c.least);
  const height = 2 * EDGE + (low! - top!) * scale;
  const step = niceStep(1 / scale);
  return (
    <figure className="sheet">
      <svg
        viewBox={`0 0 ${WIDTH} ${height}`}
        className="block h-auto w-full"
        role="img"
        aria-label={`${name}: ${describe(routes)}`}
      >
        <Grid
          step={step}
          scale={scale}
          left={left!}
          top={top!}
          right={right!}
          low={low!}
          height={height}
          units={units}
        />
        {routes.zones.map((zone) => (
          <ZoneShape key={zone.id} zone={zone} px={px} scale={scale} />
        ))}
        {routes.lines.map((line) => {
          if (!line.centre) return null;
          const isBad = bad.some((c) => c.line === line.part);
          const pattern = circuits[circuitOf(line.part)];
          return (
            <g key={line.part} className="cursor-pointer" onClick={() => onChoose(line.part)}>
              <title>{nameOf(line.part)}</title>
              <path d={path(line.centre.points)} fill="none" stroke="transparent" strokeWidth={14} />
              {line.part === chosen && (
                <path
                  d={path(line.centre.points)}
                  fill="none"
                  stroke="var(--lit)"
                  strokeWidth={2 * line.radius * scale + 9}
                  strokeLinecap="round"
                />
              )}
              <path
                d={path(line.centre.points)}
                fill="none"
                stroke={isBad ? 'var(--stop)' : pattern.stroke}
                strokeWidth={Math.max(pattern.strokeWidth, 2 * line.radius * scale)}
                strokeDasharray={pattern.strokeDasharray}
              />
            </g>
          );
        })}
        {routes.lines.flatMap((line) =>
          line.mouths.flatMap((m, i) => {
            if (!m) return [];
            const [cx, cy] = px(m.at);
            return [
              <circle
                key={`${line.part} ${i}`}
                cx={cx}
                cy={cy}
                r={3.4}
                fill="var(--sheet)"
                stroke="var(--ink)"
                strokeWidth={1.4}
              />,
            ];
          }),
        )}
        {placed.map(({ id, at }) => {
          const [cx, cy] = px(at);
          return <path key={id} d={`M${cx - 4} ${cy}h8M${cx} ${cy - 4}v8`} stroke="var(--ink)" strokeWidth={1.1} />;
        })}
        {chosenLine?.centre && <Dimensions points={chosenLine.centre.points.map(px)} scale={scale} tape={units.tape} />}
        {bad.map((c, i) => (
          <GapMark key={i} at={px(c.at)} text={gapText(c, units)} />
        ))}
      </svg>
      <figcaption className="label border-t border-hair px-3 py-1">
        {name}: to the right is {across}, downwards is {down}. Dashed outlines are where a thing moves to. Red: nearer
        than it may be.
      </figcaption>
    </figure>
  );
}

/** How far a line reaches either way, as a rule would be laid along it. */
function Dimensions({
  points,
  scale,
  tape,
}: {
  points: readonly (readonly [number, number])[];
  scale: number;
  tape(metres: number): string;
}) {
  const [xs, ys] = [points.map((p) => p[0]), points.map((p) => p[1])];
  const [x1, x2, y1, y2] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const [low, right] = [y2 + 18, x2 + 18];
  const halo = { fill: 'var(--ink)', stroke: 'var(--sheet)', strokeWidth: 3, paintOrder: 'stroke' };
  return (
    <g stroke="var(--ink)" strokeWidth={0.9} fontSize={12}>
      <path d={`M${x1} ${low}H${x2}M${x1} ${low - 5}v10M${x2} ${low - 5}v10`} fill="none" />
      <path d={`M${right} ${y1}V${y2}M${right - 5} ${y1}h10M${right - 5} ${y2}h10`} fill="none" />
      <text x={(x1 + x2) / 2} y={low - 4} textAnchor="middle" {...halo}>
        {tape((x2 - x1) / scale)}
      </text>
      <text x={right + 5} y={(y1 + y2) / 2 + 4} {...halo}>
        {tape((y2 - y1) / scale)}
      </text>
    </g>
  );
}

const gapText = (c: Clearance, units: ReturnType<typeof useDisplayUnits>) => units.tape(Math.max(0, c.gap));

function describe({ lines, zones, clearances }: RouteFindings): string {
  const drawn = lines.filter((l) => l.centre).length;
  const bad = clearances.filter((c) => c.gap < c.least).length;
  return `${drawn} of ${lines.length} lines drawn, ${zones.length} zones, ${bad === 0 ? 'every gap kept' : `${bad} gaps too small`}`;
}

function GapMark({ at: [cx, cy], text }: { at: [number, number]; text: string }) {
  return (
    <g>
      <circle cx={cx} cy={cy} r={7} fill="none" stroke="var(--stop)" strokeWidth={1.8} />
      <text
        x={cx + 10}
        y={cy - 7}
        fontSize={12.5}
        fontWeight={600}
        fill="var(--stop)"
        stroke="var(--sheet)"
        strokeWidth={3}
        paintOrder="stroke"
      >
        {text}
      </text>
    </g>
  );
}

const inks: Partial<Record<PlacedZone['kind'], string>> = {
  hot: 'var(--fix)',
  axle: 'var(--ink)',
  moving: 'var(--ink)',
  belts: 'var(--ink)',
  electrical: 'var(--electrical)',
  tank: 'var(--ink)',
  reach: 'var(--good)',
};

function ZoneShape({ zone, px, scale }: { zone: PlacedZone; px(p: Vec): [number, number]; scale: number }) {
  const ink = inks[zone.kind] ?? 'var(--hair-strong)';
  const { low, high } = boundsOf(zone.shape);
  const [[x1, y1], [x2, y2]] = [px(low), px(high)];
  const [x, y] = [Math.min(x1, x2), Math.min(y1, y2)];
  const label = (
    <text
      x={x + 4}
      y={y + 13}
      fontSize={12}
      fill="var(--ink-soft)"
      stroke="var(--sheet)"
      strokeWidth={3}
      paintOrder="stroke"
    >
      {zone.label}
    </text>
  );
  const { shape } = zone;
  if (shape.form === 'box')
    return (
      <g>
        <rect
          x={x}
          y={y}
          width={Math.abs(x2 - x1)}
          height={Math.abs(y2 - y1)}
          fill={zone.kind === 'tank' ? 'var(--fuel)' : 'none'}
          fillOpacity={0.5}
          stroke={ink}
          strokeWidth={zone.kind === 'tank' ? 2 : 1.2}
          strokeDasharray={zone.kind === 'tank' || zone.kind === 'panel' ? undefined : '5 3'}
        />
        {label}
      </g>
    );
  const [a, b] = [px(shape.a), px(shape.b)];
  const isStill = [...shape.low, ...shape.high].every((v) => v === 0);
  return (
    <g>
      <path
        d={`M${a.join(' ')}L${b.join(' ')}`}
        stroke={ink}
        strokeOpacity={0.28}
        strokeWidth={Math.max(2, 2 * shape.radius * scale)}
        strokeLinecap="round"
      />
      {!isStill && (
        <rect
          x={x}
          y={y}
          width={Math.abs(x2 - x1)}
          height={Math.abs(y2 - y1)}
          fill="none"
          stroke={ink}
          strokeDasharray="5 3"
        />
      )}
      {label}
    </g>
  );
}

/** Metres between the marks of the ruler, so that they stand some 90 px apart. */
const niceStep = (metresPerPixel: number): number => {
  const wanted = 90 * metresPerPixel;
  return [0.05, 0.1, 0.25, 0.5, 1, 2].find((s) => s >= wanted) ?? 5;
};

function Grid({
  step,
  scale,
  left,
  top,
  right,
  low,
  height,
  units,
}: {
  step: number;
  scale: number;
  left: number;
  top: number;
  right: number;
  low: number;
  height: number;
  units: ReturnType<typeof useDisplayUnits>;
}) {
  const marks = (from: number, to: number) => {
    const first = Math.ceil(from / step);
    return Array.from({ length: Math.max(0, Math.floor(to / step) - first + 1) }, (_, i) => (first + i) * step);
  };
  return (
    <g fontSize={11} fill="var(--ink-soft)">
      {marks(left, right).map((v) => {
        const x = EDGE + (v - left) * scale;
        return (
          <g key={`x${v}`}>
            <path d={`M${x} ${EDGE / 2}V${height - EDGE / 2}`} stroke="var(--hair)" strokeWidth={v === 0 ? 1.6 : 0.7} />
            <text x={x + (x > WIDTH - 70 ? -3 : 3)} y={EDGE / 2 + 3} textAnchor={x > WIDTH - 70 ? 'end' : 'start'}>
              {units.tape(v)}
            </text>
          </g>
        );
      })}
      {marks(top, low).map((v) => {
        const y = EDGE + (v - top) * scale;
        return (
          <g key={`y${v}`}>
            <path d={`M${EDGE / 2} ${y}H${WIDTH - EDGE / 2}`} stroke="var(--hair)" strokeWidth={v === 0 ? 1.6 : 0.7} />
            <text x={4} y={y - 3}>
              {units.tape(Math.abs(v))}
            </text>
          </g>
        );
      })}
    </g>
  );
}
