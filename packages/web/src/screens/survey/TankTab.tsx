import { Suspense, useMemo, useState } from 'react';
import { baffleProperties, stationProperties, tankProperties, zoneProperties } from '@endrel/core/job/tank';
import { fuelPlane } from '@endrel/core/meshes/fuel-plane';
import { surveyedTank } from '@endrel/core/tanks/surveyed-tank';
import { faultPlaces } from '@endrel/core/tanks/tank-fault';
import { DrawingBoundary } from '../../components/DrawingBoundary.tsx';
import { PropertyGrid } from '../../components/PropertyGrid.tsx';
import { RowsField } from '../../components/RowsField.tsx';
import { loadable } from '../../components/loadable.tsx';
import { MeasureSketch } from '../../drawing/tank/MeasureSketch.tsx';
import { SectionTrace } from '../../drawing/tank/SectionTrace.tsx';
import { TankContents } from '../../drawing/tank/TankContents.tsx';
import { TankSection } from '../../drawing/tank/TankSection.tsx';
import { useAssessment, useJob } from '../../session/session-context.tsx';
import { useDisplayUnits } from '../../units/display-units.tsx';
import { AttitudeExport } from './AttitudeExport.tsx';
import { FillsField } from './FillsField.tsx';
import { MeshField } from './MeshField.tsx';
import { MeasuringGuide } from './MeasuringGuide.tsx';
import { SectionField } from './SectionField.tsx';
import { StrappingField } from './StrappingField.tsx';
import { TankLitres } from './TankLitres.tsx';
import { Tilt, type TiltState } from './Tilt.tsx';

const TankSolid = loadable(() => import('../../drawing/tank/TankSolid.tsx').then((m) => m.TankSolid));

const looks = { sketch: 'Where to measure', side: 'Side', behind: 'From behind', solid: 'In the round' } as const;
type Look = keyof typeof looks;

/** Fields of each shape, in the order in which they are measured. */
const fieldsOf: Record<string, readonly string[]> = {
  box: ['depth', 'length', 'width', 'cornerRadius'],
  cylinder: ['depth', 'length', 'ends', 'dish'],
  prism: ['length', 'depth'],
  loft: ['depth'],
  saddle: ['depth', 'length', 'leftWidth', 'bridgeWidth', 'rightWidth', 'bridgeFloor', 'leftFloor', 'rightFloor'],
  stepped: ['depth', 'width', 'sumpLength', 'sumpWidth', 'sumpDepth', 'sumpForward', 'sumpLeft'],
  mesh: ['depth'],
  strapping: ['depth'],
};

