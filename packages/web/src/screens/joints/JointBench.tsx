import { objections, type Objection } from '@endrel/core/fittings/allowed-here';
import { fittingMaterials } from '@endrel/core/ratings/fitting-material';
import { placeOf } from '@endrel/core/joints/joint-place';
import { sayMismatch } from '@endrel/core/fittings/mating';
import { describePort, portMeasures, portSchema, type Port } from '@endrel/core/fittings/port';
import { seals as sealNames } from '@endrel/core/fittings/port-form';
import { setOnPort } from '@endrel/core/acts/set-on-port';
import type { Property } from '@endrel/core/fields/property';
import { chooseChain, type JointPlan } from '@endrel/core/joints/chain-plan';
import { makeUp, type MakeUp } from '@endrel/core/joints/make-up';
import { adapterWishes } from '@endrel/core/parts/joint';
import { isFlexible, partName, portTitle } from '@endrel/core/parts/kinds';
import type { JointEnd, JointFinding, Meeting } from '@endrel/core/run/joints';
import { ActButton } from '../../components/ActButton.tsx';
import { ChainList, codesOf, NoChain } from '../../components/ChainList.tsx';
import { capital } from '@endrel/core/units/capital';
import { JointFields } from '../../components/JointFields.tsx';
import { PropertyField } from '../../components/PropertyField.tsx';
import { keepFocusNear } from '../../components/return-focus.ts';
import { ChainSketch } from '../../drawing/fittings/ChainSketch.tsx';
import { useAct, useAssessment, useJob, useSession } from '../../session/session-context.tsx';
import { useDisplayUnits } from '../../units/display-units.tsx';
import type { JobView } from '../job/use-job-view.ts';

const fittingProperty: Property = { type: 'port', name: 'as looked at', schema: portSchema };

/** One joint: its two ports, what stands between, how each meeting is made up, and other chains to choose from. */
export function JointBench({ joint, plan, view }: { joint: JointFinding; plan: JointPlan | undefined; view: JobView }) {
  const job = useJob();
  const act = useAct();
  const { outlet, inlet, chain, meetings } = joint;
  const fields = { joint: joint.joint, of: `of joint ${joint.number}`, className: 'grid gap-x-6 sm:grid-cols-3' };
  const hasHose = [joint.from, joint.to].some((id) => job.parts[id] && isFlexible(job.parts[id]));
  return (
    <section aria-label={`Joint ${joint.number}`} className="min-w-0">
      <h2 className="border-b border-ink pb-1 text-lg">
        Joint {joint.number}: {partName(job.parts[joint.from]!)} → {partName(job.parts[joint.to]!)}
      </h2>
      {joint.opens ? (
        <p className="mt-2 text-ink-soft">It opens into the tank: nothing is screwed together here.</p>
      ) : (
        <>
          <div className="grid gap-x-6 sm:grid-cols-2">
            <End end={outlet} view={view} />
            <End end={inlet} view={view} />
          </div>
          {chain.length > 0 && outlet.fitting && inlet.fitting && (
            <div className="my-1">
              <ChainSketch from={outlet.fitting} adapters={chain} to={inlet.fitting} />
              <ActButton act={chooseChain(joint, undefined)}>Take the adapters out</ActButton>
            </div>
          )}
          <ul className="ruled my-1" aria-label="How it is made up">
            {meetings.map((meeting) => (
              <MeetingItem key={meeting.number} meeting={meeting} joint={joint} />
            ))}
          </ul>
          <JointFields {...fields} keys={['sealant', ...(hasHose ? (['clamp'] as const) : []), 'tight']} />
          {plan &&
            (plan.chains.length > 0 || plan.state === 'wants' || plan.state === 'stale') &&
            outlet.fitting &&
            inlet.fitting && (
              <section className="mt-3">
                <h3 className="border-b border-hair-strong">Adapters for it, best first</h3>
                <details open={adapterWishes.some((key) => joint.joint[key] !== undefined)}>
                  <summary className="label min-h-[26px] py-1">
                    What they have to keep to besides fuel and pressure
                  </summary>
                  <JointFields {...fields} keys={adapterWishes} />
                </details>
                {plan.chains.length > 0 ? (
                  <ChainList
                    from={outlet.fitting}
                    to={inlet.fitting}
                    chains={plan.chains}
                    chosen={codesOf(chain)}
                    onUse={(found) => {
                      act(chooseChain(joint, found));
                      keepFocusNear();
                    }}
                  />
                ) : (
                  <NoChain obstacles={plan.obstacles} />
                )}
              </section>
            )}
        </>
      )}
    </section>
  );
}

