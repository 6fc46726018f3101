import { Plus, X } from 'lucide-react';
import type { PumpCsvFault } from '@endrel/core/pumps/read-pump-csv';
import { useKeepPump, usePumpLibrary } from '../api/pumps.ts';
import { FileButton } from './FileButton.tsx';
import { pumpTableFields, type PumpTable } from '@endrel/core/pumps/pump-table';
import type { Measured } from '@endrel/core/fields/measured';
import { pumpRows } from '@endrel/core/pumps/pump-rows';
import { pumpTableFault } from '@endrel/core/hydraulics/pump-curve';
import { useEffect, useRef, useState } from 'react';
import type { FieldPath } from '@endrel/core/fields/field-path';
import { useSession } from '../session/session-context.tsx';
import { typedText } from '../session/typed-text.ts';
import { readPumpFile } from './read-pump-file.ts';
import { QuantityField } from './QuantityField.tsx';

interface PumpTableFieldProps {
  readonly anchor: string;
  readonly path: FieldPath;
  readonly hint?: string;
  readonly value: readonly PumpTable[];
  onChange(value: PumpTable[] | undefined, group?: string): void;
}
/** Flow stands last: with it a new row is complete. */
const columns = ['pressure', 'current', 'flow'] as const;
const NEW_ROW = 'new row';
type Cells = { pressure?: Measured; flow?: Measured; current?: Measured };

/** Flow and current against pressure, a table for each voltage. A row counts once it has a pressure and a flow. */
export function PumpTableField({ anchor, path, hint, value, onChange }: PumpTableFieldProps) {
  const replace = (at: number, table: PumpTable, group?: string) => onChange(value.with(at, table), group);
  const [refusals, setRefusals] = useState<readonly PumpCsvFault[]>([]);
  const library = usePumpLibrary();
  const read = async (file: File) => {
    const tables = await readPumpFile(file);
    setRefusals(tables.ok ? [] : tables.fault);
    if (tables.ok) onChange(tables.value);
  };
  const fault = pumpTableFault(pumpRows({ tables: value }));
  return (
    <fieldset id={anchor} className="py-1">
      <legend className="label">
        Flow table{value.length === 0 && <span className="font-semibold text-fix"> – to fill in</span>}
      </legend>
      {value.length === 0 && <p className="text-[0.85rem] text-ink-soft">{hint}</p>}
      <div className="space-y-3">
        {value.map((table, t) => (
          <OneTable
            key={t}
            table={table}
            path={[...path, t]}
            faultRow={
              fault && fault.code !== 'sameVoltage' && fault.table === t && 'row' in fault ? fault.row : undefined
            }
            onChange={(next, group) => replace(t, next, group)}
            onRemove={() => onChange(value.length === 1 ? undefined : value.toSpliced(t, 1))}
          />
        ))}
      </div>
      <div className="mt-1 flex flex-wrap items-end gap-2">
        <button
          type="button"
          className="button"
          onClick={() =>
            onChange([
              ...value,
              { voltage: { si: value.some((t) => t.voltage.si === 13.5) ? 12 : 13.5, unit: 'V' }, rows: [] },
            ])
          }
        >
          <Plus size={14} className="mr-1 inline" />
          {value.length === 0 ? 'Start a table at 13.5 V' : 'Add a table at another voltage'}
        </button>
        <FileButton label="Read a CSV file" accept=".csv,text/csv" onFile={(file) => void read(file)} />
        <label className="label">
          or take a pump
          <select
            className="input"
            value=""
            onChange={(e) =>
              onChange(structuredClone(library.find((p) => p.key === e.target.value)?.tables ?? []) as PumpTable[])
            }
          >
            <option value="">from the library …</option>
            {library.map(({ key, name }) => (
              <option key={key} value={key}>
                {name}
              </option>
            ))}
          </select>
        </label>
      </div>
      {refusals.length > 0 && (
        <div role="alert" className="text-[0.88rem] text-stop">
          Nothing was taken from the file:
          <ul className="list-disc pl-5">
            {refusals.slice(0, 12).map((f, i) => (
              <li key={i}>
                {f.row > 0 && `Row ${f.row}: `}
                {f.message}
              </li>
            ))}
            {refusals.length > 12 && <li>and {refusals.length - 12} more</li>}
          </ul>
        </div>
      )}
      {value.length > 0 && !fault && <KeepPump tables={value} />}
      <p className="label mt-1">
        CSV: a heading (voltage, pressure, flow, current), a row of units, then the readings.
      </p>
    </fieldset>
  );
}

