import { Suspense } from 'react';
import { StageTabs } from '../../components/StageTabs.tsx';
import { stageTabs } from '../job/stage-tabs.ts';
import { ConditionsTab } from './ConditionsTab.tsx';
import { EngineTab } from './EngineTab.tsx';
import { loadable } from '../../components/loadable.tsx';

// the first page alone is wanted at once
const FuelTab = loadable(() => import('./FuelTab.tsx').then((m) => m.FuelTab));

/** The brief: what the engine and its owner want, what it burns, and the conditions that all of it is reckoned for. */
export function BriefStage({ onWorking }: { onWorking(key: string): void }) {
  return (
    <StageTabs label="Brief" names={stageTabs.brief}>
      {(tab) => {
        switch (tab) {
          case 'engine':
            return <EngineTab onWorking={onWorking} />;
          case 'fuel':
            return (
              <Suspense fallback={<p className="text-ink-soft">Fetching …</p>}>
                <FuelTab />
              </Suspense>
            );
          case 'conditions':
            return <ConditionsTab />;
        }
      }}
    </StageTabs>
  );
}
