import type { FieldPath } from '@endrel/core/fields/field-path';
import { fastenerProperties, zoneKinds, zoneProperties, type ZoneRow } from '@endrel/core/job/routes';
import type { RouteFindings } from '@endrel/core/routes/route-findings';
import { sayZoneFault } from '@endrel/core/routes/say';
import { anchorOf } from '../../components/anchor.ts';
import { PropertyGrid } from '../../components/PropertyGrid.tsx';
import { AddRow, RowItem } from '../../components/RowItem.tsx';
import { RowsField } from '../../components/RowsField.tsx';
import { useJob } from '../../session/session-context.tsx';
import { useDisplayUnits } from '../../units/display-units.tsx';
import { PlaceFields } from './PlaceFields.tsx';

const travel = ['rises', 'falls', 'sways', 'shifts'] as const;
const PATH: FieldPath = ['routes', 'zones'];

/** What lines have to keep off, each where it stands and as far as it moves. */
export function ZonesPanel({ routes }: { routes: RouteFindings }) {
  const job = useJob();
  const zones = job.routes?.zones ?? [];
  return (
    <section id={anchorOf(PATH)} aria-label="Zones">
      <h2 className="border-b border-ink pb-1 text-lg">Zones</h2>
      {zones.length === 0 && (
        <p className="text-ink-soft">
          None yet. The tank, the exhaust, axle and shafts with their travel, wiring, panels to be drilled, the cabin.
        </p>
      )}
      <ol className="ruled">
        {zones.map((zone, i) => (
          <ZoneItem key={zone.id} zone={zone} number={i + 1} routes={routes} />
        ))}
      </ol>
      <AddRow path={PATH} one="a zone" />
    </section>
  );
}

function ZoneItem({ zone, number, routes }: { zone: ZoneRow; number: number; routes: RouteFindings }) {
  const job = useJob();
  const units = useDisplayUnits();
  const path: FieldPath = [...PATH, zone.id];
  const fault = routes.zoneFaults[zone.id];
  const placed = routes.zones.find((z) => z.id === zone.id);
  const grid = (only: readonly string[], columns: string) => (
    <PropertyGrid properties={zoneProperties} path={path} values={zone} only={only} columns={columns} />
  );
  const keepsOff = zone.kind !== undefined && !['panel', 'reach'].includes(zone.kind);
  return (
    <RowItem path={PATH} id={zone.id} number={number} one="a zone" className="gap-2 py-1.5">
      <div className="min-w-0 flex-1">
        {grid(['label', 'kind', 'shape'], 'sm:grid-cols-3')}
        <span className="label">{zone.shape === 'pipe' ? 'One end of its middle' : 'One corner'}</span>
        <PlaceFields path={[...path, 'a']} place={zone.a} />
        <span className="label">{zone.shape === 'pipe' ? 'The other end' : 'The opposite corner'}</span>
        <PlaceFields path={[...path, 'b']} place={zone.b} />
        {zone.shape === 'pipe' && grid(['radius'], 'sm:grid-cols-3')}
        {keepsOff && (
          <details open={travel.some((key) => zone[key] !== undefined) || zone.gap !== undefined}>
            <summary className="label min-h-[26px] py-1">How it moves, and the gap that lines keep</summary>
            {grid(travel, 'sm:grid-cols-4')}
            {grid([...(zone.kind === 'hot' ? ['shielded'] : []), 'gap', 'reason'], 'sm:grid-cols-3')}
          </details>
        )}
        {zone.kind === 'panel' && (
          <RowsField
            title="Fasteners on either side"
            one="a fastener"
            properties={fastenerProperties}
            path={[...path, 'fasteners']}
            rows={zone.fasteners}
            most={60}
            empty="None told of: look behind it before anything is drilled."
            columns="sm:grid-cols-3"
          />
        )}
        {fault && <p className="text-[0.88rem] text-fix">{sayZoneFault(job, fault)}</p>}
        {placed && keepsOff && (
          <p className="label">
            Lines keep {units.tape(placed.gap)} off it{placed.isOwnGap ? ', as set here' : ', common practice'}.{' '}
            {zone.kind && zoneKinds[zone.kind].why}
          </p>
        )}
      </div>
    </RowItem>
  );
}
