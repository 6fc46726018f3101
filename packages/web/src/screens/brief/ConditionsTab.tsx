import { assumptionProperties, type AssumptionKey } from '@endrel/core/job/assumption';
import { PropertyGrid } from '../../components/PropertyGrid.tsx';
import { useJob } from '../../session/session-context.tsx';

const groups: readonly { title: string; keys: readonly AssumptionKey[] }[] = [
  {
    title: 'Engine',
    keys: ['idleDemand', 'cruiseDemand', 'idleManifold', 'cruiseManifold', 'overrunManifold'],
  },
  { title: 'Electrics', keys: ['restingVoltage', 'runningVoltage', 'chargingVoltage', 'lowVoltage'] },
  {
    title: 'Fuel and tank',
    keys: [
      'fuelTemperature',
      'hotFuelTemperature',
      'soakTemperature',
      'fuelLevel',
      'dirtyFilter',
      'dirtyStrainer',
      'reidVapourPressure',
      'atmosphere',
    ],
  },
  {
    title: 'The drive',
    keys: ['driveTime', 'driveStartLevel', 'ambientTemperature', 'bayTemperature', 'railHeat', 'tankHeat'],
  },
  { title: 'Standing hot', keys: ['soakAir', 'engineCooling', 'exhaustTemperature', 'pressureHalves'] },
];

/** Conditions that the job is reckoned for: typical values until the fitter gives his own. */
export function ConditionsTab() {
  const { assumptions } = useJob();
  return (
    <>
      <p className="label mb-2">
        Typical values stand in until you give your own; every result that uses them says so.
      </p>
      <div className="grid gap-x-10 gap-y-4 xl:grid-cols-2">
        {groups.map(({ title, keys }) => (
          <section key={title}>
            <h2 className="border-b border-ink pb-1 text-lg">{title}</h2>
            <PropertyGrid properties={assumptionProperties} path={['assumptions']} values={assumptions} only={keys} />
          </section>
        ))}
      </div>
    </>
  );
}
