import { useMemo } from 'react';
import { assumed } from '@endrel/core/job/assumption';
import { levelPlane } from '@endrel/core/meshes/fuel-plane';
import { surveyedTank } from '@endrel/core/tanks/surveyed-tank';
import { Dimension } from '../../drawing/tank/Dimension.tsx';
import { TankContents } from '../../drawing/tank/TankContents.tsx';
import { TankSection } from '../../drawing/tank/TankSection.tsx';
import { useAssessment, useJob } from '../../session/session-context.tsx';
import { useDisplayUnits } from '../../units/display-units.tsx';
import type { SurveyedTank } from '@endrel/core/job/tank';

/** A box of the tank's depth stands in for a tank whose shape is not known yet: heights are right, widths are not. */
function drawnTank(survey: SurveyedTank) {
  const outcome = surveyedTank(survey);
  if (outcome.kind === 'known' && outcome.tank.solids) return { tank: outcome.tank, shaped: true };
  if (!survey.depth) return undefined;
  const width = { si: survey.depth.si * 1.8, unit: 'mm' };
  const standIn = surveyedTank({ shape: 'box', depth: survey.depth, length: width, width, baffles: survey.baffles });
  return standIn.kind === 'known' ? { tank: standIn.tank, shaped: false } : undefined;
}

/** The tank cut through the opening with everything that hangs in it. */
export function HangerSection({ axis = 1 }: { axis?: 0 | 1 }) {
  const job = useJob();
  const assessment = useAssessment();
  const units = useDisplayUnits();
  const drawn = useMemo(() => drawnTank(job.survey.tank), [job.survey.tank]);
  const findings = assessment?.findings;
  if (!drawn || !findings)
    return (
      <p className="sheet p-4 text-ink-soft">
        The section needs the tank depth: a rule through the opening and a minute.
      </p>
    );
  const { tank, shaped } = drawn;
  const level = tank.bottom + assumed(job.assumptions, 'fuelLevel') * (tank.top - tank.bottom);
  const { stand } = findings.hanger;
  return (
    <TankSection
      job={job}
      tank={tank}
      axis={axis}
      place={(axis === 1 ? job.hanger?.openingLeft?.si : job.hanger?.openingForward?.si) ?? 0}
      plane={levelPlane(level)}
      label={`Tank in section with its hanger${stand ? `, stack height ${units.tape(stand.stack)}` : ''}`}
      caption={
        shaped
          ? 'Section through the opening, to scale.'
          : 'Heights to scale; the tank’s shape is not known yet, so its width is not.'
      }
      height={320}
    >
      {(view) => (
        <>
          <TankContents
            job={job}
            hanger={findings.hanger}
            float={findings.float}
            axis={axis}
            top={tank.top}
            view={view}
          />
          {stand && (
            <Dimension
              from={[16, view.y(stand.plateSeated - stand.stack)]}
              to={[16, view.y(stand.plateSeated)]}
              value={stand.stack}
            />
          )}
        </>
      )}
    </TankSection>
  );
}
