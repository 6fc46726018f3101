import { useShelf } from '../../api/shelf.ts';
import { useCommonSizes } from '../../calc/use-joint-plan.ts';
import { useAct, useJob } from '../../session/session-context.tsx';
import { useDisplayUnits } from '../../units/display-units.tsx';

/** The whole run in few sizes, each solved with the adapters that it takes: what a size costs in pressure. */
export function CommonSizeTab() {
  const job = useJob();
  const act = useAct();
  const units = useDisplayUnits();
  const { sizes, working } = useCommonSizes(job, useShelf());
  const sorted = [...sizes].sort((a, b) => a.sizes - b.sizes || (a.loss ?? 0) - (b.loss ?? 0) || a.price - b.price);
  const least = Math.min(Infinity, ...sizes.map((s) => s.loss ?? Infinity));
  const shown = (kind: 'pressure', si: number | undefined) => (si === undefined ? '–' : units.show(kind, si));
  if (!working && sizes.length === 0)
    return <p className="sheet max-w-xl p-4 text-ink-soft">The run has no line outside the tank yet.</p>;
  return (
    <>
      <p className="label mb-2" aria-live="polite">
        {working
          ? `Solving the run in each size … ${sizes.length} done`
          : 'Fewest sizes first: one box of ends, one set of spanners. Each row is the whole run solved at full load and at idle, with the adapters that it then takes.'}
      </p>
      <div className="overflow-x-auto">
        <table className="w-full min-w-[46rem] text-right">
          <thead className="label">
            <tr className="border-b border-hair-strong">
              <th className="text-left font-normal">Feed, return</th>
              <th className="font-normal">sizes</th>
              <th className="font-normal">lost on the way, full load</th>
              <th className="font-normal">over the least</th>
              <th className="font-normal">rail, full load</th>
              <th className="font-normal">rail, idle</th>
              <th className="font-normal">joints</th>
              <th className="font-normal">adapters</th>
              <th className="font-normal">price</th>
              <th />
            </tr>
          </thead>
          <tbody className="ruled">
            {sorted.map((row) => {
              const name = row.feed === row.back ? `all −${row.feed}` : `feed −${row.feed}, return −${row.back}`;
              return (
                <tr key={name}>
                  <th scope="row" className="py-1 text-left font-semibold">
                    {name}
                  </th>
                  <td className="figure">{row.sizes}</td>
                  <td className="figure">{shown('pressure', row.loss)}</td>
                  <td className="figure">{row.loss === undefined ? '–' : units.show('pressure', row.loss - least)}</td>
                  <td className="figure">{shown('pressure', row.railFull)}</td>
                  <td className="figure">{shown('pressure', row.railIdle)}</td>
                  <td className="figure">{row.joints}</td>
                  <td className="figure">{row.adapters}</td>
                  <td className="figure">{row.price.toFixed(0)}</td>
                  <td className="pl-3">
                    <button className="button" aria-label={`${name}: make it so`} onClick={() => act(row.act)}>
                      Make it so
                    </button>
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
    </>
  );
}
