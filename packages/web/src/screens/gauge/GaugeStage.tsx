import { StageTabs } from '../../components/StageTabs.tsx';
import { stageTabs } from '../job/stage-tabs.ts';
import type { JobView } from '../job/use-job-view.ts';
import { CalibrationTab } from './CalibrationTab.tsx';
import { FloatTab } from './FloatTab.tsx';
import { MatchTab } from './MatchTab.tsx';
import { SweepTab } from './SweepTab.tsx';

/** What the dash gauge will show in litres, from sender, float and tank. */
export function GaugeStage({ view }: { view: JobView }) {
  return (
    <StageTabs label="Gauge" names={stageTabs.gauge}>
      {(tab) => {
        switch (tab) {
          case 'match':
            return <MatchTab view={view} />;
          case 'sweep':
            return <SweepTab />;
          case 'float':
            return <FloatTab />;
          case 'card':
            return <CalibrationTab />;
        }
      }}
    </StageTabs>
  );
}
