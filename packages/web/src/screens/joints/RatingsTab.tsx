import { useMemo, useState } from 'react';
import { lineMatrix, type MatrixRow } from '@endrel/core/joints/line-matrix';
import { lineChecks, type LineCheck, type Rating } from '@endrel/core/joints/line-ratings';
import type { Figure } from '@endrel/core/units/quantity';
import { useAssessment } from '../../session/session-context.tsx';
import { useDisplayUnits } from '../../units/display-units.tsx';
import { MaterialTable } from '../brief/MaterialTable.tsx';
import type { JobView } from '../job/use-job-view.ts';

const words: Readonly<Record<Rating['verdict'], string>> = {
  fine: 'fine',
  watch: 'watch',
  attacked: 'no',
  ask: 'ask',
  none: '–',
};
const marks: Readonly<Record<Rating['verdict'], string>> = { fine: '●', watch: '◐', attacked: '✕', ask: '?', none: '' };
const tone: Readonly<Record<Rating['verdict'], string>> = {
  fine: 'text-good',
  watch: 'text-fix',
  attacked: 'text-stop font-semibold',
  ask: 'text-ink-soft italic',
  none: 'text-ink-soft',
};

/** Every length against every check, and what each figure is held against. */
export function RatingsTab({ view }: { view: JobView }) {
  const assessment = useAssessment();
  const [shown, setShown] = useState<string>();
  const rows = useMemo(() => (assessment ? lineMatrix(assessment.findings) : []), [assessment]);
  if (rows.length === 0)
    return (
      <p className="sheet max-w-xl p-4 text-ink-soft">
        Lengths of hose and hard line are rated as soon as the run has some.
      </p>
    );
  const lines = rows.filter((r) => r.ratings.length > 1);
  const wet = rows.filter((r) => r.ratings.length === 1);
  const worst = rows.flatMap((r) => r.ratings).filter((r) => r.verdict === 'attacked').length;
  return (
    <>
      <p className="mb-2">
        {worst === 0 ? 'No length is out of its ratings.' : `${worst} ${worst === 1 ? 'check fails' : 'checks fail'}.`}{' '}
        <span className="label">
          Pressure is the worst that can come: dead-head upstream of the regulator, and behind a bypass one that sticks
          shut. Half a dot: only then. Temperature is that of the skin after stopping hot.
        </span>
      </p>
      <div className="overflow-x-auto">
        <table className="w-full min-w-[44rem] text-left">
          <thead className="label">
            <tr className="border-b border-hair-strong">
              <th className="font-normal">Length</th>
              {Object.values(lineChecks).map((name) => (
                <th key={name} className="font-normal">
                  {name}
                </th>
              ))}
            </tr>
          </thead>
          <tbody className="ruled">
            {lines.map((row) => (
              <Row
                key={row.part}
                row={row}
                open={shown === row.part}
                onOpen={() => setShown(shown === row.part ? undefined : row.part)}
                onPart={view.selectPart}
              />
            ))}
          </tbody>
        </table>
      </div>
      {wet.length > 0 && (
        <table className="mt-4 text-left">
          <caption className="label text-left">What else the fuel wets</caption>
          <tbody className="ruled">
            {wet.map(({ name, ratings: [r] }) => (
              <tr key={name}>
                <th scope="row" className="pr-6 font-normal">
                  {name}
                </th>
                <td className={`pr-6 ${tone[r!.verdict]}`}>
                  {marks[r!.verdict]} {words[r!.verdict]}
                </td>
                <td className="pr-6">{typeof r!.rated === 'string' ? r!.rated : 'not said'}</td>
                <td className="label">{r!.source}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <details className="mt-4">
        <summary className="py-1 font-semibold">Materials and fuels</summary>
        <MaterialTable fuel={assessment?.findings.fuel} />
      </details>
    </>
  );
}

function Row({
  row,
  open,
  onOpen,
  onPart,
}: {
  row: MatrixRow;
  open: boolean;
  onOpen(): void;
  onPart(id: string): void;
}) {
  const units = useDisplayUnits();
  const say = (value: Figure | string | undefined) =>
    value === undefined ? '–' : typeof value === 'string' ? value : units.figure(value);
  const by = new Map<LineCheck, Rating>(row.ratings.map((r) => [r.check, r]));
  return (
    <>
      <tr>
        <th scope="row" className="font-normal">
          <button
            className="min-h-[30px] text-left underline decoration-hair-strong underline-offset-3"
            aria-expanded={open}
            onClick={onOpen}
          >
            {row.name}
          </button>
        </th>
        {(Object.keys(lineChecks) as LineCheck[]).map((check) => {
          const r = by.get(check)!;
          return (
            <td key={check} className={tone[r.verdict]}>
              <span aria-hidden className="mr-1">
                {marks[r.verdict]}
              </span>
              <span className={r.verdict === 'none' ? '' : 'text-[0.92rem]'}>{words[r.verdict]}</span>
            </td>
          );
        })}
      </tr>
      {open && (
        <tr>
          <td colSpan={1 + Object.keys(lineChecks).length} className="bg-lit px-3 py-2">
            <table className="w-full text-left text-[0.92rem]">
              <thead className="label">
                <tr>
                  <th className="font-normal">check</th>
                  <th className="font-normal">meets here</th>
                  <th className="font-normal">rated</th>
                  <th className="font-normal">from</th>
                </tr>
              </thead>
              <tbody className="ruled">
                {row.ratings
                  .filter((r) => r.verdict !== 'none')
                  .map((r) => (
                    <tr key={r.check}>
                      <th scope="row" className="font-normal">
                        {lineChecks[r.check]}
                      </th>
                      <td className="figure">{say(r.required)}</td>
                      <td className="figure">{say(r.rated)}</td>
                      <td className="label">{r.source}</td>
                    </tr>
                  ))}
              </tbody>
            </table>
            <button className="button mt-1" onClick={() => onPart(row.part!)}>
              Show it on the run
            </button>
          </td>
        </tr>
      )}
    </>
  );
}
