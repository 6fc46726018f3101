import type { Fuel } from '@endrel/core/fluids/fuel';
import {
  fuelClasses,
  fuelClassOf,
  materialRows,
  type FuelClass,
  type Verdict,
} from '@endrel/core/ratings/material-fuel';
import { Fragment } from 'react';

const looks: Record<Verdict, { readonly mark: string; readonly className: string }> = {
  fine: { mark: '', className: 'text-ink-soft' },
  watch: { mark: '△ ', className: '' },
  attacked: { mark: '✕ ', className: 'font-semibold text-stop' },
  ask: { mark: '? ', className: 'italic' },
};

/** Every material by what each fuel does to it; the fuel of the job is the column that is lit. */
export function MaterialTable({ fuel }: { fuel: Fuel | undefined }) {
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
                    {classes.map((c) => (
                      <td key={c} className={`px-2 ${looks[on[c]].className} ${c === own ? 'bg-lit' : ''}`}>
                        <span aria-hidden>{looks[on[c]].mark}</span>
                        {on[c]}
                      </td>
                    ))}
                    <td className="label">{source}</td>
                  </tr>
                ))}
            </Fragment>
          ))}
        </tbody>
      </table>
    </div>
  );
}
