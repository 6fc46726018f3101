import { briefProperties, isBoosted } from '@endrel/core/job/brief';
import { InjectorReadings } from './InjectorReadings.tsx';
import { TextField } from '../../components/PropertyField.tsx';
import { PropertyGrid } from '../../components/PropertyGrid.tsx';
import { useAct, useAssessment, useJob } from '../../session/session-context.tsx';
import { useDisplayUnits } from '../../units/display-units.tsx';
import { Claim } from '../../components/Claim.tsx';

/** What the engine and its owner want; demand follows from it at once. */
export function EngineTab({ onWorking }: { onWorking(key: string): void }) {
  const job = useJob();
  const assessment = useAssessment();
  const act = useAct();
  const units = useDisplayUnits();
  const { brief } = job;
  const boosted = isBoosted(brief);
  const hidden = [
    boosted ? '' : 'boost',
    brief.fuel === 'diesel' ? 'ethanol' : '',
    brief.induction === 'carburettor' ? 'injectors' : '',
    brief.induction === 'carburettor' ? 'direct' : '',
    brief.induction === 'carburettor' || brief.direct ? 'injectorsSit' : '',
    brief.induction === 'carburettor' ? 'manifoldReference' : '',
  ];
  const engine = [
    'induction',
    'direct',
    'injectorsSit',
    'power',
    'aspiration',
    'boost',
    'bsfc',
    'injectors',
    'railPressure',
    'manifoldReference',
  ];
  const fuel = ['fuel', 'ethanol'];
  const demand = assessment?.findings.demand;
  const bsfc = assessment?.findings.bsfc;
  return (
    <div className="grid gap-x-10 gap-y-4 xl:grid-cols-[1.5fr_1fr]">
      <section>
        <h2 className="border-b border-ink pb-1 text-lg">What the engine wants</h2>
        <PropertyGrid properties={briefProperties} path={['brief']} values={brief} only={engine} without={hidden} />
        {bsfc?.source === 'common practice' && (
          <p className="label">
            BSFC unknown: {units.show('bsfc', bsfc.si)} is used, the top of the usual band for{' '}
            {brief.fuel === 'diesel' ? 'a diesel' : 'the aspiration'} (common practice).
          </p>
        )}
        <h2 className="mt-4 border-b border-ink pb-1 text-lg">Fuel</h2>
        <PropertyGrid properties={briefProperties} path={['brief']} values={brief} only={fuel} without={hidden} />
      </section>
      <section>
        <h2 className="border-b border-ink pb-1 text-lg">Fuel it burns at full load</h2>
        {demand ? (
          <>
            <p className="figure mt-2 text-4xl">{units.show('volumeFlow', demand.volumeFlow)}</p>
            <p className="text-ink-soft">
              {units.show('massFlow', demand.massFlow)},{' '}
              {demand.multiplier > 1.001
                ? `${demand.multiplier.toFixed(3)} × petrol by mass`
                : 'no allowance for ethanol'}
            </p>
            <button className="button mt-2" onClick={() => onWorking('demand')}>
              Show the working
            </button>
          </>
        ) : (
          <p className="mt-2 text-ink-soft">
            <Claim>Needs {firstMissing(brief)}.</Claim>
          </p>
        )}
        {brief.induction !== 'carburettor' && !brief.direct && (
          <>
            <h2 className="mt-6 border-b border-ink pb-1 text-lg">The injectors</h2>
            <PropertyGrid
              properties={briefProperties}
              path={['brief']}
              values={brief}
              only={['injectorSize', 'injectorDrop', 'injectorDuty']}
            />
            <InjectorReadings injectors={assessment?.findings.injectors} />
          </>
        )}
        <h2 className="mt-6 border-b border-ink pb-1 text-lg">The owner</h2>
        <PropertyGrid
          properties={briefProperties}
          path={['brief']}
          values={brief}
          only={['reversible', 'wishes']}
          columns=""
        />
        <h2 className="mt-4 border-b border-ink pb-1 text-lg">This job</h2>
        <TextField
          label="job name"
          longest={80}
          value={job.name}
          onChange={(value, group) => value?.trim() && act({ act: 'set', path: ['name'], value }, group)}
        />
        <TextField
          label="vehicle"
          longest={120}
          value={job.vehicle}
          onChange={(value, group) => act({ act: 'set', path: ['vehicle'], value: value ?? '' }, group)}
        />
        <div className="flex items-center gap-3 py-1">
          <button
            className="button"
            onClick={() => act({ act: 'set', path: ['state'], value: job.state === 'open' ? 'finished' : 'open' })}
          >
            {job.state === 'open' ? 'Mark as finished' : 'Open it again'}
          </button>
          <span className="text-ink-soft">{job.state === 'finished' ? 'Finished' : 'Open'}</span>
        </div>
      </section>
    </div>
  );
}

function firstMissing(brief: { power?: unknown; aspiration?: unknown; fuel?: unknown; ethanol?: unknown }): string {
  if (brief.power === undefined) return briefProperties.power.name;
  if (brief.aspiration === undefined) return `${briefProperties.aspiration.name} or BSFC`;
  return brief.fuel === undefined ? 'the fuel' : briefProperties.ethanol.name;
}
