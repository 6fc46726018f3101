import { hangerProperties, rodProperties, tubeProperties } from '@endrel/core/job/hanger';
import { tankProperties } from '@endrel/core/job/tank';
import type { HangerStand } from '@endrel/core/hangers/stack-height';
import type { HangerTube } from '@endrel/core/hangers/hanger-tubes';
import { Caution } from '../../components/Caution.tsx';
import { PropertyGrid } from '../../components/PropertyGrid.tsx';
import { RowsField } from '../../components/RowsField.tsx';
import { useAssessment, useJob } from '../../session/session-context.tsx';
import { useDisplayUnits } from '../../units/display-units.tsx';
import { MeasuringGuide } from '../survey/MeasuringGuide.tsx';
import { Reading } from '../../components/Reading.tsx';
import { HangerSection } from './HangerSection.tsx';
import { Claim } from '../../components/Claim.tsx';

/** How high the hanger hangs: stack height, and what every rod and tube is cut to. */
export function HeightTab() {
  const job = useJob();
  const assessment = useAssessment();
  const hanger = job.hanger ?? {};
  const stand = assessment?.findings.hanger.stand;
  const sprung = hanger.hold === 'sprung';
  return (
    <div className="grid gap-x-8 gap-y-4 xl:grid-cols-[1.15fr_1fr]">
      <div className="min-w-0 max-xl:order-2">
        <HangerSection />
        {stand ? (
          <StandResult
            stand={stand}
            sprung={sprung}
            tube={assessment?.findings.hanger.back?.tube}
            tubes={assessment?.findings.hanger.tubes ?? []}
          />
        ) : (
          <p className="mt-2 text-ink-soft">
            <Claim>
              The stack height appears once the tank depth is measured and the hanger is said to be rigid or sprung.
            </Claim>
          </p>
        )}
      </div>
      <div className="min-w-0">
        <PropertyGrid properties={tankProperties} path={['survey', 'tank']} values={job.survey.tank} only={['depth']} />
        <PropertyGrid
          properties={hangerProperties}
          path={['hanger']}
          values={hanger}
          only={[
            'hold',
            'depthFrom',
            'intoSump',
            'plateRecess',
            'gasketFree',
            'gasketSqueezed',
            ...(sprung ? ['preload', 'springTravel'] : ['floorGap', 'sockGive']),
            'sockThickness',
            'stack',
            'oldStack',
            'outletRise',
            'roomAbove',
          ]}
        />
        <RowsField
          title="Rods and tubes to cut"
          one="a rod or tube"
          properties={rodProperties}
          path={['hanger', 'rods']}
          rows={hanger.rods}
          most={12}
          columns="sm:grid-cols-2"
          empty="Write down each rod and tube of the old hanger with its length."
        />
        <RowsField
          title="Tubes: drops, pickups, vents"
          one="a tube"
          properties={tubeProperties}
          path={['hanger', 'tubes']}
          rows={hanger.tubes}
          most={8}
          columns="sm:grid-cols-2"
          empty="Each with its diameter, wall, material, where it ends and how it is bent."
        />
        <MeasuringGuide fields={['gasketFree', 'stack']} of={hangerProperties} />
        <Caution>
          Take the hanger out with the battery off, the tank aired and less than a quarter full; tap lock rings round
          with a brass drift. Wiring and seals inside the tank only of kinds rated for it.
        </Caution>
      </div>
    </div>
  );
}

function StandResult({
  stand,
  sprung,
  tube,
  tubes,
}: {
  stand: HangerStand;
  sprung: boolean;
  tube?: number;
  tubes: readonly HangerTube[];
}) {
  const units = useDisplayUnits();
  const length = (value: number) => units.tape(value);
  return (
    <section className="mt-2">
      <h2 className="sr-only">Stack height</h2>
      <dl className="readings">
        <Reading
          name="stack height that suits"
          value={length(stand.wanted)}
          note={sprung ? 'plate to floor and preload' : 'plate to floor, less the gap'}
        />
        {stand.stack !== stand.wanted && <Reading name="as set" value={length(stand.stack)} />}
        {stand.change !== undefined && (
          <Reading
            name="rods and tubes"
            value={`${stand.change > 0 ? '+' : ''}${length(stand.change)}`}
            note={stand.change < 0 ? 'shorter than they were' : 'longer than they were'}
          />
        )}
        <Reading
          name={stand.gap < 0 ? 'pressed in by' : 'off the floor by'}
          value={length(Math.abs(stand.gap))}
          note={stand.floor < 0 ? 'the sump’s floor, bolted down' : 'bolted down'}
        />
        {stand.floor < 0 && (
          <Reading
            name={stand.overTankFloor < 0 ? 'reaches below the tank’s floor by' : 'above the tank’s floor by'}
            value={length(Math.abs(stand.overTankFloor))}
          />
        )}
        {tube !== undefined && <Reading name="return drop under the plate" value={length(tube)} />}
        {stand.recess !== undefined && (
          <Reading
            name={stand.recess > 0 ? 'recess needed' : 'room to spare above'}
            value={length(Math.abs(stand.recess))}
          />
        )}
      </dl>
      {tubes.length > 0 && (
        <table className="mt-2 w-full max-w-md text-right">
          <thead className="label">
            <tr>
              <th className="text-left font-normal">Tube</th>
              <th className="font-normal">bore</th>
              <th className="font-normal">bends</th>
              <th className="font-normal">cut to</th>
            </tr>
          </thead>
          <tbody className="ruled">
            {tubes.map((t, i) => (
              <tr key={i}>
                <th scope="row" className="text-left font-normal">
                  {t.label}
                </th>
                <td className="figure">{t.bore === undefined ? 'unknown' : units.show('length', t.bore)}</td>
                <td className="figure">
                  {t.bends === 0
                    ? 'straight'
                    : `${t.bends} × 90°${t.bendRadius === undefined ? '' : `, ${length(t.bendRadius)}`}`}
                </td>
                <td className="figure">{t.cut === undefined ? 'needs its end' : length(t.cut)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {stand.rods.length > 0 && (
        <table className="mt-2 w-full max-w-md text-right">
          <thead className="label">
            <tr>
              <th className="text-left font-normal">Cut</th>
              <th className="font-normal">was</th>
              <th className="font-normal">cut to</th>
            </tr>
          </thead>
          <tbody className="ruled">
            {stand.rods.map((rod, i) => (
              <tr key={i}>
                <th scope="row" className="text-left font-normal">
                  {rod.label}
                </th>
                <td className="figure">{rod.old === undefined ? 'unknown' : length(rod.old)}</td>
                <td className="figure">{rod.cut === undefined ? 'needs the old stack' : length(rod.cut)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <details className="mt-1">
        <summary className="font-semibold">Working</summary>
        <p className="text-[0.88rem]">
          Plate over the floor: {length(stand.plateLoose)} on the loose gasket, {length(stand.plateSeated)} bolted down.
          Stack height = {sprung ? 'plate bolted down + preload' : 'plate bolted down − gap'} = {length(stand.wanted)}.
          Gap and preload are common practice (9 1/16 in deep, set 9 in; 10 to 15 mm preload); a gasket is reckoned
          squeezed to two thirds unless measured.
        </p>
      </details>
    </section>
  );
}
