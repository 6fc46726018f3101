import { Suspense } from 'react';
import type { Drive } from '@endrel/core/heat/drive';
import type { HotSoak } from '@endrel/core/heat/hot-soak';
import { assumptionProperties } from '@endrel/core/job/assumption';
import type { Job } from '@endrel/core/job/job';
import { partName } from '@endrel/core/parts/kinds';
import { PropertyGrid } from '../../components/PropertyGrid.tsx';
import { Reading } from '../../components/Reading.tsx';
import { loadable } from '../../components/loadable.tsx';
import { useAssessment, useJob } from '../../session/session-context.tsx';
import { useDisplayUnits } from '../../units/display-units.tsx';
import { Claim } from '../../components/Claim.tsx';

const SoakChart = loadable(() => import('../../charts/SoakChart.tsx').then((m) => m.SoakChart));
const DriveChart = loadable(() => import('../../charts/DriveChart.tsx').then((m) => m.DriveChart));

/** A drive at cruise: what the pump and the engine do to the tank, and when the pump begins to draw vapour. */
export function HeatTab({ onWorking }: { onWorking(key: string): void }) {
  const findings = useAssessment()?.findings;
  const { drive, soak } = findings ?? {};
  return (
    <div className="grid gap-x-8 gap-y-4 xl:grid-cols-[1.25fr_1fr]">
      <section aria-label="The drive">
        <h2 className="text-lg">Heat over a drive at cruise</h2>
        {drive ? (
          <DriveShown drive={drive} />
        ) : (
          <p className="sheet p-4 text-ink-soft">
            <Claim>Needs a run that can be solved, the current in the pump’s table, and the tank’s litres.</Claim>
          </p>
        )}
        <h2 className="mt-3 text-lg">Standing hot, engine off</h2>
        {soak ? (
          <SoakShown soak={soak} />
        ) : (
          <p className="sheet p-4 text-ink-soft">
            {findings?.fuel?.family === 'diesel' ? (
              'Diesel does not boil in use.'
            ) : (
              <Claim>Needs a run that can be solved.</Claim>
            )}
          </p>
        )}
      </section>
      <section>
        {drive && <EndOfDrive drive={drive} onWorking={() => onWorking('drive')} />}
        {soak && <AfterStopping soak={soak} />}
        <ReckonedWith />
      </section>
    </div>
  );
}

function DriveShown({ drive }: { drive: Drive }) {
  const units = useDisplayUnits();
  const end = drive.steps.at(-1)!;
  return (
    <>
      <p className="my-1">
        {drive.trouble === undefined ? (
          <>
            No trouble in <span className="figure">{units.show('time', end.time)}</span>
            {drive.ranDry && ', by when the tank is down to its last'}.
          </>
        ) : (
          <>
            <span className="figure text-2xl text-fix">{units.show('time', drive.trouble)}</span> to trouble: the head
            at the pump falls below {units.show('head', drive.leastMargin)} of fuel.
            {drive.boils !== undefined && (
              <>
                {' '}
                After <span className="figure">{units.show('time', drive.boils)}</span> it boils there, and the drive
                ends.
              </>
            )}
          </>
        )}
      </p>
      <Suspense fallback={<p className="h-56 text-ink-soft">Drawing …</p>}>
        <DriveChart drive={drive} of="temperature" />
        <DriveChart drive={drive} of="margin" />
      </Suspense>
    </>
  );
}

function SoakShown({ soak }: { soak: HotSoak }) {
  const job = useJob();
  const units = useDisplayUnits();
  return (
    <>
      <p className="my-1">{soakSentence(soak, job, (s) => units.show('time', s))}</p>
      <Suspense fallback={<p className="h-56 text-ink-soft">Drawing …</p>}>
        <SoakChart soak={soak} />
      </Suspense>
    </>
  );
}

function EndOfDrive({ drive, onWorking }: { drive: Drive; onWorking(): void }) {
  const units = useDisplayUnits();
  const end = drive.steps.at(-1)!;
  const watts = (value: number) => units.show('power', value);
  return (
    <>
      <div className="flex items-end justify-between border-b border-ink pb-1">
        <h2 className="text-lg">At the end of it</h2>
        <button className="button" onClick={onWorking}>
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
        <Reading name="Heat from the engine" value={watts(drive.heat.engine)} note="picked up at rail and hoses" />
        <Reading
          name={drive.heat.lost >= 0 ? 'The tank gives off' : 'The tank takes on'}
          value={watts(Math.abs(drive.heat.lost))}
        />
      </dl>
    </>
  );
}

function AfterStopping({ soak }: { soak: HotSoak }) {
  const job = useJob();
  const units = useDisplayUnits();
  return (
    <>
      <h2 className="border-b border-ink pb-1 text-lg">After stopping hot</h2>
      <dl className="readings">
        <Reading
          name="Hottest fuel"
          value={units.show('temperature', soak.hottest.temperature)}
          note={`${partName(job.parts[soak.hottest.part]!)}, after ${units.show('time', soak.hottest.time)}`}
        />
        <Reading
          name="Line pressure"
          value={soak.isHeld ? 'held' : 'lost'}
          note={soak.isHeld ? 'check valve, and a regulator that shuts' : 'no check valve, or the regulator bleeds'}
        />
        <Reading
          name="First vapour"
          value={soak.flashes ? units.show('time', soak.flashes.time) : 'none'}
          note={soak.flashes && partName(job.parts[soak.flashes.part]!)}
        />
        {soak.refill !== undefined && (
          <Reading name="Refilled at restart in" value={units.show('time', soak.refill)} note="at most" />
        )}
        <Reading
          name="Safe to restart after"
          value={
            soak.safeAgain === undefined
              ? 'more than 3 h'
              : soak.safeAgain === 0
                ? 'at any time'
                : units.show('time', soak.safeAgain)
          }
          note="without priming first"
        />
      </dl>
      {soak.isExtrapolated && (
        <p className="label">
          Above 60 °C the petrol’s vapour pressure is extrapolated: its correlation was drawn for 0 to 60 °C.
        </p>
      )}
    </>
  );
}

function ReckonedWith() {
  const job = useJob();
  return (
    <>
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
          'soakAir',
          'engineCooling',
          'exhaustTemperature',
          'pressureHalves',
        ]}
      />
      <p className="label">
        What a pump draws warms the fuel that it moves; what comes back past the engine brings its heat along; the tank
        gives heat off through its wetted wall while the level falls. No slosh, no sun, no exhaust beside it. Where a
        line lies, its sleeve, shield and clips are fields of the line.
      </p>
    </>
  );
}

function soakSentence(soak: HotSoak, job: Job, time: (s: number) => string): string {
  const { flashes, safeAgain } = soak;
  if (!flashes) return 'Nothing boils: the pressure that is left keeps every piece of line above its vapour pressure.';
  const where = partName(job.parts[flashes.part]!);
  const until =
    safeAgain === undefined ? 'and still does after three hours' : `until ${time(safeAgain)} after stopping`;
  return `“${where}” boils from ${time(flashes.time)} on, ${until}${soak.refill === undefined ? '.' : `; a restart meanwhile has ${time(soak.refill)} of line to fill first.`}`;
}
