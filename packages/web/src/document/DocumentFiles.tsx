import { useState } from 'react';
import type { SheetDocument } from '@endrel/core/documents/document';
import { documentRows } from '@endrel/core/documents/document-rows';
import { isAway } from '../api/client.ts';
import { printSheets } from '../api/print.ts';
import { csvText } from '../components/csv.ts';
import { download } from '../components/download.ts';

interface DocumentFilesProps {
  /** File name, without ending. */
  readonly name: string;
  /** Undefined while they cannot be made yet. */
  readonly sheets: readonly SheetDocument[] | undefined;
}

/** Sheets as files: rows for another program, pages for a printer. */
export function DocumentFiles({ name, sheets }: DocumentFilesProps) {
  const [paper, setPaper] = useState<'a4' | 'letter'>('a4');
  const [state, setState] = useState<{ working?: boolean; fault?: string }>({});
  const pdf = async (made: readonly SheetDocument[]) => {
    setState({ working: true });
    try {
      download(`${name}-${paper}.pdf`, 'application/pdf', await printSheets({ sheets: [...made], paper }));
      setState({});
    } catch (error) {
      setState({ fault: isAway(error) ? AWAY : (error as Error).message });
    }
  };
  return (
    <div className="no-print flex flex-wrap items-center gap-2">
      <button
        className="button"
        disabled={!sheets}
        onClick={() => sheets && download(`${name}.csv`, 'text/csv', `\ufeff${csvText(documentRows(sheets))}`)}
      >
        As CSV
      </button>
      <label className="flex items-center gap-2">
        Sheet
        <select className="input w-auto!" value={paper} onChange={(e) => setPaper(e.target.value as 'a4' | 'letter')}>
          <option value="a4">A4</option>
          <option value="letter">Letter</option>
        </select>
      </label>
      <button
        className="button"
        disabled={!sheets || state.working === true}
        onClick={() => sheets && void pdf(sheets)}
      >
        {state.working ? 'Making the sheets …' : 'As PDF'}
      </button>
      <button className="button button-ink" onClick={() => window.print()}>
        Print
      </button>
      {state.fault && (
        <p role="alert" className="w-full text-stop">
          {state.fault}
        </p>
      )}
    </div>
  );
}

const AWAY =
  'The PDF is made by the server, which does not answer: print the page, or take the CSV; they are made here.';
