import { AsTable } from '../../components/AsTable.tsx';
import { JointSheet, PortSheet } from '../run/PartSheets.tsx';
import { useSearchParams } from 'react-router';
import { adapterInWords } from '@endrel/core/fittings/adapter';
import { fillJoints, stateOf, wasteOf, type JointPlan, type JointState } from '@endrel/core/joints/chain-plan';
import { seals as sealNames } from '@endrel/core/fittings/port-form';
import type { Job } from '@endrel/core/job/job';
import { partName } from '@endrel/core/parts/kinds';
import { circuitsOf } from '@endrel/core/run/circuits';
import type { JointFinding } from '@endrel/core/run/joints';
import { useShelf } from '../../api/shelf.ts';
import { useJointPlan } from '../../calc/use-joint-plan.ts';
import { ActButton } from '../../components/ActButton.tsx';
import { Caution } from '../../components/Caution.tsx';
import { PortClosing } from '../../components/PortClosing.tsx';
import { useAssessment, useJob } from '../../session/session-context.tsx';
import type { JobView } from '../job/use-job-view.ts';
import { JointBench } from './JointBench.tsx';

const stateWords: Readonly<Record<JointState, string>> = {
  mates: 'mates',
  chosen: 'adapters chosen',
  opens: 'opens into the tank',
  unknown: 'a port is unknown',
  wants: 'wants adapters',
  stale: 'adapters fit no more',
};

/** The joint list: every joint by its number, how it seals, and the one that is chosen on the bench beside it. */
export function JointListTab({ view }: { view: JobView }) {
  const job = useJob();
  const assessment = useAssessment();
  const shelf = useShelf();
  const { plans } = useJointPlan(job, shelf);
  const [search, setSearch] = useSearchParams();
  if (!assessment) return <p className="text-ink-soft">Reckoning …</p>;
  const joints = assessment.findings.joints;
  if (joints.length === 0)
    return (
      <div className="sheet max-w-xl p-5">
        <h2 className="text-lg">No joints yet</h2>
        <p className="mt-2">They follow from the run: lay it out, or join two parts there.</p>
      </div>
    );
  const chosen =
    joints.find((j) => j.id === search.get('joint')) ??
    joints.find((j) => j.to === view.part) ??
    joints.find((j) => j.from === view.part) ??
    joints.find((j) => ['wants', 'stale'].includes(stateOf(j))) ??
    joints[0]!;
  const choose = (id: string) =>
    setSearch(
      (before) => {
        before.set('joint', id);
        return before;
      },
      { replace: true, flushSync: true },
    );
  return (
    <div className="grid gap-x-8 gap-y-4 xl:grid-cols-[minmax(26rem,1.05fr)_1fr]">
      <div className="min-w-0">
        <FillBar joints={joints} plans={plans} />
        <JointTable job={job} joints={joints} plans={plans} chosen={chosen.id} onChoose={choose} />
        <AsTable title="Type clamps, sealants and heights in as a table">
          <JointSheet />
        </AsTable>
        <AsTable title="Type what is on the ports in as a table">
          <PortSheet />
        </AsTable>
        <LonePorts job={job} onPart={view.selectPart} />
        <Caution>
          Figures for tightening are typical, from memory: the maker’s go first. Hold the body, turn the nut, and mark
          what is tight.
        </Caution>
      </div>
      <JointBench key={chosen.id} joint={chosen} plan={plans.find((p) => p.joint === chosen.id)} view={view} />
    </div>
  );
}

/** Fills all joints that want adapters in one act, and says what becomes waste by it. */
function FillBar({ joints, plans }: { joints: readonly JointFinding[]; plans: readonly JointPlan[] }) {
  // what the worker said of a job before this one is not acted on
  const isCurrent =
    plans.length === joints.length &&
    joints.every((j, i) => plans[i]!.joint === j.id && plans[i]!.state === stateOf(j));
  const filling = isCurrent ? fillJoints(joints, plans) : undefined;
  const count = (states: readonly JointState[]) => joints.filter((j) => states.includes(stateOf(j))).length;
  const [open, stale] = [count(['wants', 'stale']), count(['stale'])];
  const waste = isCurrent && stale > 0 ? wasteOf(joints, plans) : [];
  const tight = joints.filter((j) => j.joint.tight).length;
  return (
    <div className="mb-2" aria-live="polite">
      <div className="flex flex-wrap items-center justify-between gap-x-4 gap-y-1">
        <p>
          {joints.length} joints, {tight} signed tight.{' '}
          {open === 0 ? 'Every one seals as planned.' : `${open} want${open === 1 ? 's' : ''} adapters.`}
        </p>
        {open > 0 && !isCurrent && <span className="text-ink-soft">Searching adapters …</span>}
        {filling && (
          <ActButton act={filling} className="button button-ink">
            {filling.changes.length === 1 ? 'Fill that joint' : `Fill all ${filling.changes.length}`}
          </ActButton>
        )}
      </div>
      {waste.length > 0 && (
        <p className="text-fix">
          Done again, these become waste:{' '}
          {waste.map(({ adapter, count: n }) => `${n} × ${adapterInWords(adapter)}`).join('; ')}.
        </p>
      )}
    </div>
  );
}

