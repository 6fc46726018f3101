import { X } from 'lucide-react';
import type { FieldPath } from '@endrel/core/fields/field-path';
import { tapeProperties } from '@endrel/core/parts/place';
import { pointProperties, type PointRow } from '@endrel/core/job/routes';
import { LARGEST_MISFIT } from '@endrel/core/routes/place-points';
import type { RouteFindings } from '@endrel/core/routes/route-findings';
import { sayPointFault } from '@endrel/core/routes/say';
import { anchorOf } from '../../components/anchor.ts';
import { PropertyField } from '../../components/PropertyField.tsx';
import { AddRow, newRowId, RowItem } from '../../components/RowItem.tsx';
import { useAct, useJob } from '../../session/session-context.tsx';
import { useDisplayUnits } from '../../units/display-units.tsx';
import { sayPlace } from './say-place.ts';
import { PlaceFields, useFromProperty } from './PlaceFields.tsx';

const PATH: FieldPath = ['routes', 'points'];
const MOST_TAPES = 6;

/** Points of the vehicle, by tape from the datum, from one another, or by tapes that cross; each with where it comes out. */
export function PointsPanel({ routes }: { routes: RouteFindings }) {
  const points = useJob().routes?.points ?? [];
  return (
    <section id={anchorOf(PATH)} aria-label="Points">
      <h2 className="border-b border-ink pb-1 text-lg">Points</h2>
      {points.length === 0 && (
        <p className="text-ink-soft">
          None yet. Measure what can be found again: a rail’s corner, a bolt, a port; everything else goes from there.
        </p>
      )}
      <ol className="ruled">
        {points.map((point, i) => (
          <PointItem key={point.id} point={point} number={i + 1} routes={routes} />
        ))}
      </ol>
      <AddRow path={PATH} one="a point" />
    </section>
  );
}

function PointItem({ point, number, routes }: { point: PointRow; number: number; routes: RouteFindings }) {
  const act = useAct();
  const job = useJob();
  const path: FieldPath = [...PATH, point.id];
  const tapes = point.tapes ?? [];
  const set = (key: string) => (value: unknown, group?: string) =>
    act({ act: 'set', path: [...path, key], value }, group);
  return (
    <RowItem path={PATH} id={point.id} number={number} one="a point" className="gap-2 py-1.5">
      <div className="min-w-0 flex-1">
        <PropertyField
          property={pointProperties.label}
          path={[...path, 'label']}
          value={point.label}
          brief
          onChange={set('label')}
        />
        <PlaceFields path={path} place={point} itself={point.id} />
        <details open={tapes.length > 0}>
          <summary className="label min-h-[26px] py-1">Tapes from known points, instead of or besides</summary>
          {tapes.map((tape, i) => (
            <TapeRow
              key={tape.id}
              path={[...path, 'tapes', tape.id]}
              tape={tape}
              itself={point.id}
              number={i + 1}
              onRemove={() => act({ act: 'removeRow', path: [...path, 'tapes'], id: tape.id })}
            />
          ))}
          <div className="grid gap-x-3 sm:grid-cols-2">
            {tapes.length < MOST_TAPES && (
              <button
                className="button my-1 justify-self-start"
                onClick={() => act({ act: 'addRow', path: [...path, 'tapes'], row: { id: newRowId() } })}
              >
                Add a tape
              </button>
            )}
            {tapes.length > 0 && (
              <PropertyField
                property={pointProperties.side}
                path={[...path, 'side']}
                value={point.side}
                brief
                onChange={set('side')}
              />
            )}
          </div>
        </details>
        <Outcome point={point} routes={routes} job={job} />
      </div>
    </RowItem>
  );
}

type Tape = NonNullable<PointRow['tapes']>[number];

function TapeRow({
  path,
  tape,
  itself,
  number,
  onRemove,
}: {
  path: FieldPath;
  tape: Tape;
  itself: string;
  number: number;
  onRemove(): void;
}) {
  const act = useAct();
  const to = useFromProperty(itself);
  const set = (key: string) => (value: unknown, group?: string) =>
    act({ act: 'set', path: [...path, key], value }, group);
  return (
    <div className="flex items-start gap-2">
      <div className="grid min-w-0 flex-1 gap-x-3 sm:grid-cols-2">
        <PropertyField property={to} path={[...path, 'to']} value={tape.to} brief onChange={set('to')} />
        <PropertyField
          property={tapeProperties.far}
          path={[...path, 'far']}
          value={tape.far}
          brief
          onChange={set('far')}
        />
      </div>
      <button className="quiet mt-5" aria-label={`Remove tape ${number}`} onClick={onRemove}>
        <X size={14} aria-hidden />
      </button>
    </div>
  );
}

/** Where a point comes out, and how far each tape is out; or why it has no place. */
function Outcome({ point, routes, job }: { point: PointRow; routes: RouteFindings; job: ReturnType<typeof useJob> }) {
  const units = useDisplayUnits();
  const placed = routes.points[point.id];
  if (!placed) return null;
  if (!placed.ok)
    return <p className="text-[0.88rem] text-fix">{sayPointFault(job, point.id, placed.fault, units.tape)}</p>;
  const { at, misfits, spread } = placed.value;
  const worst = Math.max(0, ...misfits.map((m) => Math.abs(m.by)));
  return (
    <p className="text-[0.88rem]">
      <span className="label">From the datum </span>
      <span className="figure">{sayPlace(units, at)}</span>
      {misfits.length > 0 && (
        <span className={worst > LARGEST_MISFIT / 2 ? 'text-fix' : 'text-ink-soft'}>
          {' '}
          tapes out by {worst < 0.0005 ? 'less than they are read to' : `${units.tape(worst)} at most`}; 1 mm of tape
          moves it {spread.toFixed(1)} mm
        </span>
      )}
    </p>
  );
}
