import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { pumpRows } from '@endrel/core/pumps/pump-rows';
import type { PumpCsvFault } from '@endrel/core/pumps/read-pump-csv';
import { pumpCsvCells } from '@endrel/core/pumps/write-pump-csv';
import type { LibraryPump } from '@endrel/core/sizing/proposals';
import { useDropPump, useKeepPump, usePumpLibrary, useShopPumps } from '../../api/pumps.ts';
import { csvText } from '../../components/csv.ts';
import { download } from '../../components/download.ts';
import { readPumpFile } from '../../components/read-pump-file.ts';
import { useGoToThreads } from '../../components/use-go-to-threads.ts';
import { FileButton } from '../../components/FileButton.tsx';
import { ThemeButton, UnitsButton } from '../../components/PreferenceButtons.tsx';
import { ScreenFault } from '../../components/ScreenState.tsx';
import { PumpSketch, type SketchScale } from '../../drawing/PumpSketch.tsx';
import { fromSi, toSi, unitById } from '@endrel/core/units/unit-table';
import { roundUp } from '../../units/round-up.ts';
import { useDisplayUnits } from '../../units/display-units.tsx';

/** Pumps to choose from: the generic ones that ship with Endrel and the shop's own, read from CSV. */
export function PumpLibraryScreen() {
  const library = usePumpLibrary();
  useGoToThreads();
  const shop = useShopPumps();
  const keep = useKeepPump();
  const drop = useDropPump();
  const units = useDisplayUnits();
  const scale = useMemo((): SketchScale => {
    const rows = library.flatMap((pump) => pumpRows(pump).flatMap((t) => t.rows));
    const end = (kind: 'volumeFlow' | 'pressure', usual: string, figures: number[]) => {
      const unit = unitById(units.unitOf(kind) ?? usual);
      return toSi(roundUp(fromSi(Math.max(...figures), unit)), unit);
    };
    return {
      flow: end(
        'volumeFlow',
        'L/h',
        rows.map((r) => r.flow),
      ),
      pressure: end(
        'pressure',
        'kPa',
        rows.map((r) => r.pressure),
      ),
    };
  }, [library, units]);
  const [refusals, setRefusals] = useState<{ file: string; faults: readonly PumpCsvFault[] }>();
  const own = new Set((shop.data ?? []).map((p) => p.id));
  const read = async (file: File) => {
    const tables = await readPumpFile(file);
    if (!tables.ok) return setRefusals({ file: file.name, faults: tables.fault });
    setRefusals(undefined);
    keep.mutate({
      name: file.name
        .replace(/\.csv$/i, '')
        .replace(/[_]+/g, ' ')
        .slice(0, 80),
      tables: tables.value,
    });
  };
  return (
    <div className="mx-auto max-w-[72rem] px-4 pb-16 sm:px-8">
      <title>Endrel – pump library</title>
      <header className="flex flex-wrap items-end gap-x-4 gap-y-2 border-b-2 border-ink pt-6 pb-3">
        <h1 className="text-3xl">
          <Link to="/">Endrel</Link> <span className="font-normal text-ink-soft">/</span> Pump library
        </h1>
        <div className="ml-auto flex items-center gap-2">
          <UnitsButton />
          <ThemeButton />
          <FileButton label="Read a pump from CSV" accept=".csv,text/csv" onFile={(file) => void read(file)} />
        </div>
      </header>
      <main>
        <p className="label my-2 max-w-3xl">
          CSV: a heading (voltage, pressure, flow, current), a row of units, then the readings; the file’s name becomes
          the pump’s. All of a file is taken or none of it. The generic pumps are typical shapes: verify against the
          data sheet.
        </p>
        {refusals && (
          <div role="alert" className="my-2 border-l-4 border-stop bg-sheet px-3 py-1.5">
            Nothing was taken from “{refusals.file}”:
            <ul className="list-disc pl-5">
              {refusals.faults.slice(0, 20).map((f, i) => (
                <li key={i}>
                  {f.row > 0 && `Row ${f.row}: `}
                  {f.message}
                </li>
              ))}
            </ul>
          </div>
        )}
        {keep.error && (
          <p role="alert" className="my-2 text-stop">
            {keep.error.message}
          </p>
        )}
        {drop.error && (
          <p role="alert" className="my-2 text-stop">
            {drop.error.message}
          </p>
        )}
        {shop.status === 'error' && <ScreenFault error={shop.error} onRetry={() => void shop.refetch()} />}
        <ul className="grid gap-x-8 gap-y-4 pt-2 md:grid-cols-2">
          {library.map((pump) => (
            <PumpItem
              key={pump.key}
              pump={pump}
              scale={scale}
              onDrop={own.has(pump.key) ? () => drop.mutate(pump.key) : undefined}
            />
          ))}
        </ul>
        {shop.status === 'success' && own.size === 0 && (
          <p className="mt-4 text-ink-soft">The shop has no pumps of its own yet: read one from a CSV file.</p>
        )}
      </main>
    </div>
  );
}

interface PumpItemProps {
  readonly pump: LibraryPump;
  readonly scale: SketchScale;
  readonly onDrop: (() => void) | undefined;
}

function PumpItem({ pump, scale, onDrop }: PumpItemProps) {
  const units = useDisplayUnits();
  const [asking, setAsking] = useState(false);
  return (
    <li className="border-t border-ink pt-1.5">
      <div className="flex flex-wrap items-baseline gap-x-3">
        <h2 className="text-lg">{pump.name}</h2>
        <span className="label">{onDrop ? 'the shop’s own' : 'generic'}</span>
        <button
          className="button ml-auto"
          aria-label={`${pump.name} as CSV`}
          onClick={() => download(`${pump.name}.csv`, 'text/csv', csvText(pumpCsvCells(pump.tables)))}
        >
          As CSV
        </button>
        {onDrop &&
          (asking ? (
            <span className="flex items-center gap-2">
              Take it out of the library?
              <button className="button" onClick={onDrop}>
                Take it out
              </button>
              <button className="button" onClick={() => setAsking(false)}>
                Keep it
              </button>
            </span>
          ) : (
            <button
              className="button"
              onClick={() => setAsking(true)}
              aria-label={`Take ${pump.name} out of the library`}
            >
              Take it out …
            </button>
          ))}
      </div>
      <div className="mt-1 flex flex-wrap items-start gap-x-6 gap-y-2">
        {pump.tables.map((table) => (
          <table key={table.voltage.si} className="text-right text-[0.93rem]">
            <caption className="label text-left">at {units.show('voltage', table.voltage.si)}</caption>
            <thead className="label">
              <tr>
                <th className="pr-4 font-normal">pressure</th>
                <th className="pr-4 font-normal">flow</th>
                <th className="font-normal">current</th>
              </tr>
            </thead>
            <tbody className="ruled">
              {table.rows.map((r) => (
                <tr key={r.pressure.si}>
                  <td className="figure pr-4">{units.show('pressure', r.pressure.si)}</td>
                  <td className="figure pr-4">{units.show('volumeFlow', r.flow.si)}</td>
                  <td className="figure">{r.current ? units.show('current', r.current.si) : '–'}</td>
                </tr>
              ))}
            </tbody>
          </table>
        ))}
        <div className="ml-auto">
          <PumpSketch tables={pumpRows(pump)} scale={scale} />
        </div>
      </div>
    </li>
  );
}
