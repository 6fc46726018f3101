import type { Check, Proposal } from '@endrel/core/sizing/proposals';
import { usePumpLibrary } from '../../api/pumps.ts';
import { useProposals } from '../../calc/use-proposals.ts';
import { EffectsList } from '../../components/EffectsList.tsx';
import { useAct, useAssessment, useJob } from '../../session/session-context.tsx';
import { useDisplayUnits } from '../../units/display-units.tsx';

/** Sizes that Endrel proposes: the smallest that keeps every limit on the whole run, and what it changes elsewhere. */
export function SizesTab() {
  const job = useJob();
  const assessment = useAssessment();
  const { found, working } = useProposals(job, usePumpLibrary());
  if (!assessment?.findings.solution)
    return <p className="sheet p-4 text-ink-soft">Sizes are worked out as soon as the run can be solved.</p>;
  return (
    <>
      <p className="label mb-2" aria-live="polite">
        {working
          ? `Trying sizes on the whole run … ${found.length} done`
          : 'Each is the smallest that keeps every limit at every operating point, tried on the whole run.'}
      </p>
      <ul className="gap-x-8 xl:columns-2">
        {found.map((proposal) => (
          <ProposalItem key={proposal.key} proposal={proposal} />
        ))}
      </ul>
    </>
  );
}

function ProposalItem({ proposal }: { proposal: Proposal }) {
  const act = useAct();
  const { title, proposed, now, then, why, act: change, preview, tried } = proposal;
  const kept = now.length > 0 && now.every((c) => c.ok);
  return (
    <li className="mb-5 break-inside-avoid border-t border-ink pt-1.5">
      <div className="flex flex-wrap items-baseline justify-between gap-x-4">
        <h2 className="text-lg">
          {title}
          {proposed && <span className="figure">: {proposed}</span>}
        </h2>
        {change && proposed && (
          <button
            className={`button ${kept ? '' : 'button-ink'}`}
            onClick={() => act(change)}
            aria-label={`${title}: make it so`}
          >
            Make it so
          </button>
        )}
      </div>
      {!proposed && (
        <p className="text-fix">
          None of {tried.length === 1 ? tried[0] : `the ${tried.length} sizes`} keeps its limits.
        </p>
      )}
      <table className="mt-1 w-full text-right text-[0.95rem]">
        <thead className="label">
          <tr>
            <th className="text-left font-normal">
              {kept ? 'As it is, it keeps its limits' : 'As it is, it does not'}
            </th>
            <th className="font-normal">now</th>
            {then && <th className="font-normal">proposed</th>}
            <th className="font-normal">limit</th>
          </tr>
        </thead>
        <tbody className="ruled">
          {now.map((check, i) => (
            <CheckRow key={check.label} check={check} then={then?.[i]} withThen={then !== undefined} />
          ))}
        </tbody>
      </table>
      <p className="label my-1">{why}</p>
      {preview && proposed && <EffectsList preview={preview} />}
    </li>
  );
}

function CheckRow({ check, then, withThen }: { check: Check; then: Check | undefined; withThen: boolean }) {
  const units = useDisplayUnits();
  const shown = (c: Check) => (
    <td className={`figure ${c.ok ? '' : 'font-semibold text-fix'}`}>
      {units.figure(c.figure)}
      {!c.ok && <span className="sr-only"> (outside)</span>}
    </td>
  );
  return (
    <tr>
      <th scope="row" className="text-left font-normal">
        {check.label}
      </th>
      {shown(check)}
      {withThen && (then ? shown(then) : <td>–</td>)}
      <td className="figure text-ink-soft">
        {check.sense === 'atMost' ? '≤' : '≥'} {units.figure(check.limit)}
      </td>
    </tr>
  );
}
