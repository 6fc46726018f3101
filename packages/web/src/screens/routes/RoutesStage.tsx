import { StageTabs } from '../../components/StageTabs.tsx';
import { stageTabs } from '../job/stage-tabs.ts';
import type { JobView } from '../job/use-job-view.ts';
import { ClearancesTab } from './ClearancesTab.tsx';
import { LinesTab } from './LinesTab.tsx';
import { MapTab } from './MapTab.tsx';
import { PlacesTab } from './PlacesTab.tsx';

/** Where everything is under the vehicle, how hose and hard line go between, and what they keep clear of. */
export function RoutesStage({ view }: { view: JobView }) {
  return (
    <StageTabs label="Routes" names={stageTabs.routes}>
      {(tab) => {
        switch (tab) {
          case 'map':
            return <MapTab view={view} />;
          case 'lines':
            return <LinesTab view={view} />;
          case 'clearances':
            return <ClearancesTab view={view} />;
          case 'places':
            return <PlacesTab />;
        }
      }}
    </StageTabs>
  );
}
