import { toDegrees } from '@endrel/core/units/quick';
import Papa from 'papaparse';
import { useState } from 'react';
import { pointsOfTable } from '@endrel/core/routes/bend-table';
import { LARGEST_ROUTE_CSV, readBendCsv, readPointsCsv, type RouteCsvFault } from '@endrel/core/routes/read-route-csv';
import { MOST_COPIED, MOST_THROUGH } from '@endrel/core/job/routes';
import { lineName, type RoutedLine, type TubeRoute } from '@endrel/core/routes/lines';
import { LONGEST_CUT, tubeRequestOf } from '@endrel/core/routes/tube-request';
import { bentLine } from '@endrel/core/routes/tube-line';
import type { Act } from '@endrel/core/acts/act';
import { printTube } from '../../api/print.ts';
import { csvText } from '../../components/csv.ts';
import { download } from '../../components/download.ts';
import { FileButton } from '../../components/FileButton.tsx';
import { useAct, useJob } from '../../session/session-context.tsx';

const inMm = (metres: number) => Number((metres * 1000).toFixed(4));
const inDegrees = (rad: number) => Number(toDegrees(rad).toFixed(4));

/** A tube in and out as files: bend table and points as CSV, three dimensions as DXF, strips and views as PDF. */
export function TubeFiles({ line, tube }: { line: RoutedLine; tube: TubeRoute }) {
  const job = useJob();
  const act = useAct();
  const [state, setState] = useState<{ working?: boolean; faults?: readonly string[] }>({});
  const table = tube.table!;
  const bench = tube.bench!;
  const corners = tube.laid?.corners ?? pointsOfTable(table, tube.bendRadius);
  const name = line.part;
  const bends = () =>
    csvText([
      ['straight_mm', 'rotation_deg', 'bend_deg'],
      ...table.straights.map((s, i) => [
        inMm(s),
        i < table.bends.length ? inDegrees(table.rotations[i]!) : '',
        i < table.bends.length ? inDegrees(table.bends[i]!) : '',
      ]),
    ]);
  const points = () => csvText([['x', 'y', 'z'], ...corners.map((p) => p.map(inMm))]);
  async function pdf() {
    setState({ working: true });
    try {
      const file = await printTube(tubeRequestOf(`${job.name}, ${lineName(job, line.part)}`, line)!);
      download(`${name}.pdf`, 'application/pdf', file);
      setState({});
    } catch (error) {
      setState({ faults: [(error as Error).message] });
    }
  }
  async function dxf() {
    const { tubeDxf } = await import('../../templates/tube-dxf.ts');
    download(`${name}.dxf`, 'image/vnd.dxf', tubeDxf(tube.laid?.centre ?? bentLine(corners, tube.bendRadius), corners));
  }
  async function read(file: File) {
    const outcome = await readTubeFile(file, line.part);
    if ('faults' in outcome) return setState({ faults: outcome.faults });
    setState({});
    act(outcome.act);
  }
  return (
    <section aria-label="Files" className="flex flex-wrap items-center gap-2">
      <button className="button" onClick={() => download(`${name}-bends.csv`, 'text/csv', bends())}>
        Bend table, CSV
      </button>
      <button className="button" onClick={() => download(`${name}-points.csv`, 'text/csv', points())}>
        Points, CSV
      </button>
      <button className="button" onClick={() => void dxf()}>
        DXF
      </button>
      <button className="button" disabled={state.working || bench.cut > LONGEST_CUT} onClick={() => void pdf()}>
        {state.working ? 'Making the sheets …' : 'Wrap strips and views, PDF'}
      </button>
      <FileButton label="Read points or bends" accept=".csv,text/csv" onFile={(file) => void read(file)} />
      {state.faults && (
        <ul role="alert" className="w-full text-stop">
          {state.faults.map((fault) => (
            <li key={fault}>{fault}</li>
          ))}
        </ul>
      )}
    </section>
  );
}

/** Points become the places that the line goes through, a bend table the line that is copied; all of a file or none of it. */
async function readTubeFile(file: File, line: string): Promise<{ act: Act } | { faults: string[] }> {
  if (file.size > LARGEST_ROUTE_CSV) return { faults: ['It is too large to be a line: nothing was read.'] };
  const cells = Papa.parse<string[]>((await file.text()).replace(/^\ufeff/, '').trim()).data;
  const said = (faults: readonly RouteCsvFault[]) => [
    'Nothing was taken from the file.',
    ...faults.slice(0, 8).map((f) => (f.row === 0 ? f.message : `Row ${f.row}: ${f.message}`)),
  ];
  const length = (si: number) => ({ si, unit: 'mm' });
  const angle = (si: number) => ({ si, unit: '°' });
  const isBends = cells[0]?.some((c) => c.trim().toLowerCase() === 'straight_mm') === true;
  if (isBends) {
    const table = readBendCsv(cells);
    if (!table.ok) return { faults: said(table.fault) };
    const { straights, rotations, bends } = table.value;
    if (bends.length > MOST_COPIED) return { faults: [`It holds more than ${MOST_COPIED} bends.`] };
    const copied = bends.map((bend, i) => ({
      id: `row-${i + 1}`,
      straight: length(straights[i]!),
      rotation: angle(rotations[i]!),
      bend: angle(bend),
    }));
    return {
      act: {
        act: 'routeLine',
        id: line,
        title: `copy ${file.name.slice(0, 60)}`,
        changes: [
          { key: 'copied', value: copied },
          { key: 'copiedLast', value: length(straights.at(-1)!) },
        ],
      },
    };
  }
  const points = readPointsCsv(cells);
  if (!points.ok) return { faults: said(points.fault) };
  // its ends are the ports
  const corners = points.value.slice(1, -1);
  if (corners.length > MOST_THROUGH) return { faults: [`It holds more than ${MOST_THROUGH} corners.`] };
  const through = corners.map(([x, y, z], i) => ({
    id: `row-${i + 1}`,
    rearward: length(x),
    left: length(y),
    up: length(z),
  }));
  return {
    act: {
      act: 'routeLine',
      id: line,
      title: `read the way from ${file.name.slice(0, 60)}`,
      changes: [{ key: 'through', value: through }],
    },
  };
}
