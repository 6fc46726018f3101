import { StageTabs } from '../../components/StageTabs.tsx';
import { stageTabs } from '../job/stage-tabs.ts';
import { HeightTab } from './HeightTab.tsx';
import { OpeningTab } from './OpeningTab.tsx';
import { PickupTab } from './PickupTab.tsx';
import { PlateTab } from './PlateTab.tsx';

/** The pump hanger: how high, through which opening, under which plate, and what it draws. */
export function HangerStage() {
  return (
    <StageTabs label="Pump and hanger" names={stageTabs.hanger}>
      {(tab) => {
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
