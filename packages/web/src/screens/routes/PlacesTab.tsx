import { useMemo, useState } from 'react';
import type { Job } from '@endrel/core/job/job';
import { choice, type Property } from '@endrel/core/fields/property';
import { candidateProperties, type CandidateRow } from '@endrel/core/job/routes';
import { isLine, kindOf, partName } from '@endrel/core/parts/kinds';
import { circuitsOf } from '@endrel/core/run/circuits';
import type { Placing } from '@endrel/core/sizing/placing';
import { useLong } from '../../calc/use-long.ts';
import { PropertyField } from '../../components/PropertyField.tsx';
import { AddRow, RowItem } from '../../components/RowItem.tsx';
import { useAct, useJob } from '../../session/session-context.tsx';
import { useDisplayUnits } from '../../units/display-units.tsx';
import { PlaceFields } from './PlaceFields.tsx';

const PATH = ['routes', 'candidates'] as const;
/** What has a place that is worth comparing. */
const PLACED = new Set([
  'pump',
  'filter',
  'regulator',
  'filterRegulator',
  'swirlPot',
  'pressureSensor',
  'ethanolSensor',
  'checkValve',
  'damper',
]);

/** Places for pump, filter, regulator, pot or sensor beside each other, each as the run would solve with it there. */
export function PlacesTab() {
  const job = useJob();
  const rows = job.routes?.candidates ?? [];
  const placings = usePlacings(job);
  return (
    <div className="space-y-4">
      <p className="max-w-3xl text-ink-soft">
        Name the places where a part could go. Each is reckoned with lines led along the vehicle’s axes, and the whole
        run is solved with them: nothing is changed until you move the part’s ports on the map.
      </p>
      <Comparison rows={rows} placings={placings} />
      <ol className="ruled max-w-4xl">
        {rows.map((row, i) => (
          <Candidate key={row.id} row={row} number={i + 1} />
        ))}
      </ol>
      <AddRow path={PATH} one="a place" />
    </div>
  );
}

function Candidate({ row, number }: { row: CandidateRow; number: number }) {
  const act = useAct();
  const part = usePartProperty();
  const path = [...PATH, row.id];
  const set = (key: string) => (value: unknown, group?: string) =>
    act({ act: 'set', path: [...path, key], value }, group);
  return (
    <RowItem path={PATH} id={row.id} number={number} one="a place" className="gap-2 py-1.5">
      <div className="min-w-0 flex-1">
        <div className="grid gap-x-3 sm:grid-cols-2">
          <PropertyField property={part} path={[...path, 'part']} value={row.part} brief onChange={set('part')} />
          <PropertyField
            property={candidateProperties.label}
            path={[...path, 'label']}
            value={row.label}
            brief
            onChange={set('label')}
          />
        </div>
        <PlaceFields path={path} place={row} />
        <PropertyField
          property={candidateProperties.reason}
          path={[...path, 'reason']}
          value={row.reason}
          brief
          onChange={set('reason')}
        />
      </div>
    </RowItem>
  );
}

function usePartProperty(): Property {
  const job = useJob();
  const names = circuitsOf(job)
    .parts.filter((p) => PLACED.has(p.kind) && !isLine(p))
    .map((p) => [p.id, partName(p)] as const);
  const key = JSON.stringify(names);
  return useMemo(() => choice('for', Object.fromEntries(JSON.parse(key) as (readonly [string, string])[])), [key]);
}

function Comparison({ rows, placings }: { rows: readonly CandidateRow[]; placings: readonly Placing[] }) {
  const units = useDisplayUnits();
  const job = useJob();
  if (rows.length === 0) return <p className="sheet max-w-xl p-4 text-ink-soft">No place to compare yet.</p>;
  const show = (si: number | undefined) => (si === undefined ? '–' : units.tape(si));
  const yes = (is: boolean | undefined, bad: boolean | undefined) => (
    <span className={is === undefined ? 'text-ink-soft' : is === bad ? 'font-semibold text-fix' : ''}>
      {is === undefined ? '–' : is ? 'yes' : 'no'}
    </span>
  );
  const criteria: readonly (readonly [string, (p: Placing) => React.ReactNode])[] = [
    ['for', (p) => (job.parts[p.part] ? partName(job.parts[p.part]!) : p.part)],
    ['over the tank floor', (p) => show(p.overFloor)],
    [
      'below the tank outlet',
      (p) => (p.overOutlet === undefined ? '–' : yes(p.overOutlet <= 0, needsToBeLow(job, p.part) ? false : undefined)),
    ],
    ['line from and to it', (p) => show(p.lines)],
    ['suction margin, worst', (p) => (p.suctionMargin === undefined ? '–' : units.show('head', p.suctionMargin))],
    ['rail at full load', (p) => (p.railPressure === undefined ? '–' : units.show('pressure', p.railPressure))],
    ['pump margin', (p) => (p.pumpMargin === undefined ? '–' : units.show('fraction', p.pumpMargin))],
    ['from what is hot', (p) => show(p.heat)],
    ['in thrown debris', (p) => yes(p.isInDebris, true)],
    ['in the cabin, heard', (p) => yes(p.isInCabin, true)],
    ['hand and spanner reach it', (p) => yes(p.isReached, false)],
    ['joints', (p) => String(p.joints)],
  ];
  const shown = placings.filter((p) => rows.some((r) => r.id === p.row));
  return (
    <div className="overflow-x-auto">
      <table className="min-w-[30rem]">
        <caption className="label text-left">Places compared</caption>
        <thead>
          <tr className="border-b border-hair-strong">
            <th />
            {shown.map((p) => (
              <th key={p.row} scope="col" className="px-4 text-left">
                {p.label || 'no name yet'}
              </th>
            ))}
          </tr>
        </thead>
        <tbody className="ruled">
          {criteria.map(([name, say]) => (
            <tr key={name}>
              <th scope="row" className="label py-0.5 pr-4 text-left font-normal">
                {name}
              </th>
              {shown.map((p) => (
                <td key={p.row} className="figure px-4">
                  {say(p)}
                </td>
              ))}
            </tr>
          ))}
          <tr>
            <th scope="row" className="label py-0.5 pr-4 text-left font-normal">
              why there
            </th>
            {shown.map((p) => (
              <td key={p.row} className="max-w-[16rem] px-4 align-top">
                {rows.find((r) => r.id === p.row)?.reason ?? '–'}
              </td>
            ))}
          </tr>
        </tbody>
      </table>
      {shown.length < rows.filter((r) => r.part).length && (
        <p className="label" aria-live="polite">
          Solving each …
        </p>
      )}
    </div>
  );
}

/** What draws, rather than is pressed through. */
const needsToBeLow = (job: Job, id: string): boolean =>
  job.parts[id] !== undefined && kindOf(job.parts[id]).isElectric === true;

/** Places solved one after the other in the worker; an edit starts them again. */
function usePlacings(job: Job): readonly Placing[] {
  const [found, setFound] = useState<readonly Placing[]>([]);
  useLong(
    (at) => {
      const list: Placing[] = [];
      const onFound = (placing: Placing): boolean => {
        list.push(placing);
        setFound([...list]);
        return true;
      };
      return at.placings(job, onFound).then(() => setFound([...list]));
    },
    [job],
  );
  return found;
}
