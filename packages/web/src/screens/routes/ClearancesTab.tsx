import { useState } from 'react';
import { routeLimit, routeLimits } from '@endrel/core/job/routes';
import { lineName } from '@endrel/core/routes/lines';
import { sayMm, zoneName } from '@endrel/core/routes/places-in-words';
import type { Clearance } from '@endrel/core/routes/clearances';
import type { RouteFindings } from '@endrel/core/routes/route-findings';
import { PropertyGrid } from '../../components/PropertyGrid.tsx';
import { useAssessment, useJob } from '../../session/session-context.tsx';
import { sayPlace } from './say-place.ts';
import { useDisplayUnits } from '../../units/display-units.tsx';
import type { JobView } from '../job/use-job-view.ts';

/** Every line against every zone at full travel, the others and itself; clips, holes and what holds the tank. */
export function ClearancesTab({ view }: { view: JobView }) {
  const job = useJob();
  const routes = useAssessment()?.findings.routes;
  if (!routes) return <p className="text-ink-soft">Reckoning …</p>;
  const drawn = routes.lines.filter((l) => l.centre);
  return (
    <div className="grid gap-x-8 gap-y-5 xl:grid-cols-[1.5fr_1fr]">
      <div className="min-w-0 space-y-5">
        <section aria-label="Gaps">
          <h2 className="border-b border-ink pb-1 text-lg">Gaps, smallest against its limit first</h2>
          {drawn.length === 0 ? (
            <p className="text-ink-soft">No line is placed yet: measure its two ports on the map.</p>
          ) : (
            <GapTable routes={routes} view={view} />
          )}
        </section>
        <Holes routes={routes} />
        <Spanners routes={routes} />
      </div>
      <div className="min-w-0 space-y-5">
        <ClipList routes={routes} />
        <section aria-label="Limits">
          <h2 className="border-b border-ink pb-1 text-lg">Limits</h2>
          <p className="label">Common practice unless set here. The gap to a zone is set at the zone, on the map.</p>
          <PropertyGrid properties={routeLimits} path={['routes']} values={job.routes ?? {}} />
        </section>
      </div>
    </div>
  );
}

