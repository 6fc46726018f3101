import { placeAt, type CentreLine } from '@endrel/core/routes/centre-line';
import { nearestOn } from '@endrel/core/routes/nearest';
import { lineName, type RoutedLine } from '@endrel/core/routes/lines';
import { length, sub, type Vec } from '@endrel/core/routes/vector';
import { useJob } from '../../session/session-context.tsx';
import { useDisplayUnits } from '../../units/display-units.tsx';

const WIDTH = 380;
const EDGE = 26;
const views = [
  { name: 'From above', x: [0, 1], y: [1, 1], text: 'rearward to the right, left downwards' },
  { name: 'From the left', x: [0, 1], y: [2, -1], text: 'rearward to the right, up upwards' },
] as const;

/** One line by itself, from above and from the left, to scale, with its overall sizes and its tightest place. */
export function LineViews({ line }: { line: RoutedLine }) {
  const job = useJob();
  if (!line.centre) return null;
  return (
    <div className="grid gap-2">
      {views.map((view) => (
        <OneView key={view.name} line={line} name={lineName(job, line.part)} centre={line.centre!} view={view} />
      ))}
    </div>
  );
}

function OneView({
  line,
  name,
  centre,
  view,
}: {
  line: RoutedLine;
  name: string;
  centre: CentreLine;
  view: (typeof views)[number];
}) {
  const units = useDisplayUnits();
  const flat = (p: Vec): [number, number] => [p[view.x[0]] * view.x[1], p[view.y[0]] * view.y[1]];
  const seen = centre.points.map(flat);
  const [left, top] = [0, 1].map((k) => Math.min(...seen.map((p) => p[k]!))) as [number, number];
  const [right, low] = [0, 1].map((k) => Math.max(...seen.map((p) => p[k]!))) as [number, number];
  const scale = Math.min((WIDTH - 2 * EDGE) / Math.max(right - left, 0.02), 150 / Math.max(low - top, 0.02));
  const at = (p: Vec): [number, number] => {
    const [u, v] = flat(p);
    return [EDGE + (u - left) * scale, EDGE + (v - top) * scale];
  };
  const width = 2 * EDGE + (right - left) * scale;
  const height = 2 * EDGE + (low - top) * scale;
  const d = centre.points
    .map(
      (p, i) =>
        `${i ? 'L' : 'M'}${at(p)
          .map((n) => n.toFixed(1))
          .join(' ')}`,
    )
    .join('');
  const tight =
    line.hose?.laid && Number.isFinite(line.hose.laid.leastRadius)
      ? placeAt(centre, line.hose.laid.leastAt)
      : undefined;
  const [x1, x2] = [EDGE, EDGE + (right - left) * scale];
  return (
    <figure className="sheet">
      <svg
        viewBox={`0 0 ${Math.max(width, WIDTH)} ${height + 16}`}
        className="mx-auto block h-auto max-h-[15rem] w-full max-w-[32rem]"
        role="img"
        aria-label={`${name}, ${view.name.toLowerCase()}: ${units.tape(right - left)} by ${units.tape(low - top)}`}
      >
        <path
          d={d}
          fill="none"
          stroke="var(--ink)"
          strokeWidth={Math.max(2.4, 2 * line.radius * scale)}
          strokeLinecap="round"
          strokeLinejoin="round"
          strokeOpacity={0.85}
        />
        <path d={d} fill="none" stroke="var(--sheet)" strokeWidth={0.8} strokeDasharray="7 3 1 3" />
        {line.through.map((p, i) => {
          const near = nearestOn(centre, (q) => length(sub(p, q))).at;
          const [cx, cy] = at(near);
          return <circle key={i} cx={cx} cy={cy} r={3.2} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={1.3} />;
        })}
        {tight && (
          <g>
            <circle
              cx={at(tight)[0]}
              cy={at(tight)[1]}
              r={7}
              fill="none"
              stroke={isTight(line) ? 'var(--stop)' : 'var(--ink)'}
              strokeWidth={1.4}
            />
            <text
              x={at(tight)[0] + 10}
              y={at(tight)[1] - 8}
              fontSize={11.5}
              fill={isTight(line) ? 'var(--stop)' : 'var(--ink)'}
              stroke="var(--sheet)"
              strokeWidth={3}
              paintOrder="stroke"
            >
              R {units.tape(line.hose!.laid!.leastRadius - line.radius)}
            </text>
          </g>
        )}
        <g stroke="var(--ink-soft)" strokeWidth={0.8}>
          <path d={`M${x1} ${height - 4}H${x2}M${x1} ${height - 9}v10M${x2} ${height - 9}v10`} />
        </g>
        <text x={(x1 + x2) / 2} y={height + 10} fontSize={11.5} textAnchor="middle" fill="var(--ink-soft)">
          {units.tape(right - left)}
        </text>
      </svg>
      <figcaption className="label border-t border-hair px-3 py-0.5">
        {view.name}: {view.text}; {units.tape(low - top)} across
      </figcaption>
    </figure>
  );
}

const isTight = ({ hose }: RoutedLine): boolean =>
  hose?.allowed !== undefined && (hose.laid?.leastRadius ?? Infinity) < hose.allowed;
