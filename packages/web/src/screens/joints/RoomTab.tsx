import { apart, CORNERS, sweep } from '@endrel/core/fittings/spanner-room';
import { bulkheadEndProperties } from '@endrel/core/job/bulkhead';
import { endPairs, placedEnds, type EndPair, type PlacedEnd } from '@endrel/core/joints/bulkhead-room';
import { RowsField } from '../../components/RowsField.tsx';
import { useAssessment, useJob } from '../../session/session-context.tsx';
import { useDisplayUnits } from '../../units/display-units.tsx';

/** Whether a spanner turns every hose end beside its neighbours: ends through one wall, and the ports of the hanger’s plate. */
export function RoomTab() {
  const job = useJob();
  const plate = useAssessment()?.findings.hanger.plate;
  const ends = placedEnds(job.bulkhead ?? []);
  const onPlate = (plate?.ports ?? []).map((p, i): PlacedEnd => ({
    id: `${i}`,
    label: p.label,
    hexagon: p.hexagon,
    x: p.x,
    y: p.y,
  }));
  return (
    <div className="grid gap-x-8 gap-y-4 xl:grid-cols-2">
      <section className="min-w-0">
        <h2 className="border-b border-ink pb-1 text-lg">Hose ends through one wall</h2>
        {ends.length > 1 ? (
          <>
            <EndsDrawing ends={ends} label="Hose ends through the wall, to scale, each with its spanner’s sweep" />
            <Pairs pairs={endPairs(ends)} />
          </>
        ) : (
          <p className="mt-2 text-ink-soft">
            Say which ends go through and where each sits from the first: Endrel draws them with the sweep of a spanner.
          </p>
        )}
        <RowsField
          title="Ends"
          one="a hose end"
          properties={bulkheadEndProperties}
          path={['bulkhead']}
          rows={job.bulkhead}
          most={12}
          empty="None yet."
          columns="sm:grid-cols-5"
        />
      </section>
      <section className="min-w-0">
        <h2 className="border-b border-ink pb-1 text-lg">Ports of the hanger’s plate</h2>
        {onPlate.length > 1 ? (
          <>
            <EndsDrawing
              ends={onPlate}
              label="Ports of the plate as Endrel would place them, each with its spanner’s sweep"
            />
            <p className="label">
              As Endrel would place them on the plate; the plate itself is drawn under Pump & hanger.
            </p>
            <Pairs pairs={endPairs(onPlate)} />
          </>
        ) : (
          <p className="mt-2 text-ink-soft">The plate has fewer than two ports with a known hexagon.</p>
        )}
      </section>
    </div>
  );
}

function Pairs({ pairs }: { pairs: readonly EndPair[] }) {
  const units = useDisplayUnits();
  return (
    <table className="my-2 w-full text-right text-[0.95rem]">
      <thead className="label">
        <tr>
          <th className="text-left font-normal">Neighbours, tightest first</th>
          <th className="font-normal">apart</th>
          <th className="font-normal">a spanner wants</th>
          <th className="font-normal" />
        </tr>
      </thead>
      <tbody className="ruled">
        {pairs.map(({ a, b, distance, needed }) => (
          <tr key={`${a.id} ${b.id}`}>
            <th scope="row" className="text-left font-normal">
              {a.label}, {b.label}
            </th>
            <td className="figure">{units.show('length', distance)}</td>
            <td className="figure">{units.show('length', needed)}</td>
            <td className={distance < needed - 1e-9 ? 'font-semibold text-fix' : 'text-good'}>
              {distance < needed - 1e-9 ? 'too near' : 'turns'}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

const MM = 1000;

function EndsDrawing({ ends, label }: { ends: readonly PlacedEnd[]; label: string }) {
  const reach = (e: PlacedEnd) => sweep(e.hexagon) * MM + 2;
  const left = Math.min(...ends.map((e) => e.x * MM - reach(e)));
  const right = Math.max(...ends.map((e) => e.x * MM + reach(e)));
  const low = Math.min(...ends.map((e) => e.y * MM - reach(e)));
  const high = Math.max(...ends.map((e) => e.y * MM + reach(e)));
  const scale = Math.min(3.2, 560 / (right - left), 260 / (high - low));
  const hexagon = (size: number) =>
    Array.from({ length: 6 }, (_, i) => {
      const angle = (Math.PI / 3) * i;
      return `${(CORNERS * size * MM * Math.cos(angle)) / 2},${(CORNERS * size * MM * Math.sin(angle)) / 2}`;
    }).join(' ');
  const near = ends.map((a) =>
    ends.some((b) => a !== b && Math.hypot(a.x - b.x, a.y - b.y) < apart(a.hexagon, b.hexagon) - 1e-9),
  );
  return (
    <svg
      viewBox={`${left} ${-high} ${right - left} ${high - low}`}
      width={(right - left) * scale}
      height={(high - low) * scale}
      className="my-2 max-w-full"
      role="img"
      aria-label={label}
    >
      {ends.map((e, i) => (
        <g key={e.id} transform={`translate(${e.x * MM} ${-e.y * MM})`}>
          <circle
            r={sweep(e.hexagon) * MM}
            fill="none"
            stroke={near[i] ? 'var(--fix)' : 'var(--hair-strong)'}
            strokeWidth={0.4}
            strokeDasharray="2 1.4"
          />
          <polygon points={hexagon(e.hexagon)} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={0.7} />
          <text textAnchor="middle" y={1.6} fontSize={4.6} fill="var(--ink)">
            {e.label}
          </text>
        </g>
      ))}
    </svg>
  );
}
