import type { Fuel } from '@endrel/core/fluids/fuel';
import {
  fuelClasses,
  fuelClassOf,
  materialRows,
  verdicts,
  type FuelClass,
  type Verdict,
} from '@endrel/core/ratings/material-fuel';
import { Fragment } from 'react';
import { useAct, useJob } from '../../session/session-context.tsx';

const MAKER = 'said by the maker';

const looks: Record<Verdict, { readonly mark: string; readonly className: string }> = {
  fine: { mark: '', className: 'text-ink-soft' },
  watch: { mark: '△ ', className: '' },
  attacked: { mark: '✕ ', className: 'font-semibold text-stop' },
  ask: { mark: '? ', className: 'italic' },
};

/** Every material by what each fuel does to it; the fuel of the job is the column that is lit. */
export function MaterialTable({ fuel }: { fuel: Fuel | undefined }) {
  const job = useJob();
  const act = useAct();
  const held = job.materials ?? {};
  const say = (name: string, kind: FuelClass, verdict: Verdict | undefined) => {
    const { [kind]: _old, ...others } = held[name]?.on ?? {};
    const on = verdict === undefined ? others : { ...others, [kind]: verdict };
    const value = Object.keys(on).length === 0 ? undefined : { on, source: held[name]?.source ?? MAKER };
    act({ act: 'set', path: ['materials', name], ...(value ? { value } : {}) }, `materials ${name}`);
  };
  const cite = (name: string, source: string) => {
    const row = held[name];
    if (row && source.trim() !== '')
      act({ act: 'set', path: ['materials', name], value: { ...row, source: source.trim().slice(0, 120) } });
  };
  const own = fuel && fuelClassOf(fuel);
  const classes = Object.keys(fuelClasses) as FuelClass[];
  const groups = [...new Set(materialRows.map((m) => m.group))];
  return (
    <div className="overflow-x-auto">
      <table className="w-full text-left text-[0.93rem]">
        <caption className="sr-only">Materials and fuels</caption>
        <thead className="label">
          <tr className="border-b border-hair-strong">
            <th className="font-normal">Material</th>
            {classes.map((c) => (
              <th key={c} className={`px-2 font-normal ${c === own ? 'bg-lit font-semibold text-ink' : ''}`}>
                {fuelClasses[c]}
                {c === own && <span className="sr-only"> (this job)</span>}
              </th>
            ))}
            <th className="font-normal">Source</th>
          </tr>
        </thead>
        <tbody className="ruled">
          {groups.map((group) => (
            <Fragment key={group}>
              <tr>
                <th colSpan={classes.length + 2} scope="colgroup" className="pt-2 text-left font-semibold">
                  {group}
                </th>
              </tr>
              {materialRows
                .filter((m) => m.group === group)
                .map(({ name, on, source }) => (
                  <tr key={name}>
                    <th scope="row" className="pr-3 font-normal">
                      {name}
                    </th>
                    {classes.map((c) => {
                      const verdict = held[name]?.on[c] ?? on[c];
                      return (
                        <td key={c} className={`px-2 ${looks[verdict].className} ${c === own ? 'bg-lit' : ''}`}>
                          {c === own ? (
                            <select
                              className="input w-auto!"
                              aria-label={`${name} in this job’s fuel`}
                              value={verdict}
                              onChange={(e) =>
                                say(name, c, e.target.value === on[c] ? undefined : (e.target.value as Verdict))
                              }
                            >
                              {verdicts.map((v) => (
                                <option key={v} value={v}>
                                  {looks[v].mark}
                                  {v}
                                </option>
                              ))}
                            </select>
                          ) : (
                            <>
                              <span aria-hidden>{looks[verdict].mark}</span>
                              {verdict}
                            </>
                          )}
                        </td>
                      );
                    })}
                    <td className="label">
                      {held[name] ? (
                        <input
                          className="input text-[0.9rem]"
                          aria-label={`Who says so of ${name}`}
                          key={held[name].source}
                          defaultValue={held[name].source}
                          onBlur={(e) => cite(name, e.target.value)}
                        />
                      ) : (
                        source
                      )}
                    </td>
                  </tr>
                ))}
            </Fragment>
          ))}
        </tbody>
      </table>
    </div>
  );
}
