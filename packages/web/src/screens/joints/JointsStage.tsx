import { StageTabs } from '../../components/StageTabs.tsx';
import { stageTabs } from '../job/stage-tabs.ts';
import type { JobView } from '../job/use-job-view.ts';
import { BenchTab } from './BenchTab.tsx';
import { CommonSizeTab } from './CommonSizeTab.tsx';
import { JointListTab } from './JointListTab.tsx';
import { LabelsTab } from './LabelsTab.tsx';
import { RatingsTab } from './RatingsTab.tsx';
import { RoomTab } from './RoomTab.tsx';

/** Every joint of the run: what seals on what, which adapters stand between, and what every length is rated for. */
export function JointsStage({ view }: { view: JobView }) {
  return (
    <StageTabs label="Joints" names={stageTabs.joints}>
      {(tab) => {
        switch (tab) {
          case 'list':
            return <JointListTab view={view} />;
          case 'ratings':
            return <RatingsTab view={view} />;
          case 'room':
            return <RoomTab />;
          case 'bench':
            return <BenchTab />;
          case 'sizes':
            return <CommonSizeTab />;
          case 'labels':
            return <LabelsTab />;
        }
      }}
    </StageTabs>
  );
}
