import { useState } from 'react';
import { adapterInWords } from '@endrel/core/fittings/adapter';
import { genericAdapters } from '@endrel/core/fittings/adapter-catalogue';
import { portSize } from '@endrel/core/fittings/port-size';
import { describePort, type Port } from '@endrel/core/fittings/port';
import type { QuantityField } from '@endrel/core/units/field';
import { parseQuantity } from '@endrel/core/units/parse-quantity';
import { mm } from '@endrel/core/units/quick';
import { PortField } from '../../components/PortField.tsx';
import { TypedField } from './fields.tsx';
import { shelfCsvCells, type ShelfCsvFault } from '@endrel/core/joints/shelf-csv';
import type { ShelfPart } from '@endrel/core/fittings/stock';
import { useDropFromShelf, useKeepOnShelf, useShelfQuery } from '../../api/shelf.ts';
import { long } from '../../calc/calculator.ts';
import { csvText } from '../../components/csv.ts';
import { download } from '../../components/download.ts';
import { FileButton } from '../../components/FileButton.tsx';
import { keepFocusNear } from '../../components/return-focus.ts';
import { ScreenFault } from '../../components/ScreenState.tsx';
import { useDisplayUnits } from '../../units/display-units.tsx';

const SHOWN = 200; // rows at a time; a search narrows them down
const FAULTS = 20;

/** What lies in the shop’s drawers: counts, prices and parts of its own, by hand or from a CSV file. */
export function ShelfTab() {
  const query = useShelfQuery();
  const keep = useKeepOnShelf();
  const drop = useDropFromShelf();
  const [sought, setSought] = useState('');
  const [reading, setReading] = useState(false);
  const [refused, setRefused] = useState<{ file: string; faults: readonly ShelfCsvFault[] }>();
  const read = async (file: File) => {
    setReading(true);
    const parts = await long().readShelf(file);
    setReading(false);
    if (!parts.ok) return setRefused({ file: file.name, faults: parts.fault });
    setRefused(undefined);
    keep.mutate(parts.value);
  };
  if (query.status === 'error') return <ScreenFault error={query.error} onRetry={() => void query.refetch()} />;
  const shelf = query.data ?? [];
  const words = sought.toLowerCase().split(/\s+/).filter(Boolean);
  const fits = (text: string) => words.every((w) => text.toLowerCase().includes(w));
  const held = shelf.filter((p) => fits(`${p.adapter.code} ${p.adapter.name} ${p.note ?? ''}`));
  const codes = new Set(shelf.map((p) => p.adapter.code));
  const offered =
    words.length === 0
      ? []
      : genericAdapters()
          .filter((a) => !codes.has(a.code) && fits(`${a.code} ${a.name}`))
          .slice(0, 12);
  return (
    <>
      <div className="flex flex-wrap items-end gap-x-4 gap-y-2">
        <label className="min-w-64 flex-1">
          <span className="label block">Find on the shelf, or a generic part to put there</span>
          <input
            className="input"
            type="search"
            value={sought}
            placeholder="-6 orb aluminium"
            onChange={(e) => setSought(e.target.value)}
          />
        </label>
        <FileButton
          label={reading ? 'Reading …' : 'Read a shelf from CSV'}
          accept=".csv,text/csv"
          onFile={(file) => void read(file)}
        />
        <button
          className="button"
          disabled={shelf.length === 0}
          onClick={() => download('shelf.csv', 'text/csv', `\ufeff${csvText(shelfCsvCells(shelf))}`)}
        >
          As CSV
        </button>
      </div>
      <p className="label my-1 max-w-3xl">
        CSV: a heading with code and count; for parts of your own also port 1, port 2 (“male flare37 -6”) and bore. All
        of a file is taken or none of it. The columns are those that “As CSV” writes.
      </p>
      {refused && (
        <div role="alert" className="my-2 border-l-4 border-stop bg-sheet px-3 py-1.5">
          Nothing was taken from “{refused.file}”:
          <ul className="list-disc pl-5">
            {refused.faults.slice(0, FAULTS).map((f, i) => (
              <li key={i}>
                {f.row > 0 && `Row ${f.row}: `}
                {f.message}
              </li>
            ))}
          </ul>
          {refused.faults.length > FAULTS && (
            <p>
              And {refused.faults.length - FAULTS} more.{' '}
              <button
                className="underline"
                onClick={() =>
                  download(
                    'faults.csv',
                    'text/csv',
                    csvText([['row', 'fault'], ...refused.faults.map((f) => [f.row, f.message])]),
                  )
                }
              >
                All of them as CSV
              </button>
            </p>
          )}
        </div>
      )}
      {[keep.error, drop.error].map(
        (error, i) =>
          error && (
            <p key={i} role="alert" className="my-2 text-stop">
              {error.message}
            </p>
          ),
      )}
      <OwnPart taken={codes} onKeep={(part, onKept) => keep.mutate([part], { onSuccess: onKept })} />
      {offered.length > 0 && (
        <section className="my-3">
          <h2 className="text-lg">Generic parts to put there</h2>
          <ul className="ruled">
            {offered.map((adapter) => (
              <li key={adapter.code} className="flex items-center justify-between gap-3 py-1">
                <span>{adapterInWords(adapter)}</span>
                <button
                  className="button"
                  onClick={() => keep.mutate([{ adapter, count: 1 }], { onSuccess: keepFocusNear })}
                >
                  Put one there
                  <span className="sr-only">: {adapter.code}</span>
                </button>
              </li>
            ))}
          </ul>
        </section>
      )}
      <h2 className="mt-3 border-b border-ink pb-1 text-lg">
        {query.status === 'pending'
          ? 'Fetching the shelf …'
          : `${shelf.length} ${shelf.length === 1 ? 'part' : 'parts'} on the shelf`}
      </h2>
      {query.status === 'success' && shelf.length === 0 ? (
        <p className="mt-2 text-ink-soft">
          Nothing is on the shelf yet: every chain has to be bought. Read a list, or find a generic part above.
        </p>
      ) : (
        <ShelfTable
          parts={held.slice(0, SHOWN)}
          onKeep={(p) => keep.mutate([p])}
          onDrop={(code) => drop.mutate(code, { onSuccess: keepFocusNear })}
        />
      )}
      {held.length > SHOWN && <p className="label">{held.length - SHOWN} more: narrow the search.</p>}
    </>
  );
}

