import { useState, type ReactNode } from 'react';
import { layouts, type LayoutKey } from '@endrel/core/job/layout';
import { lengthOf } from '@endrel/core/run/component-loss';
import { miniRun } from '@endrel/core/contract/summary';
import { TextField } from '../../components/PropertyField.tsx';
import { useLayoutComparison, type LaidOut } from '../../calc/use-layout-comparison.ts';
import { GradeMark } from '../../drawing/GradeMark.tsx';
import { MiniRun } from '../../drawing/MiniRun.tsx';
import { useAct, useJob } from '../../session/session-context.tsx';
import { useDisplayUnits } from '../../units/display-units.tsx';

/** Schools of layout side by side, each solved with the parts that the job has. */
export function LayoutStage() {
  const job = useJob();
  const act = useAct();
  const units = useDisplayUnits();
  const comparison = useLayoutComparison(job);
  const [all, setAll] = useState(false);
  const suits = (key: LayoutKey) => job.brief.induction === undefined || layouts[key].engine === job.brief.induction;
  const keys = (Object.keys(layouts) as LayoutKey[]).filter((key) => all || suits(key) || job.layout.key === key);
  const row = (name: string, cell: (laid: LaidOut) => ReactNode) => (
    <tr>
      <th scope="row" className="label py-1.5 pr-3 text-left align-top font-normal">
        {name}
      </th>
      {keys.map((key) => (
        <td key={key} className={`px-3 py-1.5 align-top ${job.layout.key === key ? 'bg-lit' : ''}`}>
          {comparison[key] ? cell(comparison[key]) : '…'}
        </td>
      ))}
    </tr>
  );
  const pressure = (laid: LaidOut, key: 'fullLoad' | 'idle', less = false) => {
    const result = laid.assessment.findings.solution?.points[key];
    if (!result)
      return (
        <span className="text-ink-soft">
          needs {laid.assessment.findings.needs.find((n) => n.blocksSolution)?.title ?? 'a run that holds together'}
        </span>
      );
    return (
      <span className="figure text-lg">
        {units.show('pressure', less ? result.injectorPressure : result.railPressure)}
      </span>
    );
  };
  return (
    <>
      <div className="overflow-x-auto">
        <table className="w-full table-fixed border-collapse" style={{ minWidth: `${8 + 11.5 * keys.length}rem` }}>
          <caption className="sr-only">Layouts compared</caption>
          <thead>
            <tr className="border-b border-ink">
              <td className="w-28" />
              {keys.map((key) => (
                <th
                  key={key}
                  scope="col"
                  className={`px-3 pb-2 text-left align-top ${job.layout.key === key ? 'bg-lit' : ''}`}
                >
                  <h2 className="text-lg leading-tight">{layouts[key].name}</h2>
                  <p className="text-[0.85rem] font-normal text-ink-soft">{layouts[key].path}</p>
                </th>
              ))}
            </tr>
          </thead>
          <tbody className="ruled">
            {row('The run', (laid) => (
              <MiniRun run={miniRun(laid.assessment)} />
            ))}
            {row('Rail at full load', (laid) => pressure(laid, 'fullLoad'))}
            {row('Rail less manifold', (laid) => pressure(laid, 'fullLoad', true))}
            {row('Rail at idle', (laid) => pressure(laid, 'idle'))}
            {row('Suction margin, hot', ({ assessment }) => (
              <span className="figure text-lg">
                {assessment.findings.solution
                  ? units.show('length', assessment.findings.solution.points.fullLoadHot.suctionMargin)
                  : '–'}
              </span>
            ))}
            {row('Pump margin', ({ assessment }) => (
              <span className="figure text-lg">
                {assessment.findings.solution?.margin
                  ? units.show('fraction', assessment.findings.solution.margin.margin)
                  : '–'}
              </span>
            ))}
            {row('Line and joints', ({ job: laid, assessment }) => (
              <>
                <span className="figure">
                  {units.show(
                    'length',
                    [...laid.run.supply, ...laid.run.return].reduce(
                      (sum, c) => sum + (c.kind === 'rail' ? 0 : lengthOf(c)),
                      0,
                    ),
                  )}
                </span>{' '}
                of line, <span className="figure">{assessment.findings.joints.length}</span> joints
              </>
            ))}
            {row('Snags', ({ assessment }) =>
              assessment.snags.length === 0 ? (
                'none found'
              ) : (
                <ul className="text-[0.88rem] leading-snug">
                  {assessment.snags.slice(0, 3).map((snag) => (
                    <li key={snag.id} className="flex gap-1.5">
                      <GradeMark grade={snag.grade} /> {snag.what}
                    </li>
                  ))}
                  {assessment.snags.length > 3 && (
                    <li className="text-ink-soft">and {assessment.snags.length - 3} more</li>
                  )}
                </ul>
              ),
            )}
            {row('For', ({ job: laid }) => (
              <span className="text-[0.9rem]">{layouts[laid.layout.key!].good}</span>
            ))}
            {row('Against', ({ job: laid }) => (
              <span className="text-[0.9rem]">{layouts[laid.layout.key!].bad}</span>
            ))}
            <tr>
              <td />
              {keys.map((key) => (
                <td key={key} className={`px-3 py-2 ${job.layout.key === key ? 'bg-lit' : ''}`}>
                  {job.layout.key === key ? (
                    <p className="font-semibold">Chosen</p>
                  ) : (
                    <button
                      className={`button ${suits(key) ? 'button-ink' : ''}`}
                      onClick={() => act({ act: 'chooseLayout', key })}
                    >
                      Lay it out so
                    </button>
                  )}
                  {!suits(key) && job.brief.induction && (
                    <p className="mt-1 text-[0.85rem] text-ink-soft">
                      The brief says {job.brief.induction === 'carburettor' ? 'carburettor' : 'injection'}.
                    </p>
                  )}
                </td>
              ))}
            </tr>
          </tbody>
        </table>
      </div>
      {job.brief.induction !== undefined && (
        <button className="button mb-2" aria-pressed={all} onClick={() => setAll(!all)}>
          {all
            ? 'Only those for this engine'
            : `Also those for ${job.brief.induction === 'carburettor' ? 'injection' : 'a carburettor'}`}
        </button>
      )}
      <div className="max-w-3xl">
        <TextField
          label="why this layout"
          long
          hint="Your reason, for the next person"
          value={job.layout.reason ?? ''}
          onChange={(value, group) => act({ act: 'set', path: ['layout', 'reason'], value }, group)}
        />
        <p className="label">
          Measured parts are taken over, so nothing is lost by trying; only a return line is taken off by a layout that
          has none, and undo brings it back.
        </p>
      </div>
    </>
  );
}
