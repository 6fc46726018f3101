import { StageTabs } from '../../components/StageTabs.tsx';
import { stageTabs } from '../job/stage-tabs.ts';
import type { JobView } from '../job/use-job-view.ts';
import { HeatTab } from './HeatTab.tsx';
import { PartTab } from './PartTab.tsx';
import { PointsTab } from './PointsTab.tsx';
import { SizesTab } from './SizesTab.tsx';

/** The run: its parts, the conditions it is solved for, what heat does to it, and the sizes it ought to have. */
export function RunStage({ view, onWorking }: { view: JobView; onWorking(key: string): void }) {
  return (
    <StageTabs label="The run" names={stageTabs.run}>
      {(tab) => {
        switch (tab) {
          case 'part':
            return <PartTab view={view} />;
          case 'points':
            return <PointsTab view={view} onWorking={onWorking} />;
          case 'heat':
            return <HeatTab onWorking={onWorking} />;
          case 'sizes':
            return <SizesTab />;
        }
      }}
    </StageTabs>
  );
}