/** Keeps these tables in the shop's library, under a name. */
function KeepPump({ tables }: { tables: readonly PumpTable[] }) {
  const keep = useKeepPump();
  const [name, setName] = useState('');
  return (
    <details className="mt-1">
      <summary className="py-0.5 text-[0.9rem]">Keep it in the shop’s library</summary>
      <div className="flex flex-wrap items-end gap-2">
        <label className="label">
          under the name
          <input className="input" value={name} maxLength={80} onChange={(e) => setName(e.target.value)} />
        </label>
        <button
          type="button"
          className="button"
          disabled={name.trim() === '' || keep.isPending}
          onClick={() => keep.mutate({ name: name.trim(), tables })}
        >
          Keep it
        </button>
      </div>
      <p role="status" className="text-[0.88rem]">
        {keep.isSuccess && `Kept as “${keep.data.name}”.`}
        {keep.error && <span className="text-stop">{keep.error.message}</span>}
      </p>
    </details>
  );
}

function OneTable({
  table,
  path,
  faultRow,
  onChange,
  onRemove,
}: {
  table: PumpTable;
  path: FieldPath;
  faultRow?: number;
  onChange(table: PumpTable, group?: string): void;
  onRemove(): void;
}) {
  const session = useSession();
  const [entry, setEntry] = useState<Cells>({});
  const cells = useRef<Cells>({}); // as of the last key: two cells may be left before the row is drawn again
  const [entryKey, setEntryKey] = useState(0);
  const entryRow = useRef<HTMLTableRowElement>(null);
  useEffect(() => {
    if (entryKey > 0) entryRow.current?.querySelector('input')?.focus();
  }, [entryKey]);
  const setCell = (row: number, key: keyof Cells, cell: Measured | undefined, group: string) => {
    if (cell === undefined && key !== 'current')
      return onChange({ ...table, rows: table.rows.toSpliced(row, 1) }, group);
    onChange({ ...table, rows: table.rows.with(row, { ...table.rows[row]!, [key]: cell }) }, group);
  };
  const enter = (key: keyof Cells, cell: Measured | undefined) => {
    const next = (cells.current = { ...cells.current, [key]: cell });
    if (next.pressure && next.flow) {
      cells.current = {};
      onChange({
        ...table,
        rows: [
          ...table.rows,
          { pressure: next.pressure, flow: next.flow, ...(next.current ? { current: next.current } : {}) },
        ],
      });
      typedText.dropUnder(session.id, [...path, NEW_ROW]);
      setEntry({});
      setEntryKey((n) => n + 1);
    } else setEntry(next);
  };
  return (
    <div>
      <div className="flex items-end gap-2">
        <div className="w-28">
          <QuantityField
            field={pumpTableFields.voltage}
            path={[...path, 'voltage']}
            value={table.voltage}
            onChange={(v, group) => v && onChange({ ...table, voltage: v }, group)}
          />
        </div>
        <button type="button" className="quiet mb-6 text-[0.85rem] whitespace-nowrap" onClick={onRemove}>
          Remove table
        </button>
      </div>
      <table className="w-full border-collapse text-left">
        <thead>
          <tr className="label">
            <th className="font-normal">Pressure</th>
            <th className="font-normal">Current</th>
            <th className="font-normal">Flow</th>
            <th>
              <span className="sr-only">Remove</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {table.rows.map((row, i) => (
            <tr key={i} className={faultRow === i ? 'bg-lit' : ''} aria-invalid={faultRow === i}>
              {columns.map((key) => (
                <td key={key} className="pr-1">
                  <QuantityField
                    compact
                    field={pumpTableFields[key]}
                    path={[...path, i, key]}
                    value={row[key]}
                    onChange={(cell, group) => setCell(i, key, cell, group)}
                  />
                </td>
              ))}
              <td className="align-top">
                <button
                  type="button"
                  className="quiet"
                  aria-label={`Remove row ${i + 1}`}
                  onClick={() => onChange({ ...table, rows: table.rows.toSpliced(i, 1) })}
                >
                  <X size={14} />
                </button>
              </td>
            </tr>
          ))}
          <tr key={`entry-${entryKey}`} ref={entryRow}>
            {columns.map((key) => (
              <td key={key} className="pr-1">
                <QuantityField
                  compact
                  patient
                  field={{ ...pumpTableFields[key], name: `new row ${key}` }}
                  path={[...path, NEW_ROW, key]}
                  isOfNewRow
                  value={entry[key]}
                  onChange={(cell) => enter(key, cell)}
                />
              </td>
            ))}
            <td />
          </tr>
        </tbody>
      </table>
      {faultRow !== undefined && (
        <p className="text-[0.85rem] text-stop">
          Row {faultRow + 1}: flow must fall as pressure rises. Check it against the data sheet.
        </p>
      )}
    </div>
  );
}
