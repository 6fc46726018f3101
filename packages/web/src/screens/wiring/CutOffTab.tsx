import type { Harness } from '@endrel/core/harness/harness';
import { partName } from '@endrel/core/parts/kinds';
import { rowInWords, type CutOffRow, type Runs } from '@endrel/core/harness/cut-off';
import { Caution } from '../../components/Caution.tsx';
import { useJob } from '../../session/session-context.tsx';
import { Nothing } from './Nothing.tsx';
import { useWiring } from './use-wiring.ts';

const words: Record<Runs, string> = { runs: 'runs', stands: 'stands', unknown: 'not known' };

/** Which pump runs when: key, engine, crash, oil pressure, and what a failed part leaves. */
export function CutOffTab() {
  const job = useJob();
  const { harness, found } = useWiring();
  if (!harness.devices?.length) return <Nothing />;
  if (!found) return <p className="text-ink-soft">Reckoning …</p>;
  const parts = Object.keys(found.truth[0]?.pumps ?? {});
  const name = (id: string) => (job.parts[id] ? partName(job.parts[id]) : id);
  if (parts.length === 0) return <p className="text-ink-soft">No pump of the run is in the circuit yet.</p>;
  const usual = found.truth.filter((r) => r.failed === undefined);
  const failed = found.truth.filter((r) => r.failed !== undefined);
  return (
    <div className="max-w-[62rem]">
      <Table
        caption="By key, engine, crash and oil pressure"
        rows={usual}
        parts={parts}
        name={name}
        harness={harness}
      />
      <Table caption="When something has failed" rows={failed} parts={parts} name={name} harness={harness} />
      <p className="label mt-2">
        Followed through contacts and coils as drawn; what holds itself is found holding. “Not known”: nobody has said
        how a coil is switched, or what a unit does in a crash. Welded contacts of the only relay defeat what stands in
        its coil: then only the fuse or the key’s own feed stops the pump.
      </p>
      <Caution>
        A pump that stays live feeds a fire. The cut-off is proved on the vehicle, not on this table alone.
      </Caution>
    </div>
  );
}

function Table({
  caption,
  rows,
  parts,
  name,
  harness,
}: {
  caption: string;
  rows: readonly CutOffRow[];
  parts: readonly string[];
  name(id: string): string;
  readonly harness: Harness;
}) {
  if (rows.length === 0) return null;
  return (
    <table className="mb-4 w-full text-left">
      <caption className="border-b border-ink pb-1 text-left text-lg">{caption}</caption>
      <thead className="label">
        <tr className="border-b border-hair">
          <th className="font-normal">when</th>
          <th className="font-normal">key</th>
          <th className="font-normal">engine</th>
          <th className="font-normal">crash</th>
          <th className="font-normal">oil pressure</th>
          {parts.map((p) => (
            <th key={p} className="font-normal">
              {name(p)}
            </th>
          ))}
          <th className="font-normal">it must</th>
        </tr>
      </thead>
      <tbody className="ruled">
        {rows.map((row) => (
          <tr key={row.key}>
            <th scope="row" className="font-normal">
              {rowInWords(harness, row)}
            </th>
            <td>{row.state.key}</td>
            <td>{row.state.engine}</td>
            <td>{row.state.crashed ? 'yes' : 'no'}</td>
            <td>{row.state.oilPressure ? 'yes' : 'no'}</td>
            {parts.map((p) => {
              const is = row.pumps[p]!;
              const isWrong = (row.wanted === 'stand' && is === 'runs') || (row.wanted === 'run' && is === 'stands');
              return (
                <td
                  key={p}
                  className={
                    isWrong
                      ? 'font-semibold text-stop'
                      : is === 'unknown'
                        ? 'text-fix'
                        : is === 'runs'
                          ? 'font-semibold'
                          : ''
                  }
                >
                  {words[is]}
                  {isWrong && ': stop'}
                </td>
              );
            })}
            <td className="text-ink-soft">{row.wanted === 'either' ? '' : row.wanted}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
