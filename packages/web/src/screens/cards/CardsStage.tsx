import Papa from 'papaparse';
import { cutRows, partRows } from '@endrel/core/cards/parts-card';
import { Caution } from '../../components/Caution.tsx';
import { download } from '../../components/download.ts';
import { useJobSession } from '../../session/session-context.tsx';

/** What to buy and what to cut for the run, for the bench and for the parts counter. */
export function CardsStage() {
  const { snapshot, assessment } = useJobSession();
  const { job, revision } = snapshot;
  const [parts, cuts] = [partRows(job), cutRows(job)];
  const stops = assessment?.snags.filter((s) => s.grade === 'stop').length ?? 0;
  if (parts.length === 0)
    return (
      <div className="sheet max-w-xl p-5">
        <h2 className="text-lg">Nothing to buy or cut yet</h2>
        <p className="mt-2">The card fills itself from the run: lay it out first.</p>
      </div>
    );
  const csv = () =>
    Papa.unparse(
      {
        fields: ['card', 'part', 'specification', 'quantity or length', 'line', 'still open or note'],
        data: [
          ...parts.map((p) => ['buy', p.part, p.specification, p.quantity, p.where, p.open]),
          ...cuts.map((c) => ['cut', c.part, c.stock, c.length, c.line, c.note]),
        ],
      },
      { escapeFormulae: true },
    );
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
      <h3 className="mt-4 text-lg">To buy or find</h3>
      <table className="w-full text-left">
        <thead className="label">
          <tr className="border-b border-hair-strong">
            <th className="w-7">
              <span className="sr-only">Done</span>
            </th>
            <th className="font-normal">Part</th>
            <th className="font-normal">What</th>
            <th className="text-right font-normal">Pieces</th>
            <th className="pl-3 font-normal">Line</th>
          </tr>
        </thead>
        <tbody className="ruled">
          {parts.map((row, i) => (
            <tr key={i} className="align-baseline">
              <td aria-hidden>
                <Box />
              </td>
              <td className="py-1 pr-3 font-semibold">{row.part}</td>
              <td className="pr-3">
                {row.specification}
                {row.open && <span className="block text-fix">Still open: {row.open}</span>}
              </td>
              <td className="figure text-right">{row.quantity}</td>
              <td className="pl-3">{row.where}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <h3 className="mt-5 text-lg">To cut</h3>
      <table className="w-full text-left">
        <thead className="label">
          <tr className="border-b border-hair-strong">
            <th className="w-7">
              <span className="sr-only">Done</span>
            </th>
            <th className="font-normal">Piece</th>
            <th className="font-normal">From</th>
            <th className="text-right font-normal">Length</th>
            <th className="pl-3 font-normal">How</th>
          </tr>
        </thead>
        <tbody className="ruled">
          {cuts.map((row, i) => (
            <tr key={i} className="align-baseline">
              <td aria-hidden>
                <Box />
              </td>
              <td className="py-1 pr-3 font-semibold">{row.part}</td>
              <td className="pr-3">{row.stock}</td>
              <td className="figure text-right text-[1.1rem] whitespace-nowrap">{row.length}</td>
              <td className="pl-3 text-[0.92rem]">{row.note}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <Caution>
        Typical values are to be verified against each part’s data sheet. Eye protection and gloves when cutting braid;
        blow every piece out before it is fitted.
      </Caution>
    </article>
  );
}

const Box = () => <span className="inline-block h-3.5 w-3.5 border border-ink" />;