/** A port: as it was looked at, or as such a port usually is, to be agreed to. */
function End({ end, view }: { end: JointEnd; view: JobView }) {
  const job = useJob();
  const session = useSession();
  const act = useAct();
  const part = job.parts[end.part]!;
  // looked up when it is set: a field whose own value stays is not drawn again for what the others set
  const now = () => session.getSnapshot().job;
  const set = (fitting: unknown, group?: string) =>
    act(setOnPort(now(), end, 'fitting', fitting as Port | undefined), group);
  const setMeasure = (key: keyof typeof portMeasures, value: unknown, group?: string) => {
    const known = now().parts[end.part]?.ports?.[end.port]?.fitting;
    if (known) set({ ...known, [key]: value }, group);
  };
  return (
    <div className="py-1">
      <button
        className="label underline decoration-hair-strong underline-offset-3"
        onClick={() => view.selectPart(part.id)}
      >
        {portTitle(part, end.port)}
      </button>
      {end.isUsual && end.fitting && (
        <p className="flex items-start justify-between gap-x-3 text-[0.95rem]">
          <span className="italic">
            {describePort(end.fitting)} <span className="label block not-italic">typical, not looked at yet</span>
          </span>
          <ActButton
            act={setOnPort(job, end, 'fitting', end.fitting)}
            label={`It is so: ${partName(part)}`}
            className="button shrink-0"
          >
            It is so
          </ActButton>
        </p>
      )}
      <PropertyField
        property={fittingProperty}
        path={['parts', end.part, 'ports', end.port, 'fitting']}
        value={end.isUsual ? undefined : end.fitting}
        needed={false}
        onChange={set}
      />
      {!end.isUsual && end.fitting && (
        <details>
          <summary className="label min-h-[26px]">Its envelope, angle and material</summary>
          <div className="grid gap-x-4 sm:grid-cols-2">
            {(Object.keys(portMeasures) as (keyof typeof portMeasures)[]).map((key) => (
              <PropertyField
                key={key}
                property={portMeasures[key]}
                path={['parts', end.part, 'ports', end.port, 'fitting', key]}
                value={end.fitting![key]}
                onChange={(value, group) => setMeasure(key, value, group)}
              />
            ))}
          </div>
        </details>
      )}
    </div>
  );
}

function MeetingItem({ meeting, joint }: { meeting: Meeting; joint: JointFinding }) {
  const { number, ends, mating, isKnown } = meeting;
  const materials = joint.chain.map((a) => a.material);
  const made = makeUp(meeting, joint.joint, materials);
  const findings = useAssessment()?.findings;
  const units = useDisplayUnits();
  const against = findings && mating.mates ? objections(mating.seal, joint.chain, placeOf(findings, joint)) : [];
  return (
    <li className="py-1" data-meeting={number}>
      <div className="flex gap-2">
        <span className="figure w-8 shrink-0">{number}</span>
        <div className="min-w-0">
          <p>
            {describePort(ends[0])} on {describePort(ends[1])}
            {!isKnown && <span className="label"> as they usually are</span>}
          </p>
          {made && mating.mates ? (
            <>
              <p className="text-[0.92rem]">
                {capital(sealNames[made.seal])}. Goes on it: <strong>{made.goesOn}</strong>. <Tightening made={made} />
              </p>
              {mating.note && <p className="label">{mating.note}</p>}
              {against.length > 0 && (
                <p className="text-[0.92rem] font-semibold text-fix">
                  It seals, but not here: {against.map((o) => sayObjection(o, units)).join('; ')}.
                </p>
              )}
            </>
          ) : (
            !mating.mates && (
              <p className="text-[0.92rem] font-semibold text-fix">
                {capital(sayMismatch(mating.mismatch, ends[0], ends[1]))}.
              </p>
            )
          )}
        </div>
      </div>
    </li>
  );
}

/** “912 kPa, held 690 kPa” */
function sayObjection(o: Objection, units: ReturnType<typeof useDisplayUnits>): string {
  if (o.by === 'fuel') return `${fittingMaterials[o.material]} does not last in this fuel`;
  const kind = o.by === 'heat' ? 'temperature' : 'pressure';
  const what =
    o.by === 'heat'
      ? 'it gets'
      : o.of === 'clamp'
        ? 'its clamp sees'
        : o.of === 'part'
          ? 'its adapter sees'
          : 'it sees';
  return `${what} ${units.show(kind, o.is)} and is for ${units.show(kind, o.limit)}`;
}

const NEWTON_METRES_PER_POUND_FOOT = 1.355818; // exact to its digits: BIPM

function Tightening({ made: { tightening, spanners, source } }: { made: MakeUp }) {
  const units = useDisplayUnits();
  const keys = spanners.length > 0 ? `Spanner ${spanners.map((s) => units.show('length', s)).join(' and ')}: ` : '';
  if (tightening.by === 'hand') return <>{capital(`${tightening.how}.`)}</>;
  if (tightening.by === 'turns')
    return (
      <>
        {keys}
        {tightening.least === tightening.most ? tightening.least : `${tightening.least} to ${tightening.most}`} turns
        past finger-tight (<span className="label">{source}</span>).
      </>
    );
  const metric = units.system === 'metric';
  const shown = (torque: number) => (metric ? torque : Math.round(torque / NEWTON_METRES_PER_POUND_FOOT));
  return (
    <>
      {keys}
      <span className="figure">
        {shown(tightening.least)} to {shown(tightening.most)} {metric ? 'N·m' : 'lb·ft'}
      </span>
      {tightening.flats !== undefined && `, or ${tightening.flats} flats past finger-tight`} (
      <span className="label">{source}</span>).
    </>
  );
}
