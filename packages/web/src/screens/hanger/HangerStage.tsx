import { isWithoutHanger } from '@endrel/core/hangers/without-hanger';
import type { Job } from '@endrel/core/job/job';
import { partsOnRun } from '@endrel/core/parts/graph';
import { isPump, partName } from '@endrel/core/parts/kinds';
import { ActButton } from '../../components/ActButton.tsx';
import { StageTabs } from '../../components/StageTabs.tsx';
import { useJob } from '../../session/session-context.tsx';
import { stageTabs } from '../job/stage-tabs.ts';
import { HeightTab } from './HeightTab.tsx';
import { OpeningTab } from './OpeningTab.tsx';
import { PickupTab } from './PickupTab.tsx';
import { PlateTab } from './PlateTab.tsx';

/** The pump hanger: how high, through which opening, under which plate, and what it draws. */
export function HangerStage() {
  const job = useJob();
  const isWithout = isWithoutHanger(job);
  return (
    <StageTabs label="Pump and hanger" names={stageTabs.hanger}>
      {(tab) => {
        if (isWithout && tab !== 'pickup') return <WithoutHanger job={job} />;
        switch (tab) {
          case 'height':
            return <HeightTab />;
          case 'opening':
            return <OpeningTab />;
          case 'plate':
            return <PlateTab />;
          case 'pickup':
            return <PickupTab />;
        }
      }}
    </StageTabs>
  );
}

/** Nothing of a hanger is asked for where none hangs; who has one all the same says so in one act. */
function WithoutHanger({ job }: { job: Job }) {
  const parts = partsOnRun(job); // one that is set aside stands nowhere
  const pumps = parts.filter(isPump);
  const tank = parts.find((p) => p.kind === 'tank');
  return (
    <section className="max-w-2xl">
      <h2 className="text-lg">No hanger to measure</h2>
      <p className="my-2">
        {pumps.map(partName).join(' and ')} {pumps.length > 1 ? 'stand' : 'stands'} outside the tank, so that no pump
        hangs in it. What fuel is drawn from, and how much stays behind, is on the page “{stageTabs.hanger.pickup}”.
      </p>
      {tank && (
        <ActButton act={{ act: 'setOnPart', id: tank.id, key: 'pickup', value: 'hanger' }} className="button">
          Fuel leaves by a hanger all the same
        </ActButton>
      )}
    </section>
  );
}