/** The tank's shape from tape and rule, and the litres in it at any height and tilt. */
export function TankTab() {
  const job = useJob();
  const assessment = useAssessment();
  const { tank: survey } = job.survey;
  const units = useDisplayUnits();
  const [look, setLook] = useState<Look>();
  const [tilt, setTilt] = useState<TiltState>({ share: 0.4, pitch: 0, roll: 0 });
  const outcome = useMemo(() => surveyedTank(survey), [survey]);
  const tank = useMemo(() => (outcome.kind === 'known' ? outcome.tank : undefined), [outcome]);
  const shown: Look = look ?? (tank?.solids ? 'side' : 'sketch');
  const fault = outcome.kind === 'fault' ? outcome.fault : undefined;
  const plane = useMemo(() => {
    const level = tank ? tank.bottom + tilt.share * (tank.top - tank.bottom) : 0;
    return fuelPlane(level, tilt.pitch, tilt.roll);
  }, [tank, tilt]);
  const place = { 0: job.hanger?.openingForward?.si ?? 0, 1: job.hanger?.openingLeft?.si ?? 0 };
  const contents = assessment?.findings;
  const fields = fieldsOf[survey.shape ?? ''] ?? ['depth'];
  return (
    <div className="grid gap-x-8 gap-y-4 xl:grid-cols-[1.15fr_1fr]">
      <div className="min-w-0 max-xl:order-2">
        <div className="no-print mb-1 flex gap-1" role="group" aria-label="Drawing">
          {(Object.keys(looks) as Look[]).map((key) => (
            <button
              key={key}
              className={`quiet ${shown === key ? 'bg-lit' : ''}`}
              aria-pressed={shown === key}
              disabled={key !== 'sketch' && !tank?.solids}
              onClick={() => setLook(key)}
            >
              {looks[key]}
            </button>
          ))}
        </div>
        {shown === 'sketch' && survey.shape === 'prism' && survey.section?.length ? (
          <SectionTrace points={survey.section} fault={fault && faultPlaces(fault).section} />
        ) : shown === 'sketch' || !tank?.solids ? (
          <MeasureSketch shape={survey.shape} />
        ) : shown === 'solid' ? (
          <DrawingBoundary fallback="This browser cannot draw in the round; the sections show the same tank.">
            <Suspense fallback={<p className="h-[19rem] text-ink-soft">Drawing …</p>}>
              <TankSolid
                tank={tank}
                plane={plane}
                label={`The tank in the round, filled to ${units.show('fraction', tilt.share)} of its height`}
              />
            </Suspense>
          </DrawingBoundary>
        ) : (
          <TankSection
            job={job}
            tank={tank}
            axis={shown === 'side' ? 1 : 0}
            place={place[shown === 'side' ? 1 : 0]}
            plane={plane}
            label={`Tank in section ${shown === 'side' ? 'from the side' : 'from behind'}, ${units.tape(tank.top)} high inside`}
            caption="Section through the opening, to scale."
          >
            {(view) =>
              contents && (
                <TankContents
                  job={job}
                  hanger={contents.hanger}
                  float={contents.float}
                  axis={shown === 'side' ? 1 : 0}
                  top={tank.top}
                  view={view}
                />
              )
            }
          </TankSection>
        )}
        {tank && <Tilt state={tilt} onChange={setTilt} tank={tank} plane={plane} />}
        {fault?.code === 'mesh' && 'places' in fault.fault && (
          <p className="text-stop">{faultPlaces(fault).mesh?.length} of the bad edges are marked in the snag’s text.</p>
        )}
        <TankLitres />
        {tank?.solids && <AttitudeExport job={job} />}
      </div>
      <div className="min-w-0">
        <PropertyGrid
          properties={tankProperties}
          path={['survey', 'tank']}
          values={survey}
          only={['shape', 'capacity']}
        />
        <PropertyGrid
          properties={tankProperties}
          path={['survey', 'tank']}
          values={survey}
          only={fields.filter((key) => key !== 'dish' || survey.ends === 'dished')}
        />
        {survey.shape === 'prism' && <SectionField />}
        {survey.shape === 'loft' && (
          <RowsField
            title="Sections, front to back"
            one="a section"
            properties={stationProperties}
            path={['survey', 'tank', 'stations']}
            rows={survey.stations}
            most={40}
            empty="Two at least: one at each end, and one wherever the shape changes."
          />
        )}
        {survey.shape === 'stepped' && (
          <RowsField
            title="Steps of the floor, front to back"
            one="a step"
            properties={zoneProperties}
            path={['survey', 'tank', 'zones']}
            rows={survey.zones}
            most={12}
            empty="Each stretch with its own floor height; the lowest is the tank floor, 0."
          />
        )}
        {survey.shape === 'mesh' && <MeshField />}
        {survey.shape === 'strapping' && <StrappingField />}
        <FillsField />
        <RowsField
          title="Baffles"
          one="a baffle"
          properties={baffleProperties}
          path={['survey', 'tank', 'baffles']}
          rows={survey.baffles}
          most={12}
          empty="None written down. Feel for them: floats hang on them, and dammed ones keep fuel back."
        />
        <PropertyGrid
          properties={tankProperties}
          path={['survey', 'tank']}
          values={survey}
          only={['fillShare', 'foam', ...(survey.foam ? ['foamShare'] : [])]}
        />
        <MeasuringGuide fields={fields} />
      </div>
    </div>
  );
}