function GapTable({ routes, view }: { routes: RouteFindings; view: JobView }) {
  const job = useJob();
  const units = useDisplayUnits();
  const name = (id: string) => lineName(job, id);
  const to = (c: Clearance) =>
    'zone' in c.to ? zoneName(routes, c.to.zone) : 'line' in c.to ? name(c.to.line) : 'itself';
  const [isAll, setAll] = useState(false);
  const told = routes.clearances.filter((c) => !('itself' in c.to) || c.gap < c.least);
  const sorted = [...told].sort((a, b) => a.gap - a.least - (b.gap - b.least));
  const near = sorted.filter((c) => c.gap < c.least + FAR);
  const rows = isAll ? sorted : near;
  return (
    <div className="overflow-x-auto">
      <table className="w-full min-w-[34rem] text-right">
        <thead className="label">
          <tr className="border-b border-hair-strong">
            <th className="text-left font-normal">line</th>
            <th className="text-left font-normal">to</th>
            <th className="font-normal">gap</th>
            <th className="font-normal">least</th>
            <th className="font-normal">along it</th>
            <th className="font-normal">rearward, left, up</th>
          </tr>
        </thead>
        <tbody className="ruled">
          {rows.map((c) => {
            const isBad = c.gap < c.least;
            return (
              <tr key={`${c.line} ${JSON.stringify(c.to)}`} className={isBad ? 'font-semibold text-stop' : ''}>
                <th scope="row" className="py-0.5 text-left font-normal">
                  <button
                    className="text-left underline decoration-hair underline-offset-2"
                    onClick={() => view.selectPart(c.line)}
                  >
                    {name(c.line)}
                  </button>
                </th>
                <td className="text-left">{to(c).replaceAll('“', '').replaceAll('”', '')}</td>
                <td className="figure">{isBad && c.gap < 0 ? `in it by ${units.tape(-c.gap)}` : units.tape(c.gap)}</td>
                <td className="figure">{units.tape(c.least)}</td>
                <td className="figure">{units.tape(c.along)}</td>
                <td className="figure text-ink-soft">{sayPlace(units, c.at)}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
      {near.length < sorted.length && (
        <button className="quiet mt-1" aria-expanded={isAll} onClick={() => setAll(!isAll)}>
          {isAll
            ? 'Only what is near'
            : `${sorted.length - near.length} more, all ${units.tape(FAR)} over their limit or further`}
        </button>
      )}
    </div>
  );
}

const FAR = 0.3; // m over its limit: of no interest before it is asked for

function ClipList({ routes }: { routes: RouteFindings }) {
  const job = useJob();
  const units = useDisplayUnits();
  const entries = Object.entries(routes.clips);
  return (
    <section aria-label="Clips">
      <h2 className="border-b border-ink pb-1 text-lg">Clips, heights, the tank</h2>
      {entries.length === 0 && <p className="text-ink-soft">No line is placed yet.</p>}
      <ul className="ruled">
        {entries.map(([id, clips]) => {
          const line = routes.lines.find((l) => l.part === id)!;
          const heights = line.centre!.points.map((p) => p[2]);
          const held = routes.heldTanks.find((h) => h.line === id);
          const lows = line.turns?.filter((t) => t.kind === 'low') ?? [];
          const highs = line.turns?.filter((t) => t.kind === 'high') ?? [];
          return (
            <li key={id} className="py-1.5">
              <span className="font-semibold">{lineName(job, line.part)}</span>{' '}
              <span className="label">
                {clips.at.length} clips; lowest {units.tape(Math.min(...heights))}, highest{' '}
                {units.tape(Math.max(...heights))} up
              </span>
              {clips.loose.length > 0 && (
                <p className="text-[0.92rem] text-fix">
                  Clips go at {clips.proposed.map((p) => units.tape(p.along)).join(', ')} along it.
                </p>
              )}
              {lows.length > 0 && (
                <p className="text-[0.92rem]">
                  Drains at {lows.map((t) => units.tape(t.along)).join(', ')} along it, its low places.
                </p>
              )}
              {highs.length > 0 && (
                <p className="text-[0.92rem]">
                  Air gathers at {highs.map((t) => units.tape(t.along)).join(', ')} along it, its high places.
                </p>
              )}
              {held && (
                <p className="text-[0.92rem] text-fix">
                  It holds the tank: a union at {units.tape(held.unionAt)} along it lets the tank drop.
                </p>
              )}
            </li>
          );
        })}
      </ul>
    </section>
  );
}

function Holes({ routes }: { routes: RouteFindings }) {
  const units = useDisplayUnits();
  const job = useJob();
  const name = (id: string) => lineName(job, id);
  return (
    <section aria-label="Holes">
      <h2 className="border-b border-ink pb-1 text-lg">Holes through panels</h2>
      {routes.holes.length === 0 ? (
        <p className="text-ink-soft">No line goes through a panel that is told of.</p>
      ) : (
        <ul className="ruled">
          {routes.holes.map((hole) => {
            const zone = routes.zones.find((z) => z.id === hole.panel);
            const fastener = zone?.fasteners.find((f) => f.id === hole.nearest?.fastener);
            const band = hole.safe.find(([from, to]) => hole.at[hole.axis] >= from && hole.at[hole.axis] <= to);
            return (
              <li key={`${hole.line} ${hole.panel} ${hole.along}`} className="py-1.5">
                <span className="font-semibold">
                  {name(hole.line)} through {zone?.label}
                </span>
                , hole {sayMm(hole.diameter)}, at {sayPlace(units, hole.at)}.{' '}
                {fastener && (
                  <span className={hole.nearest!.gap < routeLimit(job.routes, 'fastenerGap') ? 'text-stop' : ''}>
                    {units.tape(hole.nearest!.gap)} from “{fastener.label}”{fastener.isBehind ? ' on the far side' : ''}
                    .
                  </span>
                )}
                <br />
                <span className="label">
                  {band
                    ? `Safe band on the panel, level with it: from ${units.tape(band[0])} to ${units.tape(band[1])} ${hole.axis === 1 ? 'left' : 'rearward'}.`
                    : `Safe bands, level with it: ${hole.safe.map(([a, b]) => `${units.tape(a)} to ${units.tape(b)}`).join('; ') || 'none'}.`}{' '}
                  Look behind it before you drill.
                </span>
              </li>
            );
          })}
        </ul>
      )}
    </section>
  );
}

function Spanners({ routes }: { routes: RouteFindings }) {
  const job = useJob();
  const units = useDisplayUnits();
  if (routes.jointRooms.length === 0) return null;
  return (
    <section aria-label="Spanner room">
      <h2 className="border-b border-ink pb-1 text-lg">Spanner room at each end</h2>
      <ul className="ruled">
        {routes.jointRooms.map((room) => {
          const isTight = room.nearest !== undefined && room.nearest.distance < room.needs;
          return (
            <li key={`${room.line} ${room.port}`} className="py-1">
              {lineName(job, room.line)}, {room.port === 'in' ? 'start' : 'finish'}:{' '}
              <span className={isTight ? 'text-stop' : ''}>
                {room.nearest
                  ? `${units.tape(Math.max(0, room.nearest.distance))} to ${zoneName(routes, room.nearest.zone)}`
                  : 'nothing near'}
              </span>
              <span className="label">
                , a spanner sweeps {units.tape(room.needs)}
                {room.isReached === false && '; no place that a hand reaches is told of there'}
              </span>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
