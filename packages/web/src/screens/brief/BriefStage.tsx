import { StageTabs } from '../../components/StageTabs.tsx';
import { stageTabs } from '../job/stage-tabs.ts';
import { ConditionsTab } from './ConditionsTab.tsx';
import { EngineTab } from './EngineTab.tsx';
import { FuelTab } from './FuelTab.tsx';

/** The brief: what the engine and its owner want, what it burns, and the conditions that all of it is reckoned for. */
export function BriefStage({ onWorking }: { onWorking(key: string): void }) {
  return (
    <StageTabs label="Brief" names={stageTabs.brief}>
      {(tab) => {
        switch (tab) {
          case 'engine':
            return <EngineTab onWorking={onWorking} />;
          case 'fuel':
            return <FuelTab />;
          case 'conditions':
            return <ConditionsTab />;
        }
      }}
    </StageTabs>
  );
}
