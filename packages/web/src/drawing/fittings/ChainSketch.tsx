import { toDegrees } from '@endrel/core/units/quick';
import type { Adapter } from '@endrel/core/fittings/adapter';
import { portSize } from '@endrel/core/fittings/port-size';
import { describePort, type Port } from '@endrel/core/fittings/port';
import { bounded } from '../../components/Boundary.tsx';

/** One piece of a chain along its own axis, mm. */
interface Piece {
  readonly kind: 'stub' | 'body' | 'thread' | 'nut' | 'barb' | 'bend';
  readonly length: number;
  readonly outer: number;
  readonly bore: number;
  /** rad, of a bend: positive to the right. */
  readonly turn?: number;
}

const MM = 1000;
const STUB = 14; // mm of the neighbour that are shown
const BODY = 8;

const outerOf = ({ form, size }: Port): number => {
  const row = portSize(form, size)!;
  return (row.thread?.major ?? row.nominal * 1.1) * MM;
};

/** The end of an adapter as it is seen from the side: a threaded stub, a nut, or barbs. */
function endPiece(port: Port, bore: number): Piece {
  const row = portSize(port.form, port.size)!;
  const length = Math.max(8, row.length * MM);
  if (port.form === 'barb' || port.form === 'bead' || port.form === 'hoseEnd')
    return { kind: 'barb', length, outer: outerOf(port), bore };
  if (port.gender === 'female')
    return { kind: 'nut', length, outer: Math.max(row.flats.female * MM, outerOf(port) * 1.15), bore };
  return { kind: 'thread', length, outer: outerOf(port), bore };
}

interface Drawn {
  readonly piece: Piece;
  readonly x: number;
  readonly y: number;
  /** rad, the way it points. */
  readonly angle: number;
}

const bendRadius = ({ outer }: Piece): number => outer / 2 + 5;

/** Lays the pieces of a chain out one behind the other, turning where an adapter does. mm. */
function layOut(from: Port, adapters: readonly Adapter[], to: Port): Drawn[] {
  const drawn: Drawn[] = [];
  let [x, y, angle] = [0, 0, 0];
  const put = (piece: Piece) => {
    drawn.push({ piece, x, y, angle });
    x += piece.length * Math.cos(angle);
    y += piece.length * Math.sin(angle);
  };
  const stub = (port: Port): Piece => ({
    kind: 'stub',
    length: STUB,
    outer: outerOf(port) * 1.25,
    bore: portSize(port.form, port.size)!.bore * MM,
  });
  put(stub(from));
  let sign = 1;
  for (const adapter of adapters) {
    const bore = adapter.bore * MM;
    put(endPiece(adapter.ports[0]!, bore));
    const body = (): Piece => ({ kind: 'body', length: BODY, outer: Math.max(adapter.flats * MM, bore * 1.6), bore });
    if (adapter.angle > 0) {
      const turn = sign * adapter.angle;
      const radius = bendRadius(body());
      drawn.push({ piece: { ...body(), kind: 'bend', turn }, x, y, angle });
      // along the chord of the arc
      const chord = 2 * radius * Math.sin(adapter.angle / 2);
      x += chord * Math.cos(angle + turn / 2);
      y += chord * Math.sin(angle + turn / 2);
      angle += turn;
      sign = -sign; // the next one turns back, so that the sketch stays in a row
    } else put(body());
    put(endPiece(adapter.ports[1]!, bore));
  }
  put(stub(to));
  return drawn;
}

/** A chain of adapters to scale, from the one port to the other: bodies with their flats, threads, nuts, and the bore through them. */
export const ChainSketch = bounded('The sketch of the joint', ChainSketchDrawn);

