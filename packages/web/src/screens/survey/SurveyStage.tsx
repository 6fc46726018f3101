import { Plus } from 'lucide-react';
import { surveyProperties, existingLineProperties, type ExistingLine } from '@endrel/core/job/survey';
import { tankProperties } from '@endrel/core/job/tank';
import type { Job } from '@endrel/core/job/job';
import { circuitsOf } from '@endrel/core/run/circuits';
import { Caution } from '../../components/Caution.tsx';
import { newRowId } from '../../components/RowItem.tsx';
import { PropertyGrid } from '../../components/PropertyGrid.tsx';
import { HeightsDrawing } from '../../drawing/HeightsDrawing.tsx';
import { StageTabs } from '../../components/StageTabs.tsx';
import { useAct, useJob } from '../../session/session-context.tsx';
import { newPartId } from '../run/place-part.ts';
import { stageTabs } from '../job/stage-tabs.ts';
import { OldConnectionsTab } from './OldConnectionsTab.tsx';
import { TankTab } from './TankTab.tsx';
import { VentTab } from './VentTab.tsx';

/** What the vehicle has, measured. */
export function SurveyStage() {
  return (
    <StageTabs label="Survey" names={stageTabs.survey}>
      {(tab) => {
        switch (tab) {
          case 'heights':
            return <HeightsTab />;
          case 'tank':
            return <TankTab />;
          case 'vent':
            return <VentTab />;
          case 'old':
            return <OldConnectionsTab />;
        }
      }}
    </StageTabs>
  );
}

/** Heights, cut-off and existing lines. */
function HeightsTab() {
  const job = useJob();
  const act = useAct();
  const { survey } = job;
  const addLine = () => act({ act: 'addRow', path: ['survey', 'lines'], row: { id: newRowId() } });
  const place = placeForLine(job);
  return (
    <div className="grid gap-x-8 gap-y-4 xl:grid-cols-[1fr_1.25fr]">
      {/* on a phone under the vehicle the fields come first */}
      <div className="max-xl:order-2">
        <HeightsDrawing job={job} />
        <Caution>
          Open tanks only with the battery off, no flame or sparks near, and the air moving; fuel vapour burns and
          explodes. Relieve line pressure first. Support the vehicle on stands.
        </Caution>
      </div>
      <div>
        <section>
          <h2 className="border-b border-ink pb-1 text-lg">Tank and heights</h2>
          <PropertyGrid
            properties={tankProperties}
            path={['survey', 'tank']}
            values={survey.tank}
            only={['depth', 'outletHeight']}
          />
          <PropertyGrid properties={surveyProperties} path={['survey']} values={survey} only={['railHeight']} />
          <PropertyGrid properties={tankProperties} path={['survey', 'tank']} values={survey.tank} only={['coating']} />
        </section>
        <section className="mt-3">
          <h2 className="border-b border-ink pb-1 text-lg">Pump cut-off</h2>
          <PropertyGrid
            properties={surveyProperties}
            path={['survey']}
            values={survey}
            only={['stopsWithEngine', 'crashShutOff']}
          />
        </section>
        <section className="mt-3">
          <h2 className="border-b border-ink pb-1 text-lg">Existing lines</h2>
          {survey.lines.length === 0 && (
            <p className="py-1 text-ink-soft">None written down. A sound factory line can go straight onto the run.</p>
          )}
          <ul className="ruled">
            {survey.lines.map((line) => (
              <li key={line.id} className="py-2">
                <PropertyGrid
                  properties={existingLineProperties}
                  path={['survey', 'lines', line.id]}
                  values={line}
                  columns="sm:grid-cols-3"
                />
                <div className="flex gap-2">
                  <button
                    className="button"
                    disabled={line.condition === 'scrap' || place === undefined}
                    onClick={() =>
                      act({
                        act: 'insertPart',
                        joint: place!,
                        part: partOf(line, newPartId(job, 'hardLine')),
                        in: 'in',
                        out: 'out',
                      })
                    }
                  >
                    Put it on the run
                  </button>
                  <button
                    className="button"
                    onClick={() => act({ act: 'removeRow', path: ['survey', 'lines'], id: line.id })}
                  >
                    Strike it out
                  </button>
                </div>
              </li>
            ))}
          </ul>
          <button className="button mt-1" onClick={addLine}>
            <Plus size={14} className="mr-1 inline" aria-hidden />
            Write down a line
          </button>
        </section>
        <section className="mt-3">
          <h2 className="border-b border-ink pb-1 text-lg">Notes</h2>
          <PropertyGrid properties={surveyProperties} path={['survey']} values={survey} only={['notes']} columns="" />
        </section>
      </div>
    </div>
  );
}

/** The joint before the rail or carburettor, where a feed line ends. */
function placeForLine(job: Job): string | undefined {
  const run = circuitsOf(job);
  const [consumer] = run.consumers;
  return consumer === undefined ? run.outOf(run.tank?.id ?? '')[0]?.joint : run.into(consumer)[0]?.joint;
}

const partOf = ({ label, outsideDiameter, wall, length, material }: ExistingLine, id: string) => ({
  kind: 'hardLine' as const,
  id,
  ...Object.fromEntries(
    Object.entries({ label, outsideDiameter, wall, length, material }).filter(([, value]) => value !== undefined),
  ),
});
