import { useMemo } from 'react';
import { neededParts, orderGroups, type NeededPart, type OrderGroup } from '@endrel/core/joints/needed-parts';
import { useShelf, useShelfQuery } from '../../api/shelf.ts';
import { useJointPlan } from '../../calc/use-joint-plan.ts';
import { csvText } from '../../components/csv.ts';
import { download } from '../../components/download.ts';
import { useAct, useAssessment, useJob } from '../../session/session-context.tsx';

/** What the joints take against what lies on the bench and on the shelf: what is missing, what is over, what to order. */
export function BenchTab() {
  const job = useJob();
  const act = useAct();
  const joints = useAssessment()?.findings.joints;
  const shelf = useShelf();
  const shelfQuery = useShelfQuery();
  const { plans } = useJointPlan(job, shelf);
  const rows = useMemo(
    () => (joints && shelf && plans.length > 0 ? neededParts(job, joints, plans, shelf) : []),
    [job, joints, plans, shelf],
  );
  if (rows.length === 0)
    return (
      <p className="sheet max-w-xl p-4 text-ink-soft">
        The list follows from the joints: there are none that take anything yet.
      </p>
    );
  const sum = (of: (r: NeededPart) => number) => rows.reduce((total, r) => total + of(r), 0);
  const [missing, over, toBuy] = [sum((r) => r.missing), sum((r) => r.over), sum((r) => r.toBuy)];
  const order = () =>
    csvText([
      ['group', 'part', 'to buy', 'of these spare', 'joints', 'code'],
      ...rows
        .filter((r) => r.toBuy > 0)
        .map((r) => [orderGroups[r.group], r.name, r.toBuy, Math.min(r.spare, r.toBuy), r.joints.join(' '), r.code]),
    ]);
  return (
    <>
      <div className="mb-2 flex flex-wrap items-center justify-between gap-3">
        <p aria-live="polite">
          {missing === 0
            ? 'Everything that the joints take lies on the bench.'
            : `The bench lacks ${missing} ${missing === 1 ? 'piece' : 'pieces'} before everything can be joined; ${toBuy} to buy, spares included.`}
          {over > 0 && ` ${over} over.`}
          {shelfQuery.isError && <span className="text-fix"> The shelf cannot be read now: it counts as empty.</span>}
        </p>
        <div className="no-print flex gap-2">
          <button className="button" onClick={() => download('order.csv', 'text/csv', `\ufeff${order()}`)}>
            Order as CSV
          </button>
          <button className="button" onClick={() => window.print()}>
            Print
          </button>
        </div>
      </div>
      {(Object.keys(orderGroups) as OrderGroup[]).map((group) => {
        const own = rows.filter((r) => r.group === group);
        return own.length === 0 ? null : (
          <Group
            key={group}
            name={orderGroups[group]}
            rows={own}
            onBench={(r, count) =>
              act(
                {
                  act: 'set',
                  path: ['bench', r.code],
                  ...(count > 0 ? { value: { name: r.name.slice(0, 200), count } } : {}),
                },
                `bench ${r.code}`,
              )
            }
          />
        );
      })}
      <p className="label mt-2">
        Spare: one of what is easily spoilt the first time, common practice. Prices and parts follow the chains under
        Joints.
      </p>
    </>
  );
}

function Group({
  name,
  rows,
  onBench,
}: {
  name: string;
  rows: readonly NeededPart[];
  onBench(row: NeededPart, count: number): void;
}) {
  return (
    <table className="mb-4 w-full table-fixed text-right">
      <caption className="text-left text-[1.02rem] font-semibold">{name}</caption>
      <thead className="label">
        <tr className="border-b border-hair-strong">
          <th className="w-[44%] text-left font-normal">Part</th>
          {['joints', 'needed', 'on the bench', 'on the shelf', 'missing', 'to buy', 'over'].map((name) => (
            <th key={name} className="pl-2 align-bottom font-normal">
              {name}
            </th>
          ))}
        </tr>
      </thead>
      <tbody className="ruled">
        {rows.map((row) => (
          <tr key={row.code} data-code={row.code} className="align-baseline">
            <th scope="row" className="py-1 pr-3 text-left font-normal">
              {row.name}
            </th>
            <td className="label">{row.joints.join(', ')}</td>
            <td className="figure">{row.needed}</td>
            <td>
              <input
                className="input w-16! text-right"
                type="number"
                min={0}
                max={9999}
                aria-label={`On the bench: ${row.name}`}
                value={row.onBench}
                onChange={(e) => {
                  const count = Math.round(Number(e.target.value));
                  if (Number.isFinite(count) && count >= 0 && count <= 9999) onBench(row, count);
                }}
              />
            </td>
            <td className="figure">{row.onShelf}</td>
            <td className={`figure ${row.missing > 0 ? 'text-fix' : ''}`}>{row.missing}</td>
            <td className="figure">{row.toBuy}</td>
            <td className="figure">{row.over}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
