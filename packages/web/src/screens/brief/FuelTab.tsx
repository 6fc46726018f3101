import { Suspense, useMemo } from 'react';
import {
  ethanolForMultiplier,
  fuelLiquid,
  heatCapacity,
  stoichiometricRatio,
  volumeMultiplier,
} from '@endrel/core/fluids/fuel';
import { blendReid, boilingTemperature, sealedPressure, vapourSource } from '@endrel/core/fluids/vapour-pressure';
import { waterTestFaults } from '@endrel/core/fluids/water-test';
import { assumed, assumptionProperties } from '@endrel/core/job/assumption';
import { briefProperties } from '@endrel/core/job/brief';
import { petrolReidOf } from '@endrel/core/run/petrol-reid';
import { measured } from '@endrel/core/fields/measured';
import { fuelOf, waterTestOf } from '@endrel/core/reckoning/brief-values';
import { formatNumber } from '@endrel/core/units/format-quantity';
import { Caution } from '../../components/Caution.tsx';
import { PropertyGrid } from '../../components/PropertyGrid.tsx';
import { Reading } from '../../components/Reading.tsx';
import { loadable } from '../../components/loadable.tsx';
import { useAct, useJob } from '../../session/session-context.tsx';
import { useDisplayUnits } from '../../units/display-units.tsx';
import { FuelSwitch } from './FuelSwitch.tsx';
import { MaterialTable } from './MaterialTable.tsx';
import { Claim } from '../../components/Claim.tsx';

const VapourChart = loadable(() => import('../../charts/VapourChart.tsx').then((m) => m.VapourChart));

/** What the fuel is: its blend, what it boils at, what it attacks, and what another would change. */
export function FuelTab() {
  const job = useJob();
  const units = useDisplayUnits();
  const fuel = useMemo(() => fuelOf(job), [job]);
  const marks = useMemo(
    () => [
      { name: 'cool', temperature: assumed(job.assumptions, 'fuelTemperature') },
      { name: 'hot case', temperature: assumed(job.assumptions, 'hotFuelTemperature') },
      { name: 'after a soak', temperature: assumed(job.assumptions, 'soakTemperature') },
    ],
    [job.assumptions],
  );
  const reid = fuel ? petrolReidOf(job, fuel) : assumed(job.assumptions, 'reidVapourPressure');
  const atmosphere = assumed(job.assumptions, 'atmosphere');
  const boils = fuel && boilingTemperature(fuel, reid, atmosphere);
  return (
    <div className="grid gap-x-10 gap-y-5 xl:grid-cols-[1.1fr_1fr]">
      <section>
        <h2 className="border-b border-ink pb-1 text-lg">The blend</h2>
        <PropertyGrid
          properties={briefProperties}
          path={['brief']}
          values={job.brief}
          only={job.brief.fuel === 'diesel' ? ['fuel'] : ['fuel', 'ethanol']}
        />
        {job.brief.fuel === 'petrol' && <Volatility />}
        {fuel ? (
          <dl className="readings">
            <Reading name="Air to fuel, stoichiometric" value={stoichiometricRatio(fuel).toFixed(2)} note="by mass" />
            <Reading
              name="Volume against petrol"
              value={fuel.family === 'petrol' ? `× ${volumeMultiplier(fuel).toFixed(3)}` : '–'}
              note="what injectors and pumps must pass"
            />
            <Reading
              name="Density"
              value={units.show('density', fuelLiquid(fuel, 293.15).density)}
              note={`viscosity ${units.show('viscosity', fuelLiquid(fuel, 293.15).viscosity)}, at 20 °C`}
            />
            <Reading
              name="Boils at the surface at"
              value={boils === undefined ? 'far above use' : units.show('temperature', boils)}
              note="earlier under suction"
            />
            {fuel.family === 'petrol' && (
              <Reading
                name="A tank sealed cool would reach"
                value={units.show(
                  'pressure',
                  sealedPressure(fuel, reid, marks[0]!.temperature, marks[1]!.temperature, atmosphere),
                )}
                note={`above the atmosphere, at ${units.show('temperature', marks[1]!.temperature)}: it has to breathe`}
              />
            )}
            <Reading name="Heat it takes" value={`${formatNumber(heatCapacity(fuel) / 1000, 2)} kJ/(kg·K)`} />
          </dl>
        ) : (
          <p className="mt-2 text-ink-soft">
            <Claim>Needs the fuel, and the ethanol share of petrol.</Claim>
          </p>
        )}
        {job.brief.fuel !== 'diesel' && <WaterTest />}
        {job.brief.fuel !== 'diesel' && <Multiplier />}
      </section>
      <section>
        {fuel?.family === 'petrol' && (
          <>
            <h2 className="border-b border-ink pb-1 text-lg">What it boils at</h2>
            <Suspense fallback={<p className="h-64 text-ink-soft">Drawing …</p>}>
              <VapourChart fuel={fuel} reid={reid} atmosphere={atmosphere} marks={marks} />
            </Suspense>
            <p className="label">
              By {vapourSource(fuel)}. Reid vapour pressure of the petrol {units.show('pressure', reid)}, of the blend{' '}
              {units.show('pressure', blendReid(fuel, reid))}. Above 60 °C the petrol’s part is extrapolated.
            </p>
          </>
        )}
        {fuel && <FuelSwitch />}
      </section>
      <section className="xl:col-span-2">
        <h2 className="border-b border-ink pb-1 text-lg">What it attacks</h2>
        <MaterialTable fuel={fuel} />
        <Caution>
          Ethanol takes up water: for a long lay-up go back to petrol without it, tank full, stabiliser in. What is not
          in the table is to be asked of its maker.
        </Caution>
      </section>
    </div>
  );
}