function JointTable({
  job,
  joints,
  plans,
  chosen,
  onChoose,
}: {
  job: Job;
  joints: readonly JointFinding[];
  plans: readonly JointPlan[];
  chosen: string;
  onChoose(id: string): void;
}) {
  return (
    <table className="w-full text-left">
      <thead className="label">
        <tr className="border-b border-hair-strong">
          <th className="w-8 font-normal">No.</th>
          <th className="font-normal">From, to</th>
          <th className="font-normal">Seals by</th>
          <th className="w-12 text-center font-normal">Tight</th>
        </tr>
      </thead>
      <tbody className="ruled">
        {joints.map((joint) => {
          const state = stateOf(joint);
          const wrong = state === 'wants' || state === 'stale';
          const plan = wrong ? plans.find((p) => p.joint === joint.id) : undefined;
          const proposed = plan?.chains[0]?.links.map((l) => l.adapter.name).join(', then ');
          return (
            <tr key={joint.id} className={`align-top ${joint.id === chosen ? 'bg-lit' : ''}`} data-joint={joint.id}>
              <td className="figure py-1">{joint.number}</td>
              <td className="py-1 pr-3">
                <button
                  className="min-h-[24px] w-full text-left leading-snug"
                  aria-pressed={joint.id === chosen}
                  onClick={() => onChoose(joint.id)}
                >
                  {partName(job.parts[joint.from]!)} <span aria-label="to">→</span> {partName(job.parts[joint.to]!)}
                </button>
              </td>
              <td className={`py-1 text-[0.92rem] ${wrong ? 'font-semibold text-fix' : ''}`}>
                {wrong || state === 'opens' || state === 'unknown' ? stateWords[state] : sealsOf(joint)}
                {proposed && <span className="label block font-normal">proposed: {proposed}</span>}
                {joint.chain.length > 0 && (
                  <span className="label block">
                    {joint.chain.length} {joint.chain.length === 1 ? 'adapter' : 'adapters'}
                  </span>
                )}
              </td>
              <td className="py-1 text-center">{joint.joint.tight ? <span aria-label="tight">✓</span> : '·'}</td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

const sealsOf = ({ meetings }: JointFinding): string =>
  [...new Set(meetings.flatMap((m) => (m.mating.mates ? [sealNames[m.mating.seal]] : [])))].join('; ');

/** Ports that no joint is on: capped, plugged, or open. With the joints they are every port of the run. */
function LonePorts({ job, onPart }: { job: Job; onPart(id: string): void }) {
  const run = circuitsOf(job);
  const lone = run.parts.flatMap((part) =>
    run.ports(part.id).flatMap((port) => (port.state === 'mated' || port.spec.use === 'dry' ? [] : [{ part, port }])),
  );
  if (lone.length === 0) return <p className="label mt-2">Every port that holds fuel is in one of these joints.</p>;
  return (
    <table className="mt-3 w-full text-left">
      <caption className="label text-left">Ports without a joint</caption>
      <tbody className="ruled">
        {lone.map(({ part, port: { port, spec, state } }) => (
          <tr key={`${part.id} ${port}`} className="align-baseline">
            <th scope="row" className="py-0.5 font-normal">
              <button
                className="min-h-[26px] text-left underline decoration-hair-strong underline-offset-3"
                onClick={() => onPart(part.id)}
              >
                {partName(part)}, {spec.name}
              </button>
            </th>
            <td className={state === 'open' ? 'font-semibold text-fix' : 'text-ink-soft'}>{state}</td>
            <td className="text-right">
              <PortClosing
                port={{ part: part.id, port }}
                isOpen={state === 'open'}
                of={`${partName(part)}, ${spec.name}`}
                className="quiet"
              />
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
