import { StageTabs } from '../../components/StageTabs.tsx';
import { stageTabs } from '../job/stage-tabs.ts';
import type { JobView } from '../job/use-job-view.ts';
import { CircuitTab } from './CircuitTab.tsx';
import { CutOffTab } from './CutOffTab.tsx';
import { ListsTab } from './ListsTab.tsx';
import { ProofTab } from './ProofTab.tsx';
import { SignalsTab } from './SignalsTab.tsx';
import { TankTab } from './TankTab.tsx';
import { VoltsTab } from './VoltsTab.tsx';

/** The pump circuit: drawn, solved with the pumps, sized, and how it is proved. */
export function WiringStage({ view, onWorking }: { view: JobView; onWorking(key: string): void }) {
  return (
    <StageTabs label="Wiring" names={stageTabs.wiring}>
      {(tab) => {
        switch (tab) {
          case 'circuit':
            return <CircuitTab view={view} />;
          case 'volts':
            return <VoltsTab view={view} onWorking={onWorking} />;
          case 'cutOff':
            return <CutOffTab />;
          case 'tank':
            return <TankTab view={view} />;
          case 'signals':
            return <SignalsTab view={view} />;
          case 'lists':
            return <ListsTab view={view} />;
          case 'proof':
            return <ProofTab />;
        }
      }}
    </StageTabs>
  );
}
