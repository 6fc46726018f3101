import type { ReactNode } from 'react';
import { cutRows, partRows } from '@endrel/core/cards/parts-card';
import { layouts } from '@endrel/core/job/layout';
import { endKinds, endSteps, hoseEnds, type EndKind } from '@endrel/core/joints/hose-end-steps';
import { routedJob } from '@endrel/core/routes/routed-job';
import { capital } from '@endrel/core/units/capital';
import { Caution } from '../../components/Caution.tsx';
import { csvText } from '../../components/csv.ts';
import { download } from '../../components/download.ts';
import { useDisplayUnits } from '../../units/display-units.tsx';
import { useAssessment, useJob, useSnapshot } from '../../session/session-context.tsx';

/** What to buy and what to cut for the run, for the bench and for the parts counter. */
export function CardsStage() {
  const latest = useJob();
  const assessment = useAssessment();
  // with the lengths that the routes tell where nobody measured them
  const job = assessment ? routedJob(latest, assessment.findings.routes) : latest;
  const { revision } = useSnapshot();
  const { say } = useDisplayUnits();
  const [parts, cuts] = [partRows(job, say), cutRows(job, say)];
  const stops = assessment?.snags.filter((s) => s.grade === 'stop').length ?? 0;
  if (parts.length === 0)
    return (
      <div className="sheet max-w-xl p-5">
        <h2 className="text-lg">Nothing to buy or cut yet</h2>
        <p className="mt-2">The card fills itself from the run: lay it out first.</p>
      </div>
    );
  const csv = () =>
    csvText([
      ['card', 'part', 'specification', 'quantity or length', 'line', 'still open or note'],
      ...parts.map((p) => ['buy', p.part, p.specification, p.quantity, p.where, p.open]),
      ...cuts.map((c) => ['cut', c.part, c.stock, c.length, c.line, c.note]),
    ]);
  return (
    <article className="max-w-[60rem]">
      <header className="flex flex-wrap items-end justify-between gap-3 border-b-2 border-ink pb-1">
        <div>
          <h2 className="text-xl">Parts and cuts</h2>
          <p className="text-ink-soft">
            {job.name}
            {job.vehicle && `, ${job.vehicle}`} ·{' '}
            {new Date().toLocaleDateString('en-GB', { day: 'numeric', month: 'long', year: 'numeric' })} · revision{' '}
            {revision}
          </p>
        </div>
        <div className="no-print flex gap-2">
          <button className="button" onClick={() => download('parts-and-cuts.csv', 'text/csv', `\ufeff${csv()}`)}>
            As CSV
          </button>
          <button className="button button-ink" onClick={() => window.print()}>
            Print
          </button>
        </div>
      </header>
      {stops > 0 && (
        <p className="my-2 border-l-4 border-stop bg-sheet px-3 py-1.5 font-semibold">
          {stops === 1 ? 'One snag says stop' : `${stops} snags say stop`}: do not buy or cut from this card until they
          are cured.
        </p>
      )}
      {job.layout.key && (
        <section>
          <h3 className="mt-4 text-lg">Layout: {layouts[job.layout.key].name.toLowerCase()}</h3>
          {job.layout.reason && <p>{job.layout.reason}</p>}
          {job.layout.overrule && <p>Against Endrel’s choice: {job.layout.overrule}</p>}
        </section>
      )}
      <h3 className="mt-4 text-lg">To buy or find</h3>
      <TickList
        columns={['Part', 'What', 'Pieces', 'Line']}
        rows={parts.map((row) => [
          row.part,
          <>
            {row.specification}
            {row.open && <span className="block text-fix">Still open: {row.open}</span>}
          </>,
          row.quantity,
          row.where,
        ])}
      />
      <h3 className="mt-5 text-lg">To cut</h3>
      <TickList
        columns={['Piece', 'From', 'Length', 'How']}
        rows={cuts.map((row) => [row.part, row.stock, row.length, row.note])}
      />
      <HoseEndCards />
      <Caution>
        Typical values are to be verified against each part’s data sheet. Eye protection and gloves when cutting braid;
        blow every piece out before it is fitted.
      </Caution>
    </article>
  );
}

/** How the ends of every hose are made, each kind once, with the hoses that it is for. */
function HoseEndCards() {
  const job = useJob();
  const joints = useAssessment()?.findings.joints ?? [];
  const hoses = hoseEnds(job, joints);
  const kinds = (Object.keys(endSteps) as EndKind[]).filter((kind) => hoses.some((h) => h.ends.some((e) => e.kind === kind))); // prettier-ignore
  if (kinds.length === 0) return null;
  return (
    <>
      <h3 className="mt-5 text-lg">Making the hose ends</h3>
      <div className="grid gap-x-8 gap-y-3 md:grid-cols-2">
        {kinds.map((kind) => (
          <section key={kind} className="break-inside-avoid">
            <h4>{capital(endKinds[kind])}</h4>
            <p className="label">
              {hoses
                .flatMap((h) => h.ends.filter((e) => e.kind === kind).map((e) => `${h.name} at joint ${e.joint}`))
                .join('; ')}
            </p>
            <ol className="list-decimal pl-5">
              {endSteps[kind].map((step) => (
                <li key={step}>{step}</li>
              ))}
            </ol>
          </section>
        ))}
      </div>
    </>
  );
}

/** A table to work down with a pencil: a box to tick, a name, what it is, a figure, and where or how. */
function TickList({
  columns,
  rows,
}: {
  columns: readonly [string, string, string, string];
  rows: readonly (readonly [string, ReactNode, string, string])[];
}) {
  const [name, what, figure, how] = columns;
  return (
    <table className="w-full text-left">
      <thead className="label">
        <tr className="border-b border-hair-strong">
          <th className="w-7">
            <span className="sr-only">Done</span>
          </th>
          <th className="font-normal">{name}</th>
          <th className="font-normal">{what}</th>
          <th className="text-right font-normal">{figure}</th>
          <th className="pl-3 font-normal">{how}</th>
        </tr>
      </thead>
      <tbody className="ruled">
        {rows.map(([part, specification, amount, remark], i) => (
          <tr key={i} className="align-baseline">
            <td aria-hidden>
              <span className="inline-block h-3.5 w-3.5 border border-ink" />
            </td>
            <td className="py-1 pr-3 font-semibold">{part}</td>
            <td className="pr-3">{specification}</td>
            <td className="figure text-right text-[1.08rem] whitespace-nowrap">{amount}</td>
            <td className="pl-3 text-[0.93rem]">{remark}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
