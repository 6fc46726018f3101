import { toDegrees } from '@endrel/core/units/quick';
import { useRef, useState } from 'react';
import type { Job } from '@endrel/core/job/job';
import { long } from '../../calc/calculator.ts';
import { csvText } from '../../components/csv.ts';
import { download } from '../../components/download.ts';

const LEVELS = 200;

/** Strapping tables at 25 attitudes as CSV, computed in the worker with progress and cancel. */
export function AttitudeExport({ job }: { job: Job }) {
  const [share, setShare] = useState<number>();
  const cancelled = useRef(false);
  async function make() {
    cancelled.current = false;
    setShare(0);
    const tables = await long().attitudeTables(job, LEVELS, (done: number) => {
      setShare(done);
      return !cancelled.current;
    });
    setShare(undefined);
    if (!tables) return;
    const wholeDegrees = (rad: number) => Math.round(toDegrees(rad));
    const fields = [
      'level_mm',
      ...tables.attitudes.map((a) => `L at pitch ${wholeDegrees(a.pitch)} roll ${wholeDegrees(a.roll)}`),
    ];
    const data = tables.levels.map((level, i) => [
      (level * 1000).toFixed(2),
      ...tables.attitudes.map((a) => (a.volumes[i]! * 1000).toFixed(3)),
    ]);
    download('strapping-tables.csv', 'text/csv', csvText([fields, ...data]));
  }
  return (
    <div className="no-print mt-1 flex items-center gap-3">
      {share === undefined ? (
        <button className="button" onClick={() => void make()}>
          Strapping tables, level and tilted, as CSV
        </button>
      ) : (
        <>
          <progress className="w-48 accent-[var(--ink)]" max={1} value={share} aria-label="Tables computed" />
          <span className="figure">{Math.round(share * 100)} %</span>
          <button className="button" onClick={() => (cancelled.current = true)}>
            Cancel
          </button>
        </>
      )}
    </div>
  );
}
