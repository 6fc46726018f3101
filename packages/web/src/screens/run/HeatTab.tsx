import { lazy, Suspense } from 'react';
import { assumptionProperties } from '@endrel/core/job/assumption';
import { PropertyGrid } from '../../components/PropertyGrid.tsx';
import { Reading } from '../../components/Reading.tsx';
import { useAssessment, useJob } from '../../session/session-context.tsx';
import { useDisplayUnits } from '../../units/display-units.tsx';

const DriveChart = lazy(() => import('../../charts/DriveChart.tsx').then((m) => ({ default: m.DriveChart })));

/** A drive at cruise: what the pump and the engine do to the tank, and when the pump begins to draw vapour. */
export function HeatTab({ onWorking }: { onWorking(key: string): void }) {
  const job = useJob();
  const assessment = useAssessment();
  const units = useDisplayUnits();
  const drive = assessment?.findings.drive;
  const end = drive?.steps.at(-1);
  const watts = (value: number) => units.show('power', value);
  return (
    <div className="grid gap-x-8 gap-y-4 xl:grid-cols-[1.25fr_1fr]">
      <section aria-label="The drive">
        <h2 className="text-lg">Heat over a drive at cruise</h2>
        {drive && end ? (
          <>
            <p className="my-1">
              {drive.trouble === undefined ? (
                <>
                  No trouble in <span className="figure">{units.show('time', end.time)}</span>
                  {drive.ranDry && ', by when the tank is down to its last'}.
                </>
              ) : (
                <>
                  <span className="figure text-2xl text-fix">{units.show('time', drive.trouble)}</span> to trouble: the
                  head at the pump falls below {units.show('head', drive.leastMargin)} of fuel.
                </>
              )}
            </p>
            <Suspense fallback={<p className="h-56 text-ink-soft">Drawing …</p>}>
              <DriveChart drive={drive} of="temperature" />
              <DriveChart drive={drive} of="margin" />
            </Suspense>
          </>
        ) : (
          <p className="sheet p-4 text-ink-soft">
            Needs a run that can be solved, the current in the pump’s table, and the tank’s litres.
          </p>
        )}
      </section>
      <section>
        {drive && end && (
          <>
            <div className="flex items-end justify-between border-b border-ink pb-1">
              <h2 className="text-lg">At the end of it</h2>
              <button className="button" onClick={() => onWorking('drive')}>
                Show the working
              </button>
            </div>
            <dl className="readings">
              <Reading
                name="Tank"
                value={units.show('temperature', end.tank)}
                note={end.pot === undefined ? undefined : `pot ${units.show('temperature', end.pot)}`}
              />
              <Reading name="Level left" value={units.show('fraction', end.level)} />
              <Reading name="Head before it boils" value={units.show('head', end.margin)} />
              <Reading name="Heat from the pumps" value={watts(drive.heat.pumps)} note="comes back to the tank" />
              <Reading
                name="Heat from the engine"
                value={watts(drive.heat.engine)}
                note="picked up at rail and hoses"
              />
              <Reading
                name={drive.heat.lost >= 0 ? 'The tank gives off' : 'The tank takes on'}
                value={watts(Math.abs(drive.heat.lost))}
              />
            </dl>
          </>
        )}
        <h2 className="border-b border-ink pb-1 text-lg">Reckoned with</h2>
        <PropertyGrid
          properties={assumptionProperties}
          path={['assumptions']}
          values={job.assumptions}
          only={[
            'driveTime',
            'driveStartLevel',
            'ambientTemperature',
            'bayTemperature',
            'railHeat',
            'tankHeat',
            'cruiseDemand',
            'fuelTemperature',
          ]}
        />
        <p className="label">
          What a pump draws warms the fuel that it moves; what comes back past the engine brings its heat along; the
          tank gives heat off through its wetted wall while the level falls. No slosh, no sun, no exhaust beside it.
        </p>
      </section>
    </div>
  );
}
