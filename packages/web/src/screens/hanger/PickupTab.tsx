import { compartmentName } from '@endrel/core/tanks/compartments';
import { Suspense, useState, type ReactNode } from 'react';
import { hangerProperties } from '@endrel/core/job/hanger';
import type { HangerFindings } from '@endrel/core/hangers/hanger-findings';
import { usePickupMap } from '../../calc/use-pickup-map.ts';
import { PropertyGrid } from '../../components/PropertyGrid.tsx';
import { PickupMapDrawing } from '../../drawing/tank/PickupMapDrawing.tsx';
import { useAssessment, useJob } from '../../session/session-context.tsx';
import { useDisplayUnits } from '../../units/display-units.tsx';
import { Reading } from '../../components/Reading.tsx';
import { loadable } from '../../components/loadable.tsx';
import { HangerSection } from './HangerSection.tsx';
import { Claim } from '../../components/Claim.tsx';

const JetChart = loadable(() => import('../../charts/JetChart.tsx').then((m) => m.JetChart));

/** What the pickup leaves behind at any tilt, where the return ends, and what the siphon brings across. */
export function PickupTab() {
  const job = useJob();
  const assessment = useAssessment();
  const hanger = job.hanger ?? {};
  const saddle = job.survey.tank.shape === 'saddle';
  const findings = assessment?.findings.hanger;
  const full = assessment?.findings.tank.full;
  const map = usePickupMap(job);
  const [bucket, setBucket] = useState(true);
  return (
    <div className="grid gap-x-8 gap-y-4 xl:grid-cols-[1.15fr_1fr]">
      <div className="min-w-0 max-xl:order-2">
        <HangerSection axis={saddle ? 0 : 1} />
        {findings && <PickupReadings findings={findings} saddle={saddle} />}
        {map && full !== undefined && (
          <section className="mt-3">
            <h2 className="text-lg">Left over pitch and roll</h2>
            {map.withBucket && (
              <div className="no-print mb-1 flex gap-1" role="group" aria-label="Map">
                {[false, true].map((withIt) => (
                  <button
                    key={String(withIt)}
                    className={`quiet ${bucket === withIt ? 'bg-lit' : ''}`}
                    aria-pressed={bucket === withIt}
                    onClick={() => setBucket(withIt)}
                  >
                    {withIt ? 'with the bucket' : 'without it'}
                  </button>
                ))}
              </div>
            )}
            <PickupMapDrawing map={map} bucket={bucket && map.withBucket !== undefined} full={full} />
          </section>
        )}
      </div>
      <div className="min-w-0">
        <Group title="Where the pickup stands">
          <PropertyGrid
            properties={hangerProperties}
            path={['hanger']}
            values={hanger}
            only={[
              'openingForward',
              'openingLeft',
              'reserveLevel',
              'pickupKind',
              ...(hanger.pickupKind === 'mat' ? ['matLength', 'matWidth'] : []),
            ]}
          />
        </Group>
        <Group title="Bucket">
          <PropertyGrid
            properties={hangerProperties}
            path={['hanger']}
            values={hanger}
            only={[
              'bucket',
              ...(hanger.bucket ? ['bucketVolume', 'bucketInlet', 'bucketInletBore', 'returnIntoBucket'] : []),
            ]}
          />
        </Group>
        <Group title="Return">
          <PropertyGrid
            properties={hangerProperties}
            path={['hanger']}
            values={hanger}
            only={['returnForward', 'returnLeft']}
          />
        </Group>
        <Group title="Siphon jet">
          <p className="text-[0.88rem] text-ink-soft">
            {saddle
              ? 'The return blows through a jet and pulls fuel across from the far lobe.'
              : 'Only a tank of two lobes, or with a dammed baffle, needs one.'}
          </p>
          <PropertyGrid
            properties={hangerProperties}
            path={['hanger']}
            values={hanger}
            only={[
              'jetDrill',
              'jetKind',
              'jetEdge',
              'throatDrill',
              'jetHeight',
              'farHeight',
              'farForward',
              'farLeft',
              'siphonBore',
              'siphonLength',
            ]}
          />
        </Group>
      </div>
    </div>
  );
}

