import Papa from 'papaparse';
import { useState } from 'react';
import { measured } from '@endrel/core/fields/measured';
import { describeStrappingFault, LARGEST_STRAPPING_CSV, readStrappingCsv } from '@endrel/core/tanks/read-strapping-csv';
import { anchorOf } from '../../components/anchor.ts';
import { FileButton } from '../../components/FileButton.tsx';
import { useAct, useJob } from '../../session/session-context.tsx';
import { useDisplayUnits } from '../../units/display-units.tsx';

const MOST_ROWS = 400;
const PATH = ['survey', 'tank', 'strapping'];

/** A strapping table from a CSV file: level in the first column, volume in the second, units in the heading. */
export function StrappingField() {
  const { strapping } = useJob().survey.tank;
  const act = useAct();
  const units = useDisplayUnits();
  const [refusal, setRefusal] = useState<string>();
  async function load(file: File): Promise<string | undefined> {
    if (file.size > LARGEST_STRAPPING_CSV) return 'it is too large to be a strapping table.';
    const { data } = Papa.parse<string[]>((await file.text()).trim(), { skipEmptyLines: true });
    const table = readStrappingCsv(data);
    if (!table.ok) return describeStrappingFault(table.fault);
    if (table.value.rows.length > MOST_ROWS) return `it has more than ${MOST_ROWS} rows.`;
    const rows = table.value.rows.map((r) => ({ level: measured(r.level, 'mm'), volume: measured(r.volume, 'L') }));
    act({ act: 'set', path: PATH, value: rows });
    return undefined;
  }
  const read = async (file: File) => {
    const complaint = await load(file);
    setRefusal(complaint && `${file.name}: ${complaint}${strapping ? ' The table that was there is kept.' : ''}`);
  };
  return (
    <fieldset id={anchorOf(PATH)} className="py-1">
      <legend className="font-semibold">Strapping table</legend>
      {strapping ? (
        <p>
          <span className="figure">{strapping.length}</span> rows, up to {units.tape(strapping.at(-1)!.level.si)} and{' '}
          {units.show('volume', strapping.at(-1)!.volume.si)}.
        </p>
      ) : (
        <p className="text-[0.88rem] text-ink-soft">
          CSV: level in the first column, volume in the second, such as “level_mm, volume_L”. Or leave it and fill in
          steps, below.
        </p>
      )}
      <div className="flex gap-2">
        <FileButton label="Read a CSV file" accept=".csv,text/csv" onFile={(file) => void read(file)} />
        {strapping && (
          <button type="button" className="button" onClick={() => act({ act: 'set', path: PATH, value: undefined })}>
            Forget the table
          </button>
        )}
      </div>
      {refusal && (
        <p role="alert" className="text-stop">
          {refusal}
        </p>
      )}
    </fieldset>
  );
}
