import { useRef, useState, type ClipboardEvent, type KeyboardEvent } from 'react';
import type { FieldPath } from '@endrel/core/fields/field-path';
import { readPasted } from '@endrel/core/fields/pasted';
import type { Property } from '@endrel/core/fields/property';
import { capital } from '@endrel/core/units/capital';
import { useDisplayUnits } from '../units/display-units.tsx';
import { PropertyField } from './PropertyField.tsx';

/** One row of a table to type into. */
export interface SheetRow {
  readonly id: string;
  /** What it is, for its head and for those who do not see it. */
  readonly name: string;
  readonly path: FieldPath;
  readonly values: Readonly<Record<string, unknown>>;
  /** Columns that it has; all when absent. */
  readonly has?: ReadonlySet<string>;
}
export interface SheetChange {
  readonly row: string;
  readonly key: string;
  readonly value: unknown;
}

interface SheetProps {
  /** What its rows are, as in “Wires”. */
  readonly label: string;
  readonly columns: Readonly<Record<string, Property>>;
  readonly rows: readonly SheetRow[];
  onChange(change: SheetChange, group?: string): void;
  /** Several cells at once, pasted or filled down: one step of undo. */
  onChanges(changes: readonly SheetChange[], title: string): void;
}

const named = new WeakMap<Property, Map<string, Property>>();

/** A property named by its row as well; the same object each time, so that a cell is drawn again for its own value alone. */
function namedBy(property: Property, row: string): Property {
  const known = named.get(property) ?? new Map<string, Property>();
  named.set(property, known);
  const name = `${property.name}, ${row}`;
  const own =
    known.get(row) ??
    (property.type === 'quantity' ? { ...property, name, field: { ...property.field, name } } : { ...property, name });
  known.set(row, own);
  return own;
}

/**
 * Like things, a row each, typed into as in a sheet: Tab goes across, Enter down, a block that is pasted from a spreadsheet fills the
 * cells from the one that has the cursor, Ctrl+D takes the value of the cell above.
 */
export function Sheet({ label, columns, rows, onChange, onChanges }: SheetProps) {
  const units = useDisplayUnits();
  const table = useRef<HTMLTableElement>(null);
  const [note, setNote] = useState<string>();
  const keys = Object.keys(columns);
  const propertyOf = (row: SheetRow, key: string): Property => namedBy(columns[key]!, row.name);

  const cellOf = (target: EventTarget): { row: number; column: number } | undefined => {
    const cell = (target as Element).closest<HTMLElement>('[data-cell]');
    if (!cell) return undefined;
    const [row, column] = cell.dataset.cell!.split(' ').map(Number) as [number, number];
    return { row, column };
  };
  const focus = (row: number, column: number): boolean => {
    const field = table.current?.querySelector<HTMLElement>(`[data-cell="${row} ${column}"] :is(input, select)`);
    field?.focus();
    if (field instanceof HTMLInputElement) field.select();
    return field !== undefined && field !== null;
  };
  const has = (row: SheetRow, key: string) => !row.has || row.has.has(key);

  const press = (event: KeyboardEvent) => {
    const at = cellOf(event.target);
    if (!at) return;
    if (event.key === 'Enter' && focus(at.row + (event.shiftKey ? -1 : 1), at.column)) event.preventDefault();
    if (event.key.toLowerCase() === 'd' && (event.ctrlKey || event.metaKey)) {
      event.preventDefault();
      const [above, own, key] = [rows[at.row - 1], rows[at.row], keys[at.column]!];
      if (above && own && has(above, key))
        onChanges([{ row: own.id, key, value: above.values[key] }], `fill down ${columns[key]!.name}`);
    }
  };

  /** From the chosen row's cell to the end. */
  const fillDown = (key: string) => {
    const first = rows.findIndex((row) => has(row, key) && row.values[key] !== undefined);
    if (first < 0) return setNote(`Nothing stands under “${columns[key]!.name}” yet: type it once, then fill down.`);
    const changes = rows
      .slice(first + 1)
      .filter((row) => has(row, key) && row.values[key] === undefined)
      .map((row) => ({ row: row.id, key, value: rows[first]!.values[key] }));
    if (changes.length > 0) onChanges(changes, `fill down ${columns[key]!.name}`);
    setNote(`${changes.length === 0 ? 'No' : changes.length} empty ${changes.length === 1 ? 'cell' : 'cells'} filled.`);
  };

  const paste = (event: ClipboardEvent) => {
    const text = event.clipboardData.getData('text/plain').replace(/\r\n?/g, '\n').replace(/\n$/, '');
    const at = cellOf(event.target);
    if (!at || !/[\t\n]/.test(text)) return; // a single value goes into its field
    event.preventDefault();
    const changes: SheetChange[] = [];
    const refused: string[] = [];
    text.split('\n').forEach((line, i) =>
      line.split('\t').forEach((cell, j) => {
        const [row, key] = [rows[at.row + i], keys[at.column + j]];
        if (!row || key === undefined || !has(row, key))
          return void (cell.trim() !== '' && refused.push(`“${cell.trim()}”: there is no such cell`));
        const property = columns[key]!;
        const read = readPasted(property, cell, property.type === 'quantity' ? units.bareUnit(property.field) : '');
        if (read.ok) changes.push({ row: row.id, key, value: read.value });
        else refused.push(`${property.name}, ${row.name}: ${read.why}`);
      }),
    );
    if (changes.length > 0) onChanges(changes, `paste into ${label.toLowerCase()}`);
    const done = `${changes.length} ${changes.length === 1 ? 'cell' : 'cells'} pasted.`;
    setNote(
      refused.length === 0
        ? done
        : `${done} Left as they were: ${refused.slice(0, 6).join('; ')}${refused.length > 6 ? ` and ${refused.length - 6} more` : ''}.`,
    );
  };

  return (
    <div>
      <div className="relative overflow-x-auto">
        <table ref={table} className="w-full border-collapse text-[0.95rem]" onKeyDown={press} onPaste={paste}>
          <caption className="label pb-1 text-left">
            {label}: Tab goes across, Enter down; paste from a spreadsheet; Ctrl+D takes what stands above.
          </caption>
          <thead className="label">
            <tr className="border-b border-ink align-bottom">
              <th className="sticky left-0 min-w-44 bg-paper pr-3 text-left font-normal" />
              {keys.map((key) => (
                <th key={key} scope="col" className="min-w-28 px-1 text-left font-normal">
                  <span className="block">{capital(columns[key]!.name)}</span>
                  <button
                    className="min-h-[24px] underline decoration-hair underline-offset-2"
                    aria-label={`Fill down: ${columns[key]!.name}`}
                    title="The first value of this column into every empty cell below it"
                    onClick={() => fillDown(key)}
                  >
                    fill down
                  </button>
                </th>
              ))}
            </tr>
          </thead>
          <tbody className="ruled">
            {rows.map((row, i) => (
              <tr key={row.id} className="align-top">
                <th scope="row" className="sticky left-0 bg-paper py-1.5 pr-3 text-left leading-snug font-normal">
                  {row.name}
                </th>
                {keys.map((key, j) => (
                  <td key={key} className="px-0.5 py-0.5" data-cell={`${i} ${j}`}>
                    {has(row, key) && (
                      <PropertyField
                        property={propertyOf(row, key)}
                        path={[...row.path, key]}
                        value={row.values[key]}
                        brief
                        inSheet
                        onChange={(value, group) => onChange({ row: row.id, key, value }, group)}
                      />
                    )}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <p role="status" className="label min-h-5">
        {note}
      </p>
    </div>
  );
}