function ShelfTable({
  parts,
  onKeep,
  onDrop,
}: {
  parts: readonly ShelfPart[];
  onKeep(part: ShelfPart): void;
  onDrop(code: string): void;
}) {
  const units = useDisplayUnits();
  return (
    <div className="overflow-x-auto">
      <table className="w-full min-w-[46rem] text-left">
        <thead className="label">
          <tr>
            <th className="font-normal">Part</th>
            <th className="font-normal">Ports</th>
            <th className="text-right font-normal">bore</th>
            <th className="text-right font-normal">price</th>
            <th className="text-right font-normal">on the shelf</th>
            <th />
          </tr>
        </thead>
        <tbody className="ruled">
          {parts.map((part) => {
            const { adapter, count, note } = part;
            return (
              <tr key={adapter.code} data-code={adapter.code} className="align-baseline">
                <th scope="row" className="py-1 pr-3 font-normal">
                  {adapter.name}
                  <span className="label block">{[adapter.code, note].filter(Boolean).join(' · ')}</span>
                </th>
                <td className="pr-3">{adapter.ports.map(describePort).join(' to ')}</td>
                <td className="figure text-right">{units.show('length', adapter.bore)}</td>
                <td className="text-right">
                  <NumberCell
                    label={`Price of ${adapter.code}`}
                    value={adapter.price}
                    step={0.1}
                    most={1e5}
                    onChange={(price) => onKeep({ ...part, adapter: { ...adapter, price } })}
                  />
                </td>
                <td className="text-right">
                  <NumberCell
                    label={`How many of ${adapter.code}`}
                    value={count}
                    step={1}
                    most={100_000}
                    onChange={(n) => onKeep({ ...part, count: Math.round(n) })}
                  />
                </td>
                <td className="text-right">
                  <button
                    className="quiet"
                    aria-label={`Take ${adapter.code} off the shelf’s list`}
                    onClick={() => onDrop(adapter.code)}
                  >
                    Take off
                  </button>
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}

/** A number that is handed over when the field is left, or by Enter; what is no number goes back. */
function NumberCell({
  label,
  value,
  step,
  most,
  onChange,
}: {
  label: string;
  value: number;
  step: number;
  most: number;
  onChange(value: number): void;
}) {
  const [typed, setTyped] = useState<string>();
  const hand = () => {
    const number = Number(typed?.replace(',', '.'));
    if (
      typed !== undefined &&
      typed.trim() !== '' &&
      Number.isFinite(number) &&
      number >= 0 &&
      number <= most &&
      number !== value
    )
      onChange(number);
    setTyped(undefined);
  };
  return (
    <input
      className="input w-20! text-right"
      inputMode="decimal"
      aria-label={label}
      step={step}
      value={typed ?? String(value)}
      onChange={(e) => setTyped(e.target.value)}
      onBlur={hand}
      onKeyDown={(e) => e.key === 'Enter' && hand()}
    />
  );
}

const boreField: QuantityField = { kind: 'length', name: 'bore', unit: 'mm', minimum: mm(0.1), maximum: mm(100) };

const blank = { code: '', name: '', bore: '', count: '1', price: '' };

/** A part that the shop made or found, put in by hand; what was typed stays until it is kept. */
function OwnPart({ taken, onKeep }: { taken: ReadonlySet<string>; onKeep(part: ShelfPart, onKept: () => void): void }) {
  const units = useDisplayUnits();
  const [typed, setTyped] = useState(blank);
  const [ports, setPorts] = useState<readonly [Port?, Port?]>([]);
  const [faults, setFaults] = useState<Readonly<Record<string, string>>>({});
  const set = (key: keyof typeof typed) => (value: string) => setTyped({ ...typed, [key]: value });
  const add = () => {
    const bore = parseQuantity(typed.bore, { ...boreField, unit: units.bareUnit(boreField) });
    const [count, price] = [Number(typed.count), typed.price === '' ? 0 : Number(typed.price.replace(',', '.'))];
    const wrong: Record<string, string> = {
      ...(typed.code.trim() === '' ? { code: 'needs a code of its own' } : {}),
      ...(taken.has(typed.code.trim()) ? { code: 'stands on the shelf already' } : {}),
      ...(bore.ok ? {} : { bore: bore.fault.message }),
      ...(Number.isInteger(count) && count >= 0 && count <= 1e5 ? {} : { count: 'a whole number' }),
      ...(Number.isFinite(price) && price >= 0 && price <= 1e5 ? {} : { price: 'a number' }),
      ...(ports[0] && ports[1] ? {} : { ports: 'Say both of its ports.' }),
    };
    setFaults(wrong);
    if (Object.keys(wrong).length > 0 || !bore.ok) return;
    const [a, b] = ports as [Port, Port];
    const flats = Math.max(...[a, b].map((p) => portSize(p.form, p.size)!.flats[p.gender]));
    const part: ShelfPart = {
      adapter: {
        code: typed.code.trim().slice(0, 120),
        name: (typed.name.trim() || typed.code.trim()).slice(0, 120),
        shape: 'straight',
        ports: [a, b],
        angle: 0,
        bore: bore.value.si,
        length: mm(30),
        flats,
        material: 'steel',
        price,
      },
      count,
    };
    onKeep(part, () => {
      setTyped(blank);
      setPorts([]);
    });
  };
  return (
    <details className="my-2">
      <summary className="min-h-[28px] font-semibold">A part of your own, by hand</summary>
      <div className="grid gap-x-5 sm:grid-cols-5">
        <TypedField label="Code" value={typed.code} fault={faults.code} onChange={set('code')} />
        <TypedField label="Name" value={typed.name} onChange={set('name')} />
        <TypedField label="Smallest hole" value={typed.bore} fault={faults.bore} onChange={set('bore')} />
        <TypedField label="How many" value={typed.count} fault={faults.count} onChange={set('count')} />
        <TypedField label="Price" value={typed.price} fault={faults.price} onChange={set('price')} />
      </div>
      <div className="grid gap-x-5 sm:grid-cols-2">
        <PortField label="first port" anchor="own-a" value={ports[0]} onChange={(p) => setPorts([p, ports[1]])} />
        <PortField label="second port" anchor="own-b" value={ports[1]} onChange={(p) => setPorts([ports[0], p])} />
      </div>
      {faults.ports && <p className="text-stop">{faults.ports}</p>}
      <button className="button" onClick={add}>
        Put it on the shelf
      </button>
    </details>
  );
}
