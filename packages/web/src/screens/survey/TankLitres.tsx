import { Suspense, useMemo } from 'react';
import { fillReadings } from '@endrel/core/tanks/fills';
import { volumeAtLevel } from '@endrel/core/tanks/strapping-table';
import { tankProperties } from '@endrel/core/job/tank';
import { useAssessment } from '../../session/session-context.tsx';
import { useDisplayUnits } from '../../units/display-units.tsx';
import { loadable } from '../../components/loadable.tsx';

const StrappingChart = loadable(() => import('../../charts/StrappingChart.tsx').then((m) => m.StrappingChart));

/** The few volumes that matter, and litres against height. */
export function TankLitres() {
  const assessment = useAssessment();
  const units = useDisplayUnits();
  const findings = assessment?.findings;
  const tank = findings?.tank;
  const fills = findings?.job.survey.tank.fills;
  const readings = useMemo(() => fillReadings(fills ?? [], 'level'), [fills]);
  const pickup = findings?.hanger.pickup;
  const places = useMemo(
    () =>
      tank?.table && pickup
        ? [{ name: 'pickup uncovers', level: pickup.place[2], volume: volumeAtLevel(tank.table, pickup.place[2]) }]
        : [],
    [tank, pickup],
  );
  if (!tank) return null;
  if (!tank.table)
    return (
      <p className="mt-2 text-ink-soft">
        {tank.fault
          ? 'The shape has a fault: see the snag.'
          : `Litres appear once these are known: ${tank.needs.map((key) => names[key] ?? key).join(', ')}.`}
      </p>
    );
  const figures: [string, number | undefined][] = [
    ['brim-full', tank.full],
    ['filled', tank.filled],
    ['ullage', tank.ullage],
    ['usable', pickup?.usable],
    ['left when the pickup uncovers', pickup?.left],
  ];
  return (
    <section className="mt-2">
      <h2 className="sr-only">Litres</h2>
      <dl className="readings">
        {figures.map(([name, value]) =>
          value === undefined ? null : (
            <div key={name}>
              <dt className="label">{name}</dt>
              <dd className="figure text-xl">{units.show('volume', value)}</dd>
            </div>
          ),
        )}
      </dl>
      <Suspense fallback={<p className="h-60 text-ink-soft">Drawing …</p>}>
        <StrappingChart table={tank.table} places={places} readings={readings} />
      </Suspense>
    </section>
  );
}

const names: Partial<Record<string, string>> = {
  ...Object.fromEntries(Object.entries(tankProperties).map(([key, p]) => [key, p.name])),
  section: 'the traced section',
  stations: 'the sections',
  zones: 'the steps of the floor',
  mesh: 'the mesh',
  strapping: 'a strapping table or fills',
};
