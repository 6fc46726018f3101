import { tankProperties } from '@endrel/core/job/tank';
import { ventProperties } from '@endrel/core/job/vent';
import { airPath } from '@endrel/core/vents/air-path';
import { PropertyGrid } from '../../components/PropertyGrid.tsx';
import { Reading } from '../../components/Reading.tsx';
import { VentDrawing } from '../../drawing/VentDrawing.tsx';
import { useAssessment, useJob } from '../../session/session-context.tsx';
import { useDisplayUnits } from '../../units/display-units.tsx';
import { Claim } from '../../components/Claim.tsx';

/** The vent in section: where it rises, turns and ends, and what it costs in vacuum and in time at the pump. */
export function VentTab() {
  const job = useJob();
  const assessment = useAssessment();
  const units = useDisplayUnits();
  const { tank, vent = {} } = job.survey;
  const findings = assessment?.findings.vent;
  const valve = tank.vent === 'rollOver' || tank.vent === 'canister';
  return (
    <div className="grid gap-x-8 gap-y-4 xl:grid-cols-[1.15fr_1fr]">
      <div className="min-w-0 max-xl:order-2">
        <VentDrawing job={job} />
        {findings ? (
          <dl className="readings">
            {findings.vacuum !== undefined && (
              <Reading
                name="vacuum at full draw"
                value={
                  findings.vacuum < 100 ? `${findings.vacuum.toFixed(0)} Pa` : units.show('pressure', findings.vacuum)
                }
                note="2 kPa at most"
              />
            )}
            {findings.fillTime !== undefined && (
              <Reading
                name="to fill"
                value={units.show('time', findings.fillTime)}
                note={findings.ventLimits ? 'the vent sets the pace' : 'the nozzle sets the pace'}
              />
            )}
            {findings.fillFlow !== undefined && (
              <Reading
                name="goes in at"
                value={`${(findings.fillFlow * 60_000).toFixed(1)} L/min`}
                note="without standing up the neck"
              />
            )}
          </dl>
        ) : (
          <p className="mt-2 text-ink-soft">
            <Claim>Vacuum and filling time appear once the vent’s bore and length are known.</Claim>
          </p>
        )}
        <p className="label mt-1">
          Darcy–Weisbach with air, the valve’s drop quadratic through its rated point; while filling, what drives the
          air out is the head of fuel in the neck over a full tank.
        </p>
      </div>
      <div className="min-w-0">
        <PropertyGrid
          properties={tankProperties}
          path={['survey', 'tank']}
          values={tank}
          only={['vent', 'cap', ...(airPath(tank) === 'cap' ? ['capOpensAt'] : []), 'ventHeight', 'fillerHeight']}
        />
        <PropertyGrid
          properties={ventProperties}
          path={['survey', 'vent']}
          values={vent}
          without={valve ? [] : ['valveTilt', 'valveShutsAt', 'valveFlow', 'valveDrop', 'valveCracking']}
        />
      </div>
    </div>
  );
}