/** Middle of what is sold in a season, Pa. Common practice. */
const seasons = [
  ['summer', '50 to 60', 55e3],
  ['spring, autumn', '60 to 80', 70e3],
  ['winter', '80 to 100', 90e3],
] as const;

/** The Reid vapour pressure, with the season for who does not know it. */
function Volatility() {
  const job = useJob();
  const act = useAct();
  const units = useDisplayUnits();
  const fuel = fuelOf(job);
  const isBlend = fuel?.family === 'petrol' && fuel.ethanol > 0 && fuel.ethanol < 1;
  const told = assumed(job.assumptions, 'reidVapourPressure');
  return (
    <>
      <div className="grid gap-x-5 sm:grid-cols-2">
        <PropertyGrid
          properties={assumptionProperties}
          path={['assumptions']}
          values={job.assumptions}
          only={['reidVapourPressure']}
          columns=""
        />
        {isBlend && (
          <PropertyGrid properties={briefProperties} path={['brief']} values={job.brief} only={['reidOf']} columns="" />
        )}
      </div>
      <p className="label flex flex-wrap items-center gap-x-2 gap-y-1 py-1">
        Not known? By the season that the fuel is of, kPa (common practice):
        {seasons.map(([name, band, si]) => (
          <button
            key={name}
            className={`quiet ${Math.abs(told - si) < 1 ? 'bg-lit' : ''}`}
            aria-pressed={Math.abs(told - si) < 1}
            title={`Reckon with ${units.show('pressure', si)}`}
            onClick={() => act({ act: 'set', path: ['assumptions', 'reidVapourPressure'], value: measured(si, 'kPa') })}
          >
            {name} {band}
          </button>
        ))}
      </p>
    </>
  );
}

function WaterTest() {
  const job = useJob();
  const act = useAct();
  const units = useDisplayUnits();
  const test = waterTestOf(job);
  return (
    <>
      <h2 className="mt-4 border-b border-ink pb-1 text-lg">Water test for ethanol</h2>
      <p className="label py-1">
        Water to the lower mark, fuel on top, shake, wait a minute or two: ethanol goes into the water and the boundary
        rises. Outside, no flame, gloves on.
      </p>
      <PropertyGrid
        properties={briefProperties}
        path={['brief']}
        values={job.brief}
        only={['testWater', 'testFuel', 'testBoundary']}
        columns="sm:grid-cols-3"
      />
      {test && 'fault' in test && (
        <p role="alert" className="text-stop">
          {waterTestFaults[test.fault]}
        </p>
      )}
      {test && !('fault' in test) && (
        <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
          <p>
            <span className="figure text-2xl">{units.show('fraction', test.share)}</span> ethanol, between{' '}
            <span className="figure">{units.show('fraction', test.low)}</span> and{' '}
            <span className="figure">{units.show('fraction', test.high)}</span>
          </p>
          <button
            className="button"
            disabled={job.brief.ethanol?.si === Number(test.share.toFixed(2))}
            onClick={() =>
              act({ act: 'set', path: ['brief', 'ethanol'], value: { si: Number(test.share.toFixed(2)), unit: '%' } })
            }
          >
            Reckon with it
          </button>
        </div>
      )}
    </>
  );
}

/** What a rule-of-thumb multiplier means: the blend that it fits, and what it does to the one there is. */
function Multiplier() {
  const job = useJob();
  const fuel = fuelOf(job);
  const quoted = job.brief.quotedMultiplier?.si;
  const fits = quoted === undefined ? undefined : ethanolForMultiplier(quoted);
  const right = fuel?.family === 'petrol' ? volumeMultiplier(fuel) : undefined;
  const error = quoted !== undefined && right !== undefined ? quoted / right - 1 : undefined;
  const percent = (share: number) => `${formatNumber(Math.abs(share) * 100, 0)} %`;
  return (
    <>
      <h2 className="mt-4 border-b border-ink pb-1 text-lg">A multiplier somebody quoted</h2>
      <PropertyGrid
        properties={briefProperties}
        path={['brief']}
        values={job.brief}
        only={['quotedMultiplier']}
        columns="sm:grid-cols-2"
      />
      {quoted !== undefined && (
        <p>
          {fits === undefined ? (
            `No blend of petrol and ethanol needs ${quoted}.`
          ) : (
            <>
              {quoted} fits <span className="figure">{percent(fits)}</span> ethanol.
            </>
          )}
          {error !== undefined && Math.abs(error) > 0.005 && (
            <>
              {' '}
              With what is reckoned here the engine is <span className="figure">{percent(error)}</span>{' '}
              {error < 0 ? 'lean' : 'rich'}: it should be <span className="figure">{right!.toFixed(3)}</span>.
            </>
          )}
        </p>
      )}
      <p className="label">
        1.32 is often quoted for “E85” (common practice): it fits 70 %, and at a true 85 % leaves the engine about 7 %
        lean. Pump “E85” runs from the mid 50s to the mid 80s.
      </p>
    </>
  );
}
