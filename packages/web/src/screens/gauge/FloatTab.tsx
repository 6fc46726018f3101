import { gaugeProperties } from '@endrel/core/job/gauge';
import { measured } from '@endrel/core/fields/measured';
import { armSection } from '@endrel/core/senders/float-findings';
import { PropertyGrid } from '../../components/PropertyGrid.tsx';
import { useAct, useAssessment, useJob } from '../../session/session-context.tsx';
import { useDisplayUnits } from '../../units/display-units.tsx';
import { HangerSection } from '../hanger/HangerSection.tsx';
import { Reading } from '../../components/Reading.tsx';
import { Claim } from '../../components/Claim.tsx';

/** The float arm: its range in this tank, the arm that would suit, and what its arc meets. */
export function FloatTab() {
  const job = useJob();
  const assessment = useAssessment();
  const units = useDisplayUnits();
  const act = useAct();
  const gauge = job.gauge ?? {};
  const float = assessment?.findings.float;
  const length = (value: number) => units.tape(value);
  const angle = (rad: number) => units.show('angle', rad);
  const nearest = float?.clearance?.nearest;
  return (
    <div className="grid gap-x-8 gap-y-4 xl:grid-cols-[1.15fr_1fr]">
      <div className="min-w-0 max-xl:order-2">
        <HangerSection axis={armSection(gauge).axis} />
        {float?.range && (
          <dl className="readings">
            <Reading name="float at the bottom stop" value={length(float.range.low)} />
            <Reading name="at the top stop" value={length(float.range.high)} />
            {nearest && (
              <Reading
                name={`room to ${nearest.name}`}
                value={length(Math.max(0, nearest.gap))}
                note={`float at ${length(nearest.at[1])}`}
              />
            )}
          </dl>
        )}
        {!float?.arm && (
          <p className="mt-2 text-ink-soft">
            <Claim>Arm and arc appear once arm length, pivot height and the stops are known.</Claim>
          </p>
        )}
        {float?.wanted && (
          <section className="mt-2">
            <h2 className="text-lg">Arm for the heights wanted</h2>
            {float.wanted.ok ? (
              <div className="flex flex-wrap items-end gap-x-6 gap-y-2">
                <dl className="readings">
                  <Reading name="arm" value={length(float.wanted.arm.length)} />
                  <Reading name="pivot" value={length(float.wanted.arm.pivot)} note="above the floor" />
                </dl>
                <button
                  className="button"
                  onClick={() => {
                    if (!float.wanted?.ok) return;
                    const { arm } = float.wanted;
                    const group = `float-${Date.now()}`;
                    act({ act: 'set', path: ['gauge', 'armLength'], value: measured(arm.length, 'mm') }, group);
                    act({ act: 'set', path: ['gauge', 'pivotHeight'], value: measured(arm.pivot, 'mm') }, group);
                    act({ act: 'set', path: ['gauge', 'floatLow'], value: measured(gauge.wantLow!.si, 'mm') }, group);
                    act({ act: 'set', path: ['gauge', 'floatHigh'], value: measured(gauge.wantHigh!.si, 'mm') }, group);
                  }}
                >
                  Build it so
                </button>
              </div>
            ) : (
              <p className="text-fix">
                {float.wanted.fault.code === 'rangeFalls'
                  ? 'The height wanted at F lies below that at E.'
                  : 'Both stops are at one angle: no arm gives a range.'}
              </p>
            )}
            {float.bent?.ok && (
              <p className="mt-1">
                With the pivot left where it is: arm <span className="figure">{length(float.bent.arm.length)}</span>,
                its rod bent {float.bent.bend >= 0 ? 'up' : 'down'} by{' '}
                <span className="figure">{angle(Math.abs(float.bent.bend))}</span>.
              </p>
            )}
            <p className="label">
              high − low = arm · (sin up − sin down); pivot = low − arm · sin down. Stop angles are the sender’s own.
            </p>
          </section>
        )}
      </div>
      <div className="min-w-0">
        <h2 className="border-b border-ink pb-1 text-lg">As it is</h2>
        <PropertyGrid
          properties={gaugeProperties}
          path={['gauge']}
          values={gauge}
          only={['floatLow', 'floatHigh', 'armLength', 'pivotHeight', 'stopDown', 'stopUp', 'floatRadius']}
        />
        <h2 className="mt-2 border-b border-ink pb-1 text-lg">As it ought to read</h2>
        <PropertyGrid properties={gaugeProperties} path={['gauge']} values={gauge} only={['wantLow', 'wantHigh']} />
        <h2 className="mt-2 border-b border-ink pb-1 text-lg">Where it swings</h2>
        <PropertyGrid
          properties={gaugeProperties}
          path={['gauge']}
          values={gauge}
          only={['armSide', 'pivotForward', 'pivotLeft']}
        />
      </div>
    </div>
  );
}