function ChainSketchDrawn({
  from,
  adapters,
  to,
  height = 150,
}: {
  from: Port;
  adapters: readonly Adapter[];
  to: Port;
  height?: number;
}) {
  const drawn = layOut(from, adapters, to);
  const corners = drawn.flatMap(({ piece, x, y, angle }) =>
    [0, piece.kind === 'bend' ? 0 : piece.length].flatMap((t) =>
      [-1, 1].map((s) => [
        x + t * Math.cos(angle) - (s * piece.outer * Math.sin(angle)) / 2,
        y + t * Math.sin(angle) + (s * piece.outer * Math.cos(angle)) / 2,
      ]),
    ),
  );
  const [xs, ys] = [corners.map((c) => c[0]!), corners.map((c) => c[1]!)];
  const [left, top] = [Math.min(...xs) - 3, Math.min(...ys) - 3];
  const [width, tall] = [Math.max(...xs) - left + 3, Math.max(...ys) - top + 3];
  // one scale for all that fit, so that chains can be compared
  const scale = Math.min(1.9, height / tall);
  return (
    <svg
      viewBox={`${left} ${top} ${width} ${tall + 6}`}
      width={width * scale}
      height={(tall + 6) * scale}
      className="max-w-full"
      role="img"
      aria-label={`To scale: ${[describePort(from), ...adapters.map((a) => a.name), describePort(to)].join(', ')}`}
    >
      {drawn.map(({ piece, x, y, angle }, i) => (
        <g key={i} transform={`translate(${x} ${y}) rotate(${toDegrees(angle)})`}>
          <PieceShape piece={piece} />
        </g>
      ))}
      <g transform={`translate(${left + 2} ${top + tall + 2})`} fontSize={3.6} fill="var(--ink-soft)">
        <path d="M0 0H10M0 -1V1M10 -1V1" stroke="var(--ink-soft)" strokeWidth={0.35} fill="none" />
        <text x={12} y={1.3}>
          10 mm
        </text>
      </g>
    </svg>
  );
}

function PieceShape({ piece }: { piece: Piece }) {
  if (piece.kind === 'bend') return <Bend piece={piece} />;
  const { kind, length, outer, bore } = piece;
  const half = outer / 2;
  const wall = kind === 'stub' ? 'var(--lit)' : 'var(--sheet)';
  const stroke = kind === 'stub' ? 'var(--hair-strong)' : 'var(--ink)';
  return (
    <>
      <rect x={0} y={-half} width={length} height={outer} fill={wall} stroke={stroke} strokeWidth={0.5} />
      {kind === 'thread' && (
        <path
          d={Array.from({ length: Math.floor(length / 1.5) }, (_, i) => `M${1 + i * 1.5} ${-half}v${outer}`).join('')}
          stroke="var(--hair-strong)"
          strokeWidth={0.25}
        />
      )}
      {kind === 'nut' && (
        <path d={`M0 ${-half / 2}H${length}M0 ${half / 2}H${length}`} stroke="var(--ink)" strokeWidth={0.35} />
      )}
      {kind === 'barb' && (
        <path
          d={[0.2, 0.5, 0.8]
            .map(
              (t) =>
                `M${t * length} ${-half}l${length * 0.12} -1.2v1.2M${t * length} ${half}l${length * 0.12} 1.2v-1.2`,
            )
            .join('')}
          stroke="var(--ink)"
          strokeWidth={0.4}
          fill="none"
        />
      )}
      <rect x={0} y={-bore / 2} width={length} height={bore} fill="var(--fuel)" />
      <path d={`M0 0H${length}`} stroke="var(--supply)" strokeWidth={0.4} strokeDasharray="3 1 0.6 1" />
    </>
  );
}

/** A bend as a piece of ring, from where it begins pointing along the axis. */
function Bend({ piece }: { piece: Piece }) {
  const { outer, bore, turn = 0 } = piece;
  const radius = bendRadius(piece);
  const side = Math.sign(turn);
  const at = (r: number, angle: number): [number, number] => [
    r * Math.sin(angle),
    side * (radius - r * Math.cos(angle)),
  ];
  const end = Math.abs(turn);
  const ring = (half: number) => {
    const [out, inn] = [radius + half, radius - half];
    const large = end > Math.PI - 1e-6 ? 1 : 0;
    const sweep = side > 0 ? 1 : 0;
    const arc = (r: number, to: [number, number], way: number) => `A${r} ${r} 0 ${large} ${way} ${to.join(' ')}`;
    return `M${at(out, 0).join(' ')}${arc(out, at(out, end), sweep)}L${at(inn, end).join(' ')}${arc(inn, at(inn, 0), 1 - sweep)}Z`;
  };
  const [x, y] = at(radius, end);
  return (
    <>
      <path d={ring(outer / 2)} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={0.5} />
      <path d={ring(bore / 2)} fill="var(--fuel)" />
      <path
        d={`M0 0A${radius} ${radius} 0 ${end > Math.PI - 1e-6 ? 1 : 0} ${side > 0 ? 1 : 0} ${x} ${y}`}
        fill="none"
        stroke="var(--supply)"
        strokeWidth={0.4}
        strokeDasharray="3 1 0.6 1"
      />
    </>
  );
}