function Group({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section className="mb-2">
      <h2 className="border-b border-ink pb-1 text-lg">{title}</h2>
      {children}
    </section>
  );
}

const limits = { none: '', cavitation: ', boils in its throat', air: ', stays full of air' } as const;

function PickupReadings({ findings, saddle }: { findings: HangerFindings; saddle: boolean }) {
  const units = useDisplayUnits();
  const job = useJob();
  const { pickup, bucket, back, siphon } = findings;
  const volume = (v: number) => units.show('volume', v);
  return (
    <>
      <dl className="readings">
        {pickup && <Reading name="left on level ground" value={volume(pickup.left)} />}
        {pickup?.leftWithBucket !== undefined && (
          <Reading name="with the bucket" value={volume(pickup.leftWithBucket)} />
        )}
        {pickup && <Reading name="usable" value={volume(pickup.usable)} note="of what the nozzle fills" />}
        {pickup?.stranded.map(({ part, volume: stays, withoutSiphon }) => (
          <Reading
            key={part}
            name={`stays in the ${compartmentName(job.survey.tank, part).replace(/^behind /, 'part behind ')}`}
            value={volume(stays)}
            note={
              withoutSiphon === undefined ? 'nothing brings it across' : `${volume(withoutSiphon)} without the siphon`
            }
          />
        ))}
        {bucket?.seconds !== undefined && (
          <Reading name="bucket lasts" value={units.show('time', bucket.seconds)} note="at full load" />
        )}
        {bucket?.refill !== undefined && bucket.needed !== undefined && (
          <Reading
            name="bucket refills at"
            value={units.show('volumeFlow', bucket.refill)}
            note={`${units.show('volumeFlow', bucket.needed)} is drawn`}
          />
        )}
        {back && (
          <Reading
            name="return end under the fuel"
            value={units.tape(back.submersion)}
            note="at the level it must still run at"
          />
        )}
        {back?.distance !== undefined && (
          <Reading name="return to pickup" value={units.tape(back.distance)} note="100 mm at least" />
        )}
      </dl>
      {siphon && (
        <table className="mt-2 w-full text-right">
          <caption className="label text-left">
            Siphon jet
            {siphon.isEntered ? '' : `, none entered: reckoned with the proposed ${units.show('length', siphon.of)}`}
            {siphon.drill !== undefined &&
              `; ${units.show('length', siphon.drill)} is the largest drill that brings across what is burnt${siphon.chosenFor === 'cruise' ? ' at cruise' : siphon.chosenFor === 'fullLoad' ? ' at full load, cool' : ''}, drilled a little off either way`}
          </caption>
          <thead className="label">
            <tr>
              <th className="text-left font-normal">At</th>
              <th className="font-normal">comes back</th>
              <th className="font-normal">jet holds back</th>
              <th className="font-normal">brings across</th>
              <th className="font-normal">engine burns</th>
            </tr>
          </thead>
          <tbody className="ruled">
            {(
              [
                ['idle, hot fuel', siphon.idle],
                ['cruise', siphon.cruise],
                ['full load', siphon.fullLoad],
                ['full load, hot', siphon.fullLoadHot],
              ] as const
            ).map(([name, at]) => (
              <tr key={name}>
                <th scope="row" className="text-left">
                  {name}
                </th>
                <td className="figure">{units.show('volumeFlow', at.returnFlow)}</td>
                <td className="figure">{units.show('pressure', at.backPressure)}</td>
                <td className="figure">
                  {units.show('volumeFlow', at.suction)}
                  {limits[at.limit]}
                </td>
                <td className="figure">{units.show('volumeFlow', at.demand)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {siphon && (
        <Suspense fallback={<p className="h-56 text-ink-soft">Drawing …</p>}>
          <JetChart siphon={siphon} of="suction" />
          <JetChart siphon={siphon} of="backPressure" />
        </Suspense>
      )}
      {saddle && !siphon && (
        <p className="label">
          <Claim>
            The siphon is reckoned once the run solves and something comes back; no drill of the set may do.
          </Claim>
        </p>
      )}
    </>
  );
}
